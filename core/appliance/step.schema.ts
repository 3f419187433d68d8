import { z } from 'zod'
import { MOST } from '../bounds'
import { figure } from '../fields.schema'
import { LEVELS } from '../names'

const level = z.enum(LEVELS)

/** A measured temperature curve, counted from the start of its step. */
export const profileSchema = z.array(z.object({ minute: figure, tempC: figure })).max(MOST.profilePoints)
export type ProfilePoint = z.infer<typeof profileSchema>[number]

const tagged = z.discriminatedUnion('kind', [
  /** Until that whistle, counted from the start of the run, has shut. */
  z.strictObject({ kind: z.literal('whistles'), heatW: figure, untilWhistles: figure.int() }),
  /** Until the first whistle, or the set pressure. */
  z.strictObject({ kind: z.literal('pressure'), heatW: figure, untilPressure: z.literal(true) }),
  /** Until the water first boils. */
  z.strictObject({ kind: z.literal('boil'), heatW: figure, untilBoil: z.literal(true) }),
  z.strictObject({ kind: z.literal('minutes'), heatW: figure, minutes: figure }),
  /** Until that minute of the run. */
  z.strictObject({ kind: z.literal('clock'), heatW: figure, untilMinute: figure }),
  /** So long after the set pressure was first reached. */
  z.strictObject({ kind: z.literal('at-pressure'), level, minutesAtPressure: figure }),
  /** On a level of the device's own. */
  z.strictObject({ kind: z.literal('level'), level, minutes: figure }),
  /** Until nothing is left to boil. */
  z.strictObject({ kind: z.literal('dry'), untilDry: z.literal(true) }),
  /** Held at a temperature by a thermostat, for so long from the start of the step. */
  z.strictObject({ kind: z.literal('temperature'), tempC: figure, minutes: figure }),
  /** Along a measured curve, with the steam that it cost. */
  z.strictObject({ kind: z.literal('profile'), profile: profileSchema, steamG: figure }),
])
export type Step = z.infer<typeof tagged>
export type StepKind = Step['kind']
export type StepOf<Kind extends StepKind> = Extract<Step, { kind: Kind }>

/** Steps written down before they bore their kind are told by their fields. */
const UNTAGGED: readonly [field: string, kind: StepKind][] = [
  ['untilWhistles', 'whistles'],
  ['untilPressure', 'pressure'],
  ['untilBoil', 'boil'],
  ['untilMinute', 'clock'],
  ['minutesAtPressure', 'at-pressure'],
  ['untilDry', 'dry'],
  ['profile', 'profile'],
  ['tempC', 'temperature'],
  ['level', 'level'],
  ['minutes', 'minutes'],
]

/** A step with its kind, however it was written down; anything else as it is. */
export function taggedStep(step: unknown): unknown {
  if (typeof step !== 'object' || step === null || 'kind' in step) return step
  const kind = UNTAGGED.find(([field]) => field in step)?.[1]
  return kind ? { kind, ...step } : step
}

export const stepSchema = z.preprocess(taggedStep, tagged)

export const releaseSchema = z.discriminatedUnion('kind', [
  z.object({ kind: z.literal('natural') }),
  z.object({ kind: z.enum(['timed', 'quick']), afterMinutes: figure.optional() }),
])
export type Release = z.infer<typeof releaseSchema>
