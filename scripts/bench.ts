// npm run bench: how long the computation takes on this machine, beside its targets and beside a
// general ODE solver on the same equations to the same accuracy, in the same run.
import { readFileSync } from 'node:fs'
import os from 'node:os'
import { Bench } from 'tinybench'
import { MINUTE_MS } from '../core/measure/time'
import { simulationCaseSchema, type SimulationCase } from '../core/pot/case.schema'
import { COOKERS } from '../core/appliance/appliance'
import { USUAL_POT } from '../core/dish/pot-stage'
import { readLine } from '../core/formats/line'
import { readRecipe } from '../core/formats/read-recipe'
import { dishOfRecipe } from '../core/formats/recipe-dish'
import { simulate } from '../core/pot/simulate'
import { equivalents } from '../core/program/equivalents'
import { plan } from '../core/program/plan'
import type { PlanRequest } from '../core/program/request.schema'
import type { OwnedTin, StackAsk } from '../core/stack/ask'
import { findStacks } from '../core/stack/search'
import { courseOf, createFollower, opensFromOf } from '../core/live/follow'
import type { RunEvent } from '../core/live/event.schema'
import { createStove } from '../core/live/stove'
import { namesOf } from '../locales/names'
import { RECIPES, SHAPES } from '../tests/corpus/pages'
import { runTrials } from '../tests/trials/live'
import { referenceBoilMinutes } from './bench-reference'

const fixture = (name: string) =>
  simulationCaseSchema.parse(JSON.parse(readFileSync(new URL(`../core/cases/${name}.json`, import.meta.url), 'utf8')))

async function medianMs(work: () => unknown): Promise<number> {
  const bench = new Bench({ time: 400, warmupTime: 150 })
  bench.add('work', work)
  await bench.run()
  return bench.tasks[0]!.result!.latency.p50!
}

function onceMs(work: () => unknown): number {
  const start = performance.now()
  work()
  return performance.now() - start
}

const rows: Record<string, string | number>[] = []
function report(what: string, ms: number, more: Record<string, string | number> = {}) {
  rows.push({ what, 'median ms': Number(ms.toPrecision(3)), ...more })
}
function flush(title: string) {
  console.log(`\n${title}`)
  console.table(rows.splice(0))
}

console.log(`${os.cpus()[0]!.model}, Node ${process.versions.node}`)

// One simulation beside the general solver, at the tolerance at which that is no less exact.
for (const name of [
  'beans-five-whistles-low',
  'beans-five-whistles-high',
  'electric-high-fifteen',
  'electric-high-fifteen-1450m',
]) {
  const input = fixture(name)
  const truth = referenceBoilMinutes(input, 1e-11)[0]!
  const missOf = (got: number) => Math.abs(got / truth - 1)
  const ours = missOf(simulate(input).boilMinutes[0]!)
  const tolerance =
    [1e-3, 1e-4, 1e-5, 1e-6, 1e-7, 1e-8, 1e-9, 1e-10].find(
      (tol) => missOf(referenceBoilMinutes(input, tol)[0]!) <= Math.max(ours, 1e-6),
    ) ?? 1e-10
  const { heatOffMinute, releaseMinutes } = simulate(input)
  const oursMs = await medianMs(() => simulate(input))
  const theirsMs = await medianMs(() => referenceBoilMinutes(input, tolerance))
  report(name, oursMs, {
    'pot minutes': Math.round(heatOffMinute + releaseMinutes),
    'error %': Number((ours * 100).toPrecision(2)),
    'general solver ms': Number(theirsMs.toPrecision(3)),
    'its tolerance': tolerance,
    'its error %': Number((missOf(referenceBoilMinutes(input, tolerance)[0]!) * 100).toPrecision(2)),
    'times faster': Number((theirsMs / oursMs).toPrecision(2)),
  })
}
flush('One simulation (target: 60 pot minutes in 0.5 ms, error from step size under 0.3 %)')

