'use client';

import { jsPDF } from 'jspdf';
import 'svg2pdf.js';

/** The printed score as a PDF page, A4 on its side. */
export async function sheetPdf(svg: string): Promise<Blob> {
  const page = new jsPDF({ orientation: 'landscape', unit: 'pt', format: 'a4' });
  const drawing = new DOMParser().parseFromString(svg, 'image/svg+xml').documentElement;
  const width = page.internal.pageSize.getWidth();
  const height = page.internal.pageSize.getHeight();
  await page.svg(drawing, { x: 0, y: 0, width, height });
  return page.output('blob');
}
