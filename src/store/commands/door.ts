import { eq } from 'drizzle-orm';
import {
  type CommandKind,
  type Payload,
  type RefusalCode,
  type Settings,
  type VisitRow,
  workingDay,
} from '@/core/record';
import { type Gates, type PathState, type StationId } from '@/core/safety';
import { type Asker, asker } from '../access';
import { type Store } from '../file';
import { gatesOf, pathOf } from '../people';
import { type appointments, clients, type nextNotes, type waiting } from '../schema';
import { readSettings } from '../settings';
import { findVisit } from '../visits';

/** A refusal thrown inside a command: what it wrote is taken back, and the writer gets the sentence. */
export class Refusal extends Error {
  constructor(
    readonly code: RefusalCode,
    why: string,
  ) {
    super(why);
  }
}

export const gone = (what: string) => new Refusal('gone', `This ${what} is no longer there. Reload the page.`);

/** The moment a command is carried out in, and what is known of people at it. Asked several times, read once. */
export class Moment {
  readonly at: string;
  private readonly gates = new Map<string, Gates>();
  private readonly paths = new Map<string, PathState>();
  private known: Settings | null = null;
  /** What is done once the command is on the disk, and not before. */
  readonly afterwards: (() => void)[] = [];

  constructor(
    readonly store: Store,
    readonly epochMs: number,
    readonly day: string,
    readonly zone: string,
    /** Pictures that were checked and lie beside their place, by their id. */
    readonly drafts: ReadonlyMap<string, string> = new Map(),
    /** Who has it carried out. */
    readonly by: Asker = asker(() => store),
  ) {
    this.at = new Date(epochMs).toISOString();
  }

  settings(): Settings {
    return (this.known ??= readSettings(this.store));
  }

  /** Gates of a client on a day, within the limits the coach set. */
  gatesOf(clientId: string, day = this.day): Gates {
    const key = `${clientId} ${day}`;
    const gates = this.gates.get(key) ?? gatesOf(this.store, clientId, day, this.settings().limits);
    this.gates.set(key, gates);
    return gates;
  }

  /** Where the client of a visit may go on a day. */
  pathOf(visit: VisitRow, day = workingDay(visit, this.day, this.epochMs)): PathState {
    const key = `${visit.id} ${day}`;
    const path = this.paths.get(key) ?? pathOf(this.store, visit, day);
    this.paths.set(key, path);
    return path;
  }
}

/** Whose a command is: people, and the visits of theirs that it touches. */
export interface Scope {
  clientIds: readonly string[];
  visits: readonly VisitRow[];
}

/**
 * What the writer must have seen of what is being changed. When somebody else wrote meanwhile, either both are kept and the writer is
 * told, or the command is refused.
 */
export interface Seen {
  seen: string | number | null;
  now: string | number | null;
  stale: { keepsBoth: string } | { refuses: string };
  /** What stands there now, for the writer. */
  theirs: unknown;
}

/**
 * What guards a command. All of it is declared for every kind: a kind without its door does not compile, and the engine holds each
 * one against it inside the transaction that would write.
 */
export interface Door<K extends CommandKind> {
  /** Whose visit or client it is: only whoever has them may do it. `studio` for what belongs to nobody in particular. */
  whose: 'studio' | ((payload: Payload<K>, moment: Moment) => Scope);
  /** The station that must be open today to everybody it is about. */
  station: StationId | 'whatever the path';
  /** What of it is gated: the sentence that refuses it, or null. */
  gated: 'nothing' | ((payload: Payload<K>, moment: Moment, scope: Scope) => string | null);
  /** Which revision the writer saw. */
  revision: 'none' | ((payload: Payload<K>, moment: Moment) => Seen | null);
  /** Whether a signed visit takes it. */
  signed: 'refuses' | 'takes' | 'must be';
  /** Writes it. What it returns is added to the answer. */
  act: (payload: Payload<K>, moment: Moment) => { revision?: number } | void;
}

export type Doors = { [K in CommandKind]: Door<K> };

/** The scope of one client. */
export const ofClient =
  <P extends { clientId: string }>() =>
  ({ clientId }: P): Scope => ({ clientIds: [clientId], visits: [] });

/** The scope of one visit and its client. */
export const ofVisit =
  <P extends { visitId: string }>() =>
  ({ visitId }: P, { store }: Moment): Scope =>
    scopeOf([visitOrRefuse(store, visitId)]);

export const scopeOf = (visits: readonly VisitRow[]): Scope => ({
  clientIds: [...new Set(visits.map(({ clientId }) => clientId))],
  visits,
});

/** The scope of whoever a row of a table is about. */
export const ofRow =
  <P>(table: RowOfClient, idOf: (payload: P) => string, what: string) =>
  (payload: P, { store }: Moment): Scope => {
    const row = store
      .select({ clientId: table.clientId })
      .from(table)
      .where(eq(table.id, idOf(payload)))
      .get();
    if (!row) throw gone(what);
    return { clientIds: [row.clientId], visits: [] };
  };
type RowOfClient = typeof appointments | typeof waiting | typeof nextNotes;

export function visitOrRefuse(store: Store, visitId: string): VisitRow {
  const visit = findVisit(store, visitId);
  if (!visit) throw gone('visit');
  return visit;
}

export function clientOrRefuse(store: Store, clientId: string) {
  const known = store.select({ id: clients.id }).from(clients).where(eq(clients.id, clientId)).get();
  if (!known) throw gone('client');
}

/** The revision after one that stands in the file, whatever stands there. */
export const nextRevision = (stored: unknown): number => (Number.isInteger(stored) ? (stored as number) : 0) + 1;
