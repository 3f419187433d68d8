import { STAGES } from '../core/dish/stages'
import { minuteOfInstruction, type Instruction, type Thing, type Until } from '../core/guide/instruction'

/** How figures and names are told where the words are said: on a screen, in a calendar, in a recipe. */
export interface Voice {
  /** A message of the bundle `steps`, by its name in it. */
  say(key: string, params?: Readonly<Record<string, string | number>>, plural?: number): string
  weight(g: number): string
  number(n: number): string
  duration(minutes: number): string
  list(parts: readonly string[]): string
  temp(celsius: number): string
  /** Water as it is measured; empty where it is told by weight alone. */
  measured(g: number): string
  /** What a food, a liquid or a line is called. */
  nameOf(thing: Thing): string
  cookerName(id: string | null): string
  levelName(level: string): string
}

/** A step as it is told large: the figure apart from the words before and after it. */
export interface LargeStep {
  before: string
  figure: string
  after: string
  tone: 'water' | 'heat' | 'steam' | 'food'
}

/** A step of a recipe in its own words, and no sign like “golden”. */
const A_SENTENCE = /^\p{Lu}\S*\s/u

const MARK = '\u0001'
type Params = Record<string, string | number>

/** The words of instructions, the same wherever they are told. */
export function stepWords(voice: Voice) {
  const { say, list } = voice
  const capital = (text: string) => text.charAt(0).toUpperCase() + text.slice(1)

  function placeOf({ in: place }: Pick<Instruction, 'in'>): string {
    if (place && 'vessel' in place) return say(`place.${place.vessel}`)
    return place && place.cooker !== null ? voice.cookerName(place.cooker) : say('place.pot')
  }

  /** “250 g beans, soaked and drained”; as it was typed where all of a line goes in. */
  function thingText(thing: Thing): string {
    const g = thing.again ? (thing.ofG ?? null) : thing.g
    const name = voice.nameOf(thing)
    const amount = g === null ? '' : thing.water ? waterAmount(g) : voice.weight(g)
    const plain = amount === '' ? name : say('amountOf', { amount, name })
    const what = thing.typed && !thing.again && g !== null ? typedText(thing.typed, voice.weight(g)) : plain
    return say(`thing.${thing.state}`, { what: what === '' ? name : what })
  }
  /** The weight beside what was typed, where that is no weight itself. */
  const typedText = (typed: string, amount: string) =>
    typed.replaceAll(/\s+/g, ' ').toLowerCase().includes(amount.toLowerCase()) ? typed : say('typed', { typed, amount })
  function waterAmount(g: number): string {
    const measure = voice.measured(g)
    return measure === '' ? voice.weight(g) : say('measured', { amount: voice.weight(g), measure })
  }
  /** What comes out of a fry goes on as one; a thing or two are named. */
  const FEW_FRIED = 2
  function things({ things: all }: Instruction): string {
    const fried = all.filter(({ again, state }) => again && state === 'fried')
    if (fried.length <= FEW_FRIED) return list(all.map(thingText))
    const texts = all.flatMap((thing) =>
      thing === fried[0] ? say('allFried') : fried.includes(thing) ? [] : thingText(thing),
    )
    return list(texts)
  }

  /** The message of an instruction, what stands in it, its figure and the colour of that. */
  function message(one: Instruction): { key: string; params: Params; figure: string; tone: LargeStep['tone'] } {
    const place = placeOf(one)
    const until: Until = one.until ?? {}
    const minutes = until.minutes === undefined ? '' : voice.duration(until.minutes)
    const flame = one.setting && 'flame' in one.setting ? say(`flames.${one.setting.flame}`) : ''
    const of = (key: string, figure = '', tone: LargeStep['tone'] = 'food', params: Params = {}) => ({
      key,
      figure,
      tone,
      params: { place, flame, things: things(one), after: voice.duration(one.afterMinutes ?? 0), ...params },
    })
    const kind = 'kind' in one.from ? one.from.kind : null
    switch (one.do) {
      case 'add': {
        if (one.in && 'vessel' in one.in && one.in.vessel === 'tin') return of('addTin')
        if (one.afterMinutes !== undefined) return of('addLater')
        if (kind === 'temper') return of('kinds.pourOver')
        return of(kind === 'combine' ? 'combine' : 'addPot')
      }
      case 'pour': {
        const [water] = one.things
        const g = one.things.reduce((sum, thing) => sum + (thing.g ?? 0), 0)
        return of(water?.state === 'boiling' ? 'pourBoiling' : 'pour', voice.weight(g), 'water')
      }
      case 'close':
        return of('close')
      case 'light':
        return lit(of, one, flame)
      case 'turn':
        return turned(of, one, minutes, kind)
      case 'off':
        if (one.hands === 0) return of('offItself')
        return of('off')
      case 'wait':
        if (until.pressureGone) return minutes === '' ? of('wait.steam') : of('wait.gone', minutes, 'steam')
        return of(until.keptWarm ? 'wait.warm' : 'wait.minutes', minutes, until.keptWarm ? 'heat' : 'steam')
      case 'open':
        if (one.what === 'valve') return of('valve', '', 'steam')
        return 'after' in one.at && one.at.after === 'pressure-gone'
          ? of('open', '', 'steam')
          : of('openLid', '', 'steam')
      case 'look':
        return of(one.afterMinutes === undefined ? 'pinch' : 'lookLater')
      case 'empty':
        return of('empty')
      case 'stir':
        return of('stir')
      case 'turn-over':
        return of('turnOver')
      case 'take-out': {
        if (one.what === 'pouch') return of('pouchOut')
        const [kept] = one.things
        if (kept?.keptFrom !== undefined)
          return of(kept.fat ? 'keepFat' : 'keepLiquid', voice.weight(kept.ofG ?? 0), 'water')
        return one.things.length > 0 ? of('tinOut') : of('tinsOut')
      }
      case 'soak':
        return of('soak', minutes, 'water')
      case 'drain': {
        const kept = one.things.find(({ keptFrom }) => keptFrom !== undefined)
        if (kind !== 'drain') return of('drain', '', 'water', { things: list(one.things.map(voice.nameOf)) })
        return kept ? of('drainKeep', voice.weight(kept.ofG ?? 0), 'water') : of('drainAway', '', 'water')
      }
      case 'serve':
        return of('serve')
      default: {
        const tone = kind === null || kind === 'soak' ? 'food' : STAGES[kind].tone
        if (one.share !== undefined && one.share < 1)
          return of('kinds.mashPart', minutes, tone, { percent: voice.number(Math.round(one.share * 100)) })
        // What is prepared for a pot alone has no minutes of its own.
        return of(`kinds.${kind === null || kind === 'soak' ? 'prepare' : kind}`, minutes, tone)
      }
    }
  }

  type Of = (key: string, figure?: string, tone?: LargeStep['tone'], params?: Params) => ReturnType<typeof message>
  function lit(of: Of, { setting, until }: Instruction, flame: string) {
    const minutes = until?.minutesAtPressure ?? until?.minutes
    const time = minutes === undefined ? '' : voice.duration(minutes)
    if (setting && 'level' in setting) {
      const level = voice.levelName(setting.level)
      return until?.minutesAtPressure === undefined
        ? of('light.slow', time, 'heat', { level })
        : of('light.level', time, 'heat', { level })
    }
    if (setting && 'tempC' in setting) return of('light.temp', time, 'heat', { temp: voice.temp(setting.tempC) })
    if (setting && 'program' in setting) {
      if (setting.program === 'rice') return of('light.rice', say('light.riceOn'), 'heat')
      return setting.times > 1
        ? of('light.programTimes', setting.program, 'heat', { n: voice.number(setting.times) })
        : of('light.program', setting.program, 'heat')
    }
    const high = capital(flame)
    if (until?.pressure) return of('light.pressure', high, 'heat')
    if (until?.boils) return of('light.boils', high, 'heat')
    if (until?.whistles === 1) return of('light.once', high, 'heat')
    if (until?.whistles !== undefined) return of('light.whistles', voice.number(until.whistles), 'heat')
    return of('light.minutes', time, 'heat')
  }
  function turned(of: Of, one: Instruction, minutes: string, kind: string | null) {
    if (kind === 'simmer') return of(one.until?.boils ? 'kinds.toBoil' : 'kinds.simmer', minutes, 'heat')
    const { whistles } = one.until ?? {}
    return whistles === undefined
      ? of('turn.minutes', minutes, 'heat')
      : of('turn.whistles', voice.number(whistles), 'heat')
  }

  const textOf = ({ key, params, figure }: ReturnType<typeof message>, shown = figure) =>
    say(key, { ...params, figure: shown }).trim()
  const withSign = (one: Instruction, text: string) =>
    one.until?.sign
      ? say(A_SENTENCE.test(one.until.sign) ? 'quoted' : 'sign', { text, sign: one.until.sign.replace(/\.$/, '') })
      : text

  return {
    thing: thingText,
    /** A line as it was typed, with its weight where that is not what was typed. */
    asTyped: (typed: string, g: number | null) => (g === null ? typed : typedText(typed, voice.weight(g))),
    place: placeOf,
    /** One whole sentence without its stop: for a list, a calendar, a recipe, a voice. */
    sentence: (one: Instruction): string => withSign(one, textOf(message(one))),
    /** The same with its figure apart. */
    large(one: Instruction): LargeStep {
      const told = message(one)
      const [before = '', after = ''] = withSign(one, textOf(told, told.figure === '' ? '' : MARK)).split(MARK)
      return { before, figure: told.figure, after, tone: told.tone }
    },
    /** In a word or two, for a bar. */
    short(one: Instruction): string {
      const whistles = one.do === 'turn' || one.do === 'light' ? one.until?.whistles : undefined
      return whistles === undefined
        ? say(`short.${one.do}`)
        : say('short.whistles', { n: voice.number(whistles) }, whistles)
    },
    minute: minuteOfInstruction,
  }
}
export type StepWords = ReturnType<typeof stepWords>
