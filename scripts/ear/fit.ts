// npx tsx scripts/ear/fit.ts [LESSONS] [FILE]: fits the weights of the ear (core/ear/weights.ts) on generated lessons.
// What was heard in them is kept in the file, if one is named, and taken from there the next time.
import { spawn } from 'node:child_process'
import { once } from 'node:events'
import { createReadStream, existsSync, writeFileSync } from 'node:fs'
import os from 'node:os'
import { createInterface } from 'node:readline'
import { format, resolveConfig } from 'prettier'
import { FEATURES } from '../../core/ear/features'
import { COUNT_LOG_ODDS } from '../../core/ear/ear'
import { weigh, type Weights } from '../../core/ear/judge'
import { randomFrom } from '../../core/live/random'

const LESSONS = Number(process.argv[2] ?? 810)
const ROWS = 10
const EPOCHS = 8
const BATCH = 256
const RATE = 0.02
const DECAY = 3e-4
/** One lesson in so many is kept to judge the fit by. */
const KEPT_OUT = 5
const WEIGHTS_FILE = new URL('../../core/ear/weights.ts', import.meta.url)

/** A burst of a lesson: what it is like, with the likeness to the example last, and whether it was a whistle. */
export interface Learnt {
  lesson: number
  features: number[]
  isWhistle: boolean
}

const average = (values: readonly number[]) => values.reduce((sum, value) => sum + value, 0) / values.length
const round = (value: number) => Math.round(value * 1000) / 1000

/** The lessons are listened to by as many processes as there are processors. */
async function learnAll(): Promise<Learnt[]> {
  const parts = os.availableParallelism()
  const found = await Promise.all(
    Array.from({ length: parts }, async (_, part) => {
      const script = new URL('lessons.ts', import.meta.url).pathname
      const child = spawn('npx', ['tsx', script, String(LESSONS), String(part), String(parts)], {
        stdio: ['ignore', 'pipe', 'inherit'],
      })
      const ended = once(child, 'close')
      const bursts: Learnt[] = []
      for await (const line of createInterface({ input: child.stdout })) bursts.push(JSON.parse(line) as Learnt)
      const [status] = (await ended) as [number]
      if (status !== 0) throw new Error(`lessons ended with ${status}`)
      return bursts
    }),
  )
  return found.flat()
}

