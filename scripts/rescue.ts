/**
 * In the place of a server whose studio's file is not whole: one page, on this machine only, that says so and offers the copies there are.
 * Ends with 0 once one was put back.
 */
import { randomBytes } from 'node:crypto';
import { type IncomingMessage, createServer } from 'node:http';
import { mkdtempSync, rmSync } from 'node:fs';
import { basename, dirname, join } from 'node:path';
import { momentInWords } from '@/core/record';
import { plain, plainPage, plainPolicy } from '@/door/plainPage';
import {
  NotWhole,
  StoreError,
  backupNote,
  backupsIn,
  backupsOf,
  copiesOf,
  isSealed,
  madeAt,
  openStore,
  restore,
  secondPlace,
  storePath,
  unseal,
} from '@/store';

const port = Number(process.env.PORT ?? 3000);
const path = storePath();
const hosts = [`127.0.0.1:${port}`, `localhost:${port}`, `[::1]:${port}`];
/** In the page’s own form: what another page sends does not know it. */
const word = randomBytes(24).toString('base64url');
const mostBytes = 10_000;

interface Offered {
  name: string;
  folder: string;
  locked: boolean;
  says: string;
}

/** Copies that can be put back, wherever they lie, the newest first. */
function offered(): Offered[] {
  const zone = Intl.DateTimeFormat().resolvedOptions().timeZone;
  const second = secondPlace(path);
  const places: [words: string, folders: string[]][] = [
    ['', copiesOf(path).map(({ folder }) => folder)],
    [', made by hand', backupsIn(backupsOf(path))],
    [', in the second place', second ? backupsIn(second) : []],
  ];
  const seen = new Set<string>();
  return places
    .flatMap(([words, folders]) => folders.map((folder) => ({ folder, words, at: madeAt(folder) })))
    .filter(({ folder }) => basename(folder).startsWith(`${basename(path, '.db')}-`))
    .filter(({ folder }) => !seen.has(basename(folder)) && seen.add(basename(folder)))
    .sort((a, b) => (b.at ?? '').localeCompare(a.at ?? ''))
    .slice(0, 20)
    .map(({ folder, words, at }) => {
      const note = backupNote(folder);
      const holds = note
        ? `${note.clients} clients, ${note.visits} visits, ${note.photos} pictures`
        : 'it does not say what it holds';
      const when = at ? momentInWords(at, zone) : basename(folder);
      return { name: basename(folder), folder, locked: isSealed(folder), says: `${when}${words}: ${holds}` };
    });
}

/** What is wrong with the file, in one sentence, or null when it has become right. */
function fault(): string | null {
  try {
    openStore(path).$client.close();
    return null;
  } catch (error) {
    if (!(error instanceof NotWhole)) throw error;
    return error.message;
  }
}

const page = (body: string, again = false) => plainPage('The studio’s file is not whole', body, word, again);

function offer(why: string, said = ''): string {
  const rows = offered().map(
    ({ name, locked, says }) =>
      `<li><span>${plain(says)}${locked ? ', locked' : ''}</span><form method="post" action="/"><input type="hidden" name="word" value="${word}"><input type="hidden" name="name" value="${plain(name)}">${
        locked
          ? `<label>Its passphrase <input type="password" name="passphrase" required autocomplete="off"></label> `
          : ''
      }<button aria-label="Put it back: ${plain(says)}">Put it back</button></form></li>`,
  );
  return page(
    `<h1>The studio’s file is not whole</h1><p>${plain(why)}</p><p>Nothing was changed. A copy put in its place is opened to check it first, and what lies there now is kept beside it under another name. What was recorded after a copy was made is not in it.</p>${
      said ? `<p class="why" role="alert">${plain(said)}</p>` : ''
    }${rows.length > 0 ? `<ul>${rows.join('')}</ul>` : `<p>There are no copies in <code>${plain(backupsOf(path))}</code>.</p>`}`,
  );
}

async function putBack(form: URLSearchParams): Promise<string> {
  const one = offered().find(({ name }) => name === form.get('name'));
  if (!one) throw new StoreError('This copy is no longer there.');
  let folder = one.folder;
  const opened = one.locked ? mkdtempSync(join(dirname(path), 'opened-')) : null;
  try {
    if (opened) {
      await unseal(one.folder, form.get('passphrase') ?? '', opened);
      folder = opened;
    }
    const { before, clients } = restore(path, folder, Date.now());
    return `${clients} clients are back.${before ? ` What was there is kept as ${basename(before)}.` : ''}`;
  } finally {
    if (opened) rmSync(opened, { recursive: true, force: true });
  }
}

async function formOf(request: IncomingMessage): Promise<URLSearchParams> {
  let text = '';
  for await (const part of request) {
    text += String(part);
    if (text.length > mostBytes) throw new StoreError('This was not understood.');
  }
  return new URLSearchParams(text);
}

const server = createServer((request, response) => {
  const say = (status: number, body: string) => {
    response.writeHead(status, {
      'content-type': 'text/html; charset=utf-8',
      'cache-control': 'no-store',
      'content-security-policy': plainPolicy(word),
      'referrer-policy': 'no-referrer',
      'x-content-type-options': 'nosniff',
      connection: 'close',
    });
    response.end(body);
  };
  const work = async () => {
    if (!hosts.includes(request.headers.host ?? '')) return say(403, '');
    const why = fault();
    if (request.method === 'POST') {
      const form = await formOf(request);
      const site = request.headers['sec-fetch-site'] ?? 'same-origin';
      if (form.get('word') !== word || site !== 'same-origin') return say(403, '');
      try {
        say(
          200,
          page(`<h1>Put back</h1><p>${plain(await putBack(form))} Kokyu starts; this page opens by itself.</p>`, true),
        );
        response.once('close', () => process.exit(0));
      } catch (error) {
        if (!(error instanceof StoreError)) throw error;
        say(400, offer(why ?? '', error.message));
      }
      return;
    }
    // Put right some other way meanwhile, by hand for example.
    if (why === null) {
      say(200, page('<h1>The studio’s file is whole again</h1><p>Kokyu starts; this page opens by itself.</p>', true));
      response.once('close', () => process.exit(0));
      return;
    }
    say(503, offer(why));
  };
  void work().catch((error: unknown) => {
    console.error(error);
    if (!response.headersSent) say(500, page('<p>This failed. What was printed where Kokyu was started says why.</p>'));
  });
});
const [newest] = offered();
console.error(fault() ?? 'The studio’s file is whole again.');
if (!newest) {
  console.error(`There are no copies in ${backupsOf(path)}.`);
  process.exit(1);
}
server.listen(port, '127.0.0.1', () =>
  console.error(`A copy can be put in its place at http://127.0.0.1:${port} (the newest: ${newest.says}).`),
);
