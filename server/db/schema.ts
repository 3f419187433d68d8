import { sql } from 'drizzle-orm'
import type { KeptKind, MemberRole, SignInEventKind } from '../../shared/names'
import {
  bigint,
  bigserial,
  boolean,
  check,
  customType,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  smallint,
  text,
  timestamp,
  unique,
  uuid,
} from 'drizzle-orm/pg-core'

// Documents are jsonb in the shape that stands beside them; they are parsed and upgraded as they are read (db/*.ts).

const bytes = customType<{ data: Buffer }>({ dataType: () => 'bytea' })
const id = () => uuid('id').primaryKey().defaultRandom()
const createdAt = () => timestamp('created_at', { withTimezone: true }).notNull().defaultNow()
const householdId = () =>
  uuid('household_id')
    .notNull()
    .references(() => households.id, { onDelete: 'cascade' })
/** The member who did it; null for what was written down before there were any. */
const memberId = () => uuid('member_id').references(() => members.id, { onDelete: 'set null' })

export const households = pgTable('households', {
  id: id(),
  /** Whoever has the address can read when the dinners' steps are, until its day; a digest of it, null while there is none. */
  calendarDigest: text('calendar_digest').unique(),
  calendarUntil: timestamp('calendar_until', { withTimezone: true }),
  createdAt: createdAt(),
  /** Set when an owner has taken the household away; thirty days later it is gone. */
  deletedAt: timestamp('deleted_at', { withTimezone: true }),
})

export const members = pgTable(
  'members',
  {
    id: id(),
    householdId: householdId(),
    name: text('name').notNull(),
    role: text('role').$type<MemberRole>().notNull().default('member'),
    /** By what and with what a member comes in at another device; null for who has only been let in by a link. */
    signInName: text('sign_in_name').unique(),
    passwordHash: text('password_hash'),
    createdAt: createdAt(),
    /** Set when somebody is no longer in; what they did keeps their name. */
    leftAt: timestamp('left_at', { withTimezone: true }),
  },
  (table) => [index('members_household').on(table.householdId)],
)

/** Devices that a member has come in at: what a session stands for, so that it can be ended here. */
export const devices = pgTable(
  'devices',
  {
    id: id(),
    householdId: householdId(),
    memberId: uuid('member_id')
      .notNull()
      .references(() => members.id, { onDelete: 'cascade' }),
    /** What the browser says of itself, in few words. */
    label: text('label').notNull(),
    createdAt: createdAt(),
    seenAt: timestamp('seen_at', { withTimezone: true }).notNull().defaultNow(),
    /** When the member last gave a password or a passkey at it; null where they came in without. */
    confirmedAt: timestamp('confirmed_at', { withTimezone: true }),
    endedAt: timestamp('ended_at', { withTimezone: true }),
  },
  (table) => [index('devices_household').on(table.householdId)],
)

/** Passkeys by which a member comes in. */
export const passkeys = pgTable('passkeys', {
  /** As the authenticator gave it. */
  id: text('id').primaryKey(),
  householdId: householdId(),
  memberId: uuid('member_id')
    .notNull()
    .references(() => members.id, { onDelete: 'cascade' }),
  publicKey: text('public_key').notNull(),
  counter: bigint('counter', { mode: 'number' }).notNull(),
  backedUp: boolean('backed_up').notNull(),
  transports: jsonb('transports').$type<string[]>().notNull().default([]),
  /** What the member calls it. */
  label: text('label').notNull().default(''),
  createdAt: createdAt(),
  usedAt: timestamp('used_at', { withTimezone: true }),
})

/** What a passkey is asked to sign: taken once, by whichever server. */
export const challenges = pgTable('challenges', {
  text: text('text').primaryKey(),
  expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
})

/** Tries to sign in, counted for all servers together; its columns are those of the limiting library. */
export const tries = pgTable('tries', {
  key: text('key').primaryKey(),
  points: integer('points').notNull().default(0),
  expire: bigint('expire', { mode: 'number' }),
})

