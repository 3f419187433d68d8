import { sql } from 'drizzle-orm'
import {
  bigserial,
  boolean,
  check,
  date,
  doublePrecision,
  foreignKey,
  index,
  integer,
  jsonb,
  pgTable,
  smallint,
  text,
  timestamp,
  unique,
  uuid,
} from 'drizzle-orm/pg-core'
import type { Burner, Cooker } from '../../core/pot/cookers'
import type { PlanAnswer } from '../../core/program/answer'
import type { PlanRequest } from '../../core/program/request'
import type { RunEventData } from '../../core/live/run'
import type { HouseholdTin, OwnFood } from '../../shared/kitchen'
import type { Pot } from '../../shared/pot'
import type { KeptTest } from '../../shared/waterTest'

const id = () => uuid('id').primaryKey().defaultRandom()
const createdAt = () => timestamp('created_at', { withTimezone: true }).notNull().defaultNow()
/** Set when it was taken out of the kitchen; the log still names it. */
const deletedAt = () => timestamp('deleted_at', { withTimezone: true })
const householdId = () =>
  uuid('household_id')
    .notNull()
    .references(() => households.id, { onDelete: 'cascade' })

export const households = pgTable('households', {
  id: id(),
  name: text('name').notNull(),
  altitudeM: doublePrecision('altitude_m').notNull(),
  roomC: doublePrecision('room_c').notNull(),
  tapC: doublePrecision('tap_c').notNull(),
  hardWater: boolean('hard_water').notNull().default(false),
  /** Whoever opens the link with this token cooks in this household. */
  joinToken: text('join_token').notNull().unique(),
  /** Goes up with every change of the kitchen, so that two devices cannot overwrite each other unseen. */
  version: integer('version').notNull().default(1),
  createdAt: createdAt(),
})

export const cookers = pgTable(
  'cookers',
  {
    id: id(),
    householdId: householdId(),
    name: text('name').notNull(),
    position: integer('position').notNull(),
    cooker: jsonb('cooker').$type<Cooker>().notNull(),
    tests: jsonb('tests').$type<KeptTest[]>().notNull().default([]),
    deletedAt: deletedAt(),
    createdAt: createdAt(),
  },
  (table) => [index('cookers_household').on(table.householdId)],
)

export const burners = pgTable(
  'burners',
  {
    id: id(),
    householdId: householdId(),
    name: text('name').notNull(),
    position: integer('position').notNull(),
    burner: jsonb('burner').$type<Burner>().notNull(),
    deletedAt: deletedAt(),
  },
  (table) => [index('burners_household').on(table.householdId)],
)

export const measures = pgTable(
  'measures',
  {
    id: id(),
    householdId: householdId(),
    name: text('name').notNull(),
    position: integer('position').notNull(),
    volumeMl: doublePrecision('volume_ml').notNull(),
    deletedAt: deletedAt(),
  },
  (table) => [index('measures_household').on(table.householdId), check('measures_volume', sql`${table.volumeMl} > 0`)],
)

export const tins = pgTable(
  'tins',
  {
    id: id(),
    householdId: householdId(),
    name: text('name').notNull(),
    position: integer('position').notNull(),
    diameterMm: doublePrecision('diameter_mm').notNull(),
    heightMm: doublePrecision('height_mm').notNull(),
    volumeMl: doublePrecision('volume_ml').notNull(),
    lid: boolean('lid').notNull(),
    material: text('material').$type<HouseholdTin['material']>().notNull(),
    deletedAt: deletedAt(),
  },
  (table) => [index('tins_household').on(table.householdId)],
)

export const foods = pgTable(
  'foods',
  {
    id: id(),
    householdId: householdId(),
    name: text('name').notNull(),
    position: integer('position').notNull(),
    /** The food of the catalogue it was started from. */
    basedOn: text('based_on').notNull(),
    figures: jsonb('figures').$type<OwnFood['figures']>().notNull(),
    deletedAt: deletedAt(),
  },
  (table) => [index('foods_household').on(table.householdId)],
)

export const bags = pgTable(
  'bags',
  {
    id: id(),
    householdId: householdId(),
    name: text('name').notNull(),
    position: integer('position').notNull(),
    foodId: text('food_id').notNull(),
    boughtOn: date('bought_on', { mode: 'string' }).notNull(),
    deletedAt: deletedAt(),
  },
  (table) => [index('bags_household').on(table.householdId)],
)

/** Pots that were kept under a name, as they were filled in. */
export const pots = pgTable(
  'pots',
  {
    id: id(),
    householdId: householdId(),
    name: text('name').notNull(),
    favourite: boolean('favourite').notNull().default(false),
    pot: jsonb('pot').$type<Pot>().notNull(),
    /** Goes up with every change, so that two devices cannot overwrite each other unseen. */
    version: integer('version').notNull().default(1),
    updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
    deletedAt: deletedAt(),
  },
  (table) => [index('pots_household').on(table.householdId, table.updatedAt.desc())],
)

export const plans = pgTable(
  'plans',
  {
    id: id(),
    householdId: householdId(),
    name: text('name').notNull(),
    cookerId: uuid('cooker_id').references(() => cookers.id, { onDelete: 'set null' }),
    /** Version of the two documents' shape. */
    version: integer('version').notNull(),
    request: jsonb('request').$type<PlanRequest>().notNull(),
    answer: jsonb('answer').$type<PlanAnswer>().notNull(),
    createdAt: createdAt(),
  },
  (table) => [unique('plans_household_id').on(table.householdId, table.id)],
)

export const runs = pgTable(
  'runs',
  {
    id: id(),
    householdId: householdId(),
    planId: uuid('plan_id').notNull(),
    createdAt: createdAt(),
  },
  (table) => [
    unique('runs_household_id').on(table.householdId, table.id),
    index('runs_household_created').on(table.householdId, table.createdAt.desc()),
    foreignKey({ columns: [table.householdId, table.planId], foreignColumns: [plans.householdId, plans.id] }),
  ],
)

export const runEvents = pgTable(
  'run_events',
  {
    id: uuid('id').primaryKey(),
    sequence: bigserial('sequence', { mode: 'number' }).notNull(),
    householdId: householdId(),
    runId: uuid('run_id').notNull(),
    kind: text('kind').notNull(),
    happenedAt: timestamp('happened_at', { withTimezone: true }).notNull(),
    data: jsonb('data').$type<RunEventData>().notNull(),
    createdAt: createdAt(),
  },
  (table) => [
    index('run_events_run').on(table.runId, table.sequence),
    foreignKey({ columns: [table.householdId, table.runId], foreignColumns: [runs.householdId, runs.id] }).onDelete(
      'cascade',
    ),
  ],
)

export const verdicts = pgTable(
  'verdicts',
  {
    id: id(),
    householdId: householdId(),
    runId: uuid('run_id').notNull(),
    foodId: text('food_id').notNull(),
    /** From -2 (much too hard) over 0 (right) to 2 (much too soft). */
    texture: smallint('texture').notNull(),
    /** From -2 (much too dry) over 0 (right) to 2 (much too wet). */
    water: smallint('water').notNull(),
    note: text('note').notNull().default(''),
    updatedAt: timestamp('updated_at', { withTimezone: true }).notNull().defaultNow(),
  },
  (table) => [
    unique('verdicts_run_food').on(table.runId, table.foodId),
    foreignKey({ columns: [table.householdId, table.runId], foreignColumns: [runs.householdId, runs.id] }).onDelete(
      'cascade',
    ),
    check('verdicts_texture', sql`${table.texture} between -2 and 2`),
    check('verdicts_water', sql`${table.water} between -2 and 2`),
  ],
)
