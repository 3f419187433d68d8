import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { namesOf } from '../../locales/names'
import { beansWithSquash, requestFor } from '../../tests/dishes'
import { answerDish } from '../dish/dish'
import { dishSchema, type Dish } from '../dish/dish.schema'
import { USUAL_POT } from '../dish/pot-stage'
import { readRecipe } from './read-recipe'
import type { Recipe } from './recipe'
import { minutesOf, plainText } from './recipe-text'
import { usualStage } from '../dish/usual'
import { readLine } from './line'
import { dishOfRecipe } from './recipe-dish'
import { apart } from './recipe-lines'
import { minutesIn } from '../quantity/duration'
import { figureIn } from './figure'
import { actionsOf, kindIn } from './step'
import jsonld from 'jsonld'
import { JsonLdParser } from 'jsonld-streaming-parser'
import { stepSentences } from '../../locales/sentences'
import { instructionsOfDish } from '../guide/dish'
import { durationOf, recipeOfDish } from './write-recipe'

const names = namesOf()
const recipeOf = (text: string): Recipe => {
  const outcome = readRecipe(text)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value
}
const code = (text: string) => {
  const outcome = readRecipe(text)
  return outcome.ok ? null : outcome.problems[0]!.code
}
const CONGEE = ['1 cup jasmine rice', '30 g ginger, sliced', '1.6 litres water', '8 g salt']
const base = { '@context': 'https://schema.org', '@type': 'Recipe', name: 'Ginger congee', recipeIngredient: CONGEE }

// The published shapes in which recipes are found.
const SHAPES: [what: string, text: string, steps: number][] = [
  [
    'steps as one text',
    JSON.stringify({ ...base, recipeInstructions: 'Rinse the rice. Simmer it for 60 minutes.' }),
    1,
  ],
  [
    'steps as a text of lines',
    JSON.stringify({ ...base, recipeInstructions: 'Rinse the rice.\nSimmer for 1 hour.\nSalt it.' }),
    3,
  ],
  [
    'steps as paragraphs of HTML',
    JSON.stringify({ ...base, recipeInstructions: '<p>Rinse the rice.</p><p>Simmer &frac12; hour.</p>' }),
    2,
  ],
  [
    'steps as a list of texts',
    JSON.stringify({ ...base, recipeInstructions: ['Rinse the rice.', 'Simmer for 1 hour.'] }),
    2,
  ],
  [
    'steps as things to do',
    JSON.stringify({
      ...base,
      recipeInstructions: [
        { '@type': 'HowToStep', text: 'Rinse the rice.' },
        { '@type': 'HowToStep', name: 'Cook', text: 'Simmer.', performTime: 'PT1H' },
      ],
    }),
    2,
  ],
  [
    'sections with steps',
    JSON.stringify({
      ...base,
      recipeInstructions: [
        { '@type': 'HowToSection', name: 'The rice', itemListElement: [{ '@type': 'HowToStep', text: 'Rinse it.' }] },
        { '@type': 'HowToSection', name: 'The pot', itemListElement: [{ '@type': 'HowToStep', text: 'Simmer it.' }] },
      ],
    }),
    2,
  ],
  [
    'an item list',
    JSON.stringify({
      ...base,
      recipeInstructions: {
        '@type': 'ItemList',
        itemListElement: [{ '@type': 'ListItem', item: { '@type': 'HowToStep', text: 'Rinse it.' } }],
      },
    }),
    1,
  ],
  ['a graph', JSON.stringify({ '@graph': [{ '@type': 'WebPage' }, { ...base, recipeInstructions: 'Simmer.' }] }), 1],
  ['an array of things', JSON.stringify([{ '@type': 'Person' }, { ...base, recipeInstructions: 'Simmer.' }]), 1],
  ['several types', JSON.stringify({ ...base, '@type': ['Article', 'Recipe'], recipeInstructions: 'Simmer.' }), 1],
  [
    'a type by its address',
    JSON.stringify({ ...base, '@type': 'http://schema.org/Recipe', recipeInstructions: 'Simmer.' }),
    1,
  ],
  [
    'the main thing of a page',
    JSON.stringify({ '@type': 'WebPage', mainEntity: { ...base, recipeInstructions: 'Simmer.' } }),
    1,
  ],
  [
    'a saved page',
    `<!DOCTYPE html><html><head><title>x</title><script>var recipe = 1</script>
     <script type="application/ld+json">{"@type":"BreadcrumbList"}</script>
     <script type="application/ld+json">
     ${JSON.stringify({ ...base, recipeInstructions: ['Simmer.'] })}</script></head><body><p>Hello</p></body></html>`,
    1,
  ],
  [
    'plain text with headings',
    `Ginger congee\nServes 4\n\nIngredients\n${CONGEE.join('\n')}\n\nMethod\n1. Rinse the rice.\n2. Simmer for an hour.`,
    2,
  ],
  [
    'plain text without headings',
    `Ginger congee\n${CONGEE.map((one) => `- ${one}`).join('\n')}\nRinse the rice and simmer it in the water until it has fallen apart, about an hour.`,
    1,
  ],
]

