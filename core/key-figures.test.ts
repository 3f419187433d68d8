import { describe, expect, it } from 'vitest'
import { COOKERS } from './appliance/appliance'
import { beansWithSquash, line, potSettings, requestFor, stage } from '../tests/dishes'
import { drawnFrom, household } from '../tests/trials/learn'
import { answerDish } from './dish/dish'
import { scaled } from './dish/scale'
import { CATALOGUE } from './food/catalogue'
import { USUAL_NOISE } from './learn/cook'
import { learnFrom } from './learn/log'
import { firstCourse, type LivePlan } from './live/course'
import type { RunEvent, RunEventData } from './live/event.schema'
import { createFollower } from './live/follow'
import { nextAction } from './live/next'
import { randomFrom } from './live/random'
import { createStove } from './live/stove'
import { planDinner } from './meal/dinner'
import type { Dinner } from './meal/dinner-tasks'
import type { Outcome } from './problem'
import type { PlanAnswer } from './program/answer'
import { equivalents } from './program/equivalents'
import { plan } from './program/plan'
import { ratiosByBatch } from './program/ratios'
import { nextClosing, tooThick, tooThin } from './program/remedy'
import type { Content, PlanRequest } from './program/request.schema'
import { soakCosts } from './program/soak-cost'
import { styleOf } from './program/styles'
import { findStacks } from './stack/search'

/**
 * A page of what a cook is told, to be read by a person: key-figures.txt. A figure that changes is to be changed
 * knowingly (`npx vitest run core/key-figures.test.ts -u`, and read the difference). Whether the figures are true is
 * judged by the tests beside each part, and what holds of all of them by invariants.test.ts.
 */
const content = (food: string, dryG: number, change: Partial<Content> = {}): Content => ({
  food,
  dryG,
  soak: null,
  where: 'base',
  ...change,
})
const overnight = { hours: 10, waterC: 20, keepWater: false }
const request = (change: Partial<PlanRequest> = {}): PlanRequest => ({
  kitchen: { altitudeM: 400, roomC: 22, tapC: 18 },
  cooker: 'whistling-5l-aluminium',
  burner: 'strong',
  contents: [content('chickpea-white', 250, { soak: overnight })],
  liquids: [],
  freeLiquid: 'spoonable',
  style: { kind: 'whistles', flame: 'medium' },
  release: 'auto',
  ...change,
})
const tin = { diameterMm: 180, heightMm: 40, volumeMl: 940, lid: true, material: 'steel' as const }
const REQUESTS: Record<string, PlanRequest> = {
  'chickpeas by whistles': request(),
  'kidney beans, kept salted soak water, old, hard water': request({
    contents: [
      content('kidney-red', 270, {
        soak: { hours: 8, waterC: 20, keepWater: true, waterG: 400 },
        batch: 'old',
        additions: ['salted-soak', 'hard-water'],
      }),
    ],
    kitchen: { altitudeM: 2100, roomC: 16, tapC: 12 },
  }),
  'split peas as soup, first whistle then low, a weak flame': request({
    contents: [content('toor-split', 200)],
    burner: 'weak',
    freeLiquid: 'soup',
    style: { kind: 'first-whistle-then-low' },
  }),
  'rice, quick release': request({
    contents: [content('jasmine-white', 300, { texture: 'soft' })],
    freeLiquid: 'drained',
    release: { kind: 'quick', afterMinutes: 0 },
  }),
  'porridge in stock with coconut milk': request({
    contents: [content('jasmine-white', 90, { texture: 'porridge-pourable' })],
    liquids: [
      { kind: 'thin-stock', g: 400 },
      { kind: 'coconut-milk-thick', g: 150 },
    ],
    style: { kind: 'clock', flame: 'medium' },
  }),
  'beans with tomato and soda, two whistles then low': request({
    contents: [content('navy-bean', 260, { soak: overnight, additions: ['soda'] })],
    liquids: [{ kind: 'chopped-tomato', g: 200 }],
    style: { kind: 'high-then-low', whistles: 2 },
    cooker: 'whistling-3l-aluminium',
  }),
  'electric, high, timed release': request({
    cooker: 'electric-6l',
    style: { kind: 'electric', level: 'high' },
    release: { kind: 'timed', afterMinutes: 10 },
    freeLiquid: 'thick',
  }),
  'electric, low, millet': request({
    cooker: 'electric-3l',
    contents: [content('foxtail-millet', 180)],
    style: { kind: 'electric', level: 'low' },
    freeLiquid: 'drained',
  }),
  'rice cooker': request({
    cooker: 'rice-1l',
    contents: [content('jasmine-white', 330)],
    style: { kind: 'rice-cooker' },
    freeLiquid: 'drained',
  }),
  'slow cooker, split peas': request({
    cooker: 'slow-3.5l',
    contents: [content('split-peas', 250)],
    style: { kind: 'slow', level: 'high' },
    freeLiquid: 'pourable',
  }),
  'open pot with a lid': request({
    cooker: 'open-3l',
    contents: [content('black-eyed', 200, { soak: { hours: 6, waterC: 25, keepWater: false } })],
    style: { kind: 'open', lid: true },
  }),
  'a regulator': request({ cooker: 'regulator-5l-steel', style: { kind: 'first-whistle-then-low' } }),
  'peas below, rice in a tin': request({
    contents: [
      content('black-eyed', 200, { soak: overnight }),
      content('brown-long', 150, { where: { tin, tier: 1 }, texture: 'separate' }),
    ],
    trivetMm: 60,
  }),
  'beans, then rice joins': request({
    contents: [
      content('navy-bean', 220, { soak: overnight }),
      content('jasmine-white', 150, { joins: 1 }),
      content('carrot-chunks', 150, { joins: 1 }),
    ],
  }),
  'what is given and measured': request({
    given: [{ pourG: 700, figure: 6 }],
    spread: { flame: 0.04, lift: 0.03, batch: 0.1 },
  }),
  'what was learnt': request({
    learnt: {
      flames: { high: 0.9, medium: 0.85, low: 1.1, simmer: 1 },
      swing: 1.1,
      loss: 1.3,
      steam: 1.2,
      contents: [{ need: 1.15, uptake: 1.05 }],
    },
  }),
  'what stands in the pot already': request({
    stands: { freeWaterG: 300, otherG: 200, tempC: 80, sourG: 60 },
    contents: [content('toor-split', 180, { had: { boilMinutes: 20, waterG: 120 } })],
  }),
}

