import * as z from 'zod/mini';
import { drillSchema } from '../catalogue';
import { mostInGroup, stampedEventSchema } from '../coach';
import { templateSchema } from '../formats';
import { codeLetters, homePlanSchema } from '../home';
import { liftSchema } from '../load';
import { lookMoments, lookSetIds, protocolIds, rawSchemas } from '../look';
import { inEnglish, showsSomething } from '../reasons';
import { judgementSchema } from '../read';
import { factKeys, factSchemas } from '../safety';
import { planItemSchema, planSchema } from '../sequence';
import { homeAnswers, offWays, wishIds } from './booking';
import { ownBreathSchema } from './ownBreath';
import { readingSchema } from './reading';
import { settingsSchema } from './settings';
import { mostNoteCharacters } from './visit';

const id = z.uuid();
const instant = z.iso.datetime();

const noteText = z
  .string()
  .check(
    z.maxLength(mostNoteCharacters, `A note is limited to ${mostNoteCharacters.toLocaleString('en-GB')} characters.`),
  );
/** The revision the writer saw, 0 for what is new. */
const revision = z.number().check(z.int(), z.minimum(0));

/** Items of a plan, by index, that somebody in a group does not take part in. */
const sitsOut = z._default(z.array(z.number().check(z.int(), z.minimum(0), z.maximum(29))).check(z.maxLength(30)), []);

/** Drills to take home: three, and more only with the reason that stands in the plan for home. */
const noteHome = z.array(z.string().check(z.maxLength(80))).check(z.maxLength(6, 'At most six things go home.'));

const bookedMinutes = z
  .number()
  .check(
    z.int(),
    z.minimum(5, 'A booking lasts at least 5 minutes.'),
    z.maximum(240, 'A booking lasts at most 240 minutes.'),
  );
const bookingNote = z.string().check(z.maxLength(300, 'The note of a booking is limited to 300 characters.'));

/** The browser makes pictures smaller before it sends them; what is still larger than this is refused. */
const mostPhotoCharacters = 11_000_000;

/**
 * Everything that can be recorded, one shape a kind. A command is made in the browser with an id of its own, put in the
 * outbox, and sent until the server has it; the same id twice changes nothing.
 */
