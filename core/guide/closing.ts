import { heatsItself, holdsPressure } from '../appliance/appliance'
import type { Step } from '../appliance/step.schema'
import type { Style } from '../appliance/style.schema'
import type { FlameName, TaskPart } from '../names'
import type { ClosingAnswer, PlanAnswer } from '../program/answer'
import { litOn } from '../program/styles'
import type { CautionId } from '../safety/rules'
import type { Deed, Instruction, Setting, Thing, Until } from './instruction'

/** One closing of a lid, to be told. */
export interface ToldClosing {
  from: Instruction['from']
  /** By which its instructions are told from others: each id begins with it. */
  prefix: string
  number: number
  /** When it is lit. */
  lit: number
  cooker: string | null
  burner: string | null
  style: Style
  answer: Pick<PlanAnswer, 'release' | 'cautions'>
  closing: ClosingAnswer
  isLast: boolean
  /** What goes in now, into the base and into tins; water is told by the closing itself. */
  base: Thing[]
  tins: Thing[]
  /** Its first water comes from a kettle. */
  isKettle: boolean
  /** Minutes for which it is kept warm before it is opened. */
  keepWarmMinutes?: number
}

/** The rules that belong to a deed, where the plan calls for them. */
const CAUTIONS_OF: Partial<Record<Deed, readonly CautionId[]>> = {
  close: ['before-closing', 'too-full', 'too-little-liquid'],
  open: ['wait-for-pressure', 'meat-through', 'meat-raw'],
  'take-out': ['hot-tins'],
  pour: ['too-dry', 'too-wet'],
}

type Told = Partial<Omit<Instruction, 'id' | 'from' | 'do' | 'at' | 'part'>>

/** What is done of one closing of the lid: what goes in, the water, the lid, the heat until it is off, and the opening. */
export function closingInstructions(told: ToldClosing): Instruction[] {
  const {
    from,
    prefix,
    number,
    lit,
    cooker,
    burner,
    style,
    answer,
    closing,
    isLast,
    base,
    tins,
    isKettle,
    keepWarmMinutes = 0,
  } = told
  const { appliance } = closing.case
  const itself = heatsItself(appliance)
  const pressurised = holdsPressure(appliance)
  const list: Instruction[] = []
  const ids = new Set(answer.cautions.map(({ id }) => id))
  const say = (deed: Deed, part: TaskPart, at: Instruction['at'], more: Told = {}) => {
    const nth = list.filter((one) => one.do === deed).length
    list.push({
      id: `${prefix}.${deed}${nth > 0 ? nth + 1 : ''}`,
      from,
      closing: number,
      part,
      at,
      hands: 0,
      critical: false,
      do: deed,
      things: [],
      in: { cooker },
      on: null,
      setting: null,
      until: null,
      cautions: (CAUTIONS_OF[deed] ?? []).filter((id) => ids.has(id)),
      why: null,
      ...more,
    })
  }
  const start = { minute: lit }
  if (base.length > 0) say('add', 'close', start, { things: base, hands: 1 })
  const { pourG } = closing.water
  if (pourG > 0) {
    const water: Thing = {
      water: true,
      g: pourG,
      state: number === 0 && !isKettle ? 'cold' : 'boiling',
      goesInto: 'pot',
    }
    say('pour', 'close', start, { things: [water], hands: 1, why: { sum: 'water' } })
  }
  for (const tier of [...new Set(tins.map((one) => one.tier ?? 1))].sort((a, b) => a - b))
    say('add', 'close', start, {
      things: tins.filter((one) => (one.tier ?? 1) === tier),
      in: { vessel: 'tin' },
      hands: 1,
    })
  say('close', 'close', start, { hands: 1 })

  const offAt = lit + closing.clock.heatOffAtMinute
  const on = itself ? null : { burner }
  heatOf(closing, style).forEach(({ setting, until, at }, i, all) => {
    const minute = at === null ? lit : lit + at
    const before = all[i - 1]?.until
    say(
      i === 0 ? 'light' : 'turn',
      i === 0 ? 'close' : 'turn',
      i === 0 ? start : { after: eventOf(before), about: minute },
      {
        setting,
        until,
        on,
        hands: 1,
        why: { sum: 'need' },
      },
    )
  })
  const lastUntil = heatOf(closing, style).at(-1)?.until
  say('off', itself ? 'cook' : 'off', { after: eventOf(lastUntil), about: offAt }, { on, hands: itself ? 0 : 1 })

  // A rice cooker, and whatever else keeps its lid on after its heat: it goes on cooking.
  const fallenAt = lit + closing.clock.openAtMinute
  const openAt = fallenAt + keepWarmMinutes
  const stands = Math.round(fallenAt - offAt)
  const warm = () => {
    if (keepWarmMinutes > 0)
      say('wait', 'fall', { after: 'timer', about: fallenAt }, { until: { minutes: keepWarmMinutes, keptWarm: true } })
  }
  if (!pressurised) {
    if (stands >= 1) say('rest', 'fall', { after: 'timer', about: offAt }, { until: { minutes: stands } })
    warm()
    say('open', 'open', { after: 'timer', about: openAt }, { what: 'lid', hands: 1 })
  } else {
    const { release } = answer
    const waits = release?.kind === 'natural' || release === null ? null : (release.afterMinutes ?? 0)
    // A program of the device that was measured whole ends with the pressure gone.
    if (waits === null) {
      if (stands >= 1)
        say('wait', 'fall', { after: 'timer', about: offAt }, { until: { pressureGone: true, minutes: stands } })
    } else {
      if (waits > 0) say('wait', 'fall', { after: 'timer', about: offAt }, { until: { minutes: waits } })
      say('open', 'open', { after: 'timer', about: offAt + waits }, { what: 'valve', hands: 1, critical: true })
      say('wait', 'open', { after: 'timer', about: offAt + waits }, { until: { pressureGone: true } })
    }
    warm()
    say('open', 'open', { after: 'pressure-gone', about: openAt }, { what: 'lid', hands: 1, critical: true })
  }
  if (isLast && (closing.firstCheck.reason === 'half' || closing.firstCheck.reason === 'free'))
    say('look', 'open', { after: 'opened', about: openAt }, { what: 'food', hands: 1, why: { sum: 'need' } })
  if (isLast && tins.length > 0)
    say(
      'take-out',
      'open',
      { after: 'opened', about: openAt },
      {
        things: tins.filter(({ water }) => !water).map(again),
        hands: 1,
      },
    )
  return list
}