describe('a recipe', () => {
  it.each(SHAPES)('is read from %s', (_, text, steps) => {
    const recipe = recipeOf(text)
    expect(recipe.name).toBe('Ginger congee')
    expect(recipe.ingredients.map((one) => one.replace(/^- /, ''))).toEqual(CONGEE)
    expect(recipe.steps).toHaveLength(steps)
    for (const { text: said } of recipe.steps) expect(said).not.toMatch(/[<>]|&\w+;/)
  })

  it('tells its servings and times in any of the ways they are written', () => {
    const servings = (recipeYield: unknown) =>
      recipeOf(JSON.stringify({ ...base, recipeInstructions: 'Simmer.', recipeYield })).servings
    expect([servings('4'), servings(4), servings('6 bowls'), servings(['8', '8 servings'])]).toEqual([4, 4, 6, 8])
    expect([servings('a lot'), servings(undefined), servings('0')]).toEqual([null, null, null])
    expect([minutesOf('PT1H30M'), minutesOf('PT45M'), minutesOf('P1DT2H'), minutesOf('P0DT0H20M')]).toEqual([
      90, 45, 1560, 20,
    ])
    expect([minutesOf('an hour'), minutesOf('P'), minutesOf(null), minutesOf('PT0S')]).toEqual([60, null, null, null])
    expect([servings('Serves 4 to 6'), servings('4-6'), servings('4 personas')]).toEqual([4, 4, 4])
    expect([servings('Makes 500 g'), servings('12 cookies'), servings('Ready in 30 minutes')]).toEqual([
      null,
      null,
      null,
    ])
  })

  it('keeps the names of its sections', () => {
    expect(recipeOf(SHAPES[5]![1]).steps.map(({ section }) => section)).toEqual(['The rice', 'The pot'])
  })

  it('that is none, or hostile, is refused with a reason', () => {
    expect(code('')).toBe('recipe-empty')
    expect(code('{"@type": "Recipe", ')).toBe('recipe-none')
    expect(code('{{{{')).toMatch(/recipe-(?:unreadable|none)/)
    expect(code(`PK\u0003\u0004${'\0'.repeat(40)}recipe.html`)).toBe('recipe-unreadable')
    expect(code(Array(5000).fill('1 onion').join('\n'))).toBe('recipe-too-long')
    expect(code('{"@type": "Person", "name": "x"}')).toBe('recipe-none')
    expect(code('<html><body>no recipe</body></html>')).toBe('recipe-none')
    expect(code('x'.repeat(2_000_001))).toBe('recipe-too-large')
    expect(code(JSON.stringify({ ...base, recipeIngredient: Array(100).fill('1 onion') }))).toBe('recipe-too-long')
    const deep = '['.repeat(5000) + ']'.repeat(5000)
    expect(['recipe-none', 'recipe-unreadable']).toContain(code(deep))
    const loop = `<script type="application/ld+json">${'{"mainEntity":'.repeat(2000)}1${'}'.repeat(2000)}</script>`
    expect(code(loop)).toBe('recipe-none')
    expect(code(`<html><body>${'<div>'.repeat(80_000)}`)).toBe('recipe-unreadable')
    const evil = recipeOf(
      JSON.stringify({
        ...base,
        name: '<img src=x onerror=alert(1)>Congee',
        recipeInstructions: 'Simmer<script>alert(1)</script> it <b onclick="x()">well</b>.',
        __proto__: { polluted: true },
      }),
    )
    expect(evil.steps[0]!.text).toBe('Simmer it well .')
    expect(plainText(evil.name)).toBe('Congee')
    expect(({} as { polluted?: boolean }).polluted).toBeUndefined()
  })

  it('of any text is read or refused, and never fails', () => {
    fc.assert(
      fc.property(fc.oneof(fc.string({ maxLength: 400 }), fc.json()), (text) => {
        const outcome = readRecipe(text)
        expect(typeof outcome.ok).toBe('boolean')
      }),
      { numRuns: 300 },
    )
  })
})

