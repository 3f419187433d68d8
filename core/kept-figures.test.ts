import { describe, expect, it } from 'vitest'
import { COOKERS } from './appliance/appliance'
import { beansWithSquash, line, potSettings, requestFor, stage } from '../tests/dishes'
import { answerDish } from './dish/dish'
import { elsewhere } from './dish/elsewhere'
import { forgotten, standInsFor } from './dish/instead'
import { scaled, waysToFit } from './dish/scale'
import { firstCourse, type LivePlan } from './live/course'
import type { RunEvent, RunEventData } from './live/event.schema'
import { createFollower } from './live/follow'
import { nextAction } from './live/next'
import { createStove } from './live/stove'
import { USUAL_NOISE } from './learn/cook'
import { learnFrom } from './learn/log'
import { fitRun } from './learn/run-fit'
import { randomFrom } from './live/random'
import { planDinner } from './meal/dinner'
import type { Dinner } from './meal/dinner-tasks'
import { betterWays } from './meal/ways'
import { told } from '../tests/told'
import { drawnFrom, household } from '../tests/trials/learn'
import { equivalents } from './program/equivalents'
import { plan } from './program/plan'
import { ratiosByBatch } from './program/ratios'
import { nextClosing, tooThick, tooThin } from './program/remedy'
import type { Content, PlanRequest } from './program/request.schema'
import { soakCosts } from './program/soak-cost'
import { together } from './program/together'
import { findStacks } from './stack/search'

/**
 * What a cook is told, as it was when somebody last looked at it: a figure that changes is to be changed knowingly
 * (`npx vitest run core/kept-figures.test.ts -u`, and read the difference). Whether the figures are true is judged by the
 * tests beside each part.
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

/** What three whistles in the writer's pot are here. */
function written(of: Parameters<typeof answerDish>[0]) {
  const answer = answerDish(of)
  const pot = answer.ok ? answer.value.stages.find((one) => one.pot)!.pot! : null
  const figure = { kind: 'whistles', figure: 3, release: 'natural', releaseAfterMinutes: null } as const
  return pot && elsewhere(pot.request, pot.answer, figure)
}
const kept = (text: string, name: string) => expect(text).toMatchFileSnapshot(`kept-figures/${name}.txt`)

