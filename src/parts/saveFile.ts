'use client';

/** Hands a file to the browser to save. */
export function saveFile(name: string, type: string, content: string | Blob) {
  const url = URL.createObjectURL(typeof content === 'string' ? new Blob([content], { type }) : content);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  // The click is handled after this turn; the address must live until then.
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

/**
 * A name as part of a file's: its letters stay, in whatever alphabet.
 *
 * @example asFileName('Łucja O’Dell') // 'łucja-o-dell'
 */
export const asFileName = (name: string): string =>
  name
    .toLowerCase()
    .replace(/[^\p{L}\p{M}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '') || 'client';