describe('what a step says', () => {
  it.each([
    ['Pressure cook for 4 whistles on medium', { kind: 'whistles', figure: 4, release: null }],
    [
      'Cook for 3 to 4 whistles and let the pressure fall naturally',
      { kind: 'whistles', figure: 4, release: 'natural' },
    ],
    ['High pressure 20 minutes, natural release 10', { kind: 'high-pressure', figure: 20, release: 'natural' }],
    [
      'Cook at high pressure for 12 minutes. Let it release naturally for 10 minutes.',
      { kind: 'high-pressure', figure: 12, release: 'natural', releaseAfterMinutes: 10 },
    ],
    [
      'Pressure cook on high for 1 hour, 10 minutes natural release',
      { kind: 'high-pressure', figure: 60, release: 'natural', releaseAfterMinutes: 10 },
    ],
    [
      'Pressure cook for 25 minutes, 10-minute natural release',
      { kind: 'high-pressure', figure: 25, releaseAfterMinutes: 10 },
    ],
    [
      'High pressure, 25 minutes natural release',
      { kind: 'high-pressure', figure: 25, release: 'natural', releaseAfterMinutes: null },
    ],
    ['4 whistles, 10 minutes natural release', { kind: 'whistles', figure: 4, releaseAfterMinutes: 10 }],
    ['20 minutes at high pressure, NPR', { kind: 'high-pressure', figure: 20, release: 'natural' }],
    ['Cook on low pressure for 5 min, quick release', { kind: 'low-pressure', figure: 5, release: 'quick' }],
    ['Simmer for 1 hour 30 minutes', { kind: 'simmer', figure: 90 }],
    ['Slow cook on low for 8 hours', { kind: 'slow', figure: 480 }],
    ['Boil for 45 minutes until soft', { kind: 'simmer', figure: 45 }],
  ])('%s', (text, expected) => {
    expect(figureIn(text)).toMatchObject(expected)
  })

  it('says nothing of a pot where it does not', () => {
    expect(figureIn('Chop the onion finely.')).toBeNull()
    expect(figureIn('Close the pressure cooker.')).toBeNull()
  })

  it.each([
    ['Soak the beans overnight in plenty of water', 'soak'],
    ['Heat the oil and fry the onion for 8 minutes', 'fry'],
    ['Close and cook for 5 whistles', 'pot'],
    ['Bring to a boil, then simmer for 10 minutes', 'simmer'],
    ['Drain the beans and keep the liquid', 'drain'],
    ['Mash a few of the beans', 'mash'],
    ['Temper the cumin in ghee', 'temper'],
    ['Let it rest, covered, for 5 minutes', 'rest'],
    ['Fluff with a fork', 'fluff'],
    ['Chop the onion', 'prepare'],
    ['Stir in the lemon juice', 'combine'],
  ])('%s: %s', (text, kind) => {
    expect(kindIn(text)).toBe(kind)
  })

  it('tells its minutes', () => {
    expect([
      minutesIn('for 8 to 10 minutes'),
      minutesIn('2 hours'),
      minutesIn('1 h 15 min'),
      minutesIn('until golden'),
    ]).toEqual([9, 120, 75, null])
  })
})

