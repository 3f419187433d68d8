import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { namesOf } from '../../locales/names'
import { SHAPES } from '../../tests/corpus/shapes'
import { potSettings, requestFor } from '../../tests/dishes'
import { readLine } from '../formats/line'
import { answerDish } from './dish'
import type { DishLine } from './dish.schema'
import { gapG } from './ledger'
import { PROPOSED, proposeDish, type ProposedId, type Wanted } from './propose'
import { scaled, waysToFit } from './scale'

const names = namesOf()
const TIN = { diameterMm: 180, heightMm: 60, volumeMl: 1050, lid: true, material: 'steel' as const }
const kitchen = { pot: potSettings(), tin: TIN }
const read = (...typed: string[]): DishLine[] =>
  typed.map((text, i) => {
    const { what, g } = readLine(text, names)
    return { id: `l${i + 1}`, typed: text, what, g }
  })
const propose = (lines: DishLine[], wanted: Wanted = {}) => {
  const proposal = proposeDish(lines, wanted, kitchen)
  if (!proposal) throw new Error('nothing was proposed')
  return proposal
}
/** As it is read: “soak: black-eyed; pot < soak: …”. */
function outline(lines: DishLine[], wanted: Wanted = {}) {
  const { stages } = propose(lines, wanted)
  const kindOf = (id: string) => stages.find((one) => one.id === id)!.kind
  const name = (id: string) => lines.find((one) => one.id === id)!.what
  return stages.map(({ kind, takes, from }) =>
    [
      `${kind}${from.length > 0 ? ` < ${from.map(({ stage }) => kindOf(stage)).join(' ')}` : ''}`,
      ...takes.map((take) => name(take.line)),
    ].join(', '),
  )
}

const PEAS = read(
  '300 g black-eyed peas',
  '2 onions',
  '3 tomatoes',
  '4 cloves garlic',
  '1 inch ginger',
  '2 tsp cumin seeds',
  '1 tsp turmeric',
  '1 bunch spinach',
  '2 tbsp lemon juice',
  '3 tbsp oil',
  '8 g salt',
)

