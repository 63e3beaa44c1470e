import { spawn } from 'node:child_process';
import { copyFileSync, cpSync, mkdtempSync, readdirSync, renameSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { backup, backupsIn, backupsOf, openStore, restore } from '@/store';
import { testServer } from '../e2e/support/server';
import { type Command, type Row, clientsIn, fileOf, idsOf, isWhole, newClient, pause, post, row } from './support';

/** Writes without a pause until told to stop, and sends again what was not answered, as an outbox does. */
function writer(url: () => string, answered: Set<string>) {
  let going = true;
  let made = 0;
  const work = (async () => {
    let batch: Command[] = [];
    while (going || batch.length > 0) {
      if (batch.length === 0) batch = Array.from({ length: 3 }, () => newClient(`Quay ${(made += 1)}`));
      const answer = await post(url(), batch);
      const done = answer?.outcomes.filter(({ state }) => state === 'saved').length ?? 0;
      for (const id of idsOf(batch.slice(0, done))) answered.add(id);
      batch = batch.slice(done);
      if (!answer) await pause(30);
      if (!going && !answer) return;
    }
  })();
  return {
    stop: async () => {
      going = false;
      await work;
    },
  };
}

/** What was answered as saved and is not there, or is there more than once. */
const lost = (answered: ReadonlySet<string>, there: ReadonlyMap<string, number>) =>
  [...answered].filter((id) => there.get(id) !== 1).length;

export async function kills(times: number): Promise<Row[]> {
  const server = testServer(4711);
  const answered = new Set<string>();
  await server.start();
  const writers = [writer(() => server.url, answered), writer(() => server.url, answered)];
  for (let n = 0; n < times; n += 1) {
    await pause(150 + Math.random() * 600);
    await server.kill();
    await server.start();
  }
  await Promise.all(writers.map(({ stop }) => stop()));
  await server.kill();
  await server.start();
  await server.end();
  const missing = lost(answered, clientsIn(fileOf(server)));
  const whole = isWhole(fileOf(server));
  await server.close();
  return [
    row(
      'server killed at once while two write',
      times,
      `${answered.size} answered, ${missing} lost or doubled`,
      missing === 0,
    ),
    row('the file after all of these', 1, whole ? 'whole' : 'damaged', whole),
  ];
}

export async function endings(times: number): Promise<Row[]> {
  const rows: Row[] = [];
  for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'] as const) {
    let missing = 0;
    let all = 0;
    for (let n = 0; n < times; n += 1) {
      const server = testServer(4712);
      await server.start();
      const answered = new Set<string>();
      const one = writer(() => server.url, answered);
      await pause(700);
      await server.end(signal);
      await one.stop();
      const copy = join(mkdtempSync(join(tmpdir(), 'kokyu-copy-')), 'copy.db');
      copyFileSync(fileOf(server), copy);
      all += answered.size;
      missing += lost(answered, clientsIn(copy));
      rmSync(join(copy, '..'), { recursive: true, force: true });
      await server.close();
    }
    rows.push(
      row(
        `a plain copy of the one file after ${signal}`,
        times,
        `${all} answered, ${missing} not in the copy`,
        missing === 0,
      ),
    );
  }
  return rows;
}

/** A backup put back by hand beside the log of a server that was killed. */
export async function putBack(times: number): Promise<Row[]> {
  let damaged = 0;
  let wrong = 0;
  for (let n = 0; n < times; n += 1) {
    const server = testServer(4713);
    await server.start();
    const before = Array.from({ length: 20 }, (_, i) => newClient(`Before ${i}`));
    await post(server.url, before);
    const made = backup(fileOf(server), Date.now());
    for (let more = 0; more < 12; more += 1) {
      await post(
        server.url,
        Array.from({ length: 20 }, (_, i) => newClient(`After ${i}`)),
      );
    }
    await server.kill();
    copyFileSync(join(made.folder, 'studio.db'), fileOf(server));
    await server.start();
    await server.end();
    if (!isWhole(fileOf(server))) damaged += 1;
    const there = clientsIn(fileOf(server));
    if (idsOf(before).some((id) => !there.has(id)) || there.size !== before.length) wrong += 1;
    await server.close();
  }
  return [
    row(
      'a backup put back beside the log of a killed server',
      times,
      `${damaged} damaged, ${wrong} not as it was backed up`,
      damaged + wrong === 0,
    ),
  ];
}

/** The file is replaced, or deleted, under a running server. */
export async function takenAway(): Promise<Row[]> {
  const rows: Row[] = [];
  for (const how of ['replaced', 'deleted'] as const) {
    const server = testServer(4714);
    await server.start();
    await post(server.url, [newClient('Before')]);
    if (how === 'deleted') rmSync(fileOf(server));
    else {
      cpSync(fileOf(server), `${fileOf(server)}.new`);
      renameSync(`${fileOf(server)}.new`, fileOf(server));
    }
    let answered = 0;
    for (let n = 0; n < 40; n += 1) {
      const answer = await post(server.url, [newClient(`Lost ${n}`)]);
      answered += answer?.outcomes.filter(({ state }) => state === 'saved').length ?? 0;
    }
    await server.close();
    rows.push(row(`writes after the file was ${how}`, 40, `${answered} answered as saved`, answered === 0));
  }
  return rows;
}

