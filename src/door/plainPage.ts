const style = `:root{color-scheme:light dark}body{font:18px/1.5 system-ui,sans-serif;max-width:46rem;margin:3rem auto;padding:0 1.5rem;background:#faf7ee;color:#1d242f}
h1{font-size:2rem;line-height:1.2}a{color:inherit;display:inline-block;padding:.6rem 0}li{border-top:1px solid #cfcab8;padding:.75rem 0;display:flex;gap:1rem;align-items:center;justify-content:space-between;flex-wrap:wrap}
ul{list-style:none;padding:0}button{font:inherit;font-weight:600;min-height:44px;padding:.4rem 1rem;border:1px solid #1d242f;border-radius:6px;background:none}
li:first-child button{background:#1d242f;color:#faf7ee}input{font:inherit;min-height:44px;padding:.2rem .6rem;border:1px solid #5c6470;border-radius:6px}.why{color:#a31621;font-weight:600}code{font-size:.85em}
@media(prefers-color-scheme:dark){body{background:#1a1d22;color:#ece8df}li{border-color:#454a52}button{color:inherit;border-color:#ece8df}li:first-child button{background:#ece8df;color:#1a1d22}input{background:none;color:inherit;border-color:#b5b3ab}.why{color:#ff9d92}}`;

/** A text as it may stand in a page. */
export const plain = (text: string) => text.replace(/[&<>"']/g, (sign) => `&#${sign.codePointAt(0)};`);

/**
 * A page that needs nothing of the app: what is said where the app can't say it.
 *
 * @param body as it is put into the page; what came from elsewhere goes through {@link plain} first
 * @param word for the page's style alone, where its policy asks for one: {@link plainPolicy}
 * @param again loads the front page after four seconds
 */
export function plainPage(title: string, body: string, word: string, again = false): string {
  const refresh = again ? '<meta http-equiv="refresh" content="4;url=/">' : '';
  return `<!doctype html><html lang="en-GB"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width">${refresh}<title>${plain(title)}</title><style nonce="${word}">${style}</style></head><body><main>${body}</main></body></html>`;
}

/** What such a page may do: be read, and send its own forms home. */
export const plainPolicy = (word: string) =>
  `default-src 'none'; style-src 'nonce-${word}'; form-action 'self'; frame-ancestors 'none'; base-uri 'none'`;
