import { describe, expect, it } from 'vitest'
import { USUAL_POT } from '../../core/dish/pot-stage'
import { readLine } from '../../core/formats/line'
import { releaseIn } from '../../core/formats/figure'
import { readRecipe } from '../../core/formats/read-recipe'
import { actionsOf } from '../../core/formats/step'
import { dishOfRecipe } from '../../core/formats/recipe-dish'
import { LANGUAGES, type Locale } from '../../locales/languages'
import { namesOf } from '../../locales/names'
import { readingOf } from '../../locales/reading'

/** Lines as cooks write them in each language: what it is, and g; null where it is not weighed. */
const LINES: Partial<Record<Locale, readonly [line: string, what: string, g: number | null][]>> = {
  de: [
    ['2 EL Öl', 'oil', 27],
    ['1 große Zwiebel, fein gehackt', 'onion', 150],
    ['eine halbe Zwiebel', 'onion', 75],
    ['250 g rote Linsen', 'masoor-split', 250],
    ['300 g weiße Bohnen, getrocknet', 'navy-bean', 300],
    ['1 TL Kreuzkümmel, gemahlen', 'cumin-seed', 2],
    ['Salz nach Geschmack', 'salt', null],
    ['2 Knoblauchzehen', 'garlic', 8],
    ['1 Dose gehackte Tomaten', 'tomato-canned', 400],
    ['400 g Kichererbsen aus der Dose', 'chickpeas-canned', 400],
    ['1,5 l Wasser', 'water', 1500],
    ['1 Bund Petersilie', 'parsley', 60],
    ['Saft einer Zitrone', 'lemon-juice', 45],
    ['1 Prise Zucker', 'sugar', null],
    ['150 ml Gemüsebrühe', 'stock-salted', 150],
  ],
  es: [
    ['2 cucharadas de aceite de oliva', 'olive-oil', 27],
    ['1 cebolla grande picada', 'onion', 150],
    ['medio pimiento rojo', 'bell-pepper', 80],
    ['300 g de alubias blancas', 'navy-bean', 300],
    ['1 kg de garbanzos', 'chickpea-white', 1000],
    ['2 dientes de ajo', 'garlic', 8],
    ['½ cucharadita de cúrcuma', 'turmeric', 1],
    ['sal al gusto', 'salt', null],
    ['1 lata de tomate triturado', 'tomato-canned', 400],
    ['2 tazas de arroz', 'long-white', 370],
    ['1,5 l de agua', 'water', 1500],
    ['una pizca de azúcar', 'sugar', null],
    ['el zumo de 1 limón', 'lemon-juice', 45],
    ['2 papas medianas', 'potato-cubes', 300],
  ],
  hi: [
    ['1 कप चावल', 'long-white', 185],
    ['2 बड़े चम्मच तेल', 'oil', 27],
    ['½ छोटा चम्मच हल्दी', 'turmeric', 1],
    ['1 प्याज़, बारीक कटा', 'onion', 150],
    ['नमक स्वादानुसार', 'salt', null],
    ['200 ग्राम राजमा', 'kidney-red', 200],
    ['4 कली लहसुन', 'garlic', 16],
    ['1 इंच अदरक', 'ginger', 13],
    ['1 कप तूर दाल', 'toor-split', 200],
    ['डेढ़ कप दही', 'yogurt', 368],
    ['एक चुटकी हींग', 'asafoetida', null],
    ['3 कप पानी', 'water', 720],
    ['2 हरी मिर्च', 'green-chilli', 10],
  ],
}

