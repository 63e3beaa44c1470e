import { readFileSync, readdirSync } from 'node:fs';
import { type IncomingMessage, type ServerResponse } from 'node:http';
import { extname, join } from 'node:path';
import { gzipSync } from 'node:zlib';

const under = '/_next/static/';

const types: Readonly<Record<string, string>> = {
  '.css': 'text/css; charset=utf-8',
  '.js': 'text/javascript; charset=utf-8',
  '.svg': 'image/svg+xml',
  '.ttf': 'font/ttf',
  '.woff2': 'font/woff2',
};

/** Letters come packed already. */
const packable = ['.css', '.js', '.svg'];

interface Kept {
  type: string;
  bytes: Buffer;
  /** Made when it is first asked for from elsewhere. */
  packed?: Buffer;
}

/** A script opened as a page, or run beside one, asks for nothing but the app’s own. */
const policy = "default-src 'none'; script-src 'self'; connect-src 'self'";

/**
 * Gives the app’s own files as they were built: the same for everybody, each by a name of its own content, and kept once they were read.
 * A page asks for some thirty of them; by way of the framework each took the server four milliseconds.
 *
 * @param folder where the build has put them; only what lies there now is ever given
 * @returns whether it gave the file that was asked for; nothing was answered otherwise
 */
export function builtFiles(folder: string) {
  const there = new Set(
    readdirSync(folder, { recursive: true, withFileTypes: true })
      .filter((entry) => entry.isFile() && extname(entry.name) in types)
      .map(({ parentPath, name }) => join(parentPath, name)),
  );
  const kept = new Map<string, Kept>();

  function fileAt(url: string): Kept | null {
    const [path = ''] = url.split('?');
    if (!path.startsWith(under)) return null;
    const place = join(folder, decodeURIComponent(path.slice(under.length)));
    if (!there.has(place)) return null;
    const known = kept.get(place);
    if (known) return known;
    try {
      const file = { type: types[extname(place)]!, bytes: readFileSync(place) };
      kept.set(place, file);
      return file;
    } catch {
      // Built anew under a server that runs: the framework says what it says of what is not there.
      return null;
    }
  }

  /**
   * @param far asked from another machine: the way between is slower than packing it once. Only these files are packed: with what a page
   *   says of somebody, how well it packs would tell something of it.
   */
  return ({ method, url = '', headers }: IncomingMessage, response: ServerResponse, far: boolean): boolean => {
    if (method !== 'GET' && method !== 'HEAD') return false;
    const file = fileAt(url);
    if (!file) return false;
    const packs = far && packable.includes(extname(url.split('?')[0]!));
    const packed = packs && takesGzip(headers['accept-encoding']);
    const bytes = packed ? (file.packed ??= gzipSync(file.bytes)) : file.bytes;
    response.writeHead(200, {
      'content-type': file.type,
      'content-length': bytes.length,
      'cache-control': 'public, max-age=31536000, immutable',
      'content-security-policy': policy,
      ...(packs && { vary: 'accept-encoding' }),
      ...(packed && { 'content-encoding': 'gzip' }),
    });
    response.end(method === 'HEAD' ? undefined : bytes);
    return true;
  };
}

const takesGzip = (accepted: string | string[] | undefined) =>
  String(accepted ?? '')
    .split(',')
    .some((way) => /^\s*gzip\s*(;\s*q=(?!0(\.0*)?\s*$).*)?$/i.test(way));