describe('a dish from its lines', () => {
  it('pulses with a masala beside: sour after they are soft, greens and lemon late', () => {
    expect(outline(PEAS)).toEqual([
      'soak, black-eyed',
      'pot < soak',
      'fry, oil, cumin-seed, onion, garlic, ginger, turmeric, tomato',
      'simmer < pot fry, spinach, salt',
      'rest < simmer, lemon-juice',
    ])
  })

  it('the same with the masala in the pot, before', () => {
    expect(outline(PEAS, { masala: 'before', soak: 'none' })).toEqual([
      'fry, oil, cumin-seed, onion, garlic, ginger, turmeric',
      'pot < fry, black-eyed',
      'simmer < pot, tomato, spinach, salt',
      'rest < simmer, lemon-juice',
    ])
  })

  it.each<[string, string[], string[]]>([
    [
      'soaked beans with a tempering at the end',
      [
        '250 g dried kidney beans',
        '4 cloves garlic',
        '1 tsp mustard seeds',
        '2 dried chillies',
        '2 tbsp ghee',
        '6 g salt',
      ],
      [
        'soak, kidney-red',
        'pot < soak',
        'temper < pot, ghee, mustard-seed, garlic, dried-chilli',
        'rest < temper, salt',
      ],
    ],
    [
      'split pulses, which nobody soaks long',
      ['1 cup red lentils', '1 onion', '1 tsp turmeric', '2 tbsp oil', '6 g salt', '1 tbsp lemon juice'],
      ['fry, oil, onion, turmeric', 'pot < fry, masoor-split', 'rest < pot, salt, lemon-juice'],
    ],
    [
      'one-pot rice with vegetables',
      [
        '1½ cups basmati rice',
        '1 onion',
        '2 carrots, diced',
        '1 tsp cumin seeds',
        '2 tbsp oil',
        '1 tsp salt',
        'coriander leaves',
      ],
      [
        'soak, basmati-white',
        'fry, oil, cumin-seed, onion',
        'pot < soak fry, carrot, salt',
        'rest < pot',
        'fluff < rest, coriander-leaf',
      ],
    ],
    ['plain grain', ['2 cups jasmine rice', '1 tsp salt'], ['pot, jasmine-white, salt', 'rest < pot', 'fluff < rest']],
    [
      'a porridge of grain in much stock',
      ['½ cup jasmine rice', '1 litre unsalted stock', '30 g ginger', '1 tbsp soy sauce'],
      ['pot, jasmine-white, stock, ginger', 'rest < pot, soy-sauce'],
    ],
    [
      'a soup of vegetables',
      ['500 g pumpkin, cubed', '1 onion', '1 litre unsalted stock', '2 tbsp oil', '5 g salt', '100 ml coconut milk'],
      ['fry, oil, onion', 'pot < fry, pumpkin, stock, salt', 'simmer < pot, coconut-milk'],
    ],
    [
      'meat and vegetables',
      [
        '600 g lamb, cubed',
        '2 onions',
        '2 tomatoes',
        '300 g potatoes, cubed',
        '3 tbsp oil',
        '1 tsp turmeric',
        '8 g salt',
      ],
      ['fry, oil, onion, turmeric, tomato', 'pot < fry, lamb, potato-cubes, salt', 'rest < pot'],
    ],
    [
      'beans with brown rice in a tin above',
      ['1 cup chickpeas', '¾ cup brown rice', '5 g salt'],
      ['soak, chickpea-white', 'pot < soak, brown-long', 'rest < pot, salt'],
    ],
  ])('%s', (_, typed, expected) => {
    const found = outline(read(...typed))
    // Which cut or kind of a thing it was read as is the reader's.
    expect(
      found.map((one) =>
        one
          .replace(/carrot[\w-]*/, 'carrot')
          .replace(/lamb[\w-]*/, 'lamb')
          .replace(/pumpkin[\w-]*|squash[\w-]*/, 'pumpkin'),
      ),
    ).toEqual(expected)
  })

  it('several pulses share a bowl; mung and rice go in together', () => {
    const mixed = read('100 g chickpeas', '100 g black-eyed peas', '50 g green lentils', 'salt')
    expect(outline(mixed)[0]).toMatch(/^soak, chickpea-white, black-eyed/)
    expect(
      outline(read('1 cup rice', '1 cup split mung', '1 tsp salt')).some(
        (one) => one.startsWith('pot') && one.includes('long-white'),
      ),
    ).toBe(true)
  })

  it('rice in its measured soak water: what stands in the bowl is no longer poured', () => {
    const lines = read('400 g basmati rice', '6 g salt')
    const { stages } = propose(lines, { soakWater: 'kept' })
    expect(stages[0]).toMatchObject({ kind: 'soak', keepWater: true, waterG: 480 })
    const outcome = answerDish(requestFor({ name: 'Rice', servings: 4, lines, stages }))
    if (!outcome.ok) throw new Error(outcome.problems[0]!.code)
    const { lines: sum, pourG } = outcome.value.stages[1]!.pot!.answer.closings[0]!.water
    expect(sum).toContainEqual({ id: 'soak-water', g: -480, of: 'basmati-white' })
    expect(pourG).toBeLessThan(350)
  })

  it('a pot with no food that is planned for stays open', () => {
    const lines = read('1 onion', '2 tomatoes', '200 g mushrooms', '2 tbsp oil', '1 litre unsalted stock', '5 g salt')
    expect(outline(lines)).toEqual(['fry, oil, onion, tomato', 'simmer < fry, mushroom, stock, salt'])
    const kept: DishLine[] = [
      {
        id: 'k',
        typed: '400 g chickpeas, cooked',
        what: 'chickpea-white',
        g: 400,
        kept: { dryG: 180, boilMinutes: 60, saltG: 2 },
      },
      ...read('1 onion', '1 tbsp oil'),
    ]
    expect(outline(kept)).toEqual(['fry, oil, onion', 'simmer < fry, chickpea-white'])
  })

  it('a batch to keep ends in boxes', () => {
    expect(outline(read('500 g chickpeas', '10 g salt'), { keep: 'keep' }).at(-1)).toBe('chill < rest')
  })

  it('beans with lectin are never offered unsoaked, and nothing is proposed of spices alone', () => {
    const soak = propose(read('250 g dried kidney beans')).choices.find(({ id }) => id === 'soak')!
    expect(soak.options).not.toContain('none')
    expect(proposeDish(read('1 tsp cumin', 'salt'), {}, kitchen)).toBeNull()
  })

  it('fries one thing after another, in the order in which they go in', () => {
    const fry = propose(PEAS).stages.find(({ kind }) => kind === 'fry')!
    const at = Object.fromEntries(
      fry.takes.map(({ line: id, atMinute = 0 }) => [PEAS.find((one) => one.id === id)!.what, atMinute]),
    )
    expect(at).toEqual({ oil: 0, 'cumin-seed': 0, onion: 1, garlic: 9, ginger: 9, turmeric: 10, tomato: 11 })
    expect(fry.minutes).toBe(16)
  })

  it('sizzles whole spices at the end beside a masala, in half of the oil or in the last of several fats', () => {
    const { stages } = propose(PEAS, { whole: 'end' })
    const of = (kind: string) => stages.find((one) => one.kind === kind)!.takes
    expect(of('temper')).toEqual([{ line: 'l10', g: PEAS[9]!.g! / 2 }, { line: 'l6' }])
    expect(of('fry').map(({ line: id }) => id)).not.toContain('l6')
    expect(of('fry')).toContainEqual({ line: 'l10' })
    const ghee = [...PEAS, ...read('1 tbsp ghee').map((one) => ({ ...one, id: 'ghee' }))]
    const taken = propose(ghee, { whole: 'end' }).stages.find(({ kind }) => kind === 'temper')!.takes
    expect(taken).toEqual([{ line: 'ghee' }, { line: 'l6' }])
  })

  it('measures the water of rice into its soak where that is wanted', () => {
    const [soak] = propose(read('1 cup basmati rice', '1 tsp ghee'), { soak: 'short', soakWater: 'measured' }).stages
    expect(soak).toMatchObject({ kind: 'soak', measured: true })
  })

  it('holds every line once, and only what comes earlier goes on, whatever is chosen', () => {
    const all = [
      '300 g black-eyed peas',
      '250 g dried kidney beans',
      '1 cup basmati rice',
      '1 cup brown rice',
      '500 g potatoes, cubed',
      '600 g lamb, cubed',
      '1 onion',
      '3 tomatoes',
      '4 cloves garlic',
      '2 tsp cumin seeds',
      '1 tsp turmeric',
      '1 bunch spinach',
      '2 tbsp lemon juice',
      '3 tbsp oil',
      'salt',
      '200 ml coconut milk',
      '1 litre stock',
      'coriander leaves',
      '50 g cashews',
    ]
    const wanted = fc.record(
      Object.fromEntries(Object.entries(PROPOSED).map(([id, options]) => [id, fc.constantFrom(...options)])) as Record<
        ProposedId,
        fc.Arbitrary<never>
      >,
      { requiredKeys: [] },
    )
    let answered = 0
    fc.assert(
      fc.property(fc.subarray(all, { minLength: 1 }), wanted, (typed, asked) => {
        const lines = read(...typed)
        const proposal = proposeDish(lines, asked as Wanted, kitchen)
        if (!proposal) return
        const { stages, choices } = proposal
        // Fat alone is parted: the rest of it is sizzled at the end.
        const taken = stages.flatMap(({ takes }) => takes.flatMap(({ line: id, g }) => (g === undefined ? [id] : [])))
        expect([...taken].sort()).toEqual(lines.map(({ id }) => id).sort())
        stages.forEach(({ from }, i) =>
          from.forEach(({ stage: id }) => expect(stages.slice(0, i).map((one) => one.id)).toContain(id)),
        )
        // All but the last are gone on with: nothing that was made is left standing.
        const goneOn = new Set(stages.flatMap(({ from }) => from.map(({ stage: id }) => id)))
        expect(stages.slice(0, -1).filter(({ id }) => !goneOn.has(id))).toEqual([])
        for (const { options, chosen } of choices) expect(options).toContain(chosen)
        const outcome = answerDish(requestFor({ name: 'Proposed', servings: 4, lines, stages }))
        expect(outcome.ok).toBe(true)
        if (outcome.ok && outcome.value.stages.every(({ problems }) => problems.length === 0)) answered++
      }),
      { numRuns: 60, seed: 32 },
    )
    expect(answered).toBeGreaterThan(30)
  })
})

