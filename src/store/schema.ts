import { sql } from 'drizzle-orm';
import { index, integer, primaryKey, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';
import { lookMoments } from '@/core/look';
import { json, uuidBytes } from './columns';

/**
 * Raw in, results derived: no table holds a rate, a share, a finding or a total, but for `run_summaries`, which can be made anew at
 * any time from the events it was made from.
 */

export const clients = sqliteTable(
  'clients',
  {
    id: text('id').primaryKey(),
    /** A copy of the newest name fact, for lists and search. */
    name: text('name').notNull(),
    createdAt: text('created_at').notNull(),
    /** Put away: in no list but that of those put away. */
    archivedAt: text('archived_at'),
  },
  (table) => [index('clients_by_name').on(table.name), index('clients_by_created').on(table.createdAt)],
);

export const facts = sqliteTable(
  'facts',
  {
    id: text('id').primaryKey(),
    clientId: text('client_id')
      .notNull()
      .references(() => clients.id),
    key: text('key').notNull(),
    value: json('value').notNull(),
    at: text('at').notNull(),
    day: text('day').notNull(),
    zone: text('zone').notNull(),
    retractedAt: text('retracted_at'),
  },
  (table) => [index('facts_by_key').on(table.clientId, table.key, table.at)],
);

export const visits = sqliteTable(
  'visits',
  {
    id: text('id').primaryKey(),
    clientId: text('client_id')
      .notNull()
      .references(() => clients.id),
    startedAt: text('started_at').notNull(),
    day: text('day').notNull(),
    zone: text('zone').notNull(),
    endedAt: text('ended_at'),
    lookList: json('look_list'),
  },
  (table) => [
    index('visits_by_client').on(table.clientId, table.startedAt),
    index('visits_by_day').on(table.day),
    index('visits_open')
      .on(table.startedAt)
      .where(sql`ended_at is null`),
  ],
);

export const looks = sqliteTable(
  'looks',
  {
    id: text('id').primaryKey(),
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    protocol: text('protocol').notNull(),
    version: integer('version').notNull(),
    moment: text('moment', { enum: lookMoments }).notNull(),
    takenAt: text('taken_at').notNull(),
    raw: json('raw').notNull(),
    revision: integer('revision').notNull(),
    retractedAt: text('retracted_at'),
  },
  (table) => [index('looks_by_visit').on(table.visitId)],
);

export const readings = sqliteTable(
  'readings',
  {
    id: text('id').primaryKey(),
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    at: text('at').notNull(),
    value: json('value').notNull(),
  },
  (table) => [index('readings_by_visit').on(table.visitId)],
);

/** The coach's word on a finding; the newest of each finding counts. */
export const judgements = sqliteTable(
  'judgements',
  {
    id: text('id').primaryKey(),
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    at: text('at').notNull(),
    value: json('value').notNull(),
  },
  (table) => [index('judgements_by_visit').on(table.visitId)],
);

/** Pictures lie as files in the data folder; this says whose they are. */
export const photos = sqliteTable('photos', {
  id: text('id').primaryKey(),
  clientId: text('client_id')
    .notNull()
    .references(() => clients.id),
  at: text('at').notNull(),
});

export const plans = sqliteTable(
  'plans',
  {
    id: text('id').primaryKey(),
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    at: text('at').notNull(),
    value: json('value').notNull(),
    revision: integer('revision').notNull(),
  },
  (table) => [uniqueIndex('plans_by_visit').on(table.visitId)],
);

export const runs = sqliteTable(
  'runs',
  {
    id: text('id').primaryKey(),
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    at: text('at').notNull(),
    /** The plan as it stood when the run was opened, its reasons left with the plan; later edits of the plan don't reach it. */
    items: json('items').notNull(),
    /** When the run was over, by the event that ended it; null while it can go on. */
    endedAt: text('ended_at'),
  },
  (table) => [
    index('runs_by_visit').on(table.visitId),
    index('runs_open')
      .on(table.at)
      .where(sql`ended_at is null`),
  ],
);

/** What happened in a run. The place in the run is the key, so that an event sent twice is stored once. */
export const runEvents = sqliteTable(
  'run_events',
  {
    runId: text('run_id')
      .notNull()
      .references(() => runs.id),
    seq: integer('seq').notNull(),
    id: uuidBytes('id').notNull(),
    atEpochMs: integer('at_epoch_ms').notNull(),
    type: text('type').notNull(),
    event: json('event').notNull(),
  },
  (table) => [
    primaryKey({ columns: [table.runId, table.seq] }),
    index('run_events_stops')
      .on(table.runId, table.atEpochMs, table.seq)
      .where(sql`type in ('stop', 'reviewed', 'swap')`),
  ],
);

/** A run summed up for one of those in it, by a formula of a version, up to an event. Made anew whenever either has moved on. */
export const runSummaries = sqliteTable(
  'run_summaries',
  {
    runId: text('run_id')
      .notNull()
      .references(() => runs.id),
    clientId: text('client_id').notNull(),
    formula: integer('formula').notNull(),
    nextSeq: integer('next_seq').notNull(),
    value: json('value').notNull(),
  },
  (table) => [primaryKey({ columns: [table.runId, table.clientId] })],
);

/** Who is on the plan of a group's run, besides and including the visit it was made in. */
export const runMembers = sqliteTable(
  'run_members',
  {
    runId: text('run_id')
      .notNull()
      .references(() => runs.id),
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    clientId: text('client_id')
      .notNull()
      .references(() => clients.id),
    place: integer('place').notNull(),
    /** Items of the plan this person does not take part in, by their own limits of the day the run was opened. */
    sitsOut: json('sits_out').notNull().default([]),
  },
  (table) => [
    uniqueIndex('run_members_once').on(table.runId, table.visitId),
    index('run_members_by_visit').on(table.visitId),
  ],
);

/** The note of a visit: a draft until it is signed. */
export const visitNotes = sqliteTable('visit_notes', {
  visitId: text('visit_id')
    .primaryKey()
    .references(() => visits.id),
  at: text('at').notNull(),
  text: text('text').notNull(),
  home: json('home').notNull(),
  revision: integer('revision').notNull(),
  signedAt: text('signed_at'),
});

/** What was added to a signed note. */
export const noteAdditions = sqliteTable(
  'note_additions',
  {
    id: text('id').primaryKey(),
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    at: text('at').notNull(),
    text: text('text').notNull(),
  },
  (table) => [index('note_additions_by_visit').on(table.visitId)],
);

/** The coach's own practice. It has no client. */
export const ownBreath = sqliteTable('own_breath', {
  id: text('id').primaryKey(),
  at: text('at').notNull(),
  day: text('day').notNull(),
  value: json('value').notNull(),
  retractedAt: text('retracted_at'),
  /** Whose it is; null while nobody has a name here. */
  coachId: text('coach_id'),
});

export const appointments = sqliteTable(
  'appointments',
  {
    id: text('id').primaryKey(),
    clientId: text('client_id')
      .notNull()
      .references(() => clients.id),
    startsAt: text('starts_at').notNull(),
    minutes: integer('minutes').notNull(),
    note: text('note').notNull(),
    cancelledAt: text('cancelled_at'),
    /** How it went off: called off, or nobody came; and why, in words. */
    off: text('off').notNull().default('cancelled'),
    offReason: text('off_reason').notNull().default(''),
    /** Bookings made at once have one of these in common. */
    seriesId: text('series_id'),
  },
  (table) => [
    index('appointments_by_time').on(table.startsAt),
    index('appointments_by_client').on(table.clientId, table.startsAt),
  ],
);

/** Who wants a time and has none. */
export const waiting = sqliteTable('waiting', {
  id: text('id').primaryKey(),
  clientId: text('client_id')
    .notNull()
    .references(() => clients.id),
  at: text('at').notNull(),
  minutes: integer('minutes').notNull(),
  wish: text('wish').notNull(),
  note: text('note').notNull(),
  goneAt: text('gone_at'),
});

/** What to remember when a client comes next. */
export const nextNotes = sqliteTable(
  'next_notes',
  {
    id: text('id').primaryKey(),
    clientId: text('client_id')
      .notNull()
      .references(() => clients.id),
    at: text('at').notNull(),
    text: text('text').notNull(),
    doneAt: text('done_at'),
  },
  (table) => [index('next_notes_by_client').on(table.clientId)],
);

/** What a client says of a drill that went home with a visit; the newest of each drill counts. */
export const homeTold = sqliteTable(
  'home_told',
  {
    id: text('id').primaryKey(),
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    drillId: text('drill_id').notNull(),
    at: text('at').notNull(),
    answer: text('answer').notNull(),
  },
  (table) => [index('home_told_by_visit').on(table.visitId)],
);

/** What goes home with a visit: items, times of the day, for how long. */
export const homePlans = sqliteTable('home_plans', {
  visitId: text('visit_id')
    .primaryKey()
    .references(() => visits.id),
  at: text('at').notNull(),
  value: json('value').notNull(),
  revision: integer('revision').notNull(),
  handedAt: text('handed_at'),
});

/** Codes that came back from home, as they were typed, each with the visit whose plan it tells of. */
export const homeReturns = sqliteTable(
  'home_returns',
  {
    id: text('id').primaryKey(),
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    at: text('at').notNull(),
    code: text('code').notNull(),
  },
  (table) => [index('home_returns_by_visit').on(table.visitId)],
);

/** Sets under a load, as they were done. */
export const lifts = sqliteTable(
  'lifts',
  {
    id: text('id').primaryKey(),
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    at: text('at').notNull(),
    value: json('value').notNull(),
    retractedAt: text('retracted_at'),
  },
  (table) => [index('lifts_by_visit').on(table.visitId)],
);

/** Drills of the coach's own, in the schema of the built-in ones. One taken out is kept, since it can be brought back. */
export const ownDrills = sqliteTable('own_drills', {
  id: text('id').primaryKey(),
  at: text('at').notNull(),
  value: json('value').notNull(),
  revision: integer('revision').notNull(),
  retractedAt: text('retracted_at'),
});

/** Plans without anything of a client, to begin another plan from. */
export const templates = sqliteTable('templates', {
  id: text('id').primaryKey(),
  at: text('at').notNull(),
  name: text('name').notNull(),
  value: json('value').notNull(),
  retractedAt: text('retracted_at'),
});

export const settings = sqliteTable('settings', {
  key: text('key').primaryKey(),
  value: json('value').notNull(),
});

/**
 * Commands taken in, so that one sent twice is answered from here and not carried out again: what answering needs and no more.
 * Events of runs are not in it, since their place in the run says as much.
 */
export const taken = sqliteTable('taken', {
  id: uuidBytes('id').primaryKey(),
  atEpochMs: integer('at_epoch_ms').notNull(),
  revision: integer('revision'),
  /** Only of a conflict: its sentence. */
  why: text('why'),
});

/** Records that can't be read and were put aside by hand: kept where they are, no longer told of on every page. */
export const setAsides = sqliteTable(
  'set_asides',
  {
    table: text('of_table').notNull(),
    recordId: text('record_id').notNull(),
    at: text('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.table, table.recordId] })],
);

/** Who coaches here. One who left stays, since what they recorded says so; they come in no longer. */
export const coaches = sqliteTable('coaches', {
  id: text('id').primaryKey(),
  name: text('name').notNull(),
  /** The name as it is told apart from others. */
  nameKey: text('name_key').notNull().unique(),
  role: text('role', { enum: ['owner', 'coach'] }).notNull(),
  /** Of the passphrase, with how it was made; nothing leads back from it. */
  hash: text('hash').notNull(),
  /** Of the printed code; null once it was used. */
  recovery: text('recovery'),
  /** Somebody else set the passphrase and knows it: nothing opens until they have set their own. */
  mustChange: integer('must_change', { mode: 'boolean' }).notNull().default(false),
  createdAt: text('created_at').notNull(),
  endedAt: text('ended_at'),
});

/** Who is signed in, where. Only a digest of the word the browser holds lies here: whoever reads the file can't use it. */
export const sessions = sqliteTable(
  'sessions',
  {
    id: text('id').primaryKey(),
    digest: text('digest').notNull().unique(),
    coachId: text('coach_id')
      .notNull()
      .references(() => coaches.id),
    createdAtMs: integer('created_at_ms').notNull(),
    seenAtMs: integer('seen_at_ms').notNull(),
    lockedAtMs: integer('locked_at_ms'),
    /** The browser and the machine, in words. */
    device: text('device').notNull(),
  },
  (table) => [index('sessions_by_coach').on(table.coachId)],
);

/** Which coach has which client. */
export const care = sqliteTable(
  'care',
  {
    coachId: text('coach_id')
      .notNull()
      .references(() => coaches.id),
    clientId: text('client_id')
      .notNull()
      .references(() => clients.id),
    kind: text('kind', { enum: ['own', 'shared'] }).notNull(),
    at: text('at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.coachId, table.clientId] }), index('care_by_client').on(table.clientId)],
);

/**
 * Who changed and who opened what, and when; only ever added to. Each entry carries a digest of itself and of the one before: one that
 * is changed or taken out shows. No name and nothing that was said stands in it.
 */
export const trail = sqliteTable(
  'trail',
  {
    seq: integer('seq').primaryKey(),
    at: text('at').notNull(),
    coachId: text('coach_id'),
    what: text('what').notNull(),
    clientId: text('client_id'),
    chain: text('chain').notNull(),
  },
  (table) => [index('trail_by_client').on(table.clientId, table.seq)],
);

/** Other devices in the room that show or steer one run. Of what they know themselves by only digests are kept. */
export const pairs = sqliteTable(
  'pairs',
  {
    id: text('id').primaryKey(),
    /** The visit the run is of. */
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    // Named, not bound: a run that can't be read is put aside whatever was paired with it.
    runId: text('run_id').notNull(),
    kind: text('kind').notNull(),
    /** Of the code that is read by the device’s camera, once. */
    codeDigest: text('code_digest').notNull().unique(),
    /** Of the word the device got for it; null until then. */
    wordDigest: text('word_digest').unique(),
    device: text('device'),
    madeAtMs: integer('made_at_ms').notNull(),
    endedAtMs: integer('ended_at_ms'),
  },
  (table) => [index('pairs_by_run').on(table.runId), index('pairs_by_visit').on(table.visitId)],
);

/** Links by which a client says how it goes at home, one at a time for a plan. Only a digest of the word in the link lies here. */
export const checkIns = sqliteTable(
  'check_ins',
  {
    id: text('id').primaryKey(),
    visitId: text('visit_id')
      .notNull()
      .references(() => visits.id),
    digest: text('digest').notNull().unique(),
    at: text('at').notNull(),
    expiresAtMs: integer('expires_at_ms').notNull(),
    revokedAt: text('revoked_at'),
  },
  (table) => [index('check_ins_by_visit').on(table.visitId)],
);
