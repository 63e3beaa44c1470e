import { type PhoneData } from './data';
import { phoneStyle } from './style';

/** What may stand between the tags of a script without ending it. */
const inScript = (value: unknown) =>
  JSON.stringify(value)
    .replace(/</g, '\\u003c')
    .replace(/\u2028/g, '\\u2028')
    .replace(/\u2029/g, '\\u2029');
const inWords = (words: string) =>
  words.replace(/[&<>"]/g, (sign) => ({ '&': '&amp;', '<': '&lt;', '>': '&gt;', '"': '&quot;' })[sign]!);

/**
 * The page that goes home as one file. Its own policy forbids every request; script and style are let in by their digests alone.
 *
 * @param script the bundled page
 * @param digest of a text, SHA-256 in base64
 */
export function phonePage(data: PhoneData, script: string, digest: (text: string) => string): string {
  const policy = `default-src 'none'; script-src 'sha256-${digest(script)}'; style-src 'sha256-${digest(phoneStyle)}'; base-uri 'none'; form-action 'none'`;
  return `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta http-equiv="Content-Security-Policy" content="${policy}">
<meta name="viewport" content="width=device-width,initial-scale=1">
<meta name="referrer" content="no-referrer">
<title>${inWords(`At home with ${data.studio}`)}</title>
<style>${phoneStyle}</style>
</head>
<body>
<main id="page"></main>
<script type="application/json" id="data">${inScript(data)}</script>
<script>${script}</script>
</body>
</html>
`;
}