const CURRY = `Kidney beans in tomato
Serves 4
Ingredients
1½ cups kidney beans
1 onion, chopped
2 tomatoes, chopped
2 tbsp oil
1 tsp cumin seeds
1 tsp salt
1 tsp moon dust
Method
1. Soak the kidney beans overnight; drain.
2. Heat the oil, fry the cumin seeds and onion for 8 minutes.
3. Add the beans and water, close and cook for 6 whistles; let the pressure fall naturally.
4. Add the tomatoes and salt and simmer for 10 minutes.`

describe('a dish made of a recipe', () => {
  const imported = dishOfRecipe(recipeOf(CURRY), names, { usual: USUAL_POT, kinds: {} })

  it('has its lines as typed, its steps as stages, and each ingredient at the step that names it', () => {
    const { dish, written } = imported
    expect(dishSchema.safeParse(dish).error).toBeUndefined()
    expect(dish.servings).toBe(4)
    expect(dish.lines.map(({ typed }) => typed)[0]).toBe('1½ cups kidney beans')
    expect(dish.stages.map(({ kind }) => kind)).toEqual(['soak', 'fry', 'pot', 'simmer'])
    const at = (kind: string) =>
      dish.stages
        .find((one) => one.kind === kind)!
        .takes.map(({ line }) => dish.lines.find(({ id }) => id === line)!.what)
    expect(at('soak')).toEqual(['kidney-red'])
    expect(at('fry').sort()).toEqual(['cumin-seed', 'oil', 'onion'])
    expect(at('simmer').sort()).toEqual(['salt', 'tomato'])
    expect(written).toMatchObject([{ figure: { kind: 'whistles', figure: 6, release: 'natural' } }])
    expect(dish.stages.find(({ kind }) => kind === 'pot')!.from).toHaveLength(2)
  })

  it('has no more stages than a dish may have, where what is empty can be left out', () => {
    const busy = Array.from({ length: 40 }, (_, i) => `${i + 1}. Chop something.`).join('\n')
    const many = recipeOf(CURRY.replace('Method', `Method\n${busy}`))
    const { dish } = dishOfRecipe(many, names, { usual: USUAL_POT, kinds: {} })
    expect(dish.stages.map(({ kind }) => kind)).toEqual(['soak', 'fry', 'pot', 'simmer'])
    expect(dishSchema.safeParse(dish).error).toBeUndefined()
  })

  it('asks about what was not understood, and answers the rest', () => {
    const outcome = answerDish(requestFor(imported.dish))
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
    expect(outcome.value.questions.map(({ code: of }) => of)).toContain('not-understood')
    expect(outcome.value.stages.find(({ pot }) => pot)!.pot!.answer.closings[0]!.range.figure).toBeGreaterThan(1)
    expect(outcome.value.cautions.filter(({ severity }) => severity === 'refuse')).toEqual([])
  })

  it('says where a line usually goes', () => {
    const dish = beansWithSquash()
    const at = (id: string) =>
      usualStage(
        dish.lines.find((one) => one.id === id)!,
        dish,
      )
    expect([at('beans'), at('onion'), at('squash'), at('tomato'), at('lemon'), at('salt')]).toEqual([
      'soak',
      'fry',
      'pot',
      'simmer',
      'simmer',
      'simmer',
    ])
  })
})

