// npx tsx scripts/bench-ear.ts [MINUTES] [RUNS]: what the ear hears, over each noise apart, with whistles of every make.
// Noises and whistles by espeak-ng and sox (scripts/ear/kitchen.sh) where those are installed, and those of the tests.
import { spawnSync } from 'node:child_process'
import { mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { createEar, type HeardSound } from '../core/ear/ear'
import { randomFrom } from '../core/live/random'
import { plan } from '../core/program/plan'
import { exampleOf, hearScene, scoreOf } from '../tests/trials/ear'
import { earAtStove } from '../tests/trials/ear-run'
import { runTrials } from '../tests/trials/live'
import { KITCHEN_SOUNDS, kitchenSound, powerOf, WHISTLES, whistlingIn } from '../tests/trials/sounds'

const RATE_HZ = 16_000
const SNRS_DB = [0, 6, 12, 20]
const MINUTES = Number(process.argv[2] ?? 1)
const RUNS = Number(process.argv[3] ?? 20)
/** At the end of a whistle by sox the room still sounds. */
const ECHO_S = 0.8
/** First a pot whistles twice in a quiet kitchen, so that the ear knows how loud it is. */
const QUIET_S = 15

type Maker = (pot: number, which: number, seconds: number) => { sound: Float32Array; seconds: number }
const noises = new Map<string, Float32Array>()
const makers: Record<string, Maker> = Object.fromEntries(
  Object.entries(WHISTLES).map(([name, make]) => [
    name,
    (pot: number, _: number, seconds: number) => ({ sound: make(pot, seconds, RATE_HZ), seconds }),
  ]),
)
readOthers()
for (const kind of KITCHEN_SOUNDS) noises.set(`${kind} (ours)`, kitchenSound(kind, 60, RATE_HZ, 7))

function readOthers() {
  const folder = mkdtempSync(path.join(os.tmpdir(), 'bivvet-kitchen-'))
  const { status, stderr } = spawnSync('bash', [new URL('ear/kitchen.sh', import.meta.url).pathname, folder], {
    encoding: 'utf8',
  })
  if (status !== 0) {
    console.log(`Only our own sounds: espeak-ng, sox and bc are needed for the others.\n${stderr}`)
    return
  }
  const read = (file: string) => {
    const bytes = readFileSync(path.join(folder, file))
    return new Float32Array(bytes.buffer.slice(bytes.byteOffset, bytes.byteOffset + bytes.length))
  }
  const files = readdirSync(folder)
  for (const file of files.filter((one) => one.startsWith('noise-')))
    noises.set(
      `${file.slice('noise-'.length, -'.raw'.length)} (${file.includes('talk') ? 'espeak-ng' : 'sox'})`,
      read(file),
    )
  const pots = new Map<string, Float32Array[]>()
  for (const file of files.filter((one) => one.startsWith('whistle-'))) {
    const pot = file.split('-')[1]!
    pots.set(pot, [...(pots.get(pot) ?? []), read(file)])
  }
  const sounds = [...pots.values()]
  makers.sox = (pot, which) => {
    const takes = sounds[pot % sounds.length]!
    const sound = takes[which % takes.length]!
    return { sound, seconds: sound.length / RATE_HZ - ECHO_S }
  }
  rmSync(folder, { recursive: true })
}

const percent = (share: number) => `${Math.round(share * 100)} %`

/** The noise from some moment on, round and round. */
function turned(noise: Float32Array, seconds: number, random: () => number): Float32Array {
  const from = Math.floor(random() * noise.length)
  return Float32Array.from({ length: seconds * RATE_HZ }, (_, i) => noise[(from + i) % noise.length]!)
}

function score(noise: Float32Array, name: string, snrDb: number, withExample: boolean, makes = Object.keys(makers)) {
  return scoreOf(
    makes.flatMap((make) =>
      Array.from({ length: MINUTES }, (_, minute) => {
        const seed =
          7919 * (minute + 1) + 31 * snrDb + [...(name + make)].reduce((sum, one) => sum * 3 + one.charCodeAt(0), 0)
        const random = randomFrom(seed)
        const pot = Math.floor(random() * 1000)
        const scene = whistlingIn(
          turned(noise, 60, random),
          (which, seconds) => makers[make]!(pot, which, seconds),
          { snrDb, sampleRate: RATE_HZ },
          seed,
        )
        return hearScene(scene, withExample ? exampleOf(makers[make]!(pot, 0, 3).sound) : null)
      }),
    ),
  )
}

const cell = ({ recall, heard, right }: ReturnType<typeof score>) =>
  heard > right ? `${percent(recall)}, ${heard - right} false` : percent(recall)

const began = performance.now()
let listenedS = 0
const all = new Map<string, ReturnType<typeof score>[]>()
const table: Record<string, Record<string, string>> = {}
for (const [name, noise] of noises) {
  table[name] = {}
  for (const snrDb of SNRS_DB)
    for (const withExample of [false, true]) {
      const found = score(noise, name, snrDb, withExample)
      listenedS += MINUTES * 60 * Object.keys(makers).length
      const key = `${snrDb} dB${withExample ? ', example' : ''}`
      table[name][key] = cell(found)
      all.set(key, [...(all.get(key) ?? []), found])
    }
}
console.table(table)
console.table(
  Object.fromEntries(
    [...all].map(([key, found]) => {
      const { whistles, precision, recall } = scoreOf(found)
      return [key, { whistles, recall: percent(recall), precision: percent(precision) }]
    }),
  ),
)
console.table(
  Object.fromEntries(
    Object.keys(makers).map((make) => [
      make,
      Object.fromEntries(
        SNRS_DB.map((snrDb) => [
          `${snrDb} dB`,
          cell(scoreOf([...noises].map(([name, noise]) => score(noise, name, snrDb, false, [make])))),
        ]),
      ),
    ]),
  ),
)
console.log(
  `${Math.round(listenedS / 60)} minutes listened to in ${Math.round((performance.now() - began) / 1000)} s, with the making of them`,
)

// An hour in which nothing whistles: every noise in turn, at three loudnesses, by one ear.
const ear = createEar(RATE_HZ)
const mistaken = new Map<string, { counted: number; asked: number }>()
let earMs = 0
for (let minute = 0; minute < 60; minute++) {
  const [name, noise] = [...noises][minute % noises.size]!
  const gain = [0.1, 0.02, 0.5][Math.floor(minute / noises.size) % 3]! / Math.sqrt(powerOf(noise))
  const samples = noise.map((sample) => gain * sample)
  const before = performance.now()
  for (const { isWhistle } of ear.push(samples)) {
    const so = mistaken.get(name) ?? { counted: 0, asked: 0 }
    mistaken.set(name, isWhistle ? { ...so, counted: so.counted + 1 } : { ...so, asked: so.asked + 1 })
  }
  earMs += performance.now() - before
}
console.log('An hour without a whistle, counted and asked about:', Object.fromEntries(mistaken))
console.log(`The ear takes ${((earMs / 3_600_000) * 100).toFixed(2)} % of a core at 16 kHz`)

// Does it say that it cannot hear before it misses? Asked just before each whistle, by an ear that knows the pot's.
const said = Object.fromEntries(
  [-12, -6, 0, 6, 12].map((snrDb) => {
    const asked = [...noises.values()].flatMap((noise, n) => saidBefore(noise, n, snrDb))
    const heard = asked.filter(({ how }) => how === 'heard')
    const missed = asked.filter(({ how }) => how !== 'heard')
    const quiet = missed.filter(({ isNoisy }) => !isNoisy)
    return [
      `${snrDb} dB`,
      {
        heard: heard.length,
        'and said it could not': heard.filter(({ isNoisy }) => isNoisy).length,
        missed: missed.length,
        'and said so before': missed.length - quiet.length,
        'else asked about': quiet.filter(({ how }) => how === 'asked').length,
        swallowed: quiet.filter(({ how }) => how === 'missed').length,
      },
    ]
  }),
)
console.table(said)

function saidBefore(noise: Float32Array, seed: number, snrDb: number) {
  const pot = 300 + seed
  const whistle = WHISTLES.steam(pot, 3, RATE_HZ)
  const scene = whistlingIn(
    turned(noise, 60, randomFrom(seed)),
    () => ({ sound: whistle, seconds: 3 }),
    { snrDb, sampleRate: RATE_HZ },
    seed,
  )
  // As loud as it comes in the scene, so that the ear knows how loud it is.
  const gain = Math.sqrt(10 ** (snrDb / 10) * powerOf(noise)) / Math.sqrt(powerOf(whistle.subarray(0, 3 * RATE_HZ)))
  const quiet = new Float32Array(QUIET_S * RATE_HZ)
  for (const at of [2, 9]) whistle.forEach((one, i) => (quiet[at * RATE_HZ + i] = gain * one * scene.scale))
  const ear = createEar(RATE_HZ)
  ear.push(quiet)
  const noisyBefore: boolean[] = []
  const heard: HeardSound[] = []
  const step = Math.round(0.25 * RATE_HZ)
  let next = 0
  for (let at = 0; at < scene.samples.length; at += step) {
    heard.push(...ear.push(scene.samples.subarray(at, at + step)))
    const isNoisy = ear.level().noisy
    if (next < scene.whistles.length && (at + 2 * step) / RATE_HZ > scene.whistles[next]!.fromS) {
      noisyBefore.push(isNoisy)
      next++
    }
  }
  heard.push(...ear.push(new Float32Array(5 * RATE_HZ)))
  return scene.whistles.slice(0, noisyBefore.length).map(({ fromS, toS }, i) => {
    const found = heard.filter((one) => one.fromS - QUIET_S < toS + 0.3 && one.toS - QUIET_S > fromS - 0.3)
    const how = found.some(({ isWhistle }) => isWhistle) ? 'heard' : found.length > 0 ? 'asked' : 'missed'
    return { isNoisy: noisyBefore[i]!, how }
  })
}

// What a cook gains: the same runs, tapped by a hand that misses some, and counted by the ear.
const names = [...noises.keys()]
const tapped = runTrials(RUNS, plan)
const heard = runTrials(RUNS, plan, (run) =>
  earAtStove({
    noise: noises.get(names[run % names.length]!)!,
    whistle: Object.values(WHISTLES)[run % 3]!,
    snrDb: 12,
    seed: 500 + run,
  }),
)
console.table(
  Object.fromEntries(
    Object.entries({ tapped, heard }).map(([who, { within12, doneRight, medianMiss, changesPerRun }]) => [
      who,
      {
        runs: RUNS,
        'food right': percent(doneRight),
        'told within 12 %': percent(within12),
        'miss, median': percent(medianMiss),
        changesPerRun,
      },
    ]),
  ),
)
