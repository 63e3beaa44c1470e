import { AsyncLocalStorage } from 'node:async_hooks';
import { and, eq } from 'drizzle-orm';
import { type Role } from '@/core/access';
import { type Belongs, belonging } from '../belonging';
import { type Store, seenThrough, wholeStore } from '../file';
import { care } from '../schema';
import { hasCoaches } from './coaches';
import { type Asker } from './who';

/** Kept for the whole process: the app is built in several parts, and each has modules of its own. */
const key = Symbol.for('kokyu.asking');
const held = globalThis as { [key]?: AsyncLocalStorage<Asker> };
const asking = (held[key] ??= new AsyncLocalStorage<Asker>());

/** Does something on behalf of somebody: whatever is read and written meanwhile goes by what they may. */
export const onBehalfOf = <T>(who: Asker, work: () => T): T => asking.run(who, work);

const anybody: Asker = { coachId: null, sessionId: null, name: null, role: 'owner', sees: () => true };

/** Somebody who is signed in, as one who asks. */
export const askerOf = (
  store: Store,
  who: { coachId: string; sessionId: string; name: string; role: Role },
): Asker => ({
  ...who,
  sees: (clientId) =>
    who.role === 'owner' ||
    store
      .select({ id: care.clientId })
      .from(care)
      .where(and(eq(care.coachId, who.coachId), eq(care.clientId, clientId)))
      .get() !== undefined,
});

/**
 * Who asks just now.
 *
 * @throws when the studio has a passphrase and nobody is signed in: what forgot to ask at the door is given nothing
 */
export function asker(store: () => Store = wholeStore): Asker {
  const who = asking.getStore();
  if (who) return who;
  if (hasCoaches(store())) throw new Error('Nobody is signed in.');
  return anybody;
}

/** A row of a table belongs to somebody who has this client. */
const has = (coachId: string, client: string) =>
  `exists (select 1 from main.care k where k.coach_id = '${coachId}' and k.client_id = ${client})`;
const hasVisit = (coachId: string, visit: string) =>
  `exists (select 1 from main.visits v join main.care k on k.client_id = v.client_id where v.id = ${visit} and k.coach_id = '${coachId}')`;
const hasRun = (coachId: string, run: string) =>
  `exists (select 1 from main.runs r where r.id = ${run} and (${hasVisit(coachId, 'r.visit_id')} or exists (select 1 from main.run_members m where m.run_id = r.id and ${has(coachId, 'm.client_id')})))`;

/** Whose a row is, by how its table belongs to people (`belonging.ts`): a table that is new there is kept apart here without being named. */
const rowsOfCoach: Readonly<Record<Exclude<Belongs, 'studio'>, (coachId: string, table: string) => string>> = {
  self: (coach) => has(coach, 't.id'),
  client: (coach) => has(coach, 't.client_id'),
  visit: (coach) => hasVisit(coach, 't.visit_id'),
  run: (coach, table) =>
    table === 'runs'
      ? hasRun(coach, 't.id')
      : // Of a group, what was marked of somebody who is another coach's is not theirs to read.
        `${hasRun(coach, 't.run_id')} and case when json_valid(t.event) and t.event ->> 'who' is not null then ${has(coach, `t.event ->> 'who'`)} else 1 end`,
};

const ownBreath = (coachId: string) => `t.coach_id = '${coachId}'`;

/** The tables somebody sees a part of, each with what makes a row theirs. The owner of the studio sees everybody; nobody sees another's own breath. */
const partsSeen = ({ coachId, role }: { coachId: string; role: Role }): Record<string, string> => ({
  ...(role === 'owner'
    ? {}
    : Object.fromEntries(
        Object.entries(belonging).flatMap(([table, belongs]) =>
          belongs === 'studio' ? [] : [[table, rowsOfCoach[belongs](coachId, table)]],
        ),
      )),
  own_breath: ownBreath(coachId),
});

const uuid = /^[0-9a-f-]{36}$/;

/**
 * The studio as whoever asks may see it. Every query of every page goes through this: somebody else's clients are not in the tables it
 * reads, so no query can forget to leave them out.
 */
export function theStore(): Store {
  const { coachId, role } = asker();
  if (coachId === null) return wholeStore();
  if (!uuid.test(coachId)) throw new Error('This is no coach.');
  return seenThrough(wholeStore(), `${coachId} ${role}`, partsSeen({ coachId, role }));
}
