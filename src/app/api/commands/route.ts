import * as z from 'zod/mini';
import { type Outcome } from '@/core/record';
import {
  FileGone,
  type Prepared,
  StoreError,
  asker,
  carryOutAll,
  dropDraft,
  isDiskTrouble,
  preparePhoto,
  theStore,
  wholeStore,
} from '@/store';
import { answer } from '../answer';
import { readBody } from '../body';
import { isSameOrigin } from '../sameOrigin';

const bodySchema = z.object({ commands: z.array(z.unknown()).check(z.minLength(1), z.maxLength(100)) });
/** Room for one picture as the browser sends it; the outbox sends large commands one by one. */
const mostBytes = 12_000_000;

/** Large bodies are read one after the other: each takes several times its length while it is read. */
let turn: Promise<unknown> = Promise.resolve();
const largeBytes = 1_000_000;
function inTurn<T>(work: () => Promise<T>): Promise<T> {
  const mine = turn.then(work, work);
  turn = mine.catch(() => undefined);
  return mine;
}

/** Takes in commands from an outbox, in order, and answers each with what became of it. */
export async function POST(request: Request) {
  if (!isSameOrigin(request)) return answer({ why: 'Only the app’s own pages may write.' }, 403);
  if (!request.headers.get('content-type')?.startsWith('application/json')) {
    return answer({ why: 'Commands are sent as JSON.' }, 415);
  }
  const declared = Number(request.headers.get('content-length') ?? Infinity);
  const take = () => takeIn(request);
  return declared > largeBytes ? inTurn(take) : take();
}

async function takeIn(request: Request) {
  const text = await readBody(request, mostBytes);
  if (text === null) return answer({ why: 'Too much at once.' }, 413, { connection: 'close' });
  const body = bodySchema.safeParse(parseJson(text));
  if (!body.success) return answer({ why: 'This was not understood.' }, 400);
  // Another coach signed in while a page of somebody else was still open: what was said on it is theirs, and waits for them.
  const { coachId } = asker();
  if (body.data.commands.some((command) => isAnothers(command, coachId))) return answer({ why: 'Sign in first.' }, 401);
  const outcomes: Outcome[] = [];
  try {
    for (const part of parts(body.data.commands)) {
      const { outcomes: made, failed } = await carryOutPart(part);
      outcomes.push(...made);
      // No reasoned refusal: the outbox keeps what was not answered and sends it again.
      if (failed !== null) {
        console.error(failed);
        return answer({ outcomes, cause: 'fault', why: 'The server failed on this. It is kept and tried again.' }, 503);
      }
    }
  } catch (error) {
    if (!(error instanceof FileGone)) console.error(error);
    return answer({ outcomes, ...causeOf(error) }, 503);
  }
  return answer({ outcomes });
}

function isAnothers(command: unknown, coachId: string | null): boolean {
  const by = (command as { by?: unknown } | null)?.by;
  return typeof by === 'string' && by !== coachId;
}

function causeOf(error: unknown): { cause: 'disk' | 'fault'; why: string } {
  if (error instanceof StoreError) return { cause: 'disk', why: error.message };
  if (isDiskTrouble(error)) return { cause: 'disk', why: diskWords(error) };
  return { cause: 'fault', why: 'The server failed on this. It is kept and tried again.' };
}

function diskWords(error: unknown): string {
  const { code = '' } = error as { code?: string };
  if (/FULL|ENOSPC|EDQUOT/.test(code)) return 'The disk is full. Make room on it.';
  if (/READONLY|EROFS|EACCES|EPERM/.test(code)) return 'The data folder can’t be written to.';
  if (/CORRUPT|NOTADB/.test(code)) return 'The studio’s file is damaged. End Kokyu and put a backup back.';
  if (/BUSY|LOCKED/.test(code)) return 'The studio’s file is busy.';
  return 'The disk did not take it.';
}

/** A picture is checked before its command; everything between pictures is carried out together. */
function parts(commands: readonly unknown[]): unknown[][] {
  const found: unknown[][] = [];
  for (const command of commands) {
    const last = found.at(-1);
    if (!last || isPhoto(command) || isPhoto(last[0])) found.push([command]);
    else last.push(command);
  }
  return found;
}

const isPhoto = (command: unknown) => (command as { kind?: unknown } | null)?.kind === 'photo.add';

async function carryOutPart(part: readonly unknown[]) {
  const store = wholeStore();
  const [first] = part;
  const prepared: Prepared = isPhoto(first)
    ? await preparePhoto(theStore(), (first as { payload?: unknown }).payload)
    : null;
  if (prepared && 'refused' in prepared) return { outcomes: [prepared.refused], failed: null };
  const drafts = new Map(prepared ? [[prepared.photoId, prepared.draft]] : []);
  try {
    return carryOutAll(store, part, Date.now(), drafts);
  } finally {
    if (prepared) dropDraft(prepared.draft);
  }
}

function parseJson(text: string): unknown {
  try {
    return JSON.parse(text);
  } catch {
    return null;
  }
}
