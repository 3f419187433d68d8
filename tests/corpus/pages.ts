/** A recipe of the demo kitchen as it is told, with what a reader must find in it. */
export interface ToldRecipe {
  name: string
  servings: number
  totalMinutes: number
  ingredients: string[]
  steps: string[]
  /** Kinds of stages with their minutes, in order. */
  stages: string[]
}

export const RECIPES: readonly ToldRecipe[] = [
  {
    name: 'Split peas with cumin',
    servings: 4,
    totalMinutes: 50,
    ingredients: [
      '1½ cups yellow split peas, rinsed',
      '4 cups water',
      '1/2 tsp turmeric',
      '1 tsp salt',
      '2 tbsp ghee',
      '1 tsp cumin seeds',
      '3 cloves garlic, sliced',
    ],
    steps: [
      'Rinse the split peas.',
      'Add the split peas, water, turmeric and salt to the cooker. Close and cook for 5 whistles.',
      'Let the pressure fall by itself.',
      'For the tempering, heat the ghee in a small pan, sizzle the cumin and garlic for 2 minutes, and pour over the peas.',
    ],
    stages: ['prepare', 'pot', 'temper 2'],
  },
  {
    name: 'Black beans with sweet potato',
    servings: 6,
    totalMinutes: 75,
    ingredients: [
      '1 1/2 cups (300 g) dried black beans',
      '1/2 lb sweet potatoes, cubed',
      '1 large onion (about 200 g)',
      '2 tbsp tomato paste',
      'juice of 1 lime',
      '2 tsp salt, divided',
      '1 tbsp oil',
    ],
    steps: [
      'Soak the beans overnight.',
      'Heat the oil & fry the onion until golden, about 8 minutes.',
      'Add the drained beans, sweet potatoes, paste, half the salt and 3 cups of water. Cook 25 minutes at high pressure, natural release.',
      'Stir in the lime juice and the rest of the salt.',
    ],
    stages: ['soak 480', 'fry 8', 'pot', 'combine'],
  },
  {
    name: 'One-pot rice with peas',
    servings: 3,
    totalMinutes: 35,
    ingredients: [
      '1 cup basmati rice',
      '1 cup frozen peas',
      '1 onion, thinly sliced',
      '1 tbsp butter',
      '4 green cardamom pods',
      '1 bay leaf',
      '1¾ cups water',
      '3/4 tsp salt',
    ],
    steps: [
      'Soak the rice for 20 minutes.',
      'Melt the butter and fry the onion with the cardamom and bay leaf for 6 minutes.',
      'Add the drained rice, peas, salt and water. Bring to a boil, cover and cook on low for 12 minutes.',
      'Let it rest, covered, for 10 minutes, then fluff with a fork.',
    ],
    stages: ['soak 20', 'fry 6', 'simmer 12', 'rest 10', 'fluff'],
  },
  {
    name: 'Lentil soup with spinach',
    servings: 4,
    totalMinutes: 55,
    ingredients: [
      '200 g red lentils',
      '2 carrots, diced',
      '1 celery stalk, diced',
      '1 (400 g) tin chopped tomatoes',
      '1 litre vegetable stock',
      '100 g spinach',
      '2 tbsp olive oil',
    ],
    steps: [
      'Heat the olive oil and soften the carrots and celery for 10 minutes.',
      'Add the lentils, tomatoes and stock, bring to a boil and simmer for 25 minutes.',
      'Blend until smooth.',
      'Add the spinach and simmer for 3 minutes.',
    ],
    stages: ['fry 10', 'simmer 25', 'mash', 'simmer 3'],
  },
  {
    name: 'Ginger congee',
    servings: 4,
    totalMinutes: 90,
    ingredients: [
      '1 cup jasmine rice',
      '30 g ginger, sliced',
      '1.6 litres water',
      '8 g salt',
      '2 spring onions, sliced',
    ],
    steps: [
      'Rinse the rice.',
      'Put rice, ginger, water and salt into the pot and simmer, covered, for 1 hour 15 minutes.',
      'Scatter over the spring onions.',
    ],
    stages: ['prepare', 'simmer 75', 'combine'],
  },
]