describe('the figures that a cook is told', () => {
  it('of plans', async () => {
    const answers = Object.fromEntries(Object.entries(REQUESTS).map(([name, of]) => [name, plan(of)]))
    await kept(told(answers), 'plans')
  })

  it('of what stands beside a plan', async () => {
    const chickpeas = REQUESTS['chickpeas by whistles']!
    const rice = REQUESTS['rice, quick release']!
    const opened = { tempC: 95, freeWaterG: 420, gets: [45], closing: 0, still: [0] }
    await kept(
      told({
        equivalents: equivalents(chickpeas, [
          { id: 'old', cooker: COOKERS['whistling-3l-aluminium']! },
          { id: 'el', cooker: COOKERS['electric-6l']! },
          { id: 'slow', cooker: COOKERS['slow-3.5l']! },
        ]),
        ratios: [ratiosByBatch(chickpeas), ratiosByBatch(rice)],
        soaks: soakCosts(chickpeas, 0),
        together: together({ ...chickpeas, contents: [...chickpeas.contents, content('jasmine-white', 150)] }),
        notDone: (['hard', 'firm', null] as const).map((pinch) =>
          nextClosing(chickpeas, { ...opened, pinch: [pinch] } as never),
        ),
        thin: tooThin(chickpeas, 250),
        thick: tooThick(chickpeas, 'thick', 'pourable'),
      }),
      'beside-plans',
    )
  })

  it('of stacks', async () => {
    const food = (id: string, dryG: number) => ({
      food: id,
      dryG,
      soak: null,
      soakMayChange: true,
      lock: 'any' as const,
    })
    const tins = [190, 180, 170].map((diameterMm, i) => ({ ...tin, id: `t${i}`, diameterMm }))
    const { contents: _, ...rest } = request({ cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } })
    const found = findStacks({
      ...rest,
      foods: [food('red-rice', 140), food('toor-split', 130), food('beetroot-whole', 400)],
      tins,
    })
    await kept(told(found), 'stacks')
  })

  it('of dishes', async () => {
    const dish = beansWithSquash()
    const asked = requestFor(dish)
    const plain = requestFor({
      name: 'Rice with peas',
      servings: 3,
      lines: [
        line('rice', 'jasmine-white', 250),
        line('onion', 'onion', 100),
        line('ghee', 'ghee', 20),
        line('salt', 'salt', 5),
      ],
      stages: [
        stage('fry', 'fry', { ghee: 'rest', onion: 'rest' }, [], { minutes: 6 }),
        stage('pot', 'pot', { rice: 'rest', salt: 'rest' }, ['fry'], {
          pot: potSettings({
            freeLiquid: 'drained',
            written: { kind: 'whistles', figure: 3, release: 'natural', releaseAfterMinutes: null },
          }),
        }),
        stage('rest', 'rest', {}, ['pot'], { minutes: 5 }),
      ],
    })
    const larger = scaled(asked, 11)
    await kept(
      told({
        beans: answerDish(asked),
        rice: answerDish(plain),
        elsewhere: written(plain),
        larger: larger.ok ? answerDish(larger.value) : larger,
        ways: larger.ok ? waysToFit(larger.value, { big: { cooker: 'electric-8l' } }) : null,
        standIns: dish.lines.map(({ id }) => standInsFor(asked, id)),
        forgotten: dish.stages.map(({ id }) => dish.lines.map((one) => forgotten(asked, one.id, id))),
      }),
      'dishes',
    )
  })

  it('of pots that are followed, and what they teach', async () => {
    const all: unknown[] = []
    for (const [name, hidden] of [
      ['as planned', { heat: 1, load: 1, vent: 1 }],
      ['a hotter flame', { heat: 1.25, load: 1.05, vent: 0.8, swing: 1.1 }],
      ['a weaker one that leaks', { heat: 0.8, load: 0.95, vent: 1.2, loss: 1.4 }],
    ] as const) {
      const outcome = plan(REQUESTS['chickpeas by whistles']!)
      if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
      const live: LivePlan = { request: REQUESTS['chickpeas by whistles']!, answer: outcome.value }
      const stove = createStove(firstCourse(live), hidden)
      stove.heat(520)
      const events: RunEvent[] = []
      const say = (minute: number, data: RunEventData) =>
        events.push({ id: `e${events.length}`, at: minute * 60_000, data })
      say(0, { kind: 'checked' })
      say(0, { kind: 'lit' })
      const follow = createFollower(live)
      const look = (minute: number) => {
        const following = follow(events, minute * 60_000)
        const { advice, outlook, cautions } = following
        all.push({ name, minute, advice, outlook, cautions, next: nextAction(live.answer, following, minute * 60_000) })
        return following
      }
      let minute = 0
      while (minute < 120) {
        minute += 0.25
        for (const sign of stove.advance(minute))
          if (sign.kind === 'whistle') say(sign.minute + 0.03, { kind: 'whistle' })
        if (minute % 7 === 0) look(minute)
        const { advice, outlook } = follow(events, minute * 60_000)
        if (outlook && advice && outlook.soFar >= advice.figure) break
      }
      say(minute, { kind: 'heat-off' })
      stove.heat(0)
      while (stove.now().gaugePa > 2000) stove.advance((minute += 0.25))
      say(minute + 0.5, { kind: 'pressure-gone' })
      say(minute + 1, { kind: 'opened' })
      look(minute + 1)
      all.push({ name, fit: fitRun(live, events) })
    }
    await kept(told(all), 'followed')
  })

  it('of dinners, possible and not', async () => {
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
    const dinner: Dinner = {
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
    const budget = () => {
      let now = 0
      return { spent: () => (now += 0.001), most: 2000 }
    }
    // What is worked out of each dish by itself stands among the dishes.
    const dinners = [dinner, { ...dinner, earliest: -100 }, { ...dinner, burners: 0 }].map((of) => {
      const outcome = planDinner(of, budget())
      return outcome.ok && outcome.value.possible ? { ...outcome.value.dinner, answers: null } : outcome
    })
    await kept(told({ dinners, ways: betterWays(dinner, budget()) }), 'dinners')
  })

  it('of what a log has taught', async () => {
    const random = randomFrom(77)
    const { log } = household(16, drawnFrom(random), USUAL_NOISE, random)
    const { figures, undecided } = learnFrom(log)
    await kept(told({ figures, undecided, fits: log.runs.map(({ fit }) => fit) }), 'learnt')
  })
})