export const commandSchemas = {
  'client.create': z.object({ clientId: id, factId: id, name: factSchemas.name }),
  /** Out of the lists, and back into them. Nothing of them is lost. */
  'client.archive': z.object({ clientId: id }),
  'client.restore': z.object({ clientId: id }),
  /** Everything of them, for good. The name is typed by whoever means it. */
  'client.delete': z.object({ clientId: id, name: z.string().check(z.maxLength(200)) }),
  'fact.add': z.object({
    factId: id,
    clientId: id,
    key: z.enum(factKeys),
    value: z.unknown(),
    /** The fact of this key the writer saw, so that an edit made in another window is noticed. */
    basedOn: z.nullable(id),
  }),
  'fact.retract': z.object({ factId: id }),
  'visit.start': z.object({ visitId: id, clientId: id }),
  'visit.end': z.object({ visitId: id }),
  'look.save': z.object({
    lookId: id,
    visitId: id,
    protocol: z.enum(protocolIds),
    moment: z.enum(lookMoments),
    takenAt: instant,
    raw: z.unknown(),
    /** The revision the writer saw, 0 for a new look. */
    revision,
  }),
  'look.retract': z.object({ lookId: id }),
  'visit.lookList': z.object({
    visitId: id,
    list: z.object({
      set: z.enum(lookSetIds),
      protocols: z.array(z.enum(protocolIds)).check(z.maxLength(protocolIds.length)),
    }),
  }),
  'photo.add': z.object({
    photoId: id,
    clientId: id,
    /** The picture itself, base64; checked by content and stripped of its metadata before it is written. */
    data: z
      .string()
      .check(z.minLength(1), z.maxLength(mostPhotoCharacters, 'The picture is too large. Choose one of at most 8 MB.')),
  }),
  'finding.judge': z.object({ judgementId: id, visitId: id, judgement: judgementSchema }),
  'reading.confirm': z.object({ readingId: id, visitId: id, reading: readingSchema }),
  'plan.save': z.object({ planId: id, visitId: id, plan: planSchema, revision }),
  'run.create': z.object({
    runId: id,
    visitId: id,
    items: z.array(planItemSchema).check(z.minLength(1), z.maxLength(30)),
    /** Everybody on the plan, the visit it was made in first; absent with one client. */
    members: z.optional(
      z
        .array(z.object({ clientId: id, visitId: id, sitsOut }))
        .check(
          z.minLength(2, 'A group is two people or more.'),
          z.maxLength(mostInGroup, `A group has at most ${mostInGroup} people.`),
        ),
    ),
  }),
  'run.append': z.object({ runId: id, events: z.array(stampedEventSchema).check(z.minLength(1), z.maxLength(200)) }),
  /** The visit note as it is being written; signed, it stays as it is. */
  'note.save': z.object({ visitId: id, text: noteText, home: noteHome, revision }),
  'note.sign': z.object({
    visitId: id,
    text: noteText.check(z.trim(), z.minLength(1, 'There is nothing to sign yet.')),
    home: noteHome,
    /** The revision of the draft the writer saw: what another window wrote meanwhile is read before it is signed away. */
    revision,
  }),
  /** A dated addition to a signed note. */
  'note.add': z.object({
    additionId: id,
    visitId: id,
    text: noteText.check(z.trim(), z.minLength(1, 'Write the addition first.')),
  }),
  'own.add': z.object({ entryId: id, entry: ownBreathSchema }),
  'own.retract': z.object({ entryId: id }),
  'appointment.add': z.object({
    appointmentId: id,
    clientId: id,
    startsAt: instant,
    minutes: bookedMinutes,
    note: bookingNote,
    /** Bookings made at once, every so many weeks, have one of these in common. */
    seriesId: z._default(z.nullable(id), null),
  }),
  'appointment.change': z.object({
    appointmentId: id,
    startsAt: instant,
    minutes: bookedMinutes,
    note: bookingNote,
    /** Where the writer saw it, so that it is not moved from a place it no longer has. */
    seen: instant,
  }),
  'appointment.cancel': z.object({
    appointmentId: id,
    how: z._default(z.enum(offWays), 'cancelled'),
    reason: z._default(z.string().check(z.maxLength(200, 'A reason is limited to 200 characters.')), ''),
  }),
  'appointment.restore': z.object({ appointmentId: id }),
  'waiting.add': z.object({
    waitingId: id,
    clientId: id,
    minutes: bookedMinutes,
    wish: z.enum(wishIds),
    note: bookingNote,
  }),
  'waiting.remove': z.object({ waitingId: id }),
  'waiting.restore': z.object({ waitingId: id }),
  /** Something to remember when a client comes next. */
  'nextTime.add': z.object({
    noteId: id,
    clientId: id,
    text: z
      .string()
      .check(
        z.trim(),
        z.minLength(1, 'Write what to remember first.'),
        z.maxLength(300, 'A note for next time is limited to 300 characters.'),
      ),
  }),
  'nextTime.done': z.object({ noteId: id }),
  'nextTime.undone': z.object({ noteId: id }),
  /** What goes home with a visit, and when in the day. */
  'home.save': z.object({ visitId: id, plan: homePlanSchema, revision }),
  /** It was handed over: from then on it is what they have. */
  'home.hand': z.object({ visitId: id }),
  /** The code a client brought back from the plan of a visit. */
  'home.returned': z.object({
    returnId: id,
    visitId: id,
    code: z.string().check(z.trim(), z.minLength(codeLetters, 'A code has 20 letters.'), z.maxLength(60)),
  }),
  /** A set under a load, as it was done; and one that was put down by mistake. */
  'lift.log': z.object({ liftId: id, visitId: id, lift: liftSchema }),
  'lift.takeBack': z.object({ liftId: id, visitId: id }),
  /** What a client says of a drill that went home with an earlier visit; the newest counts. */
  'home.told': z.object({
    answerId: id,
    visitId: id,
    drillId: z.string().check(z.maxLength(80)),
    answer: z.enum(homeAnswers),
  }),
  'drill.save': z.object({
    drill: drillSchema,
    /** The revision the writer saw, 0 for a new drill. */
    revision,
  }),
  'drill.remove': z.object({ drillId: z.string() }),
  'drill.restore': z.object({ drillId: z.string() }),
  /** All or nothing. */
  'drills.import': z.object({ drills: z.array(drillSchema).check(z.minLength(1), z.maxLength(500)) }),
  'template.save': z.object({
    templateId: id,
    name: z
      .string()
      .check(
        z.trim(),
        z.minLength(1, 'Give the template a name.'),
        z.maxLength(80, 'A name has at most 80 characters.'),
        z.refine(showsSomething, 'This name shows nothing. Write letters or signs.'),
      ),
    template: templateSchema,
  }),
  'template.remove': z.object({ templateId: id }),
  'template.restore': z.object({ templateId: id }),
  'settings.change': z.partial(settingsSchema),
  /** Of records that can't be read: told of no longer, kept where they are. */
  'record.setAside': z.object({
    table: z.string().check(z.minLength(1), z.maxLength(40)),
    recordId: z.string().check(z.minLength(1), z.maxLength(200)),
  }),
  'record.bringBack': z.object({
    table: z.string().check(z.minLength(1), z.maxLength(40)),
    recordId: z.string().check(z.minLength(1), z.maxLength(200)),
  }),
} as const;

