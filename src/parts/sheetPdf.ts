'use client';

import { jsPDF } from 'jspdf';
import 'svg2pdf.js';
import { lettersFor } from './pdfLetters';

/**
 * Drawn pages as a PDF, each on a page of its own.
 *
 * @param pages drawings, as wide and high in points as the paper
 */
export async function sheetPdf(
  pages: readonly string[],
  format: 'a4' | 'letter' = 'a4',
  orientation: 'landscape' | 'portrait' = 'landscape',
): Promise<Blob> {
  const file = new jsPDF({ orientation, unit: 'pt', format });
  const width = file.internal.pageSize.getWidth();
  const height = file.internal.pageSize.getHeight();
  const letters = await lettersFor(file, pages.join(''));
  for (const [at, page] of pages.entries()) {
    const svg = letters === 'helvetica' ? page : page.replaceAll('Helvetica, Arial, sans-serif', letters);
    if (at > 0) file.addPage(format, orientation);
    const drawing = new DOMParser().parseFromString(svg, 'image/svg+xml').documentElement;
    await file.svg(drawing, { x: 0, y: 0, width, height });
  }
  return file.output('blob');
}
