import { z } from 'zod'
import { LENGTH, MOST } from '../bounds'
import { figure } from '../fields.schema'
import { KINDS, type Appliance } from './appliance'
import { profileSchema } from './step.schema'

/** An object schema of each kind, from its list of figures. */
const schemas = Object.values(KINDS).map(({ kind, figures }) =>
  z.object({ kind: z.literal(kind), ...Object.fromEntries(figures.map((name) => [name, figure])) }),
)

export const applianceSchema = z.discriminatedUnion(
  'kind',
  schemas as [(typeof schemas)[number], ...typeof schemas],
) as unknown as z.ZodType<Appliance>

export const burnerSchema = z.object({ high: figure, medium: figure, low: figure, simmer: figure })

export const potBodySchema = z.object({
  capacityL: figure,
  innerDiameterMm: figure,
  innerHeightMm: figure,
  minimumLiquidG: figure,
})

export const fixedProgramSchema = z.object({
  id: z.string().max(LENGTH.id),
  name: z.string().max(LENGTH.planName),
  profile: profileSchema,
  steamG: figure,
})

export const cookerSchema = z.object({
  appliance: applianceSchema,
  body: potBodySchema.optional(),
  fixedPrograms: z.array(fixedProgramSchema).max(MOST.fixedPrograms).optional(),
})
