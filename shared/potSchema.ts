import { z } from 'zod'
import { GRAIN_TEXTURES, PULSE_TEXTURES } from '../core/food/texture'
import type { StyleKind } from '../core/program/request'
import { FREE_LIQUIDS, LIQUID_KINDS } from '../core/water/liquids'
import { CIRCUMSTANCES, SOAK_PLACES } from './pot'

/** A number as it is typed: it stays text until it is read. */
const typed = z.string().max(24)

const STYLES = [
  'whistles',
  'first-whistle-then-low',
  'clock',
  'high-then-low',
  'electric',
  'fixed',
  'rice-cooker',
  'open',
  'slow',
  'basket',
] as const satisfies readonly StyleKind[]

const itemSchema = z.object({
  foodId: z.string().max(80),
  /** The bag it is taken from; empty for none in particular. */
  bagId: z.string().max(40),
  amount: typed,
  /** `g`, `kg`, `oz`, the id of a common measure or of one of the household's. */
  unit: z.string().max(40),
  soakHours: typed,
  soakIn: z.enum(SOAK_PLACES),
  keepWater: z.boolean(),
  soakWaterG: typed,
  texture: z.enum([...GRAIN_TEXTURES, ...PULSE_TEXTURES]),
  circumstances: z.array(z.enum(CIRCUMSTANCES)).max(CIRCUMSTANCES.length),
  /** The closing of the lid at which it goes in; 0 is the first. */
  joins: z.number().int().min(0).max(3).default(0),
})

/** A pot as a cook fills it in, kept as typed: the document that is saved, shared and exported. */
export const potSchema = z.object({
  items: z.array(itemSchema).min(1).max(6),
  liquids: z.array(z.object({ kind: z.enum(LIQUID_KINDS), amount: typed, unit: z.string().max(40) })).max(6),
  freeLiquid: z.enum(FREE_LIQUIDS),
  cookerId: z.string().max(40),
  burnerId: z.string().max(40),
  flame: z.enum(['high', 'medium', 'low', 'simmer']),
  /** The style last used with each kind of appliance. */
  styles: z.partialRecord(z.string().max(20), z.enum(STYLES)),
  level: z.enum(['high', 'low']),
  /** What the cook takes instead of what was computed. */
  given: z.object({ pourG: z.number().nullable(), figure: z.number().nullable() }),
  /** Where each item stands, when the pot is a stack of tins; null when all of it is in the base. */
  stack: z
    .object({
      /** By item: 'base', a tin's id, or empty while it stands nowhere. */
      places: z.array(z.string().max(40)).max(6),
      /** By item: where the search must leave it. */
      locks: z.array(z.string().max(40)).max(6),
      /** By item: the search may soak it otherwise. */
      soakFree: z.array(z.boolean()).max(6),
      /** Tins from below, side by side in a tier. */
      tiers: z.array(z.array(z.string().max(40)).max(2)).max(6),
      /** The tins at the top are covered too. */
      topCovered: z.boolean(),
      trivetMm: z.number().min(5).max(200),
    })
    .nullable()
    .default(null),
  /** When the soak was begun, in ms since 1970. */
  soakingSince: z.number().nullable(),
})

const potName = z.string().trim().min(1, 'Give it a name.').max(80)

/** What is sent to keep a pot; the version is the one it was fetched with, 0 for a new one. */
export const savePotSchema = z.object({
  version: z.number().int().min(0),
  name: potName,
  favourite: z.boolean(),
  pot: potSchema,
})

/** A pot as a file. Foods of the household's own go with it; the cooker is named for whoever lacks it. */
export const potFileSchema = z.object({
  format: z.literal('bivvet-pot'),
  version: z.literal(1),
  name: potName,
  pot: potSchema,
  foods: z.array(z.object({ id: z.uuid(), name: potName, basedOn: z.string().max(80), figures: z.unknown() })).max(6),
  cooker: z.object({ name: z.string().max(60), kind: z.string().max(20) }).nullable(),
})
