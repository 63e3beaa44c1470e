import { dirname, join, resolve } from 'node:path';

/** The coach's own studio and the demo live in different files of the same folder. */
export type StudioKind = 'own' | 'demo';

const names: Record<StudioKind, { file: string; photos: string }> = {
  own: { file: 'studio.db', photos: 'photos' },
  demo: { file: 'demo.db', photos: 'demo-photos' },
};

export const studioKind = (): StudioKind => (process.env.KOKYU_STUDIO === 'demo' ? 'demo' : 'own');

/** The file a studio lives in: KOKYU_DATA, or data beside the app, outside the build. */
export function storePath(kind: StudioKind = studioKind()): string {
  return resolve(/* turbopackIgnore: true */ process.env.KOKYU_DATA ?? 'data', names[kind].file);
}

/** The folder of a studio's pictures, beside its file. */
export function photosOf(path: string): string {
  const kind = path.endsWith(names.demo.file) ? 'demo' : 'own';
  return join(dirname(path), names[kind].photos);
}

/** The folder of a studio's backups, beside its file. */
export const backupsOf = (path: string) => join(dirname(path), 'backups');

/** Everything that belongs to one opening of the file, by its name. */
export const beside = (path: string) => ({
  wal: `${path}-wal`,
  shm: `${path}-shm`,
  /** Held by SQLite's own lock as long as a server runs. */
  lock: `${path}.lock`,
  /** There while the file is open: found at a start, it says that the last one ended without closing. */
  mark: `${path}.open`,
  migrating: `${path}.migrating`,
});