const soak = { hours: 9, waterC: 20, keepWater: false }
const request = (change: Partial<PlanRequest> = {}): PlanRequest => ({
  kitchen: { altitudeM: 1450, roomC: 20, tapC: 18 },
  cooker: 'whistling-5l-aluminium',
  burner: 'strong',
  contents: [{ food: 'navy-bean', dryG: 300, soak, where: 'base' }],
  liquids: [],
  freeLiquid: 'spoonable',
  style: { kind: 'whistles', flame: 'medium' },
  release: 'auto',
  ...change,
})
const plans: [string, PlanRequest][] = [
  ['beans by whistles', request()],
  ['beans, one whistle then low', request({ style: { kind: 'first-whistle-then-low' } })],
  ['beans, electric', request({ cooker: 'electric-6l', style: { kind: 'electric', level: 'high' } })],
  [
    'brown rice by whistles (many)',
    request({ contents: [{ food: 'brown-long', dryG: 190, soak: null, where: 'base' }] }),
  ],
  [
    'rice, rice cooker',
    request({
      cooker: 'rice-1l',
      style: { kind: 'rice-cooker' },
      contents: [{ food: 'basmati-white', dryG: 180, soak: null, where: 'base' }],
    }),
  ],
  ['beans, open pot', request({ cooker: 'open-5l', style: { kind: 'open', lid: true } })],
  [
    'chickpeas, slow cooker',
    request({
      cooker: 'slow-6l',
      style: { kind: 'slow', level: 'high' },
      contents: [{ food: 'chickpea-white', dryG: 270, soak, where: 'base' }],
    }),
  ],
]
for (const [name, asked] of plans) report(name, await medianMs(() => plan(asked)))
flush('A whole plan with its range (target: 30 ms)')

const four = ['whistling-5l-aluminium', 'whistling-3l-steel', 'electric-6l', 'rice-1.8l'].map((id) => ({
  id,
  cooker: COOKERS[id]!,
}))
report('four cookers, every style', await medianMs(() => equivalents(request(), four)))
flush('Equivalents for four cookers (target: 100 ms)')

const names = namesOf()
const pages = Object.values(SHAPES).flatMap((write) => RECIPES.map(write))
let next = 0
report('a line of a recipe (target: 1 ms)', await medianMs(() => readLine(RECIPES[next++ % 5]!.ingredients[0]!, names)))
report(
  'a page as a dish (target: 100 ms)',
  await medianMs(() => {
    const read = readRecipe(pages[next++ % pages.length]!)
    return read.ok && dishOfRecipe(read.value, names, { usual: USUAL_POT, kinds: {} })
  }),
)
flush('What is pasted, read')

const foods = ['navy-bean', 'black-eyed', 'toor-split', 'red-rice', 'moong-split']
for (let n = 1; n <= 5; n++) {
  const contents = foods.slice(0, n).map((food) => ({ food, dryG: 60, soak, where: 'base' as const }))
  report(`${n} foods in the base`, await medianMs(() => plan(request({ contents }))))
}
for (let n = 0; n <= 4; n++) {
  const input = fixture('beans-five-whistles-low')
  const vessels = Array.from({ length: n }, (_, i) => ({ heatJPerK: 1500 + 300 * i, couplingWPerK: 8 + 2 * i }))
  const loaded: SimulationCase = {
    ...input,
    load: { ...input.load, vessels },
    foods: [...input.foods, ...vessels.map((_, vessel) => ({ zC: 35, zAbove110C: 76, vessel }))],
  }
  report(`one simulation, ${n} tins`, await medianMs(() => simulate(loaded)))
}
for (const minutes of [15, 60, 240, 480]) {
  const input = {
    ...fixture('electric-high-fifteen'),
    program: [{ kind: 'at-pressure' as const, level: 'high' as const, minutesAtPressure: minutes }],
  }
  report(`one simulation, ${minutes} min at pressure`, await medianMs(() => simulate(input)))
}
flush('How the time grows')
const TINS: OwnedTin[] = [
  [190, 40],
  [180, 40],
  [170, 40],
  [130, 75],
  [185, 38],
  [160, 35],
  [95, 60],
  [90, 60],
].map(([diameterMm, heightMm], i) => ({
  id: `tin-${i}`,
  diameterMm: diameterMm!,
  heightMm: heightMm!,
  volumeMl: Math.round((0.92 * Math.PI * (diameterMm! / 2) ** 2 * heightMm!) / 1000),
  lid: i % 2 === 1,
  material: 'steel',
}))
const STACKED = ['red-rice', 'toor-split', 'potato-cubes', 'moong-split', 'black-eyed']
for (const [foodCount, tinCount] of [
  [2, 4],
  [3, 4],
  [3, 6],
  [4, 8],
  [5, 8],
] as const) {
  const { contents: _, style: __, ...rest } = request({ cooker: COOKERS['electric-8l']!, freeLiquid: 'thick' })
  const ask: StackAsk = {
    ...rest,
    foods: STACKED.slice(0, foodCount).map((food) => ({
      food,
      dryG: foodCount === 5 ? 50 : 90,
      soak: null,
      soakMayChange: true,
      lock: 'any',
    })),
    tins: TINS.slice(0, tinCount),
    style: { kind: 'electric', level: 'high' },
  } as StackAsk
  const found = findStacks(ask)
  const value = found.ok ? found.value : null
  report(`${foodCount} foods, ${tinCount} tins`, await medianMs(() => findStacks(ask)), {
    'arrangements that fit': value?.fitting ?? 0,
    'programs run': value?.simulated ?? 0,
    answers: value?.answers.length ?? 0,
  })
}
flush('Stacks in an 8 L electric pot (target: 3 foods and 6 tins in 1.5 s)')