/** What changed of the ways in which a member signs in, for the member to be told. */
export const signInEvents = pgTable(
  'sign_in_events',
  {
    id: id(),
    householdId: householdId(),
    memberId: uuid('member_id')
      .notNull()
      .references(() => members.id, { onDelete: 'cascade' }),
    kind: text('kind').$type<SignInEventKind>().notNull(),
    /** The device or the passkey of which it speaks. */
    label: text('label').notNull(),
    /** At which device it was done. */
    deviceId: uuid('device_id'),
    createdAt: createdAt(),
  },
  (table) => [index('sign_in_events_member').on(table.memberId, table.createdAt.desc())],
)

/** One-time links that let somebody in, and links by which a guest reads one dinner. Only a digest of each is kept. */
export const invites = pgTable('invites', {
  id: id(),
  householdId: householdId(),
  memberId: memberId(),
  digest: text('digest').notNull().unique(),
  /** The dinner that a guest may read; null for who is let in. */
  mealId: uuid('meal_id'),
  createdAt: createdAt(),
  expiresAt: timestamp('expires_at', { withTimezone: true }).notNull(),
  usedAt: timestamp('used_at', { withTimezone: true }),
})

/** What a household keeps and changes: its kitchen (under the household's own id), pots, dishes, dinners, portions. */
export const documents = pgTable(
  'documents',
  {
    householdId: householdId(),
    kind: text('kind').$type<KeptKind>().notNull(),
    id: uuid('id').notNull().defaultRandom(),
    memberId: memberId(),
    name: text('name').notNull(),
    favourite: boolean('favourite').notNull().default(false),
    content: jsonb('content').$type<unknown>().notNull(),
    /** Of a dish that is being cooked, how far. */
    begun: jsonb('begun').$type<unknown>(),
    /** Goes up with every change, so that two devices cannot overwrite each other unseen. */
    version: integer('version').notNull().default(1),
    updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
    /** Set when it was taken off the list; keeping it again brings it back. */
    deletedAt: timestamp('deleted_at', { withTimezone: true }),
  },
  (table) => [
    primaryKey({ columns: [table.householdId, table.kind, table.id] }),
    index('documents_list').on(table.householdId, table.kind, table.updatedAt.desc()),
  ],
)

export const plans = pgTable(
  'plans',
  {
    id: id(),
    householdId: householdId(),
    memberId: memberId(),
    name: text('name').notNull(),
    /** Which cooker of the kitchen, and what it was called then: the log still names what has gone. */
    cookerId: uuid('cooker_id'),
    cookerName: text('cooker_name'),
    /** The burner it stood on, and by content the bag it was taken from; null where nobody said. */
    burnerId: uuid('burner_id'),
    bagIds: jsonb('bag_ids').$type<(string | null)[]>(),
    /** Shape of the two documents. The column is called after what it was called first. */
    shape: integer('version').notNull(),
    request: jsonb('request').$type<unknown>().notNull(),
    answer: jsonb('answer').$type<unknown>().notNull(),
    /** The ids of the foods that were asked for, so that a look through the log need not open the request. */
    foods: jsonb('foods')
      .$type<string[]>()
      .generatedAlwaysAs(sql`jsonb_path_query_array(request, '$.contents[*].food')`),
    createdAt: createdAt(),
  },
  (table) => [
    unique('plans_household_id').on(table.householdId, table.id),
    // Names and cookers are looked through along it, without the table; a row of it is too short for all ids of foods.
    index('plans_searched').on(table.householdId, table.id, table.cookerId, table.name),
  ],
)

