import { spawnSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { BEANS } from '../tests/fixtures'
import { build } from 'esbuild'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import { kitchenScene, WHISTLES } from '../tests/trials/sounds'
import { wavOf } from '../tests/wav'
import { beansWithSquash, requestFor } from '../tests/dishes'

const BUNDLE = `node_modules/.cache/bivvet-cli-${process.pid}.mjs`
/** Once put together: each call would do it again otherwise, at a second each. */
beforeAll(() =>
  build({
    entryPoints: ['cli/cli.ts'],
    outfile: BUNDLE,
    bundle: true,
    packages: 'external',
    platform: 'node',
    format: 'esm',
  }),
)
afterAll(() => rmSync(BUNDLE))

function core(args: string[], input = '', entry = [BUNDLE]) {
  const { stdout, status } = spawnSync(process.execPath, [...entry, ...args], { input, encoding: 'utf8' })
  return { status, output: stdout === '' ? null : (JSON.parse(stdout) as Record<string, unknown>) }
}

const request = {
  kitchen: { altitudeM: 0, roomC: 20, tapC: 20 },
  cooker: 'whistling-5l-aluminium',
  burner: 'strong',
  contents: [
    {
      food: 'kidney-red',
      dryG: 270,
      soak: { hours: 10, waterC: 20, keepWater: false },
      texture: 'tender',
      where: 'base',
    },
  ],
  liquids: [{ kind: 'chopped-tomato', g: 200 }],
  freeLiquid: 'spoonable',
  style: { kind: 'whistles', flame: 'medium' },
  release: 'auto',
}

describe('the command line', () => {
  it.each(['beans-five-whistles-low', 'rice-cooker-370g', 'slow-low-eight-hours'])(
    'simulates %s with the keys it expects',
    (name) => {
      const file = `core/cases/${name}.json`
      const { status, output } = core(['simulate', file])
      expect(status).toBe(0)
      const { expect: expected } = JSON.parse(readFileSync(file, 'utf8')) as { expect: object }
      expect(Object.keys(output!).sort()).toEqual(Object.keys(expected).sort())
    },
  )

  it('answers the same as it is called by everybody', () => {
    const file = 'core/cases/beans-five-whistles-low.json'
    expect(core(['simulate', file], '', ['--import', 'tsx', 'cli/cli.ts'])).toEqual(core(['simulate', file]))
  })

  it('plans a request from standard input', () => {
    const { status, output } = core(['plan', '-'], JSON.stringify(request))
    expect(status).toBe(0)
    expect(Object.keys(output!)).toEqual(
      expect.arrayContaining([
        'water',
        'program',
        'release',
        'foods',
        'clock',
        'fill',
        'range',
        'cautions',
        'simulation',
      ]),
    )
  })

  it('works a dish out, and reads a recipe as one', () => {
    const { status, output } = core(['dish', '-'], JSON.stringify(requestFor(beansWithSquash())))
    expect(status).toBe(0)
    expect(Object.keys(output!)).toEqual(
      expect.arrayContaining(['stages', 'massG', 'saltShare', 'questions', 'cautions']),
    )
    const read = core(
      ['recipe', '-'],
      'Rice\n1 cup basmati rice\n2 cups water\nMethod\nBring to a boil and simmer for 15 minutes.',
    )
    expect(read.status).toBe(0)
    expect(read.output).toMatchObject({
      dish: { name: 'Rice' },
      lines: [{ what: 'basmati-white', g: 185 }, { what: 'water' }],
    })
    expect(core(['recipe', '-'], '{"@type": "Person"}')).toMatchObject({ status: 2 })
  })

  it.each([
    ['not JSON', '{'],
    ['another shape', '{"kitchen": 3}'],
    ['an unknown food', JSON.stringify({ ...request, contents: [{ ...request.contents[0], food: 'gravel' }] })],
  ])('answers %s with problems and status 2', (_, input) => {
    const { status, output } = core(['plan', '-'], input)
    expect(status).toBe(2)
    const problems = output!.problems as { path: string; message: string }[]
    expect(problems.length).toBeGreaterThan(0)
    for (const { message } of problems) expect(message).not.toBe('')
  })

  it('plans a meal, and says what is in the way of one that cannot be', () => {
    const { request: meal, expect: figures } = JSON.parse(readFileSync('core/meal/meals/grain-salad.json', 'utf8'))
    const { status, output } = core(['meal', '-'], JSON.stringify(meal))
    expect(status).toBe(0)
    expect(output).toMatchObject({ ...figures, bound: figures, optimal: true })
    const cannot = core(['meal', '-'], JSON.stringify({ ...meal, earliest: -30 }))
    expect(cannot.status).toBe(2)
    expect(cannot.output).toMatchObject({
      problems: [{ code: 'meal-impossible', message: expect.stringMatching(/at that hour.*minutes later/) }],
      repairs: expect.arrayContaining([{ kind: 'later', minutes: expect.any(Number) }]),
    })
  })

  it('learns from a log, and says where one is broken', () => {
    const kept = core(['learn', '-'], JSON.stringify({ runs: [] }))
    expect(kept.status).toBe(0)
    expect(kept.output).toEqual({ figures: [], undecided: [], misses: [], silent: [] })
    const run = {
      id: 'a',
      cooker: 'blue',
      request: BEANS,
      events: [],
      verdicts: [{ content: 9, texture: 0, water: 0 }],
    }
    const broken = core(['learn', '-'], JSON.stringify({ runs: [run] }))
    expect(broken.status).toBe(2)
    expect(broken.output).toMatchObject({
      problems: [{ path: 'runs.0.verdicts.0.content', message: expect.stringContaining('no such food') }],
    })
  })

  it('listens to a sound, and says what is wrong with one that it cannot hear', () => {
    const { samples, sampleRate, whistles } = kitchenScene(
      { seconds: 40, snrDb: 12, noises: ['clatter'], kind: 'steam' },
      31,
    )
    const folder = mkdtempSync(path.join(tmpdir(), 'bivvet-ear-'))
    const file = path.join(folder, 'kitchen.wav')
    writeFileSync(file, wavOf(samples, sampleRate))
    const heard = core(['ear', file])
    expect(heard.status).toBe(0)
    expect(heard.output).toMatchObject({ seconds: 40, example: null, whistles: whistles.map(() => ({})) })
    const example = path.join(folder, 'example.wav')
    writeFileSync(example, wavOf(WHISTLES.steam(31 * 97, 3, sampleRate), sampleRate))
    expect(core(['ear', file, example]).output).toMatchObject({ example: 'learnt', whistles: whistles.map(() => ({})) })
    const broken = core(['ear', file, 'package.json'])
    expect(broken.status).toBe(2)
    expect(broken.output).toMatchObject({ problems: [{ path: 'example', code: 'sound-unreadable' }] })
    expect(core(['ear', path.join(folder, 'none.wav')]).output).toMatchObject({
      problems: [{ code: 'file-unreadable' }],
    })
    rmSync(folder, { recursive: true })
  })
})

describe('schema', () => {
  it.each(['simulate', 'plan', 'dish', 'meal', 'learn'])('of what %s reads is a JSON Schema', (command) => {
    const { status, output } = core(['schema', command])
    expect(status).toBe(0)
    expect(output).toMatchObject({ type: 'object', additionalProperties: false })
    expect(Object.keys(output!.properties as object).length).toBeGreaterThan(1)
  })

  it('of anything else is not known', () => {
    expect(core(['schema', 'toString']).status).toBe(2)
  })
})