const minutes = (minute: number) => `${Math.round(minute)} min`
/** `6 whistles (look from 4), pour 596 g, ready after 54 min; cautions`, a part for each closing of the lid. */
function short(outcome: Outcome<PlanAnswer>): string {
  if (!outcome.ok) return `no: ${outcome.problems.map(({ code }) => code).join(', ')}`
  const { closings, readyAtMinute, cautions } = outcome.value
  const told = closings.map(({ range: { figure, unit }, firstCheck, water, planned }) => {
    const look = firstCheck.figure < figure ? ` (look from ${firstCheck.figure})` : ''
    return `${figure} ${unit}${look}, pour ${water.pourG} g${planned.figure === figure ? '' : `, computed ${planned.figure}`}`
  })
  const said = cautions.map(({ id }) => id).filter((id) => id !== 'before-closing' && id !== 'wait-for-pressure')
  return [told.join(', then '), `ready after ${minutes(readyAtMinute)}`, said.join(', ')].filter(Boolean).join('; ')
}
const rounded = (_: string, value: unknown) => (typeof value === 'number' ? Number(value.toPrecision(3)) : value)
const rows: string[] = []
const row = (name: string, told: string) => void rows.push(`${name}: ${told}`)
const part = (name: string) => void rows.push('', `# ${name}`)

