import { z } from 'zod'
import { taggedStep } from '../core/appliance/step.schema'
import { LENGTH, MOST } from '../core/bounds'
import type { ClosingAnswer, PlanAnswer } from '../core/program/answer'
import { OPENING_MINUTES } from '../core/program/answer'
import { planRequestSchema } from '../core/program/request.schema'
import type { DocumentKind } from './document'
import { PLAN_SHAPE } from './shapes'

const planName = z.string().trim().min(1).max(LENGTH.planName)

/** A plan to keep. The id is made by the client, so that sending it twice stores it once. */
export const savePlanSchema = z.object({
  id: z.uuid(),
  name: planName,
  cookerId: z.uuid(),
  request: planRequestSchema,
  /** The burner it stands on, and by content the bag it is taken from: what the log learns of. */
  burnerId: z.uuid().nullish(),
  bagIds: z.array(z.uuid().nullable()).max(MOST.contents).optional(),
})
export type SavePlan = z.infer<typeof savePlanSchema>

/** What a run is called from now on. */
export const runNameSchema = z.object({ name: planName })

/** A run to start; a kept pot that soaked for it soaks no more. */
export const startRunSchema = z.object({ id: z.uuid(), planId: z.uuid(), potId: z.uuid().optional() })
export type StartRun = z.infer<typeof startRunSchema>

/** What is kept of a plan: what was asked, and what was answered then. */
export interface PlanDocument {
  request: z.infer<typeof planRequestSchema>
  answer: PlanAnswer
}

/** The answer is this program's own, and nothing of it is typed by anybody: of its many figures only the frame is looked at. */
const answerFrame = z.looseObject({
  closings: z.array(z.looseObject({ case: z.looseObject({}), range: z.looseObject({}) })).min(1),
  foods: z.array(z.looseObject({ food: z.string() })),
  cautions: z.array(z.looseObject({ id: z.string(), severity: z.enum(['refuse', 'warn', 'note']) })),
})

export const PLAN: DocumentKind<PlanDocument> = {
  shape: PLAN_SHAPE,
  schema: z.object({
    request: planRequestSchema,
    answer: answerFrame,
  }) as z.ZodType<unknown> as z.ZodType<PlanDocument>,
  upgrades: [
    ({ request, answer }: { request: object; answer: FirstAnswer }) => ({ request, answer: upgraded(answer) }),
  ],
}

/** An answer of the first shape: the figures of the first closing of the lid, and later ones beside them. */
interface FirstAnswer extends Omit<ClosingAnswer, 'adds' | 'foods' | 'fill' | 'freeWaterLeftG' | 'case'> {
  simulation: ClosingAnswer['case']
  release: PlanAnswer['release']
  foods: PlanAnswer['foods']
  becomes: PlanAnswer['becomes']
  fill: ClosingAnswer['fill'] & PlanAnswer['fill']
  waterLeftG: number
  cautions: PlanAnswer['cautions']
  later?: {
    adds: number[]
    addWaterG: number
    range: ClosingAnswer['range']
    minutes: number
    gets: number[]
    getsLow: number[]
    getsHigh: number[]
    freeWaterLeftG: number
    boils: boolean
    case: ClosingAnswer['case']
  }[]
}

function upgraded(answer: FirstAnswer): PlanAnswer {
  const { water, planned, program, range, firstCheck, clock, simulation, later = [], ...rest } = answer
  const { foods, fill, steamLostG, energyKJ, hottestC, boils, release, becomes, waterLeftG, cautions } = rest
  const inLater = (of: 'gets' | 'getsLow' | 'getsHigh', i: number) => later.reduce((sum, one) => sum + one[of][i]!, 0)
  const joining = new Set(later.flatMap(({ adds }) => adds))
  const steamOf = (one: NonNullable<FirstAnswer['later']>[number]) =>
    one.case.load.freeWaterKg * 1000 - one.freeWaterLeftG
  const first: ClosingAnswer = {
    adds: foods.flatMap((_, i) => (joining.has(i) ? [] : [i])),
    water,
    planned,
    program: { ...program, whistleEveryS: null, steps: tagged(program.steps) },
    range,
    firstCheck,
    clock,
    foods: foods.map(({ gets, getsLow, getsHigh }, i) => ({
      gets: gets - inLater('gets', i),
      getsLow: getsLow - inLater('getsLow', i),
      getsHigh: getsHigh - inLater('getsHigh', i),
      centreC: hottestC,
    })),
    fill,
    steamLostG: steamLostG - later.reduce((sum, one) => sum + steamOf(one), 0),
    freeWaterLeftG: waterLeftG,
    energyKJ,
    hottestC,
    boils,
    case: caseOf(simulation),
  }
  const closings = [
    first,
    ...later.map((one): ClosingAnswer => {
      const steps = tagged(one.case.program)
      const last = one.range.figure
      return {
        adds: one.adds,
        water: {
          pourG: one.addWaterG,
          rule: 'balance',
          lines: [{ id: 'floor', g: one.addWaterG, of: 'base-left' }],
          ratioByVolume: null,
        },
        planned: { pourG: one.addWaterG, figure: last },
        program: { steps, whistles: 0, whistleEveryS: null, minutes: one.minutes, fixedProgram: null },
        range: one.range,
        firstCheck: { figure: last, reason: 'opened-anyway' },
        clock: { pressureAtMinute: null, heatOffAtMinute: one.minutes, openAtMinute: one.minutes },
        foods: one.gets.map((gets, i) => ({
          gets,
          getsLow: one.getsLow[i]!,
          getsHigh: one.getsHigh[i]!,
          centreC: hottestC,
        })),
        fill,
        steamLostG: steamOf(one),
        freeWaterLeftG: one.freeWaterLeftG,
        energyKJ: 0,
        hottestC,
        boils: one.boils,
        case: caseOf(one.case),
      }
    }),
  ]
  const { beforeL, afterL, limitL, capacityL } = fill
  return {
    closings,
    release,
    foods: foods.map((food) => ({ ...food, centreC: hottestC })),
    becomes,
    fill: { beforeL, afterL, limitL, capacityL },
    steamLostG,
    waterLeftG,
    energyKJ,
    hottestC,
    readyAtMinute: later.reduce((sum, { minutes }) => sum + OPENING_MINUTES + minutes, clock.openAtMinute),
    cautions,
  }
}

const tagged = (steps: readonly unknown[]) => steps.map(taggedStep) as ClosingAnswer['program']['steps']
const caseOf = (kept: ClosingAnswer['case']): ClosingAnswer['case'] => ({ ...kept, program: tagged(kept.program) })