const json = (value: unknown) => JSON.stringify(value)
const escaped = (text: string) => text.replace(/&/g, '&amp;').replace(/</g, '&lt;')
const iso = (minutes: number) => `PT${Math.floor(minutes / 60)}H${minutes % 60}M`
const page = (inside: string, head = '') =>
  `<!doctype html><html><head><title>x</title>${head}<script>var a = "<li>no</li>"</script></head><body><nav><a href="/">Home</a></nav>${inside}<footer>All rights</footer></body></html>`
const script = (content: string, type = 'application/ld+json') => `<script type="${type}">${content}</script>`
const ld = ({ name, servings, totalMinutes, ingredients, steps }: ToldRecipe) => ({
  '@context': 'https://schema.org',
  '@type': 'Recipe',
  name,
  recipeYield: `${servings} servings`,
  totalTime: iso(totalMinutes),
  recipeIngredient: ingredients,
  recipeInstructions: steps.map((text) => ({ '@type': 'HowToStep', text })),
})

/** The published shapes in which recipes are found, and the ways in which pages get them wrong. */
export const SHAPES: Readonly<Record<string, (recipe: ToldRecipe) => string>> = {
  'JSON-LD alone': (recipe) => json(ld(recipe)),
  'JSON-LD in a page': (recipe) => page('<h1>x</h1>', script(json(ld(recipe)))),
  'in a graph, with the page and its author': (recipe) =>
    page(
      '',
      script(
        json({
          '@context': 'https://schema.org',
          '@graph': [{ '@type': 'WebPage' }, { '@type': 'Person', name: 'A' }, ld(recipe)],
        }),
      ),
    ),
  'in an array of arrays': (recipe) => page('', script(json([[{ '@type': 'Organization' }], [ld(recipe)]]))),
  'as the main thing of a page, of several types': (recipe) =>
    page('', script(json({ '@type': 'WebPage', mainEntity: { ...ld(recipe), '@type': ['Recipe', 'NewsArticle'] } }))),
  'with prefixes': ({ name, servings, ingredients, steps }) =>
    page(
      '',
      script(
        json({
          '@context': { schema: 'http://schema.org/' },
          '@type': 'schema:Recipe',
          'schema:name': name,
          'schema:recipeYield': String(servings),
          'schema:recipeIngredient': ingredients,
          'schema:recipeInstructions': steps,
        }),
      ),
    ),
  'with commas too many and comments': (recipe) =>
    page(
      '',
      script(json(ld(recipe)).replace(/\}$/, ',}').replace(/"\]/, '",]').replace(/^\{/, '{ /* made by a plugin */ ')),
    ),
  'in CDATA': (recipe) => page('', script(`\n//<![CDATA[\n${json(ld(recipe))}\n//]]>\n`)),
  'in a comment of its script': (recipe) => page('', script(`<!-- ${json(ld(recipe))} -->`)),
  'with line breaks inside its texts': (recipe) => page('', script(json(ld(recipe)).replace(/, /g, ',\n '))),
  'escaped twice': (recipe) =>
    page(
      '',
      script(
        json({
          ...ld(recipe),
          recipeIngredient: recipe.ingredients.map((one) => escaped(escaped(one.replace('½', '&frac12;')))),
          recipeInstructions: recipe.steps.map((text) => ({ '@type': 'HowToStep', text: escaped(escaped(text)) })),
        }),
      ),
    ),
  'with steps numbered in one text': (recipe) =>
    json({ ...ld(recipe), recipeInstructions: recipe.steps.map((text, i) => `${i + 1}. ${text}`).join(' ') }),
  'with steps as paragraphs of markup': (recipe) =>
    json({ ...ld(recipe), recipeInstructions: recipe.steps.map((text) => `<p>${escaped(text)}</p>`).join('') }),
  'in sections': (recipe) =>
    json({
      ...ld(recipe),
      recipeInstructions: [
        {
          '@type': 'HowToSection',
          name: 'All of it',
          itemListElement: recipe.steps.map((text) => ({ '@type': 'HowToStep', name: 'Step', text })),
        },
      ],
    }),
  'with its steps named by their ids': (recipe) =>
    json({
      '@context': 'https://schema.org',
      '@graph': [
        { ...ld(recipe), recipeInstructions: recipe.steps.map((_, i) => ({ '@id': `#s${i}` })) },
        ...recipe.steps.map((text, i) => ({ '@id': `#s${i}`, '@type': 'HowToStep', text })),
      ],
    }),
  'with times of preparing and cooking': (recipe) =>
    json({
      ...ld(recipe),
      totalTime: undefined,
      prepTime: 'PT10M',
      cookTime: iso(recipe.totalMinutes - 10),
      recipeYield: [recipe.servings, `${recipe.servings} bowls`],
    }),
  microdata: ({ name, servings, totalMinutes, ingredients, steps }) =>
    page(
      `<div itemscope itemtype="http://schema.org/Recipe"><h1 itemprop="name">${escaped(name)}</h1><meta itemprop="totalTime" content="${iso(totalMinutes)}"><span itemprop="recipeYield">Serves ${servings}</span><ul>${ingredients.map((one) => `<li itemprop="recipeIngredient">${escaped(one)}</li>`).join('')}</ul><div itemprop="recipeInstructions"><ol>${steps.map((one) => `<li>${escaped(one)}</li>`).join('')}</ol></div></div>`,
    ),
  'microdata, step by step': ({ name, servings, totalMinutes, ingredients, steps }) =>
    page(
      `<article itemscope itemtype="https://schema.org/Recipe"><h2 itemprop="name">${escaped(name)}</h2><time itemprop="totalTime" datetime="${iso(totalMinutes)}">a while</time><b itemprop="recipeYield">${servings}</b>${ingredients.map((one) => `<p itemprop="ingredients">${escaped(one)}</p>`).join('')}${steps.map((one) => `<p itemprop="recipeInstructions">${escaped(one)}</p>`).join('')}</article>`,
    ),
  RDFa: ({ name, servings, totalMinutes, ingredients, steps }) =>
    page(
      `<div vocab="http://schema.org/" typeof="Recipe"><h1 property="name">${escaped(name)}</h1><meta property="totalTime" content="${iso(totalMinutes)}"/><span property="recipeYield">${servings} portions</span>${ingredients.map((one) => `<li property="recipeIngredient">${escaped(one)}</li>`).join('')}<div property="recipeInstructions">${steps.map((one) => `<p>${escaped(one)}</p>`).join('')}</div></div>`,
    ),
  'h-recipe': ({ name, servings, totalMinutes, ingredients, steps }) =>
    page(
      `<div class="post h-recipe"><h1 class="p-name">${escaped(name)}</h1><data class="p-yield" value="${servings}">${servings} people</data><time class="dt-duration" datetime="${iso(totalMinutes)}">later</time><ul>${ingredients.map((one) => `<li class="p-ingredient">${escaped(one)}</li>`).join('')}</ul><div class="e-instructions"><ol>${steps.map((one) => `<li>${escaped(one)}</li>`).join('')}</ol></div></div>`,
    ),
  'plain text': ({ name, servings, ingredients, steps }) =>
    `${name}\nServes ${servings}\n\nIngredients\n${ingredients.map((one) => `- ${one}`).join('\n')}\n\nMethod\n${steps.map((one, i) => `${i + 1}. ${one}`).join('\n')}\n`,
  'plain text without headings': ({ name, servings, ingredients, steps }) =>
    `${name}\nFor ${servings} people\n${ingredients.join('\n')}\n\n${steps.join('\n')}`,
  'plain text with an advertisement of its time': ({ name, servings, ingredients, steps }) =>
    `${name}\nReady for dinner in no time\n${servings} servings\nYou will need:\n${ingredients.join('\n')}\nDirections:\n${steps.join('\n')}`,
  'a page of text only': ({ name, servings, ingredients, steps }) =>
    `<html><body><h1>${escaped(name)}</h1><p>Serves ${servings}</p><h2>Ingredients</h2><ul>${ingredients.map((one) => `<li>${escaped(one)}</li>`).join('')}</ul><h2>Method</h2><ol>${steps.map((one) => `<li>${escaped(one)}</li>`).join('')}</ol></body></html>`,
}