/** A pot that differs from its plan, followed to its end: what is next every ten minutes. */
function followed(live: LivePlan, hidden: Parameters<typeof createStove>[1]): string {
  const stove = createStove(firstCourse(live), hidden)
  stove.heat(520)
  const events: RunEvent[] = []
  const say = (minute: number, data: RunEventData) =>
    events.push({ id: `e${events.length}`, at: minute * 60_000, data })
  say(0, { kind: 'checked' })
  say(0, { kind: 'lit' })
  const follow = createFollower(live)
  const told: string[] = []
  const look = (minute: number) => {
    const following = follow(events, minute * 60_000)
    const { advice, outlook } = following
    const next = nextAction(live.answer, following, minute * 60_000)
    told.push(`${minute} min ${next.id} ${Math.floor(outlook?.soFar ?? 0)}/${advice?.figure ?? '-'}`)
    return following
  }
  for (let minute = 0.25; minute < 120; minute += 0.25) {
    for (const sign of stove.advance(minute)) if (sign.kind === 'whistle') say(sign.minute + 0.03, { kind: 'whistle' })
    if (minute % 10 === 0) look(minute)
    const { advice, outlook } = follow(events, minute * 60_000)
    if (!outlook || !advice || outlook.soFar < advice.figure) continue
    look(minute)
    break
  }
  return told.join(', ')
}

describe('the figures that a cook is told', () => {
  it('are those of the page that was read', async () => {
    part('250 g of each food as it is usually soaked, 5 L whistling pot on medium · electric 6 L')
    for (const { id, soak } of CATALOGUE) {
      const of = (more: Partial<PlanRequest>) => {
        const hours = soak?.adviceHours[1] ?? 0
        const soaked = hours > 0 ? { hours, waterC: 22, keepWater: false } : null
        return short(plan(request({ contents: [content(id, 250, { soak: soaked })], ...more })))
      }
      row(id, `${of({ style: styleOf('whistles') })} · ${of({ cooker: 'electric-6l', style: styleOf('electric') })}`)
    }

    part('pots of all kinds')
    for (const [name, of] of Object.entries(REQUESTS)) row(name, short(plan(of)))

    part('beside the plan of chickpeas by whistles')
    const chickpeas = REQUESTS['chickpeas by whistles']!
    for (const { id, outcome } of equivalents(chickpeas, [
      { id: '3 L whistling', cooker: COOKERS['whistling-3l-aluminium']! },
      { id: 'electric 6 L', cooker: COOKERS['electric-6l']! },
      { id: 'slow 3.5 L', cooker: COOKERS['slow-3.5l']! },
    ]))
      row(id, short(outcome))
    for (const [name, of] of Object.entries({ chickpeas, rice: REQUESTS['rice, quick release']! })) {
      const ratios = ratiosByBatch(of)
      if (!ratios.ok) throw new Error(name)
      const told = ratios.value.map(({ times, ratioByVolume }) => `${times} x ${ratioByVolume?.toFixed(2)}`)
      row(`water by volume, ${name}`, told.join(', '))
    }
    for (const one of soakCosts(chickpeas, 0)) row(`soaked ${one.id}`, short(one.outcome))
    const opened = { tempC: 95, freeWaterG: 420, gets: [110], closing: 0, still: [0] }
    for (const pinch of ['hard', 'firm', null] as const) {
      const next = nextClosing(chickpeas, { ...opened, pinch: [pinch] })
      row(`opened and ${pinch ?? 'not pinched'}`, JSON.stringify(next.ok ? next.value : next.problems, rounded))
    }
    row('250 g too much liquid', JSON.stringify(tooThin(chickpeas, 250), rounded))
    row('thick, and wanted pourable', JSON.stringify(tooThick(chickpeas, 'thick', 'pourable'), rounded))

    part('three foods in the tins of an electric 6 L: in the pot; in each tin')
    const food = (id: string, dryG: number) => ({
      food: id,
      dryG,
      soak: null,
      soakMayChange: true,
      lock: 'any' as const,
    })
    const foods = [food('red-rice', 140), food('toor-split', 130), food('beetroot-whole', 400)]
    const tins = [190, 180, 170].map((diameterMm, i) => ({ ...tin, id: `t${i}`, diameterMm }))
    const { contents: _, ...rest } = request({ cooker: 'electric-6l', style: styleOf('electric') })
    const found = findStacks({ ...rest, foods, tins })
    for (const { arrangement, plan: of, minutes: all } of found.ok ? found.value.answers : []) {
      const tiers = arrangement.tiers.map((tier) =>
        tier.map((one) => `${foods[one.food]!.food} ${one.tin.id}`).join('+'),
      )
      row(
        [arrangement.base === null ? 'water' : foods[arrangement.base]!.food, ...tiers].join(', '),
        `${short({ ok: true, value: of })}; in all ${minutes(all)}`,
      )
    }

    part('white beans with squash, and for eleven: start, minutes, poured, boiled off, liquid after, salt in it')
    const asked = requestFor(beansWithSquash())
    const larger = scaled(asked, 11)
    for (const of of [asked, ...(larger.ok ? [larger.value] : [])]) {
      const outcome = answerDish(of)
      if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
      for (const { id, startMinute, minutes: takes, liquid, salt, pot } of outcome.value.stages)
        row(
          id,
          [startMinute, takes, liquid.pouredG, liquid.boiledG, liquid.afterG]
            .map((figure) => Math.round(figure))
            .join(', ') + `, ${salt.afterG.toFixed(1)} g${pot ? `; ${short({ ok: true, value: pot.answer })}` : ''}`,
        )
    }

    part('a dinner with one pair of hands and two burners: start, minutes')
    const dinner = planDinner(beansAndRice(), { spent: steps(), most: 2000 })
    if (!dinner.ok || !dinner.value.possible) throw new Error('no dinner')
    const { tasks, plan: board } = dinner.value.dinner
    for (const { id, startMinute } of board.tasks)
      row(id, `${Math.round(startMinute)}, ${Math.round(tasks.find((one) => one.id === id)!.minutes)}`)

    part('chickpeas by whistles, followed: minute, what is next, counted of how many')
    const outcome = plan(chickpeas)
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    const live: LivePlan = { request: chickpeas, answer: outcome.value }
    row('as planned', followed(live, { heat: 1, load: 1, vent: 1 }))
    row('a hotter flame', followed(live, { heat: 1.25, load: 1.05, vent: 0.8, swing: 1.1 }))
    row('a weaker one that leaks', followed(live, { heat: 0.8, load: 0.95, vent: 1.2, loss: 1.4 }))

    part('what sixteen runs have taught, as logarithms')
    const random = randomFrom(77)
    const { log } = household(16, drawnFrom(random), USUAL_NOISE, random)
    for (const { id, now } of learnFrom(log).figures) row(id, `${now.mean.toFixed(2)} ± ${now.sd.toFixed(2)}`)

    await expect(`${rows.join('\n').trim()}\n`).toMatchFileSnapshot('key-figures.txt')
  })
})

