declare module 'pdf-parse/lib/pdf-parse.js' {
  /** Words and number of pages of a PDF. The inner file is asked for: the outer one looks for a test of its own. */
  export default function readPdf(data: Buffer): Promise<{ text: string; numpages: number }>;
}