/** A recipe in each language, and what is done in it: the kind of each stage, its minutes, what a pot is told. */
const RECIPES: Partial<Record<Locale, { text: string; stages: readonly [kind: string, figure: unknown][] }>> = {
  de: {
    text: `Weiße-Bohnen-Suppe
Für 4 Personen
Zutaten
300 g weiße Bohnen, getrocknet
2 EL Öl
1 große Zwiebel, gehackt
2 Knoblauchzehen
1 TL Salz
Zubereitung
Die Bohnen über Nacht einweichen. Das Wasser abgießen.
Öl im Schnellkochtopf erhitzen, Zwiebel und Knoblauch 5 Minuten anbraten.
Bohnen und Wasser dazugeben und 6 Pfiffe kochen.
10 Minuten ruhen lassen, dann mit Salz abschmecken und servieren.`,
    stages: [
      ['soak', 480],
      ['fry', 5],
      ['pot', '6 whistles'],
      ['rest', 10],
      ['combine', undefined],
    ],
  },
  es: {
    text: `Garbanzos guisados
Para 4 personas
Ingredientes
300 g de garbanzos
2 cucharadas de aceite
1 cebolla picada
2 dientes de ajo
Preparación
Pon en remojo los garbanzos 12 horas.
Escurre los garbanzos.
Sofríe la cebolla y el ajo en el aceite durante 5 minutos.
Añade los garbanzos y cuece en la olla a presión 20 minutos a alta presión.
Deja reposar 10 minutos y sirve.`,
    stages: [
      ['soak', 720],
      ['fry', 5],
      ['pot', '20 high-pressure'],
      ['rest', 10],
    ],
  },
  hi: {
    text: `राजमा
4 लोगों के लिए
सामग्री
200 ग्राम राजमा
2 बड़े चम्मच तेल
1 प्याज़, कटा
2 टमाटर
1 छोटा चम्मच जीरा
विधि
राजमा को रात भर भिगोएँ। पानी निथारें।
कुकर में तेल गरम करें, जीरा और प्याज़ 5 मिनट भूनें।
टमाटर डालें। राजमा और पानी डालें, 5 सीटी आने तक पकाएँ।
10 मिनट धीमी आँच पर पकाएँ और परोसें।`,
    stages: [
      ['soak', 480],
      ['fry', 5],
      ['pot', '5 whistles'],
      ['simmer', 10],
    ],
  },
}

describe.each(Object.keys(LINES) as Locale[])('reading in %s', (locale) => {
  const style = { decimal: LANGUAGES[locale].decimal }

  it.each(LINES[locale]!)('“%s” is %s', async (text, what, g) => {
    const read = readLine(text, namesOf([], await readingOf(locale)), style)
    expect({ what: read.what, g: read.g === null ? null : Math.round(read.g), doubt: read.doubt }).toEqual({
      what,
      g,
      doubt: null,
    })
  })

  it('a recipe finds what is done, for how long, and what the pot is told; its own words are kept', async () => {
    const { text, stages } = RECIPES[locale]!
    const read = readRecipe(text)
    if (!read.ok) throw new Error(read.problems[0]!.code)
    const pots = { usual: USUAL_POT, kinds: { whistling: USUAL_POT, electric: USUAL_POT } }
    const { dish } = dishOfRecipe(read.value, namesOf([], await readingOf(locale)), pots, style)
    const told = dish.stages.map(({ kind, minutes, pot }) => [
      kind,
      pot?.written ? `${pot.written.figure} ${pot.written.kind}` : minutes,
    ])
    expect(dish.servings).toBe(4)
    expect(told).toEqual(stages)
    // Every ingredient goes where it is named.
    const taken = dish.stages.flatMap(({ takes }) => takes.map(({ line }) => line))
    expect(dish.lines.filter(({ id }) => !taken.includes(id)).map(({ typed }) => typed)).toEqual([])
    for (const { until } of dish.stages) expect(until).not.toMatch(/\b(?:soak|fry|cook|add|simmer)\b/)
  })
})

it.each([
  ['de', 'Die Linsen nicht einweichen.'],
  ['de', 'Das Wasser nicht abgießen.'],
  ['de', 'Weiche die Linsen nicht ein.'],
  ['de', 'Gieße das Wasser bitte nicht ab und stelle den Topf beiseite.'],
  ['es', 'No remojar las lentejas.'],
  ['hi', 'मसूर न भिगोएँ।'],
  ['hi', 'मसूर भिगोएँ नहीं।'],
] as const)('what is not to be done is not done: %s, %s', async (locale, text) => {
  const { inEnglish } = namesOf([], await readingOf(locale))
  expect(actionsOf(text, null, inEnglish).map(({ kind }) => kind)).not.toContain(
    text.includes('Wasser') ? 'drain' : 'soak',
  )
})

