'use client';

/** Larger files are not even opened. */
const mostFileBytes = 40_000_000;
const longestSidePx = 1600;

export interface PreparedPhoto {
  data: string;
  widthPx: number;
  heightPx: number;
  /** For showing it before the server has it. */
  url: string;
}

/**
 * Opens a picture, makes it smaller and writes it anew without its metadata, before it leaves the browser.
 *
 * @throws {Error} with one sentence when it is too large or no picture
 */
export async function preparePhoto(file: File): Promise<PreparedPhoto> {
  if (file.size > mostFileBytes) {
    throw new Error(
      `This file has ${Math.round(file.size / 1e6)} MB; at most ${mostFileBytes / 1e6} MB can be opened. Nothing was changed.`,
    );
  }
  const bitmap = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => {
    throw new Error('This file is not a picture that can be opened here. Use JPEG, PNG or WebP; nothing was changed.');
  });
  const scale = Math.min(1, longestSidePx / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.max(1, Math.round(bitmap.width * scale));
  canvas.height = Math.max(1, Math.round(bitmap.height * scale));
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  const url = canvas.toDataURL('image/jpeg', 0.85);
  return { data: url.slice(url.indexOf(',') + 1), widthPx: canvas.width, heightPx: canvas.height, url };
}