describe('a dish that goes out', () => {
  const words = (dish: Dish) => {
    const request = requestFor(dish)
    const outcome = answerDish(request)
    if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
    const told = instructionsOfDish(request, outcome.value)
    const kitchen = { cookers: [], foods: [] }
    return {
      answer: outcome.value,
      steps: dish.stages.map(({ id, kind }) => ({
        name: kind,
        sentences: stepSentences(
          told.filter(({ from, do: deed }) => deed !== 'serve' && 'stage' in from && from.stage === id),
          kitchen,
        ),
      })),
    }
  }
  const exported = (dish: Dish) => {
    const { answer, steps } = words(dish)
    return recipeOfDish(dish, answer, {
      steps,
      workedOutFor: 'For a whistling cooker of 5 L at 1450 m.',
      cookers: ['a whistling cooker of 5 L'],
      author: 'Larkspur Terrace',
      language: 'en',
    })
  }

  it('is a schema.org Recipe, and comes back as it was', () => {
    const dish = beansWithSquash()
    const out = exported(dish)
    expect(out).toMatchObject({ '@type': 'Recipe', name: dish.name, recipeYield: '4' })
    for (const time of ['prepTime', 'cookTime', 'totalTime']) expect(out[time]).toMatch(/^PT(\d+H)?(\d+M)?$/)
    const back = recipeOf(JSON.stringify(out))
    expect(dishSchema.parse(back.own)).toEqual(dish)
    // Whoever reads only the open part has its lines too.
    const { additionalProperty: _, ...open } = out
    expect(recipeOf(JSON.stringify(open)).ingredients).toEqual(dish.lines.map(({ typed }) => typed))
    // What was exported before it had a property of its own is read on.
    expect(recipeOf(JSON.stringify({ ...open, bivvetDish: dish })).own).toEqual(dish)
  })

  it('can be cooked from by its text alone: every gram of its lines, the water, the setting, the release', () => {
    const dish = beansWithSquash()
    const { answer } = words(dish)
    const text = (exported(dish).recipeInstructions as { text: string }[]).map((one) => one.text).join(' ')
    for (const { takes } of answer.stages)
      for (const { line: id, g } of takes)
        if (g !== null) {
          const typed = dish.lines.find((line) => line.id === id)!.typed
          expect(text.includes(typed) || text.includes(`${Math.round(g)} g`), `${id} ${g}`).toBe(true)
        }
    const [closing] = answer.stages.find(({ pot }) => pot)!.pot!.answer.closings
    expect(text).toContain(`Pour ${closing!.water.pourG} g of water`)
    expect(text).toMatch(/High until it whistles once\./)
    expect(text).toContain(`off after whistle ${closing!.range.figure}`)
    expect(text).toMatch(/until the pressure has gone/)
    expect(text).toMatch(/indicator down, no steam/)
  })

  it('tells salt as it is eaten, not as it was thrown away', () => {
    const dish = beansWithSquash()
    const { answer } = words(dish)
    const { sodiumContent } = exported(dish).nutrition as { sodiumContent: string }
    const saltG = (parseFloat(sodiumContent) * dish.servings) / 1000 / (22.99 / 58.44)
    expect(saltG).toBeCloseTo(answer.saltG, 1)
    expect(saltG).toBeLessThan(dish.lines.find(({ id }) => id === 'salt')!.g!)
  })

  it('is read by two other libraries', async () => {
    const dish = beansWithSquash()
    const out = exported(dish)
    const vocabulary = { '@context': { '@vocab': 'https://schema.org/' } }
    const local = { ...out, ...vocabulary }
    const [expanded] = (await jsonld.expand(local as never)) as Record<string, unknown[]>[]
    const steps = expanded!['https://schema.org/recipeInstructions'] as Record<string, { '@value': string }[]>[]
    expect(steps.map((one) => one['https://schema.org/text']![0]!['@value'])).toEqual(
      (out.recipeInstructions as { text: string }[]).map(({ text }) => text),
    )
    const quads = await new Promise<number>((resolve, reject) => {
      let found = 0
      const parser = new JsonLdParser()
      parser.on('data', (quad: { predicate: { value: string } }) => {
        if (quad.predicate.value === 'https://schema.org/recipeIngredient') found++
      })
      parser.on('error', reject)
      parser.on('end', () => resolve(found))
      parser.write(JSON.stringify(local))
      parser.end()
    })
    expect(quads).toBe(dish.lines.length)
  })

  it('tells durations as they are published', () => {
    expect([durationOf(90), durationOf(60), durationOf(5), durationOf(0)]).toEqual(['PT1H30M', 'PT1H', 'PT5M', 'PT0M'])
  })
})