/** A thing as it is met after it was first touched. */
export const again = ({ line, food, liquid, what, name, typed, g, ofG, goesInto, tier }: Thing): Thing => ({
  ...(line === undefined ? {} : { line }),
  ...(food === undefined ? {} : { food }),
  ...(liquid === undefined ? {} : { liquid }),
  ...(what === undefined ? {} : { what }),
  ...(name === undefined ? {} : { name }),
  ...(typed === undefined ? {} : { typed }),
  g: null,
  again: true,
  ofG: ofG ?? g,
  state: 'cooked',
  goesInto,
  ...(tier === undefined ? {} : { tier }),
})

interface Heat {
  setting: Setting
  until: Until
  /** Minutes from lighting; null for the flame on which it is lit. */
  at: number | null
}

/** How the heat is set, and what ends each setting, as the cook sets it. */
function heatOf(closing: ClosingAnswer, style: Style): Heat[] {
  const { program, clock } = closing
  const [lit, counted] = flamesOf(style)
  const everyS = program.whistleEveryS ?? undefined
  const heats: Heat[] = []
  for (const step of program.steps) {
    const setting: Setting = { flame: heats.length === 0 ? lit : counted }
    const at = heats.length === 0 ? null : clock.heatOffAtMinute - ('minutes' in step ? step.minutes : 0)
    const pressureAt = heats.length === 0 ? null : clock.pressureAtMinute
    const heat = heatOfStep(step, setting, { at, pressureAt, everyS, program })
    if (heat) heats.push(heat)
  }
  // One whistle alone is over before there is anything to turn.
  const [first, last] = heats
  const isOver = first?.until.whistles !== undefined && first.until.whistles === last?.until.whistles
  return heats.length === 2 && isOver ? [first] : heats
}

function heatOfStep(
  step: Step,
  setting: Setting,
  of: { at: number | null; pressureAt: number | null; everyS: number | undefined; program: ClosingAnswer['program'] },
): Heat | null {
  switch (step.kind) {
    case 'whistles':
      return {
        setting,
        until: { whistles: step.untilWhistles, ...(step.untilWhistles > 1 && of.everyS ? { everyS: of.everyS } : {}) },
        at: of.pressureAt,
      }
    case 'pressure':
      return { setting, until: { pressure: true }, at: of.at }
    case 'boil':
      return { setting, until: { boils: true }, at: of.at }
    case 'minutes':
      // The heat is off: that is the rest after it.
      return step.heatW === 0 ? null : { setting, until: { minutes: step.minutes }, at: of.at }
    case 'clock':
      return { setting, until: { minutes: step.untilMinute }, at: of.at }
    case 'at-pressure':
      return { setting: { level: step.level }, until: { minutesAtPressure: step.minutesAtPressure }, at: of.at }
    case 'level':
      return { setting: { level: step.level }, until: { minutes: step.minutes }, at: of.at }
    case 'temperature':
      return { setting: { tempC: step.tempC }, until: { minutes: step.minutes }, at: of.at }
    case 'dry':
      return { setting: { program: 'rice', times: 1 }, until: { itself: true }, at: of.at }
    case 'profile':
      return of.at !== null && of.program.fixedProgram
        ? null
        : {
            setting: { program: of.program.fixedProgram?.name ?? '', times: of.program.fixedProgram?.times ?? 1 },
            until: { itself: true },
            at: of.at,
          }
  }
}

/** The flame on which a style is lit, and that to which it is turned. */
function flamesOf(style: Style): [FlameName, FlameName] {
  const lit = litOn(style)
  return [lit, style.kind === 'whistles' ? (style.flame ?? lit) : style.kind === 'clock' ? style.flame : 'low']
}

function eventOf(until: Until | undefined): Exclude<Instruction['at'], { minute: number }>['after'] {
  if (until?.whistles !== undefined) return until.whistles === 1 ? 'first-whistle' : 'whistles'
  if (until?.pressure) return 'pressure'
  if (until?.boils) return 'boil'
  return 'timer'
}
