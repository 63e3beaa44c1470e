'use client';

import { type jsPDF } from 'jspdf';

/** What a PDF's own letters have: Latin-1 and the few besides. */
const within = /^[\u0000-\u00ff€‚ƒ„…†‡ˆ‰Š‹ŒŽ‘’“”•–—˜™š›œžŸ]*$/;

/** Letters that have nearly every alphabet written from left to right; half a megabyte each, brought only where a name asks for them. */
const files = {
  normal: () => new URL('../../node_modules/dejavu-fonts-ttf/ttf/DejaVuSansCondensed.ttf', import.meta.url),
  bold: () => new URL('../../node_modules/dejavu-fonts-ttf/ttf/DejaVuSansCondensed-Bold.ttf', import.meta.url),
} as const;

/**
 * The name of letters that have every sign of a text, ready in a PDF: its own where they have them, else ones that travel along.
 *
 * @param text everything that will be written
 */
export async function lettersFor(file: jsPDF, text: string): Promise<string> {
  if (within.test(text)) return 'helvetica';
  for (const [style, url] of Object.entries(files)) {
    const answer = await fetch(url());
    if (!answer.ok) throw new Error('The letters for this name could not be brought.');
    const bytes = new Uint8Array(await answer.arrayBuffer());
    // What stands to the left of a right edge is measured by the page, which has to know these letters too.
    document.fonts.add(await new FontFace('wide', bytes, { weight: style === 'bold' ? '700' : '400' }).load());
    let binary = '';
    for (let at = 0; at < bytes.length; at += 8192) binary += String.fromCharCode(...bytes.subarray(at, at + 8192));
    file.addFileToVFS(`wide-${style}.ttf`, btoa(binary));
    file.addFont(`wide-${style}.ttf`, 'wide', style);
  }
  return 'wide';
}
