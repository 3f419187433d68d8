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
  leftG: figure,
  startC: figure,
  place: z.object({ altitudeM: figure, roomC: figure }),
  level: z.enum(LEVELS).optional(),
  marks: z.array(markSchema).max(60),
})
export type WaterTest = z.infer<typeof waterTestSchema>