describe('dishes of twelve shapes, as they are typed', () => {
  it.each(SHAPES.map((shape) => [shape.name, shape] as const))(
    '%s: every stage is right, and nothing is refused',
    (name, shape) => {
      const lines = read(...shape.lines.split('\n'))
      expect(lines.filter(({ what }) => what === null)).toEqual([])
      const { stages } = propose(lines, Object.assign({}, ...shape.presses.map(({ wanted }) => wanted)) as Wanted)
      const kindOf = (id: string) => stages.find((one) => one.id === id)!.kind
      const told = stages.map(({ kind, takes, from }) => {
        const before = from.length > 0 ? ` < ${from.map(({ stage }) => kindOf(stage)).join(' ')}` : ''
        const things = takes.map(
          ({ line, atMinute }) => `${lines.find(({ id }) => id === line)!.what}${atMinute ? `@${atMinute}` : ''}`,
        )
        return `${kind}${before}: ${things.join(', ')}`.trimEnd()
      })
      expect(told).toEqual(shape.stages)
      const outcome = answerDish(requestFor({ name, servings: 4, lines, stages }))
      if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
      for (const { liquid, problems } of outcome.value.stages) {
        expect(problems).toEqual([])
        expect(Math.abs(gapG(liquid))).toBeLessThan(0.01)
      }
      expect(outcome.value.questions).toEqual([])
      // Only what is put away has to be cooled in time.
      const keeps = stages.some(({ kind }) => kind === 'chill')
      const minded = outcome.value.cautions.flatMap(({ id, severity }) => (severity === 'note' ? [] : id))
      expect(minded).toEqual(keeps ? ['cool-in-time'] : [])
    },
  )

  it.each([1, 2, 3, 6, 9, 14].map((servings, n) => [n, servings] as const))(
    '%i: for %i instead of 4 it adds up, or says how it can be had',
    (n, servings) => {
      // Each number of two of the shapes.
      for (const { name, lines: typed } of SHAPES.filter((_, i) => i % 6 === n)) {
        const lines = read(...typed.split('\n'))
        const request = requestFor({ name, servings: 4, lines, stages: propose(lines).stages })
        const changed = scaled(request, servings)
        if (!changed.ok) throw new Error(JSON.stringify(changed.problems))
        const answer = answerDish(changed.value)
        if (!answer.ok) throw new Error(JSON.stringify(answer.problems))
        for (const { liquid } of answer.value.stages) expect(Math.abs(gapG(liquid))).toBeLessThan(0.01)
        const isRefused = answer.value.cautions.some(({ severity }) => severity === 'refuse')
        if (isRefused)
          expect(
            waysToFit(changed.value, { other: { cooker: 'whistling-7l-steel', burner: 'strong' } }).length,
            name,
          ).toBeGreaterThan(0)
      }
    },
  )
})
