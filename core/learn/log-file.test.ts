import { describe, expect, it } from 'vitest'
import { randomFrom } from '../live/random'
import { plan } from '../program/plan'
import { requestOf, type Pot } from '../../tests/trials/learn'
import { cook, USUAL_NOISE } from './cook'
import { idOf } from './figure'
import { learnFromFile } from './log-file'
import { logFileSchema, type LogFile } from './log-file.schema'

const POT: Pot = {
  cookerId: 'blue',
  cooker: 'whistling-5l-aluminium',
  burnerId: 'strong',
  style: { kind: 'whistles', flame: 'medium' },
  foodId: 'navy-bean',
  dryG: 300,
  soakHours: 9,
  bagId: 'spring',
  isOld: false,
}
const request = requestOf(POT)
const answer = plan(request)
if (!answer.ok) throw new Error(answer.problems[0]!.code)

/** Eight dinners on a burner that is a quarter weaker than it says, in a household that likes its beans softer. */
const truth = new Map([
  [idOf({ kind: 'flame-heat', cookerId: 'blue', burnerId: 'strong', flame: 'medium' }), Math.log(0.75)],
  ['taste', 0.2],
])
const random = randomFrom(3)
const file: LogFile = {
  runs: Array.from({ length: 8 }, (_, i) => {
    const at = Date.parse('2026-03-01T18:00:00Z') + i * 3 * 86_400_000
    const on = { cookerId: 'blue', burnerId: 'strong', bagIds: ['spring'] }
    const { events, verdicts } = cook({ request, answer: answer.value }, on, truth, USUAL_NOISE, at, random)
    return {
      id: `dinner-${i}`,
      cooker: 'blue',
      burner: 'strong',
      bags: ['spring'],
      request,
      events: events.map((event) => ({ at: new Date(event.at).toISOString(), data: event.data })),
      verdicts,
    }
  }),
  bags: [{ id: 'spring', food: 'navy-bean', boughtOn: '2026-02-01' }],
}
const learnt = (of: LogFile) => {
  const outcome = learnFromFile(logFileSchema.parse(of))
  if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
  return outcome.value
}

describe('a log as a file', () => {
  it('teaches the heat of the flame as a whole, and shows each run that spoke of it', () => {
    const heat = learnt(file).figures.find(({ kind }) => kind === 'flame-heat')!
    expect(heat.id).toBe('flame-heat blue strong medium')
    expect(heat.now.value).toBeGreaterThan(0.66)
    expect(heat.now.value).toBeLessThan(0.85)
    expect(heat.now.high / heat.now.low).toBeLessThan((heat.prior.high / heat.prior.low) ** 0.6)
    expect(heat.evidence.length).toBeGreaterThanOrEqual(6)
    expect(heat.evidence[0]!.run).toBe('dinner-0')
  })

  it('says what cannot be told apart while there is one food from one bag', () => {
    const { figures, undecided } = learnt(file)
    const softer = figures.filter(({ kind }) => ['batch', 'need', 'group-taste', 'taste'].includes(kind))
    expect(softer).toHaveLength(4)
    expect(softer.reduce((product, { now }) => product * now.value, 1)).toBeGreaterThan(1.02)
    expect(Array.isArray(undecided)).toBe(true)
  })

  it('says nothing of a run that was never cooked to an end', () => {
    const begun = { ...file.runs[0]!, id: 'begun', events: file.runs[0]!.events.slice(0, 1), verdicts: [] }
    expect(learnt({ runs: [begun] })).toMatchObject({ silent: ['begun'], figures: [] })
  })

  it('is empty where nothing was cooked', () => {
    expect(learnt({ runs: [] })).toEqual({ figures: [], undecided: [], misses: [], silent: [] })
  })

  const broken = (change: Partial<LogFile['runs'][number]>) =>
    learnFromFile({ ...file, runs: [file.runs[0]!, { ...file.runs[1]!, ...change }] })
  it.each([
    [
      'a verdict of a food that was not in the pot',
      { verdicts: [{ content: 4, texture: 0, water: 0 }] },
      'runs.1.verdicts.0.content',
      'verdict-of-nothing',
    ],
    [
      'a verdict that names another food',
      { verdicts: [{ content: 0, food: 'pinto', texture: 0, water: 0 }] },
      'runs.1.verdicts.0.content',
      'verdict-of-nothing',
    ],
    [
      'two verdicts of one food',
      {
        verdicts: [
          { content: 0, texture: 0, water: 0 },
          { content: 0, texture: 1, water: 0 },
        ],
      },
      'runs.1.verdicts.1.content',
      'verdict-twice',
    ],
    [
      'a clock that runs backwards',
      { events: [...file.runs[1]!.events].reverse() },
      'runs.1.events.1.at',
      'clock-backwards',
    ],
    ['the same run twice', { id: 'dinner-0' }, 'runs.1.id', 'id-twice'],
    [
      'a food that nobody knows',
      { request: { ...request, contents: [{ ...request.contents[0]!, food: 'gravel' }] } },
      'runs.1.request.contents.0.food',
      'unknown-food',
    ],
  ])('refuses %s, and says where', (_, change, path, code) => {
    const outcome = broken(change)
    expect(outcome.ok).toBe(false)
    if (!outcome.ok) expect(outcome.problems).toContainEqual(expect.objectContaining({ path, code }))
  })

  it.each([
    ['more runs than a household cooks', { runs: Array.from({ length: 5001 }, () => file.runs[0]!) }],
    ['a step that no scale has', { runs: [{ ...file.runs[0]!, verdicts: [{ content: 0, texture: 3, water: 0 }] }] }],
    ['a moment that is none', { runs: [{ ...file.runs[0]!, events: [{ at: 'yesterday', data: { kind: 'lit' } }] }] }],
    ['an id with a gap', { runs: [{ ...file.runs[0]!, id: 'two words' }] }],
  ])('is not read with %s', (_, bad) => {
    expect(logFileSchema.safeParse(bad).success).toBe(false)
  })
})