it.each([
  ['Weiche die Bohnen über Nacht ein.', 'Soak the beans overnight.'],
  ['Weiche ein Pfund Bohnen im Topf ein. Gieße das Wasser ab.', 'Soak a pound of beans in the pot. Drain the water.'],
  ['Brate die Zwiebeln 5 Minuten an und gib die Bohnen dazu.', 'Fry the onions for 5 minutes and add the beans.'],
  ['Lass alles 10 Minuten ruhen.', 'Rest all of it for 10 minutes.'],
  ['Gib die weiche Butter dazu.', 'Add the soft butter.'],
] as const)('a German verb that is written apart is one: %s', async (german, english) => {
  const { inEnglish } = namesOf([], await readingOf('de'))
  const done = actionsOf(german, null, inEnglish)
  expect(done.map(({ kind, minutes }) => [kind, minutes])).toEqual(
    actionsOf(english).map(({ kind, minutes }) => [kind, minutes]),
  )
  expect(done.length).toBeGreaterThan(0)
})

it('what is sold cooked and has no such entry is asked about, and not taken for as much dry', async () => {
  const read = readLine('1 Dose Mungbohnen', namesOf([], await readingOf('de')))
  expect(read.what).toBe(null)
  expect(read.doubt).toBe('what')
})

it.each([
  ['de', '200 g Bohnen'],
  ['de', '300 g tiefgekühlte Kichererbsen'],
  ['de', '500 g dicke Bohnen'],
  ['es', '2 tazas de frijoles'],
  ['es', '300 g de garbanzos congelados'],
  ['hi', '1 कप दाल'],
  ['hi', '200 ग्राम ताज़ा लोबिया'],
] satisfies [Locale, string][])(
  'in %s “%s” is asked about: it stands for several, or is not the dry one',
  async (locale, line) => {
    expect(readLine(line, namesOf([], await readingOf(locale)))).toMatchObject({ what: null, doubt: 'what' })
  },
)

describe('pressure that comes and goes abroad', () => {
  it.each([
    ['de', 'Sobald der Druck erreicht ist, 15 Minuten garen.', { kind: 'high-pressure', figure: 15 }],
    ['de', 'Ab dem ersten Pfiff 15 Minuten auf kleiner Flamme garen.', { kind: 'whistles', thenLowMinutes: 15 }],
    ['es', 'Deja que coja presión y cuece 10 minutos.', { kind: 'high-pressure', figure: 10 }],
    ['es', 'Cuando empiece a pitar, baja el fuego y cuece 15 minutos.', { kind: 'whistles', thenLowMinutes: 15 }],
    ['hi', 'प्रेशर आने पर 10 मिनट पकाएँ।', { kind: 'high-pressure', figure: 10 }],
    ['hi', 'पहली सीटी के बाद आँच धीमी करके 15 मिनट पकाएँ।', { kind: 'whistles', thenLowMinutes: 15 }],
  ] as const)('%s: %s is a pot under pressure', async (locale, text, figure) => {
    const { inEnglish } = namesOf([], await readingOf(locale))
    expect(actionsOf(text, null, inEnglish)).toMatchObject([{ kind: 'pot', isRelease: false, figure }])
  })

  it.each([
    ['de', 'Den Druck von selbst abfallen lassen.'],
    ['de', 'Topf vom Herd nehmen, Druck langsam abbauen lassen.'],
    ['es', 'Deja que la presión baje sola.'],
    ['es', 'Espera a que se vaya la presión.'],
    ['hi', 'प्रेशर अपने आप निकलने दें।'],
  ] as const)('%s: %s is a natural release', async (locale, text) => {
    const { inEnglish } = namesOf([], await readingOf(locale))
    const [action] = actionsOf(text, null, inEnglish)
    expect(action!.isRelease).toBe(true)
    expect(releaseIn(action!.text).release).toBe('natural')
  })
})
