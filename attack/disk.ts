import { spawnSync } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, rmSync, statSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { v7 as uuid } from 'uuid';
import { testServer } from '../e2e/support/server';
import { type Command, type Row, clientsIn, fileOf, idsOf, isWhole, newClient, post, row } from './support';

const smallMb = 6;

function mounted(path: string, size: number, again = false): boolean {
  const options = `size=${size}m${again ? ',remount' : ''}`;
  return spawnSync('mount', ['-t', 'tmpfs', '-o', options, 'tmpfs', path], { stdio: 'ignore' }).status === 0;
}

/** A disk that runs full, where this machine lets one be made; then room is made, and what waited goes through. */
export async function fullDisk(): Promise<Row[]> {
  const mount = mkdtempSync(join(tmpdir(), 'kokyu-full-'));
  if (!mounted(mount, smallMb)) {
    rmSync(mount, { recursive: true, force: true });
    return [row('a disk that runs full', 0, 'not tried: no disk can be mounted here', null)];
  }
  const server = testServer(4721, 'own', join(mount, 'data'));
  try {
    await server.start();
    const answered = new Set<string>();
    const refusals: string[] = [];
    let stuck: Command[] = [];
    for (let n = 0; n < 4000 && stuck.length === 0; n += 1) {
      const batch = Array.from({ length: 5 }, (_, i) => newClient(`${'Longwater '.repeat(9)}${n} ${i}`));
      const answer = await post(server.url, batch);
      const saved = answer?.outcomes.filter(({ state }) => state === 'saved').length ?? 0;
      refusals.push(...(answer?.outcomes.flatMap(({ state, why }) => (state === 'refused' ? [why ?? ''] : [])) ?? []));
      for (const id of idsOf(batch.slice(0, saved))) answered.add(id);
      if (saved < batch.length) stuck = batch.slice(saved);
    }
    const photoId = uuid();
    const [clientId] = answered;
    const picture = await sharp({
      create: {
        width: 1200,
        height: 1200,
        channels: 3,
        background: '#fff',
        noise: { type: 'gaussian', mean: 128, sigma: 60 },
      },
    })
      .jpeg({ quality: 95 })
      .toBuffer();
    const photo: Command = {
      id: uuid(),
      kind: 'photo.add',
      payload: { photoId, clientId, data: picture.toString('base64') },
    };
    const full = await post(server.url, [photo]);
    const photos = join(server.dataDir, 'photos');
    const empty = existsSync(photos)
      ? readdirSync(photos).filter((name) => statSync(join(photos, name)).size < picture.length / 4)
      : [];
    const alive = (await fetch(server.url)).status;
    mounted(mount, 64, true);
    const after = await post(server.url, [...stuck, photo]);
    const through = after?.outcomes.every(({ state }) => state === 'saved') ?? false;
    const shown = await fetch(`${server.url}/api/photos/${photoId}`);
    await server.end();
    const there = clientsIn(fileOf(server));
    const missing = [...answered].filter((id) => !there.has(id)).length;
    return [
      row(
        'a disk that runs full under writes',
        answered.size,
        `${missing} answered and lost, ${refusals.length} refused for good`,
        missing === 0 && refusals.length === 0 && stuck.length > 0,
      ),
      row(
        'a picture on the full disk',
        1,
        `answered ${full?.status}, ${empty.length} empty files`,
        full?.status === 503 && empty.length === 0,
      ),
      row('Today while the disk is full', 1, `answered ${alive}`, alive === 200),
      row(
        'what waited, once there is room',
        stuck.length + 1,
        through && shown.ok ? 'taken in' : 'not taken in',
        through && shown.ok,
      ),
      row('the file after the full disk', 1, isWhole(fileOf(server)) ? 'whole' : 'damaged', isWhole(fileOf(server))),
    ];
  } finally {
    await server.close();
    spawnSync('umount', [mount], { stdio: 'ignore' });
    rmSync(mount, { recursive: true, force: true });
  }
}

/** A studio on a disk that can only be read: it says so in one sentence, offers no copy in the place of a file that is whole, and changes nothing. */
export async function readOnlyDisk(): Promise<Row[]> {
  const mount = mkdtempSync(join(tmpdir(), 'kokyu-read-only-'));
  if (!mounted(mount, 64)) {
    rmSync(mount, { recursive: true, force: true });
    return [row('a disk that can only be read', 0, 'not tried: no disk can be mounted here', null)];
  }
  const server = testServer(4722, 'own', join(mount, 'data'));
  const remount = (as: 'ro' | 'rw') => spawnSync('mount', ['-o', `remount,${as}`, mount], { stdio: 'ignore' }).status;
  try {
    await server.start();
    const client = newClient('Quay');
    await post(server.url, [client]);
    await server.end();
    const second = testServer(4724, 'own', join(mount, 'new'));
    remount('ro');
    const refused = await server.another(4723);
    const empty = await second.another(4725);
    remount('rw');
    await server.start();
    await server.end();
    const there = clientsIn(fileOf(server)).size;
    const plain = [refused, empty].every(
      (ended) => ended?.code === 1 && /^Nothing can be written in /.test(ended.words) && !/\bat </.test(ended.words),
    );
    return [
      row('started on a disk that can only be read', 2, `ended with 1: ${refused?.words.slice(0, 60)}…`, plain),
      row('the studio once it can be written', 1, `${there} of 1 there`, there === 1),
    ];
  } finally {
    remount('rw');
    await server.close();
    spawnSync('umount', [mount], { stdio: 'ignore' });
    rmSync(mount, { recursive: true, force: true });
  }
}