/** A clock that goes on by itself, so that a search ends after the same steps everywhere. */
function steps() {
  let now = 0
  return () => (now += 0.001)
}

function beansAndRice(): Dinner {
  const rice = {
    name: 'Rice',
    servings: 4,
    lines: [line('rice', 'brown-long', 150)],
    stages: [
      stage('pot', 'pot', { rice: 'rest' }, [], { pot: potSettings({ freeLiquid: 'drained', cookerId: 'blue' }) }),
      stage('fluff', 'fluff', {}, ['pot']),
    ],
  }
  const beans = beansWithSquash()
  beans.stages = beans.stages.map((one) => (one.pot ? { ...one, pot: { ...one.pot, cookerId: 'blue' } } : one))
  const cookers = { blue: 'whistling-5l-aluminium', old: 'whistling-3l-aluminium' } as const
  return {
    hands: 1,
    burners: 2,
    pots: (['blue', 'old'] as const).flatMap((cookerId) =>
      (['strong', 'weak'] as const).map((burnerId) => ({
        cookerId,
        burnerId,
        pot: { cooker: COOKERS[cookers[cookerId]]!, burner: burnerId },
      })),
    ),
    tins: { tins: [{ ...tin, id: 'middle' }] },
    earliest: -1440,
    dishes: [beans, rice].map((dish, i) => ({
      key: 'AB'[i]!,
      request: requestFor(dish),
      soak: 'written',
      ahead: false,
    })),
    put: [],
    like: [],
    going: null,
  }
}
