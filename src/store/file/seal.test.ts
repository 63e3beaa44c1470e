import disk from 'node:fs';
import { existsSync, mkdirSync, readFileSync, readdirSync, rmSync, truncateSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import {
  backup,
  backupsIn,
  backupsOf,
  compared,
  copiesOf,
  copyOfDay,
  dropSeal,
  isSealed,
  isSealing,
  openStore,
  restore,
  seal,
  setSeal,
  unseal,
} from '..';
import { scratchFolder } from '../../../scripts/scratch';
import { sealedIn } from './seal';

const now = Date.parse('2026-11-27T10:00:00Z');
const words = 'lock keeper of the weir';
/** As age has it, but a thousandth of the work: a test is not attacked. */
const quick = 8;

let folder: string;
let path: string;
beforeEach(() => {
  folder = scratchFolder('seal');
  mkdirSync(folder, { recursive: true });
  path = join(folder, 'studio.db');
  const store = openStore(path);
  store.$client
    .prepare("insert into clients (id, name, created_at) values ('a', 'Tamsin Reed', '2026-11-01T09:00:00.000Z')")
    .run();
  store.$client
    .prepare(
      "insert into photos (id, client_id, at) values ('0b54a58e-0f0c-4a52-8d6a-111111111111', 'a', '2026-11-01T09:00:00.000Z')",
    )
    .run();
  store.$client.close();
  mkdirSync(join(folder, 'photos'), { recursive: true });
  writeFileSync(join(folder, 'photos', '0b54a58e-0f0c-4a52-8d6a-111111111111.jpg'), 'a picture of Tamsin');
});
afterEach(() => rmSync(folder, { recursive: true, force: true }));

const everyByteOf = (where: string) =>
  Buffer.concat(
    readdirSync(where, { recursive: true, encoding: 'utf8', withFileTypes: true })
      .filter((entry) => entry.isFile())
      .map((entry) => readFileSync(join(entry.parentPath, entry.name))),
  );

test('a locked copy holds nothing that can be read, opens with its passphrase, and is put back whole', async () => {
  await setSeal(path, words, quick);
  const { folder: copy } = backup(path, now);
  expect(everyByteOf(copy).includes('Tamsin')).toBe(true);
  expect(await seal(path, copy)).toBe(true);
  expect([isSealed(copy), existsSync(join(copy, 'studio.db')), existsSync(join(copy, 'photos'))]).toEqual([
    true,
    false,
    false,
  ]);
  const all = everyByteOf(copy);
  expect(all.includes('Tamsin')).toBe(false);
  // The open format by its published first line; the command of that name opens it too, which was tried by hand.
  expect(readFileSync(sealedIn(copy)).subarray(0, 21).toString()).toBe('age-encryption.org/v1');
  expect(backupsIn(backupsOf(path))).toEqual([copy]);
  expect(() => restore(path, copy, now)).toThrow('locked');
  const opened = join(folder, 'opened');
  await expect(unseal(copy, 'lock keeper of the wier', opened)).rejects.toThrow('not the passphrase');
  expect(existsSync(opened)).toBe(false);
  await unseal(copy, words, opened);
  expect(compared(path, opened)).toMatchObject({ onlyHere: [], onlyCopy: [], copy: { clients: 1, visits: 0 } });
  rmSync(path);
  rmSync(join(folder, 'photos'), { recursive: true });
  expect(restore(path, opened, now)).toMatchObject({ clients: 1, photos: 1 });
  expect(readFileSync(join(folder, 'photos', '0b54a58e-0f0c-4a52-8d6a-111111111111.jpg'), 'utf8')).toBe(
    'a picture of Tamsin',
  );
});

test('nothing on the machine opens a copy that was locked there; a copy keeps the passphrase it was locked with', async () => {
  await setSeal(path, words, quick);
  const one = backup(path, now).folder;
  await seal(path, one);
  const kept = ['seal.json', 'key.age'].map((name) => readFileSync(join(backupsOf(path), name), 'latin1')).join('');
  expect(kept).not.toMatch(/AGE-SECRET-KEY/);
  await setSeal(path, 'another passphrase here', quick);
  const two = backup(path, now + 1000).folder;
  await seal(path, two);
  await unseal(one, words, join(folder, 'one'));
  await unseal(two, 'another passphrase here', join(folder, 'two'));
  await expect(unseal(two, words, join(folder, 'three'))).rejects.toThrow('not the passphrase');
  dropSeal(path);
  expect([isSealing(path), await seal(path, backup(path, now + 2000).folder)]).toEqual([false, false]);
});

test('a copy that was cut off or changed is told of, and nothing of it stays', async () => {
  await setSeal(path, words, quick);
  const { folder: copy } = backup(path, now);
  await seal(path, copy);
  const bytes = readFileSync(sealedIn(copy));
  for (const at of [30, 200, bytes.length - 10]) {
    const changed = Buffer.from(bytes);
    changed[at]! ^= 1;
    writeFileSync(sealedIn(copy), changed);
    await expect(unseal(copy, words, join(folder, 'opened'))).rejects.toThrow('This copy is damaged');
    expect(existsSync(join(folder, 'opened'))).toBe(false);
  }
  writeFileSync(sealedIn(copy), bytes);
  truncateSync(sealedIn(copy), bytes.length - 100);
  await expect(unseal(copy, words, join(folder, 'opened'))).rejects.toThrow('damaged');
});

test('on a slow disk nothing is removed that is still being opened: it would be there again afterwards', async () => {
  await setSeal(path, words, quick);
  const { folder: copy } = backup(path, now);
  await seal(path, copy);
  const bytes = readFileSync(sealedIn(copy));
  bytes[bytes.length - 10]! ^= 1;
  writeFileSync(sealedIn(copy), bytes);
  const { open, rmSync: remove } = disk;
  const opening = new Set<string>();
  const tooEarly: string[] = [];
  const slow = jest.spyOn(disk, 'open').mockImplementation(((of: string, flags: string, mode: number, done: never) => {
    opening.add(of);
    setTimeout(() => {
      opening.delete(of);
      open(of, flags, mode, done);
    }, 30);
  }) as never);
  const removing = jest.spyOn(disk, 'rmSync').mockImplementation((of, options) => {
    tooEarly.push(...[...opening].filter((one) => one.startsWith(String(of))));
    remove(of, options);
  });
  try {
    await expect(unseal(copy, words, join(folder, 'opened'))).rejects.toThrow('This copy is damaged');
    expect(slow).toHaveBeenCalledWith(join(folder, 'opened', 'copy.zip'), 'w', 0o600, expect.anything());
    expect(removing).toHaveBeenCalled();
    expect(tooEarly).toEqual([]);
  } finally {
    slow.mockRestore();
    removing.mockRestore();
  }
  expect(existsSync(join(folder, 'opened'))).toBe(false);
});

test('a daily copy is locked like one by hand, and counts as today’s', async () => {
  await setSeal(path, words, quick);
  const made = copyOfDay(path, now)!;
  await seal(path, made.folder);
  expect(copiesOf(path)).toMatchObject([{ clients: 1, photos: 1 }]);
  expect(copyOfDay(path, now + 3_600_000)).toBeNull();
});

test('what putting a copy back would change is told by name', () => {
  const { folder: copy } = backup(path, now);
  const store = openStore(path);
  store.$client
    .prepare("insert into clients (id, name, created_at) values ('b', 'Jory Pike', '2026-11-20T09:00:00.000Z')")
    .run();
  store.$client.prepare("update clients set id = 'c', name = 'Merryn Vane' where id = 'none'").run();
  store.$client.close();
  expect(compared(path, copy)).toMatchObject({
    here: { clients: 2 },
    copy: { clients: 1 },
    onlyHere: ['Jory Pike'],
    onlyCopy: [],
  });
  writeFileSync(join(copy, 'studio.db'), 'nonsense');
  expect(() => compared(path, copy)).toThrow('no studio that can be read');
});
