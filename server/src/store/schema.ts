// The tables. `history` is append-only and holds every revision; the other tables are the present, derived from it.

import type { KeptPlan } from '@mortisect/core/plan';
import type { ActionBody, FindingBody, HistoryValue, JobBody, Site, TreeBody } from '@mortisect/core/records';
import type { Limb } from '@mortisect/core/tree';
import { sql } from 'drizzle-orm';
import {
  type AnyPgColumn,
  bigserial,
  boolean,
  doublePrecision,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  timestamp,
  uniqueIndex,
  uuid,
} from 'drizzle-orm/pg-core';
import type { z } from 'zod';

const moment = (name: string) => timestamp(name, { withTimezone: true, mode: 'string' });

/** What a tree is, without where it stands: plot, row and place are columns of their own. */
export type TreeValue = Omit<TreeBody, 'plot' | 'row' | 'place' | 'code'>;

/** Of a tree that nobody has deleted: the others stand in no list. */
export const isKept = (table: { value: AnyPgColumn }) => sql`${table.value} -> 'deleted' is null`;

/** The orchards kept here: one, for now. Every record names its own, so that others can stand beside it later. */
export const orchards = pgTable('orchards', {
  id: uuid('id').primaryKey(),
  begunAt: moment('begun_at').notNull(),
});

/** The database fills it in as long as there is one orchard only. */
const orchardColumn = () => uuid('orchard_id').notNull().default(sql`this_orchard()`);
const orchardId = () => orchardColumn().references(() => orchards.id, { onUpdate: 'cascade' });

export const site = pgTable('site', {
  orchardId: orchardId(),
  id: text('id').primaryKey(),
  value: jsonb('value').$type<Site>().notNull(),
  revision: integer('revision').notNull(),
  by: text('by').notNull(),
  receivedAt: moment('received_at').notNull(),
});

export const plots = pgTable(
  'plots',
  {
    orchardId: orchardId(),
    id: text('id').primaryKey(),
    name: text('name').notNull(),
    note: text('note').notNull(),
    position: integer('position').notNull(),
  },
  (table) => [uniqueIndex('plots_name').on(table.orchardId, sql`lower(${table.name})`)],
);

export const rows = pgTable(
  'rows',
  {
    orchardId: orchardId(),
    id: text('id').primaryKey(),
    plotId: text('plot_id')
      .notNull()
      .references(() => plots.id),
    name: text('name').notNull(),
    spacingCm: doublePrecision('spacing_cm').notNull(),
    position: integer('position').notNull(),
    revision: integer('revision').notNull().default(1),
  },
  (table) => [uniqueIndex('rows_name').on(table.plotId, sql`lower(${table.name})`)],
);

export const trees = pgTable(
  'trees',
  {
    orchardId: orchardId(),
    id: text('id').primaryKey(),
    rowId: text('row_id')
      .notNull()
      .references(() => rows.id),
    place: integer('place').notNull(),
    code: text('code').notNull(),
    value: jsonb('value').$type<TreeValue>().notNull(),
    revision: integer('revision').notNull(),
    by: text('by').notNull(),
    receivedAt: moment('received_at').notNull(),
    limbs: jsonb('limbs').$type<Limb[]>().notNull(),
    limbsRevision: integer('limbs_revision').notNull(),
    surveyedAt: moment('surveyed_at').notNull(),
  },
  (table) => [
    // The code of a deleted tree is free
    uniqueIndex('trees_code').on(table.orchardId, sql`lower(${table.code})`).where(isKept(table)),
    index('trees_row').on(table.rowId),
  ],
);

export const findings = pgTable(
  'findings',
  {
    orchardId: orchardId(),
    id: uuid('id').primaryKey(),
    treeId: text('tree_id')
      .notNull()
      .references(() => trees.id),
    state: text('state', { enum: ['open', 'closed', 'withdrawn'] }).notNull(),
    value: jsonb('value').$type<z.infer<typeof FindingBody>>().notNull(),
    revision: integer('revision').notNull(),
    by: text('by').notNull(),
    receivedAt: moment('received_at').notNull(),
  },
  (table) => [index('findings_tree').on(table.treeId), index('findings_state').on(table.state)],
);

export const actions = pgTable(
  'actions',
  {
    orchardId: orchardId(),
    id: uuid('id').primaryKey(),
    treeId: text('tree_id').references(() => trees.id),
    kind: text('kind').notNull(),
    at: moment('at').notNull(),
    value: jsonb('value').$type<z.infer<typeof ActionBody>>().notNull(),
    undone: boolean('undone').notNull(),
    by: text('by').notNull(),
    receivedAt: moment('received_at').notNull(),
  },
  (table) => [
    index('actions_tree').on(table.treeId),
    index('actions_at').on(table.at),
    index('actions_kind').on(table.kind, table.at),
  ],
);

