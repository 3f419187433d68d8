import { LOCALES } from '../locales/languages'
import { z } from 'zod'
import { burnerSchema, cookerSchema } from '../core/appliance/appliance.schema'
import { waterTestSchema } from '../core/appliance/water-test.schema'
import { COOKERS } from '../core/appliance/appliance'
import { LENGTH, MOST } from '../core/bounds'
import { bounded } from '../core/fields.schema'
import { foodFiguresSchema } from '../core/food/food.schema'
import { checkCooker } from '../core/pot/check'
import { TEXTURES } from '../core/names'
import { tinSchema } from '../core/program/request.schema'
import type { DocumentKind } from './document'
import { isTimeZone } from './day'
import { LIKES } from './names'
import { KITCHEN_SHAPE } from './shapes'
import { USUAL_LIKES } from './kitchen'

const name = z.string().trim().min(1).max(LENGTH.name)
/** What is put away is offered no more; a pot that uses it stays as it was. */
const row = { id: z.uuid(), name, away: z.boolean().optional() }
const foodId = z.string().max(LENGTH.id)

/** Figures of an appliance that a water test changes; the others stay as the kitchen has them. */
const fittedApplianceSchema = z.object({
  lossWPerK: bounded('lossWPerK').optional(),
  reseatPa: bounded('reseatPa').optional(),
  ventKgPerS: bounded('ventKgPerS').optional(),
  leakKgPerS: bounded('leakKgPerS').optional(),
  heaterW: bounded('heaterW').optional(),
  lowW: bounded('lowW').optional(),
  highW: bounded('highW').optional(),
  reflux: bounded('reflux').optional(),
})

/** A water test that made sense, with what it measured. */
export const keptTestSchema = z.object({
  id: z.uuid(),
  at: z.number().int().positive(),
  /** The burner it stood on; null for what heats itself. */
  burnerId: z.uuid().nullable(),
  test: waterTestSchema,
  fitted: z.object({
    appliance: fittedApplianceSchema,
    burner: burnerSchema.nullable(),
    heatSpread: bounded('share'),
  }),
})
export type KeptTest = z.infer<typeof keptTestSchema>

/** A tin of the household: what a tin of a request is, measured in full. */
const ownTinSchema = tinSchema.required({ volumeMl: true, material: true }).extend({
  ...row,
  diameterMm: bounded('tinDiameterMm'),
  heightMm: bounded('tinHeightMm'),
  volumeMl: bounded('tinVolumeMl'),
})

const likesSchema = z.object({
  counts: z.enum(LIKES.counts),
  temperature: z.enum(LIKES.temperature),
  weight: z.enum(LIKES.weight),
  /** Missing in kitchens from before: millimetres. */
  length: z.enum(LIKES.length).optional(),
  volume: z.enum(LIKES.volume),
  pressure: z.enum(LIKES.pressure),
  hours: z.enum(LIKES.hours),
  decimal: z.enum(LIKES.decimal),
  /** How soft beans, peas and lentils are liked; asked once, and missing until it is answered. */
  beans: z.enum(LIKES.beans).optional(),
  /** Where its days begin; missing in kitchens from before, whose days are those of the device. */
  timeZone: z.string().max(LENGTH.id).refine(isTimeZone).optional(),
  /** The language of its screens and its calendar; missing: that of each device. */
  language: z.enum(LOCALES).optional(),
  /** The texture last asked for, by food. */
  textures: z.record(foodId, z.enum(TEXTURES)).refine((textures) => Object.keys(textures).length <= MOST.likedTextures),
})

/** A household's kitchen: one document. */
export const kitchenSchema = z
  .object({
    shape: z.literal(KITCHEN_SHAPE),
    name,
    altitudeM: bounded('altitudeM'),
    roomC: bounded('roomC'),
    tapC: bounded('tapC'),
    hardWater: z.boolean(),
    likes: likesSchema,
    cookers: z
      .array(
        z.object({
          ...row,
          cooker: cookerSchema.required({ body: true }),
          /** When it was given a new gasket: what it loses is learnt anew from then on. */
          gaskets: z.array(z.iso.date()).max(MOST.gaskets).optional(),
          /** Its water tests, oldest first; the newest of each burner counts. */
          tests: z.array(keptTestSchema).max(MOST.tests),
        }),
      )
      .max(MOST.cookers),
    burners: z.array(z.object({ ...row, burner: burnerSchema })).max(MOST.burners),
    measures: z.array(z.object({ ...row, volumeMl: bounded('measureMl') })).max(MOST.measures),
    tins: z.array(ownTinSchema).max(MOST.tins),
    /** Foods of its own, each started from one of the catalogue. */
    foods: z.array(z.object({ ...row, basedOn: foodId, figures: foodFiguresSchema })).max(MOST.foods),
    /** Bags in the larder, with the day they were bought. */
    bags: z.array(z.object({ ...row, foodId, boughtOn: z.iso.date() })).max(MOST.bags),
  })
  .superRefine((kitchen, context) => {
    // Whatever is chosen by its id has to be one thing.
    for (const list of ['cookers', 'burners', 'measures', 'tins', 'foods', 'bags'] as const) {
      const seen = new Set<string>()
      kitchen[list].forEach(({ id }, i) => {
        if (seen.has(id))
          context.addIssue({ code: 'custom', path: [list, i, 'id'], params: { code: 'id-twice', value: id } })
        seen.add(id)
      })
    }
  })
export type Kitchen = z.infer<typeof kitchenSchema>

export const KITCHEN: DocumentKind<Kitchen> = {
  shape: KITCHEN_SHAPE,
  schema: kitchenSchema,
  check: ({ cookers }) =>
    cookers.flatMap(({ cooker }, i) =>
      checkCooker(cooker).map((one) => ({ ...one, path: `cookers.${i}.cooker.${one.path}` })),
    ),
  upgrades: [
    // The first shape held its version among its content, and some lists came later.
    ({ version: _, ...kitchen }: Record<string, unknown>) => ({
      hardWater: false,
      tins: [],
      foods: [],
      bags: [],
      ...kitchen,
      cookers: (kitchen.cookers as object[]).map((cooker) => ({ tests: [], ...cooker })),
      shape: 2,
    }),
    // Rice cookers were taken to hold no more than the dry rice that they are sold by, and nothing was liked yet.
    ({ cookers, ...kitchen }: { cookers: SecondCooker[] }) => ({
      ...kitchen,
      likes: USUAL_LIKES,
      cookers: cookers.map((of) => ({ ...of, cooker: riceByLitresOfRice(of.cooker) })),
      shape: 3,
    }),
  ],
}

interface SecondCooker {
  cooker: { appliance: { kind: string; heaterW?: number }; body: { capacityL: number } }
}

const SECOND_RICE = { 0.6: 255, 1: 380, 1.8: 595 } as const

/** A generic rice cooker as it was in the second shape becomes the generic one of its size; a measured one stays. */
function riceByLitresOfRice(cooker: SecondCooker['cooker']) {
  const { appliance, body } = cooker
  const untouched = SECOND_RICE[body.capacityL as keyof typeof SECOND_RICE] === appliance.heaterW
  const now = appliance.kind === 'rice' && untouched ? COOKERS[`rice-${body.capacityL}l`] : undefined
  return now ? { ...cooker, ...now } : cooker
}
