/**
 * Learning, judged on simulated households whose truth it does not know: how often its bands hold the truth, how fast
 * the plans come nearer, and what becomes of a household that is exactly as assumed. Draws docs/learning.svg.
 *
 *   npx tsx scripts/bench-learn.ts [HOUSEHOLDS] [FIRST_SEED] [other]
 *
 * With `other` they cook in a pot that is not the product's own (tests/trials/other-pot.ts); nothing is drawn then.
 */
import { writeFileSync } from 'node:fs'
import { fork } from 'node:child_process'
import { availableParallelism } from 'node:os'
import * as echarts from 'echarts'
import { buildSync } from 'esbuild'
import { idOf, type FigureKind } from '../core/learn/figure'
import type { Believed } from '../core/learn/posterior'
import { learnFrom, type KitchenLog } from '../core/learn/log'
import { believedOf, NOTHING_LEARNT } from '../core/learn/sums'
import { randomFrom } from '../core/live/random'
import { NO_NOISE, USUAL_NOISE, type Truth } from '../core/learn/cook'
import { drawnFrom, household } from '../tests/trials/learn'

const RUNS = 60
/** Standard deviations between which four in five of a normal figure lie. */
const FOUR_IN_FIVE = 1.2816
const LEAST_RUNS = 5
/** One household in so many is also cooked as if it were exactly as assumed. */
const AS_ASSUMED_ONE_IN = 4

interface Judged {
  misses: number[]
  /** By kind of figure: whether the band holds the truth. */
  held: { kind: FigureKind | 'heat'; holds: boolean; off: number; sd: number }[]
  /** What a log that tells nothing new moved. */
  moved: number[]
  milliseconds: number
  /** Misses of a household that is as assumed: what whole figures leave. */
  roundedOnly: number[]
  /** Last misses of the same household had it known the truth all along, and had it learnt nothing. */
  knowing: number[]
  ignorant: number[]
}

function judge(seed: number, otherPot: boolean): Judged {
  const random = randomFrom(seed)
  const { log, truth, misses } = household(RUNS, drawnFrom(random), USUAL_NOISE, random, { otherPot })
  const from = performance.now()
  const learnt = learnFrom(log)
  const milliseconds = performance.now() - from
  const held: Judged['held'] = []
  for (const { figure, now, evidence } of learnt.figures) {
    if (evidence.length < LEAST_RUNS) continue
    // Of a flame the sum is told: its own share and its burner's.
    const ids =
      figure.kind === 'flame-heat'
        ? [idOf(figure), idOf({ kind: 'burner-heat', cookerId: figure.cookerId, burnerId: figure.burnerId })]
        : [idOf(figure)]
    const { mean, sd } = ids.length > 1 ? learnt.of(new Map(ids.map((id) => [id, 1]))) : now
    const is = ids.reduce((sum, id) => sum + truth.get(id)!, 0)
    if (figure.kind === 'burner-heat') continue
    const kind = figure.kind === 'flame-heat' || figure.kind === 'own-heat' ? 'heat' : figure.kind
    held.push({ kind, holds: Math.abs(is - mean) <= FOUR_IN_FIVE * sd, off: mean - is, sd })
  }
  if (seed % AS_ASSUMED_ONE_IN !== 0)
    return { misses, held, moved: [], milliseconds, roundedOnly: [], knowing: [], ignorant: [] }
  const same = randomFrom(seed)
  const assumed = household(
    RUNS,
    ({ kind }, isOld) => (kind === 'batch' && isOld ? Math.log(1.35) : 0),
    NO_NOISE,
    same,
    { otherPot },
  )
  const roundedOnly = assumed.misses.slice(-20)
  const lastMisses = (believes: (log: KitchenLog, truth: Truth) => Believed) => {
    const random = randomFrom(seed)
    return household(RUNS, drawnFrom(random), USUAL_NOISE, random, { believes, otherPot }).misses.slice(-20)
  }
  const knowing = lastMisses((_, truth) => ({
    of: (terms) => ({ mean: [...terms].reduce((sum, [id, times]) => sum + times * truth.get(id)!, 0), sd: 0 }),
    has: (id) => truth.has(id),
    saidOf: () => null,
  }))
  const ignorant = lastMisses(() => believedOf(NOTHING_LEARNT))
  const moved = learnFrom(assumed.log)
    .figures.filter(({ evidence }) => evidence.length >= LEAST_RUNS)
    .map(({ now, prior }) => Math.abs(now.mean - prior.mean))
  return { misses, held, moved, milliseconds, roundedOnly, knowing, ignorant }
}

const median = (of: readonly number[]) => [...of].sort((a, b) => a - b)[Math.floor(of.length / 2)]!

