import { z } from 'zod';
import { type Outcome } from '@/core/record';
import { carryOut, theStore, writePhoto } from '@/store';
import { isSameOrigin } from '../sameOrigin';

const bodySchema = z.object({ commands: z.array(z.unknown()).min(1).max(100) });
/** Room for one picture as the browser sends it; the outbox sends large commands one by one. */
const mostBytes = 12_000_000;

/** Takes in commands from an outbox, in order, and answers each with what became of it. */
export async function POST(request: Request) {
  if (!isSameOrigin(request)) return Response.json({ why: 'Only the app’s own pages may write.' }, { status: 403 });
  if (!request.headers.get('content-type')?.startsWith('application/json')) {
    return Response.json({ why: 'Commands are sent as JSON.' }, { status: 415 });
  }
  const text = await request.text();
  if (text.length > mostBytes) return Response.json({ why: 'Too much at once.' }, { status: 413 });
  const body = bodySchema.safeParse(parseJson(text));
  if (!body.success) return Response.json({ why: 'This was not understood.' }, { status: 400 });
  const store = theStore();
  const outcomes: Outcome[] = [];
  for (const command of body.data.commands) {
    try {
      const refused = await pictureRefused(command);
      outcomes.push(refused ? { state: 'refused', why: refused } : carryOut(store, command, Date.now()));
    } catch (error) {
      console.error(error);
      // A busy or full disk may pass: the outbox keeps everything and tries again. Anything else would come back for ever.
      if (isDiskTrouble(error)) return Response.json({ why: 'The disk did not take it.' }, { status: 503 });
      outcomes.push({ state: 'refused', why: 'The server could not record this. Reload the page and enter it again.' });
    }
  }
  return Response.json({ outcomes });
}

/** A picture is written to its file before its command is carried out; null when there is none or all is well. */
async function pictureRefused(command: unknown): Promise<string | null> {
  const { kind, payload } = (command ?? {}) as { kind?: unknown; payload?: unknown };
  return kind === 'photo.add' ? writePhoto(payload) : null;
}

function isDiskTrouble(error: unknown): boolean {
  const code = (error as { code?: unknown } | null)?.code;
  return (
    typeof code === 'string' &&
    /^(SQLITE_(BUSY|FULL|IOERR|LOCKED|READONLY|CANTOPEN)|ENOSPC|EACCES|EROFS|EIO)/.test(code)
  );
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