export const jobs = pgTable(
  'jobs',
  {
    orchardId: orchardId(),
    id: uuid('id').primaryKey(),
    treeId: text('tree_id')
      .notNull()
      .references(() => trees.id),
    value: jsonb('value').$type<JobBody>().notNull(),
    revision: integer('revision').notNull(),
    by: text('by').notNull(),
    receivedAt: moment('received_at').notNull(),
  },
  (table) => [index('jobs_tree').on(table.treeId)],
);

/** What the simulated plant clinic knows and nobody else: the truth behind a sample, and when it was taken in. */
export const samples = pgTable('samples', {
  id: uuid('id').primaryKey(),
  findingId: uuid('finding_id')
    .notNull()
    .references(() => findings.id),
  label: text('label').notNull(),
  truth: text('truth').notNull(),
});

/** Work that is to be done later and outlives a restart; what is done has no line. */
export const tasks = pgTable(
  'tasks',
  {
    kind: text('kind').notNull(),
    /** Id of the record that it is about. */
    subject: text('subject').notNull(),
    /** When somebody caused it, by the server's own clock: an orchard may be set to another day. */
    askedAt: moment('asked_at').notNull(),
    /** What whoever waits for it is told of it. */
    value: jsonb('value').$type<Record<string, string>>().notNull(),
    tries: integer('tries').notNull().default(0),
    /** Of one that failed: not before. */
    nextTryAt: moment('next_try_at'),
  },
  (table) => [
    primaryKey({ columns: [table.kind, table.subject] }),
    index('tasks_asked').on(table.kind, table.askedAt),
  ],
);

export const devices = pgTable('devices', {
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  /** Of what only the device itself knows; null until it has said so. */
  keyHash: text('key_hash'),
});

export const history = pgTable(
  'history',
  {
    orchardId: orchardId(),
    seq: bigserial('seq', { mode: 'number' }).primaryKey(),
    at: moment('at').notNull(),
    receivedAt: moment('received_at').notNull(),
    recordId: text('record_id').notNull(),
    revision: integer('revision').notNull(),
    treeId: text('tree_id'),
    deviceId: text('device_id').notNull(),
    by: text('by').notNull(),
    value: jsonb('value').$type<HistoryValue>().notNull(),
  },
  (table) => [index('history_record').on(table.recordId)],
);

/** Hours of weather as columns of numbers, too many for a check of their orchard one by one; null is not known. An hour that is told otherwise is replaced, and what it said before is kept in `weatherBefore`. */
export const weatherHours = pgTable(
  'weather_hours',
  {
    orchardId: orchardColumn(),
    kind: text('kind', { enum: ['observed', 'forecast'] }).notNull(),
    hour: integer('hour').notNull(),
    temperatureC: doublePrecision('temperature_c'),
    humidityPct: doublePrecision('humidity_pct'),
    rainMm: doublePrecision('rain_mm'),
    windMs: doublePrecision('wind_ms'),
    wetMinutes: doublePrecision('wet_minutes'),
    source: text('source').notNull(),
    receivedAt: moment('received_at').notNull(),
  },
  (table) => [primaryKey({ columns: [table.kind, table.hour, table.orchardId] })],
);

/** Hours that were replaced, as they were. */
export const weatherBefore = pgTable('weather_before', {
  orchardId: orchardColumn(),
  seq: bigserial('seq', { mode: 'number' }).primaryKey(),
  kind: text('kind').notNull(),
  hour: integer('hour').notNull(),
  value: jsonb('value').notNull(),
  replacedAt: moment('replaced_at').notNull(),
  by: text('by').notNull(),
});

/** Stations that may push hours; of a token only its hash is kept. */
export const stations = pgTable('stations', {
  orchardId: orchardId(),
  id: uuid('id').primaryKey(),
  name: text('name').notNull(),
  tokenHash: text('token_hash').notNull(),
  createdAt: moment('created_at').notNull(),
  heardAt: moment('heard_at'),
});

/** The last plan that was searched for a tree. It can be thrown away: what it rests on says whether it still holds. */
export const plans = pgTable('plans', {
  orchardId: orchardColumn(),
  treeId: text('tree_id').primaryKey(),
  /** Higher than that of every plan that was kept before. */
  seq: bigserial('seq', { mode: 'number' }).notNull(),
  stamp: text('stamp').notNull(),
  /** Of the code that searched. */
  code: text('code').notNull(),
  value: jsonb('value').$type<KeptPlan>().notNull(),
});

/** Who is signed in: of the id in the cookie only its hash is kept. */
export const sessions = pgTable('sessions', {
  id: text('id').primaryKey(),
  /** As the browser names itself. */
  agent: text('agent').notNull(),
  beganAt: moment('began_at').notNull(),
  usedAt: moment('used_at').notNull(),
  endsAt: moment('ends_at').notNull(),
});

/** What the server keeps for itself: the passphrase hash, the cookie key, when the demo was loaded. */
export const keepsakes = pgTable('keepsakes', {
  name: text('name').primaryKey(),
  value: jsonb('value').notNull(),
});