describe('coming to pressure', () => {
  it.each([
    ['When it comes to pressure, lower the heat and cook 15 minutes.', 'high-pressure', 15, undefined],
    ['Let it come up to pressure and cook for 10 minutes.', 'high-pressure', 10, undefined],
    ['When it starts to whistle, lower the flame and cook 15 minutes.', 'whistles', 1, 15],
    ['Lid on, full pressure, 5 min low flame.', 'high-pressure', 5, undefined],
    ['Steam at high pressure 5 minutes, quick release.', 'high-pressure', 5, undefined],
    ['Give it 3 whistles on high and 10 mins on sim.', 'whistles', 3, 10],
    ['Cook for 1 whistle on high flame, lower the flame and cook for 2 more whistles.', 'whistles', 3, undefined],
    ['Put the weight on and cook 15 minutes after the first hiss.', 'high-pressure', 15, undefined],
    ['Cook at 15 psi for 8 minutes.', 'high-pressure', 8, undefined],
    ['Close valve, manual, 8 mins.', 'high-pressure', 8, undefined],
    ['The cooker will take 10 minutes to come up to pressure; then cook for 8 minutes.', 'high-pressure', 8, undefined],
  ])('%s: a pot, no simmer and no release', (text, kind, figure, thenLowMinutes) => {
    const [action, ...others] = actionsOf(text)
    expect(others).toEqual([])
    expect(action).toMatchObject({ kind: 'pot', isRelease: false, figure: { kind, figure } })
    expect(action!.figure!.thenLowMinutes).toBe(thenLowMinutes)
  })

  it('takes no time to build pressure for one to cook', () => {
    expect(actionsOf('Allow 10 minutes for the pressure to build.')).toEqual([])
  })

  it.each([
    ['Set timer for 15 minutes on manual high. NR 10.', 'natural', 10],
    ['Pressure cook on low for 4 minutes; let it stand 5 minutes and release.', 'natural', 5],
    ['Cook 6 minutes under full pressure and let it fall by itself.', 'natural', null],
    ['Pressure cook 12 min, 10 min NPR, QPR the rest.', 'natural', 10],
  ])('%s: released as it says', (text, release, releaseAfterMinutes) => {
    expect(actionsOf(text)).toMatchObject([{ kind: 'pot', figure: { release, releaseAfterMinutes } }])
  })
})

describe('several in one line', () => {
  const names = namesOf()
  const isRead = (line: string) => readLine(line, names).what !== null
  it.each([
    ['Rice-1 cup,dal-1/4cup', ['Rice-1 cup', 'dal-1/4cup']],
    ['1 cup flour mixed with 1 cup milk', ['1 cup flour mixed with 1 cup milk', '1 cup milk']],
    ['1/3 cup rice, 1/3 cup barnyard seed', ['1/3 cup rice', '1/3 cup barnyard seed']],
    ['jeera 1 tsp, bay leaf 1, cloves 3', ['jeera 1 tsp', 'bay leaf 1', 'cloves 3']],
  ])('%s: each is a line, read or to be asked about', (text, lines) => expect(apart(text, isRead)).toEqual(lines))

  it.each([['Rice 1 cup, washed 3 times'], ['potatoes 500g, peeled and cut in 4'], ['Beef 500 g, 2 cm cubes']])(
    '%s is one',
    (text) => expect(apart(text, isRead)).toEqual([text]),
  )

  it('takes no more away than there is', () => {
    expect(readLine('1 cup less 2 cups water', names)).toMatchObject({ g: null, doubt: 'amount' })
  })
})
