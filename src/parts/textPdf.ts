'use client';

import { jsPDF } from 'jspdf';
import { lettersFor } from './pdfLetters';

const margin = 56;
/** Sizes of the letters in points, the largest that keeps all on one page; what fits on none begins with the first. */
const sizes = [11, 10, 9] as const;
const leading = 1.36;

/** A text as a PDF, A4: on one page if it can be, else broken into pages. */
export async function textPdf(text: string): Promise<Blob> {
  const file = new jsPDF({ unit: 'pt', format: 'a4' });
  file.setFont(await lettersFor(file, text), 'normal');
  const width = file.internal.pageSize.getWidth() - 2 * margin;
  const height = file.internal.pageSize.getHeight() - 2 * margin;
  const laid = sizes.map((size) => {
    file.setFontSize(size);
    return { size, line: size * leading, rows: file.splitTextToSize(text, width) as string[] };
  });
  const { size, line, rows } = laid.find((one) => one.rows.length * one.line <= height) ?? laid[0]!;
  file.setFontSize(size);
  const most = Math.floor(height / line);
  rows.forEach((row, at) => {
    if (at > 0 && at % most === 0) file.addPage();
    file.text(row, margin, margin + size + (at % most) * line);
  });
  return file.output('blob');
}