export type CommandKind = keyof typeof commandSchemas;
export const commandKinds = Object.keys(commandSchemas) as [CommandKind, ...CommandKind[]];
export type Payload<K extends CommandKind> = z.infer<(typeof commandSchemas)[K]>;

export const envelopeSchema = z.object({ id, kind: z.enum(commandKinds), payload: z.unknown() });

/** Why a command was refused, for whoever has to do something about it; people read the sentence. */
export type RefusalCode =
  | 'not understood'
  | 'does not fit'
  | 'gone'
  | 'known already'
  | 'signed'
  | 'closed'
  | 'gated'
  | 'overtaken'
  | 'stale';

/** What became of a command. `refused` is final: the sentence says what is wrong and what to do. */
export type Outcome =
  /** `place`: where it stands among all that the server took in. */
  | { state: 'saved'; at: string; revision?: number; place?: number }
  | { state: 'refused'; code: RefusalCode; why: string }
  /** Someone else wrote the same thing meanwhile; both are kept, and the writer is told. `theirs` only the first time it is said. */
  | { state: 'conflict'; at: string; why: string; revision?: number; place?: number; theirs: unknown };

/**
 * One sentence for a value that does not fit: the first thing that is wrong.
 *
 * @example firstSentence(schema.safeParse(value).error!)
 */
export function firstSentence(error: z.core.$ZodError): string {
  const issue = error.issues[0];
  if (!issue) return 'This does not fit. Check it and try again.';
  return /[.!?]$/.test(issue.message) ? issue.message : `${issue.path.join(' ') || 'The value'}: ${issue.message}.`;
}

/** The shape of the raw values of a protocol's looks. */
export const rawSchemaOf = (protocol: Payload<'look.save'>['protocol']): z.ZodMiniType => rawSchemas[protocol];

/** Checks the raw values of a look against its protocol. */
export function parseRaw(protocol: Payload<'look.save'>['protocol'], raw: unknown) {
  return rawSchemas[protocol].safeParse(raw, inEnglish);
}