async function main(households: number, firstSeed: number, other = '') {
  const seeds = Array.from({ length: households }, (_, i) => firstSeed + i)
  const workers = Math.max(1, availableParallelism())
  // What runs the scripts as they stand is ten times slower than what the product is built to.
  const bundle = 'node_modules/.cache/bench-learn.mjs'
  buildSync({
    entryPoints: ['scripts/bench-learn.ts'],
    outfile: bundle,
    bundle: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
  })
  const parts = await Promise.all(
    Array.from({ length: workers }, (_, w) =>
      inWorker(
        bundle,
        other,
        seeds.filter((_, i) => i % workers === w),
      ),
    ),
  )
  const all = parts.flat()
  const kinds = [...new Set(all.flatMap(({ held }) => held.map(({ kind }) => kind)))]
  const coverage = kinds.map((kind) => {
    const of = all.flatMap(({ held }) => held.filter((one) => one.kind === kind))
    const mean = (get: (one: (typeof of)[number]) => number) => of.reduce((sum, one) => sum + get(one), 0) / of.length
    return {
      kind,
      bias: mean(({ off }) => off),
      miss: Math.sqrt(mean(({ off }) => off * off)),
      sd: Math.sqrt(mean(({ sd }) => sd * sd)),
      figures: of.length,
      held: of.filter(({ holds }) => holds).length / of.length,
    }
  })
  const missOf = (from: number, to: number) => median(all.flatMap(({ misses }) => misses.slice(from, to).map(Math.abs)))
  const byRun = Array.from({ length: RUNS }, (_, i) => median(all.map(({ misses }) => Math.abs(misses[i] ?? NaN))))
  console.table(
    coverage.map(({ kind, figures, held, bias, miss, sd }) => ({
      kind,
      figures,
      'held by four in five': held.toFixed(3),
      bias: bias.toFixed(3),
      miss: miss.toFixed(3),
      sd: sd.toFixed(3),
    })),
  )
  console.log('median miss, first ten runs', missOf(0, 10).toFixed(3), 'last twenty', missOf(40, 60).toFixed(3))
  const medianOf = (get: (one: Judged) => number[]) => median(all.flatMap(get).map(Math.abs)).toFixed(3)
  console.log(
    'last twenty: by whole figures alone',
    medianOf(({ roundedOnly }) => roundedOnly),
  )
  console.log(
    'last twenty: had it known the truth',
    medianOf(({ knowing }) => knowing),
  )
  console.log(
    'last twenty: had it learnt nothing',
    medianOf(({ ignorant }) => ignorant),
  )
  const moved = all.flatMap((one) => one.moved)
  const below = moved.filter((by) => by < 0.05).length / moved.length
  console.log(
    `as assumed: figures moved by ${median(moved).toFixed(3)} in the middle, ${Math.max(...moved).toFixed(3)} at most, ${(100 * below).toFixed(0)} % by less than 0.05`,
  )
  console.log('learning from a log of 60 runs, ms', median(all.map(({ milliseconds }) => milliseconds)).toFixed(1))
  if (other === '') writeFileSync('docs/learning.svg', drawing(coverage, byRun))
}

function inWorker(bundle: string, other: string, seeds: number[]): Promise<Judged[]> {
  return new Promise((resolve, reject) => {
    const child = fork(bundle, ['worker', other, ...seeds.map(String)], { execArgv: [] })
    child.on('message', (judged) => {
      child.kill()
      resolve(judged as Judged[])
    })
    child.on('error', reject)
    child.on('exit', (code) => code === 1 && reject(new Error(`A part of the households ended with ${code}.`)))
  })
}

function drawing(coverage: { kind: string; held: number }[], byRun: number[]): string {
  const chart = echarts.init(null, null, { renderer: 'svg', ssr: true, width: 900, height: 320 })
  const ink = '#10241d'
  chart.setOption({
    animation: false,
    textStyle: { color: ink, fontFamily: 'sans-serif' },
    title: [
      { text: 'Truths held by the band of four in five', left: 20, textStyle: { fontSize: 14, color: ink } },
      { text: 'Median miss of the plan, run by run', left: 480, textStyle: { fontSize: 14, color: ink } },
    ],
    grid: [
      { left: 110, width: 310, top: 40, bottom: 40 },
      { left: 520, width: 350, top: 40, bottom: 40 },
    ],
    xAxis: [
      { gridIndex: 0, min: 0.5, max: 1 },
      { gridIndex: 1, type: 'category', data: byRun.map((_, i) => String(i + 1)) },
    ],
    yAxis: [
      { gridIndex: 0, type: 'category', data: coverage.map(({ kind }) => kind) },
      { gridIndex: 1, min: 0 },
    ],
    series: [
      {
        type: 'scatter',
        xAxisIndex: 0,
        yAxisIndex: 0,
        symbolSize: 11,
        data: coverage.map(({ held, kind }) => [held, kind]),
        itemStyle: { color: '#3f6b1e' },
        markArea: { silent: true, itemStyle: { color: '#d6e6bd' }, data: [[{ xAxis: 0.75 }, { xAxis: 0.85 }]] },
      },
      {
        type: 'line',
        xAxisIndex: 1,
        yAxisIndex: 1,
        showSymbol: false,
        data: byRun.map((miss) => miss.toFixed(4)),
        lineStyle: { color: '#a8540a', width: 2 },
      },
    ],
  })
  const svg = chart.renderToSVGString()
  chart.dispose()
  return svg
}

if (process.argv[2] === 'worker') {
  // The channel stays open until all of it has gone through.
  process.send!(
    process.argv.slice(4).map((seed) => judge(Number(seed), process.argv[3] === 'other')),
    () => process.disconnect(),
  )
} else await main(Number(process.argv[2] ?? 200), Number(process.argv[3] ?? 9000), process.argv[4])
