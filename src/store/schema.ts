import { index, integer, sqliteTable, text, uniqueIndex } from 'drizzle-orm/sqlite-core';

/** Raw in, results derived: no table holds a rate, a share, a finding or a total. */

export const clients = sqliteTable(
  'clients',
  {
    id: text('id').primaryKey(),
    /** A copy of the newest name fact, for lists and search. */
    name: text('name').notNull(),
    createdAt: text('created_at').notNull(),
  },
  (table) => [index('clients_by_name').on(table.name)],
);

export const facts = sqliteTable(
  'facts',
  {
    id: text('id').primaryKey(),
    clientId: text('client_id')
      .notNull()
      .references(() => clients.id),
    key: text('key').notNull(),
    value: text('value', { mode: 'json' }).notNull(),
    at: text('at').notNull(),
    day: text('day').notNull(),
    zone: text('zone').notNull(),
    retractedAt: text('retracted_at'),
  },
  (table) => [index('facts_by_client').on(table.clientId, table.at)],
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
    lookList: text('look_list', { mode: 'json' }),
  },
  (table) => [index('visits_by_client').on(table.clientId, table.startedAt), index('visits_by_day').on(table.day)],
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
    moment: text('moment', { enum: ['before', 'after'] }).notNull(),
    takenAt: text('taken_at').notNull(),
    raw: text('raw', { mode: 'json' }).notNull(),
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
    value: text('value', { mode: 'json' }).notNull(),
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
    value: text('value', { mode: 'json' }).notNull(),
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
    value: text('value', { mode: 'json' }).notNull(),
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
    /** The plan as it stood when the run was opened; later edits of the plan don't reach it. */
    items: text('items', { mode: 'json' }).notNull(),
  },
  (table) => [index('runs_by_visit').on(table.visitId)],
);

export const runEvents = sqliteTable(
  'run_events',
  {
    id: text('id').primaryKey(),
    runId: text('run_id')
      .notNull()
      .references(() => runs.id),
    seq: integer('seq').notNull(),
    atEpochMs: integer('at_epoch_ms').notNull(),
    type: text('type').notNull(),
    event: text('event', { mode: 'json' }).notNull(),
  },
  (table) => [uniqueIndex('run_events_once').on(table.runId, table.seq), index('run_events_by_type').on(table.type)],
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
  home: text('home', { mode: 'json' }).notNull(),
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
  value: text('value', { mode: 'json' }).notNull(),
  retractedAt: text('retracted_at'),
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
  },
  (table) => [index('appointments_by_start').on(table.startsAt)],
);

/** Drills of the coach's own, in the schema of the built-in ones. One taken out is kept, since it can be brought back. */
export const ownDrills = sqliteTable('own_drills', {
  id: text('id').primaryKey(),
  at: text('at').notNull(),
  value: text('value', { mode: 'json' }).notNull(),
  revision: integer('revision').notNull(),
  retractedAt: text('retracted_at'),
});

/** Plans without anything of a client, to begin another plan from. */
export const templates = sqliteTable('templates', {
  id: text('id').primaryKey(),
  at: text('at').notNull(),
  name: text('name').notNull(),
  value: text('value', { mode: 'json' }).notNull(),
  retractedAt: text('retracted_at'),
});

export const settings = sqliteTable('settings', {
  key: text('key').primaryKey(),
  value: text('value', { mode: 'json' }).notNull(),
});

/** Every command taken in, so that one sent twice is answered from here and not carried out again. */
export const commands = sqliteTable('commands', {
  id: text('id').primaryKey(),
  kind: text('kind').notNull(),
  at: text('at').notNull(),
  outcome: text('outcome', { mode: 'json' }).notNull(),
});
