import { randomUUID } from 'node:crypto';
import { parse } from 'csv-parse/sync';
import * as z from 'zod/mini';
import { carryOutAll, searchClients, theStore, wholeStore } from '@/store';
import { answer } from '../../answer';
import { readJson } from '../../body';
import { isSameOrigin } from '../../sameOrigin';

const bodySchema = z.union([
  z.object({ text: z.string().check(z.minLength(1)) }),
  z.object({
    people: z
      .array(
        z.object({
          name: z.string().check(z.maxLength(200)),
          born: z.nullable(z.iso.date()),
          note: z.string().check(z.maxLength(300)),
        }),
      )
      .check(z.minLength(1), z.maxLength(5000)),
  }),
]);
const mostBytes = 8_000_000;
const mostRows = 5000;

/** A list of clients from a spreadsheet: first its lines, then those of it that were looked at and are taken in. */
export async function POST(request: Request) {
  if (!isSameOrigin(request)) return answer({ why: 'Only the app’s own pages may ask this.' }, 403);
  const body = bodySchema.safeParse(await readJson(request, mostBytes));
  if (!body.success) return answer({ why: 'This was not understood.' }, 400);
  return 'text' in body.data ? lines(body.data.text) : takeIn(body.data.people);
}

/** What divides the cells: whatever the first line has most of. */
function delimiterOf(text: string): string {
  const [first = ''] = text.split(/\r?\n/, 1);
  return [',', ';', '\t'].map((sign) => ({ sign, n: first.split(sign).length })).sort((a, b) => b.n - a.n)[0]!.sign;
}

function lines(text: string) {
  try {
    const rows = parse(text, {
      bom: true,
      delimiter: delimiterOf(text),
      info: true,
      relax_column_count: true,
      relax_quotes: true,
      skip_empty_lines: true,
      to: mostRows + 2,
    }) as unknown as { record: string[]; info: { lines: number } }[];
    if (rows.length > mostRows + 1) return answer({ why: `A list has at most ${mostRows} lines. Divide it.` }, 400);
    const here = searchClients(theStore(), '', 100_000).map(({ name }) => name.toLocaleLowerCase('en'));
    return answer({ rows: rows.map(({ record, info }) => ({ cells: record, line: info.lines })), here });
  } catch (error) {
    return answer({ why: `This is no list that can be read: ${listWords(error)}` }, 400);
  }
}

const listWords = (error: unknown) => {
  const { code = '', lines: at } = error as { code?: string; lines?: number };
  const what = /QUOTE/.test(code) ? 'a quotation mark is not closed' : 'a line can’t be divided into cells';
  return `${what}${at ? `, about line ${at}` : ''}.`;
};

function takeIn(people: readonly { name: string; born: string | null; note: string }[]) {
  const command = (kind: string, payload: object) => ({ id: randomUUID(), kind, payload });
  const commands = people.flatMap(({ name, born, note }) => {
    const clientId = randomUUID();
    return [
      command('client.create', { clientId, factId: randomUUID(), name }),
      ...(born
        ? [command('fact.add', { factId: randomUUID(), clientId, key: 'birthDay', value: born, basedOn: null })]
        : []),
      ...(note ? [command('nextTime.add', { noteId: randomUUID(), clientId, text: note })] : []),
    ];
  });
  const store = wholeStore();
  try {
    // One write around all of them: the first that is refused takes back those before it.
    store.$client
      .transaction(() => {
        const { outcomes, failed } = carryOutAll(store, commands, Date.now());
        if (failed !== null) throw failed;
        for (const outcome of outcomes) if (outcome.state === 'refused') throw new Refused(outcome.why);
      })
      .immediate();
    return answer({ taken: people.length });
  } catch (error) {
    if (error instanceof Refused) return answer({ why: `Nobody was taken in: ${error.message}` }, 400);
    console.error(error);
    return answer({ why: 'The server could not take it in. Nobody was taken in.' }, 503);
  }
}

class Refused extends Error {}