export const runs = pgTable(
  'runs',
  {
    id: id(),
    householdId: householdId(),
    memberId: memberId(),
    planId: uuid('plan_id').notNull(),
    /** Somebody still has to look after it, or may still light it; by its events. */
    isOn: boolean('is_on').notNull().default(true),
    /** False where the household has said that this run is not to teach. */
    teaches: boolean('teaches').notNull().default(true),
    /** What it says by itself (core/learn/run-fit), with the shape of that; null while it is not worked out. */
    fit: jsonb('fit').$type<unknown>(),
    /** What the household says of the whole pot. */
    remarks: jsonb('remarks').$type<unknown>().notNull().default([]),
    /** What came of the dish that it was a pot of; null where it was none, or is not done. */
    cameOut: jsonb('came_out').$type<unknown>(),
    createdAt: createdAt(),
  },
  (table) => [
    unique('runs_household_id').on(table.householdId, table.id),
    index('runs_household_created').on(table.householdId, table.createdAt.desc(), table.id),
    index('runs_household_on')
      .on(table.householdId)
      .where(sql`is_on`),
    foreignKey({ columns: [table.householdId, table.planId], foreignColumns: [plans.householdId, plans.id] }),
  ],
)

export const runEvents = pgTable(
  'run_events',
  {
    id: uuid('id').primaryKey(),
    sequence: bigserial('sequence', { mode: 'number' }).notNull(),
    householdId: householdId(),
    memberId: memberId(),
    runId: uuid('run_id').notNull(),
    kind: text('kind').notNull(),
    happenedAt: timestamp('happened_at', { withTimezone: true }).notNull(),
    data: jsonb('data').$type<unknown>().notNull(),
    createdAt: createdAt(),
  },
  (table) => [
    index('run_events_run').on(table.runId, table.sequence),
    foreignKey({ columns: [table.householdId, table.runId], foreignColumns: [runs.householdId, runs.id] }).onDelete(
      'cascade',
    ),
  ],
)

/** What was learnt of a figure until then is forgotten. */
export const forgotten = pgTable(
  'forgotten',
  {
    id: id(),
    householdId: householdId(),
    memberId: memberId(),
    figure: text('figure').notNull(),
    forgottenAt: timestamp('forgotten_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [unique('forgotten_household_figure').on(table.householdId, table.figure)],
)

export const verdicts = pgTable(
  'verdicts',
  {
    id: id(),
    householdId: householdId(),
    memberId: memberId(),
    runId: uuid('run_id').notNull(),
    /** Which of the plan's foods, by its place. */
    content: smallint('content').notNull().default(0),
    foodId: text('food_id').notNull(),
    /** From -2 (much too hard) over 0 (right) to 2 (much too soft). */
    texture: smallint('texture').notNull(),
    /** From -2 (much too dry) over 0 (right) to 2 (much too wet). */
    water: smallint('water').notNull(),
    note: text('note').notNull().default(''),
    updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [
    unique('verdicts_run_content').on(table.runId, table.content),
    foreignKey({ columns: [table.householdId, table.runId], foreignColumns: [runs.householdId, runs.id] }).onDelete(
      'cascade',
    ),
    check('verdicts_texture', sql`${table.texture} between -2 and 2`),
    check('verdicts_water', sql`${table.water} between -2 and 2`),
  ],
)

/** Photographs of pots: small, and without what a camera writes beside a picture. One of a run. */
export const runPhotos = pgTable(
  'run_photos',
  {
    runId: uuid('run_id').primaryKey(),
    householdId: householdId(),
    memberId: memberId(),
    jpeg: bytes('jpeg').notNull(),
    takenAt: timestamp('taken_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [
    foreignKey({ columns: [table.householdId, table.runId], foreignColumns: [runs.householdId, runs.id] }).onDelete(
      'cascade',
    ),
  ],
)

/** What kept documents were before they were changed; the newest of each. */
export const documentVersions = pgTable(
  'document_versions',
  {
    householdId: householdId(),
    kind: text('kind').$type<KeptKind>().notNull(),
    documentId: uuid('document_id').notNull(),
    version: integer('version').notNull(),
    name: text('name').notNull(),
    content: jsonb('content').$type<unknown>().notNull(),
    savedAt: timestamp('saved_at', { withTimezone: true }).notNull(),
  },
  (table) => [primaryKey({ columns: [table.householdId, table.kind, table.documentId, table.version] })],
)
