import { existsSync, mkdirSync, readFileSync, writeFileSync } from 'node:fs';
import { dirname, join } from 'node:path';
import { eq } from 'drizzle-orm';
import sharp from 'sharp';
import { commandSchemas, firstSentence } from '@/core/record';
import { type Store, storePath } from './open';
import { photos } from './schema';

/** Pictures lie beside the studio's file; the name is the id, so nothing typed ever becomes a path. */
const pathOf = (photoId: string) => join(dirname(storePath()), 'photos', `${photoId}.jpg`);

const mostPixels = 50_000_000;

/**
 * Checks a picture by its content and writes it anew as JPEG, without its metadata. A picture that is there already is
 * left as it is, so that sending twice changes nothing.
 *
 * @param payload of a photo.add command, as it came in
 * @returns the sentence that refuses it, or null when it was written
 */
export async function writePhoto(payload: unknown): Promise<string | null> {
  const parsed = commandSchemas['photo.add'].safeParse(payload);
  if (!parsed.success) return firstSentence(parsed.error);
  const path = pathOf(parsed.data.photoId);
  if (existsSync(path)) return null;
  let clean: Buffer;
  try {
    const picture = sharp(Buffer.from(parsed.data.data, 'base64'), { limitInputPixels: mostPixels, failOn: 'error' });
    const { format } = await picture.metadata();
    if (!['jpeg', 'png', 'webp'].includes(format ?? '')) return notAPicture;
    // Written without any metadata: sharp leaves place, device and time out unless asked to keep them.
    clean = await picture.rotate().jpeg({ quality: 88 }).toBuffer();
  } catch {
    return notAPicture;
  }
  mkdirSync(dirname(path), { recursive: true });
  writeFileSync(path, clean, { flag: 'wx' });
  return null;
}

const notAPicture = 'This file is not a picture that can be read. Use JPEG, PNG or WebP.';

/** A stored picture, or null for an id that has none. */
export function readPhoto(store: Store, photoId: string): Buffer | null {
  const row = store.select().from(photos).where(eq(photos.id, photoId)).get();
  return row && existsSync(pathOf(row.id)) ? readFileSync(pathOf(row.id)) : null;
}