/** A second server on the folder, and a folder in which the file is missing. */
export async function refusals(): Promise<Row[]> {
  const server = testServer(4715);
  await server.start();
  await post(server.url, [newClient('Ada')]);
  const second = await server.another(4716);
  const made = backup(fileOf(server), Date.now());
  await server.end();
  renameSync(fileOf(server), `${fileOf(server)}.gone`);
  const unkeyed = testServer(4719);
  const outside = await unkeyed.another(4717, { HOST: '0.0.0.0' });
  await unkeyed.close();
  const missing = await server.another(4718);
  const left = readdirSync(server.dataDir).includes('studio.db');
  await server.close();
  rmSync(made.folder, { recursive: true, force: true });
  const ends = (code: number | null) => (code === null ? 'went on' : `ended with ${code}`);
  return [
    row(
      'a second server on the same folder',
      1,
      `${ends(second.code)}: ${second.words}`,
      second.code === 1 && /already running/.test(second.words),
    ),
    row('listening where others could reach it', 1, `${ends(outside.code)}: ${outside.words}`, outside.code === 1),
    row(
      'a studio whose file is missing beside its backups',
      1,
      `${ends(missing.code)}${left ? ', an empty one was made' : ''}`,
      missing.code === 3 && !left,
    ),
  ];
}

/** Once nobody of a group of processes is left: the script’s own may end a moment after the one that started it. */
async function goneAll(group: number) {
  for (let tries = 0; tries < 500; tries += 1) {
    try {
      process.kill(-group, 0);
    } catch {
      return;
    }
    await pause(10);
  }
}

/** Runs a script on a folder and ends it at once, after so many milliseconds of having begun with what is meant. */
export const cutShort = (
  script: string,
  args: readonly string[],
  dataDir: string,
  ms: number,
  hasBegun: () => boolean = () => true,
) =>
  new Promise<void>((resolve) => {
    const child = spawn(process.execPath, ['scripts/run.mjs', script, ...args], {
      env: { ...process.env, KOKYU_DATA: dataDir },
      stdio: 'ignore',
      detached: true,
    });
    // The whole group: the script runs in a process under the one that was started.
    const end = () => child.pid && process.kill(-child.pid, 'SIGKILL');
    let late: ReturnType<typeof setTimeout> | null = null;
    const watch = setInterval(() => {
      if (late || !hasBegun()) return;
      late = setTimeout(end, ms);
    }, 2);
    child.once('exit', () => {
      clearInterval(watch);
      if (late) clearTimeout(late);
      void goneAll(child.pid ?? 0).then(resolve);
    });
  });

/** A copy, and putting one back, ended at once in the middle: what has a name is whole, and the studio is the one or the other. */
export async function cutShortCopies(times: number): Promise<Row[]> {
  const folder = mkdtempSync(join(tmpdir(), 'kokyu-cut-'));
  const path = join(folder, 'studio.db');
  const store = openStore(path);
  const add = store.$client.prepare(
    `insert into clients (id, name, created_at) values (?, ?, '2026-01-01T00:00:00.000Z')`,
  );
  const fill = store.$client.prepare(`insert into settings (key, value) values (?, ?)`);
  store.$client.transaction(() => {
    for (let n = 0; n < 4000; n += 1) fill.run(`filler ${n}`, JSON.stringify('x'.repeat(20_000)));
  })();
  add.run('one', 'One');
  store.$client.close();
  let notWhole = 0;
  for (let n = 0; n < times; n += 1) {
    await cutShort('scripts/backup.ts', [], folder, 500 + Math.random() * 1500);
    for (const copy of backupsIn(backupsOf(path))) if (!isWhole(join(copy, 'studio.db'))) notWhole += 1;
  }
  const whole = backup(path, Date.now());
  const again = openStore(path);
  again.$client
    .prepare(`insert into clients (id, name, created_at) values ('two', 'Two', '2026-01-01T00:00:00.000Z')`)
    .run();
  again.$client.close();
  let neither = 0;
  let said = 0;
  for (let n = 0; n < times; n += 1) {
    await cutShort('scripts/restore.ts', [whole.folder], folder, 500 + Math.random() * 1500);
    try {
      const opened = openStore(path);
      const names = opened.$client.prepare('select id from clients order by id').all() as { id: string }[];
      if (!['one', 'one two'].includes(names.map(({ id }) => id).join(' '))) neither += 1;
      opened.$client.close();
    } catch (error) {
      // Between two names there is a moment without the first: it says so, and what was there lies beside it.
      said += 1;
      if (!/Put a backup back/.test((error as Error).message)) neither += 1;
      restore(path, whole.folder, Date.now());
    }
  }
  rmSync(folder, { recursive: true, force: true });
  return [
    row('a copy ended at once in the middle', times, `${notWhole} with a name and not whole`, notWhole === 0),
    row(
      'putting back ended at once in the middle',
      times,
      `${neither} neither the one nor the other, ${said} said so`,
      neither === 0,
    ),
  ];
}
