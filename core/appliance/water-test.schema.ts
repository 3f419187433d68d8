import { z } from 'zod'
import { bounded, figure } from '../fields.schema'
import { FLAMES, LEVELS } from '../names'

const minute = bounded('testMinute')

/** Something that the cook saw or did during a water test, in minutes from lighting. */
const markSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('flame'), minute, flame: z.enum(FLAMES) }),
  z.object({ kind: z.enum(['on', 'whistle', 'pressure', 'boils', 'heat-off', 'pressure-gone']), minute }),
  z.object({ kind: z.literal('temperature'), minute, tempC: bounded('tempC') }),
])
export type TestMark = z.infer<typeof markSchema>

/** One boil with nothing but water, timed and weighed. Its figures are checked with the fit. */
export const waterTestSchema = z.object({
  waterG: figure,
  /** Left out where nothing was weighed. */
  leftG: figure.optional(),
  startC: figure,
  place: z.object({ altitudeM: figure, roomC: figure }),
  level: z.enum(LEVELS).optional(),
  marks: z.array(markSchema).max(60),
  /** By heart and not by the clock: read less exactly. */
  remembered: z.boolean().optional(),
  /** Readings that the cook leaves out, by their place among the observations of the fit. */
  ignored: z.array(z.number().int().min(0).max(60)).max(60).optional(),
})
export type WaterTest = z.infer<typeof waterTestSchema>