// Live inference: one look ahead after each whistle of a run, as the Cook screen asks for it.
{
  const asked = request()
  const planned = plan(asked)
  if (!planned.ok) throw new Error(planned.problems[0]!.code)
  const live = { request: asked, answer: planned.value }
  const course = courseOf(live, [])
  const stove = createStove(course, { heat: 1.2, load: 1, vent: 1 })
  stove.heat(course.closing.pot.burner.medium)
  const minutes = stove.advance(60).flatMap((sign) => (sign.kind === 'whistle' ? [sign.minute] : []))
  const events: RunEvent[] = [
    { id: 'lit', at: 0, data: { kind: 'lit' } },
    ...minutes.map((minute, i): RunEvent => ({ id: `w${i}`, at: minute * MINUTE_MS, data: { kind: 'whistle' } })),
  ]
  for (const count of [1, 5, 12, 25]) {
    const told = events.slice(0, count + 1)
    // What was worked out for the events before is there already; the last one is new each time.
    const follow = createFollower(live)
    follow(told.slice(0, -1), told.at(-2)!.at)
    let times = 0
    report(
      `after whistle ${count}`,
      await medianMs(() => follow([...told.slice(0, -1), { ...told.at(-1)!, id: `new-${times++}` }], told.at(-1)!.at)),
    )
  }
  flush('Following a run, all bands (target: 50 ms from an event)')

  // From when on the lid may come off: asked on the server, in a thread of its own.
  const at = (id: string, seconds: number, data: RunEvent['data']): RunEvent => ({ id, at: seconds * 1000, data })
  const lit = at('lit', 0, { kind: 'lit' })
  for (const [what, told] of [
    ['after the planned whistles', [...events.slice(0, 8), at('off', 2400, { kind: 'heat-off' })]],
    [
      'weight off at 900 s, heat off at 1500 s',
      [lit, at('i', 900, { kind: 'interrupted', why: 'weight' }), at('off', 1500, { kind: 'heat-off' })],
    ],
    [
      'after 480 whistles',
      [
        lit,
        ...Array.from({ length: 480 }, (_, i) => at(`w${i}`, 420 + 30 * i, { kind: 'whistle' })),
        at('off', 14_820, { kind: 'heat-off' }),
      ],
    ],
  ] as const)
    // Once each: it is asked once a run, by somebody who waits for it.
    report(
      what,
      onceMs(() => opensFromOf(live, told, told.at(-1)!.at)),
    )
  flush('When it may be opened, asked once (target: 1 s)')
}

const trials = runTrials(500, plan)
const percent = (share: number) => `${(share * 100).toFixed(1)} %`
for (const [what, told, fixed] of [
  ['boil-minutes told within 12 %', trials.within12, trials.fixedWithin12],
  ['food got 10 % less to 25 % more than it needs', trials.doneRight, trials.fixedDoneRight],
  ['miss, median', trials.medianMiss, trials.fixedMedianMiss],
  ['miss, nine in ten below', trials.ninetiethMiss, trials.fixedNinetiethMiss],
] as const)
  rows.push({ what, 'with inference': percent(told), 'fixed count': percent(fixed) })
flush(
  `500 simulated runs, heat, load and vent hidden, 10 % missed, 5 % false; advice changed ${trials.changesPerRun.toFixed(2)} times a run`,
)