/** Weights by which the whistles among the bursts are told, by gradient descent (Adam) on the logarithmic loss. */
function fit(bursts: readonly Learnt[], width: number): Weights {
  const random = randomFrom(1)
  const mean = Array.from({ length: width }, (_, i) => average(bursts.map(({ features }) => features[i]!)))
  const spread = mean.map((m, i) => Math.sqrt(average(bursts.map(({ features }) => (features[i]! - m) ** 2))) || 1)
  // The first feature is 1 throughout.
  mean[0] = 0
  spread[0] = 1
  const inputs = bursts.map(({ features }) => Float64Array.from(mean, (m, i) => (features[i]! - m) / spread[i]!))
  const size = ROWS * (width + 1) + 1
  const weights = Float64Array.from({ length: size }, () => 0.3 * (random() - 0.5))
  const [slope, first, second] = [0, 1, 2].map(() => new Float64Array(size)) as [
    Float64Array,
    Float64Array,
    Float64Array,
  ]
  const bent = new Float64Array(ROWS)
  const order = Array.from(bursts.keys())
  let steps = 0
  for (let epoch = 0; epoch < EPOCHS; epoch++) {
    for (let i = order.length - 1; i > 0; i--) {
      const j = Math.floor(random() * (i + 1))
      ;[order[i], order[j]] = [order[j]!, order[i]!]
    }
    let loss = 0
    for (let from = 0; from < order.length; from += BATCH) {
      const batch = order.slice(from, from + BATCH)
      slope.fill(0)
      for (const i of batch) loss += descend(inputs[i]!, bursts[i]!.isWhistle, batch.length)
      steps++
      const rate = RATE * (1 - epoch / EPOCHS)
      for (let k = 0; k < size; k++) {
        const s = slope[k]! + DECAY * weights[k]!
        first[k] = 0.9 * first[k]! + 0.1 * s
        second[k] = 0.999 * second[k]! + 0.001 * s * s
        weights[k]! -= (rate * (first[k]! / (1 - 0.9 ** steps))) / (Math.sqrt(second[k]! / (1 - 0.999 ** steps)) + 1e-8)
      }
    }
    console.log(`epoch ${epoch + 1}: loss ${(loss / order.length).toFixed(4)}`)
  }
  return {
    rows: Array.from({ length: ROWS }, (_, row) => {
      const own = Array.from({ length: width }, (_, i) => weights[row * (width + 1) + i]! / spread[i]!)
      own[0]! -= own.reduce((sum, weight, i) => sum + weight * mean[i]!, 0)
      return [...own, weights[row * (width + 1) + width]!].map(round)
    }),
    bias: round(weights[size - 1]!),
  }

  function descend(input: Float64Array, isWhistle: boolean, count: number): number {
    let sum = weights[size - 1]!
    for (let row = 0; row < ROWS; row++) {
      const at = row * (width + 1)
      let x = 0
      for (let i = 0; i < width; i++) x += weights[at + i]! * input[i]!
      bent[row] = Math.tanh(x)
      sum += weights[at + width]! * bent[row]!
    }
    const p = 1 / (1 + Math.exp(-sum))
    const miss = (p - (isWhistle ? 1 : 0)) / count
    slope[size - 1]! += miss
    for (let row = 0; row < ROWS; row++) {
      const at = row * (width + 1)
      slope[at + width]! += miss * bent[row]!
      const back = miss * weights[at + width]! * (1 - bent[row]! ** 2)
      for (let i = 0; i < width; i++) slope[at + i]! += back * input[i]!
    }
    return -Math.log(Math.max(1e-12, isWhistle ? p : 1 - p))
  }
}

const file = process.argv[3]
let bursts: Learnt[] = []
if (file && existsSync(file))
  for await (const line of createInterface({ input: createReadStream(file) })) bursts.push(JSON.parse(line) as Learnt)
else bursts = await learnAll()
if (file) writeFileSync(file, bursts.map((burst) => JSON.stringify(burst)).join('\n'))
console.log(`${bursts.length} bursts, ${bursts.filter(({ isWhistle }) => isWhistle).length} of whistles`)
const taught = bursts.filter(({ lesson }) => lesson % KEPT_OUT !== 0)
const keptOut = bursts.filter(({ lesson }) => lesson % KEPT_OUT === 0)
const alone = fit(taught, FEATURES.length)
const likeExample = fit(taught, FEATURES.length + 1)
for (const [name, weights, width] of [
  ['alone', alone, FEATURES.length],
  ['with an example', likeExample, FEATURES.length + 1],
] as const) {
  const told = keptOut.map(({ features, isWhistle }) => ({
    isWhistle,
    logOdds: weigh(weights, features.slice(0, width)),
  }))
  const share = (of: boolean) => {
    const all = told.filter(({ isWhistle }) => isWhistle === of)
    return all.filter(({ logOdds }) => logOdds > COUNT_LOG_ODDS).length / all.length
  }
  console.log(
    `${name}, on lessons kept out: ${(100 * share(true)).toFixed(1)} % of the whistles' bursts counted, and ${(1000 * share(false)).toFixed(2)} of 1000 others`,
  )
}
const text = `import type { Weights } from './judge'

// Written by scripts/ear/fit.ts from ${LESSONS} lessons. A row's first figures weigh the features, its last the row.

export const ALONE: Weights = ${JSON.stringify(alone)}

/** With the likeness to one example as the last feature. */
export const LIKE_EXAMPLE: Weights = ${JSON.stringify(likeExample)}
`
const to = WEIGHTS_FILE.pathname
writeFileSync(to, await format(text, { ...(await resolveConfig(to)), filepath: to }))
