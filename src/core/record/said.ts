import { type CommandKind, type Payload } from './commands';

/** What a page of a client shows by itself as soon as it is said (`shown.ts`): a fresh view of the server's may follow a little later. */
export const laidOver = [
  'fact.add',
  'visit.start',
  'visit.end',
  'look.save',
  'look.retract',
  'visit.lookList',
  'finding.judge',
  'reading.confirm',
  'plan.save',
  'run.create',
  'note.save',
  'note.sign',
  'note.add',
  'home.save',
  'home.hand',
  'lift.log',
  'lift.takeBack',
  'settings.change',
] as const satisfies readonly CommandKind[];

/** A command that was written down in a browser, whether the server has it or not. */
export interface Said<K extends CommandKind = CommandKind> {
  id: string;
  kind: K;
  payload: Payload<K>;
  /** UTC, ISO, by the browser's clock. */
  at: string;
  /** Its place among all that the server took in; null until it is known. */
  place: number | null;
}

/**
 * The record that a command writes whole: an earlier one of the same is then of no more use to a page. Null for what adds to
 * others.
 */
export function wholeRecordOf({ kind, payload }: Pick<Said, 'kind' | 'payload'>): string | null {
  switch (kind) {
    case 'look.save':
      return `look ${(payload as Payload<'look.save'>).lookId}`;
    case 'plan.save':
      return `plan of ${(payload as Payload<'plan.save'>).visitId}`;
    case 'note.save':
      return `note of ${(payload as Payload<'note.save'>).visitId}`;
    case 'home.save':
      return `home of ${(payload as Payload<'home.save'>).visitId}`;
    default:
      return null;
  }
}

/** Commands that a page was not made with: those the server had not taken in by then, as far as this browser knows. */
export const saidSince = (said: readonly Said[], asOf: number): Said[] =>
  said.filter(({ place }) => place === null || place > asOf);
