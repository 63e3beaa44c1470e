'use client';

import { jsPDF } from 'jspdf';

const margin = 56;
const size = 11;
const line = 15;

/** A text as a PDF, A4, broken into lines and pages. */
export function textPdf(text: string): Blob {
  const file = new jsPDF({ unit: 'pt', format: 'a4' });
  file.setFont('helvetica', 'normal');
  file.setFontSize(size);
  const { width, height } = {
    width: file.internal.pageSize.getWidth(),
    height: file.internal.pageSize.getHeight(),
  };
  let y = margin;
  for (const row of file.splitTextToSize(text, width - 2 * margin) as string[]) {
    if (y > height - margin) {
      file.addPage();
      y = margin;
    }
    file.text(row, margin, y);
    y += line;
  }
  return file.output('blob');
}
