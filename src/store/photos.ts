import {
  closeSync,
  existsSync,
  fsyncSync,
  openSync,
  readFileSync,
  readdirSync,
  renameSync,
  rmSync,
  writeSync,
} from 'node:fs';
import { randomUUID } from 'node:crypto';
import { dirname, join } from 'node:path';
import { eq } from 'drizzle-orm';
import sharp from 'sharp';
import { type Outcome, commandSchemas, firstSentence } from '@/core/record';
import { type Store, fileMode, photosOf, privateFolder, settle } from './file';
import { inEnglish } from '@/core/reasons';
import { clients, photos } from './schema';

/** Most pixels of a picture that is taken in: the browser makes it smaller before it is sent, and angles need no more. */
const mostPixels = 4_000_000;

/** Where the pictures of a store lie; the name is the id, so nothing typed ever becomes a path. */
export const folderOf = (store: Store) => photosOf(store.$client.name);
/** Where a picture lies, whether or not it is there. */
export const fileOf = (store: Store, photoId: string) => join(folderOf(store), `${photoId}.jpg`);

const refused = (why: string): Outcome => ({ state: 'refused', code: 'does not fit', why });
const notAPicture = refused('This file is not a picture that can be read. Use JPEG, PNG or WebP.');
const tooLarge = refused('The picture is too large. Choose one of at most 4 megapixels.');

sharp.concurrency(1);
sharp.cache(false);

/** One picture is worked on at a time, whoever sends it: each takes some tens of megabytes while it is read. */
let turn: Promise<unknown> = Promise.resolve();
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = turn.then(work, work);
  turn = mine.catch(() => undefined);
  return mine;
}

/** What became of a picture before its command is carried out. */
export type Prepared = { refused: Outcome } | { photoId: string; draft: string } | null;

/**
 * Checks a picture by its content and writes it anew as JPEG, without its metadata, beside its place; {@link placePhoto} puts it there
 * together with its row.
 *
 * @param payload of a photo.add command, as it came in
 * @returns its draft, an answer that refuses it, or null when its row is there already
 * @throws what the disk says
 */
export async function preparePhoto(store: Store, payload: unknown): Promise<Prepared> {
  const parsed = commandSchemas['photo.add'].safeParse(payload, inEnglish);
  if (!parsed.success) return { refused: refused(firstSentence(parsed.error)) };
  const { photoId, clientId, data } = parsed.data;
  if (store.select({ id: photos.id }).from(photos).where(eq(photos.id, photoId)).get()) return null;
  if (!store.select({ id: clients.id }).from(clients).where(eq(clients.id, clientId)).get()) {
    return { refused: { state: 'refused', code: 'gone', why: 'This client is no longer there. Reload the page.' } };
  }
  return inTurn(async () => {
    const clean = await cleanPicture(Buffer.from(data, 'base64'));
    if (!Buffer.isBuffer(clean)) return { refused: clean };
    return { photoId, draft: writeDraft(store, photoId, clean) };
  });
}

async function cleanPicture(sent: Buffer): Promise<Buffer | Outcome> {
  try {
    const { format, width, height } = await sharp(sent, { limitInputPixels: false }).metadata();
    if (!['jpeg', 'png', 'webp'].includes(format ?? '')) return notAPicture;
    if (width * height > mostPixels) return tooLarge;
    // Written without any metadata: sharp leaves place, device and time out unless asked to keep them.
    return await sharp(sent, { limitInputPixels: mostPixels, failOn: 'error' })
      .rotate()
      .jpeg({ quality: 88 })
      .toBuffer();
  } catch {
    return notAPicture;
  }
}

const draftEnding = '.part';

function writeDraft(store: Store, photoId: string, content: Buffer): string {
  const folder = folderOf(store);
  privateFolder(folder);
  const draft = join(folder, `${photoId}.${randomUUID()}${draftEnding}`);
  try {
    const file = openSync(draft, 'wx', fileMode);
    try {
      for (let at = 0; at < content.length;) at += writeSync(file, content, at);
      fsyncSync(file);
    } finally {
      closeSync(file);
    }
  } catch (error) {
    rmSync(draft, { force: true });
    throw error;
  }
  return draft;
}

/** Puts a picture in its place, within the transaction that writes its row. A file without its row counts for nothing. */
export function placePhoto(store: Store, photoId: string, draft: string) {
  const path = fileOf(store, photoId);
  renameSync(draft, path);
  settle(dirname(path));
}

/** Takes away drafts whose command never came to its end. */
export const dropDraft = (draft: string) => rmSync(draft, { force: true });

/** Takes away what earlier ends of the server left half-written. */
export function sweepDrafts(store: Store) {
  const folder = folderOf(store);
  if (!existsSync(folder)) return;
  for (const name of readdirSync(folder)) if (name.endsWith(draftEnding)) rmSync(join(folder, name), { force: true });
}

/** A stored picture, or null for an id that has none. */
export function readPhoto(store: Store, photoId: string): Buffer | null {
  const row = store.select().from(photos).where(eq(photos.id, photoId)).get();
  const path = row && fileOf(store, row.id);
  return path && existsSync(path) ? readFileSync(path) : null;
}
