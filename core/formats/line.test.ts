import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { namesOf } from '../../locales/names'
import { readLine } from './line'

const names = namesOf()
const read = (text: string, measuring = {}) => readLine(text, names, measuring)

// As typed; what it is; grams (null for what is not weighed).
const LINES: [text: string, what: string | null, g: number | null][] = [
  ['2½ cups brown rice, rinsed', 'brown-long', 475],
  ['1 (400 g) tin chopped tomatoes', 'tomato-canned', 400],
  ['a pinch of salt', 'salt', null],
  ['2-3 green chillies', 'green-chilli', 12.5],
  ['½ kg rajma', 'kidney-red', 500],
  ['1,5 kg potatoes', 'potato-cubes', 1500],
  ['1 x 400g can chickpeas', 'chickpeas-canned', 240],
  ['2 x 400 g tins kidney beans, drained', 'beans-canned', 480],
  ['salt to taste', 'salt', null],
  ['3 cloves garlic, minced', 'garlic', 12],
  ['1 large onion, finely chopped', 'onion', 225],
  ['2 medium onions', 'onion', 300],
  ['juice of 1 lemon', 'lemon-juice', 45],
  ['2 tbsp oil', 'oil', 27.25],
  ['2 tablespoons extra virgin olive oil', 'olive-oil', 27],
  ['250g/9oz red lentils', 'masoor-split', 250],
  ['200 g (7 oz) yellow split peas', 'split-peas', 200],
  ['one 15-ounce can black beans', 'beans-canned', 255.1],
  ['1 bay leaf', 'bay-leaf', 0.3],
  ['200ml coconut milk', 'coconut-milk', 200],
  ['1 tin coconut milk', 'coconut-milk', 400],
  ['1 1/2 tsp cumin seeds', 'cumin-seed', 3.125],
  ['1/2 teaspoon turmeric', 'turmeric', 1.146],
  ['2 litres water', 'water', 2000],
  ['1 l water', 'water', 1000],
  ['750 ml boiling water', 'water', 750],
  ['1 cm ginger', 'ginger', 5],
  ['1-inch piece of ginger, grated', 'ginger', 12.7],
  ['2 cups chicken stock', 'stock-salted', 480],
  ['1 cup toor dal', 'toor-split', 200],
  ['1 cup dried chickpeas, soaked overnight', 'chickpea-white', 200],
  ['200 g carrots, in 2 cm chunks', 'carrot-chunks', 200],
  ['3 medium potatoes', 'potato-cubes', 450],
  ['4 eggs', 'egg', 228],
  ['500 g boneless lamb, cubed', 'lamb-boneless', 500],
  ['1 kg chicken thighs', 'chicken-thigh', 1000],
  ['1 lb beef chuck', 'beef-stew', 453.6],
  ['8 oz mushrooms, sliced', 'mushroom', 226.8],
  ['1 tbsp ghee', 'ghee', 13.625],
  ['50 g butter, melted', 'butter', 50],
  ['2 tbsp soy sauce', 'soy-sauce', 31.875],
  ['1 tsp garam masala', 'garam-masala', 1.979],
  ['10 curry leaves', 'curry-leaves', 1.5],
  ['a few curry leaves', 'curry-leaves', 0.45],
  ['1 bunch spinach', 'spinach', 250],
  ['handful of coriander', 'coriander-leaf', 15],
  ['• 300 g pearl barley', 'pearl-barley', 300],
  ['- 2 cups basmati rice', 'basmati-white', 370],
  ['¾ cup quinoa', 'quinoa', 127.5],
  ['1 cinnamon stick', 'cinnamon-stick', 3],
  ['4 green cardamom pods', 'cardamom-green', 0.8],
  ['2 dried red chillies', 'dried-chilli', 2],
  ['1 tbsp tomato paste', 'tomato-paste', 16.25],
  ['2 tsp sugar', 'sugar', 8.333],
  ['1 heaped tsp ground cumin', 'cumin-ground', 2.083],
  ['1 cup plain yogurt, whisked', 'yogurt', 245],
  ['1 large red bell pepper', 'bell-pepper', 240],
  ['2 spring onions, sliced', 'spring-onion', 30],
  ['100 g frozen peas', 'peas-green', 100],
  ['1 stock cube', 'stock-cube', 10],
  ['2 cups water', 'water', 480],
  ['0.5 kg black-eyed peas', 'black-eyed', 500],
  ['Salt', 'salt', null],
  ['1 piece kombu', null, null],
]

describe('an ingredient line', () => {
  it.each(LINES)('%s', (text, what, g) => {
    const line = read(text)
    expect(line.typed).toBe(text)
    expect(line.what ?? null).toBe(what)
    if (g === null) expect(line.g).toBeNull()
    else expect(line.g! / g).toBeCloseTo(1, 2)
  })

  it('of which only some words are a name is asked about, never taken', () => {
    expect(read('1 tsp almond extract')).toMatchObject({ what: null, maybe: 'almond' })
    expect(read('2 cups unobtainium flakes')).toMatchObject({ what: null, maybe: null, g: null, amountOpen: true })
  })

  it('with a range takes the middle and says so', () => {
    expect(read('2-3 green chillies').range).toEqual([2, 3])
    expect(read('2 green chillies').range).toBeNull()
  })

  it('that heads others is no ingredient', () => {
    expect(read('For the tempering:').isHeading).toBe(true)
  })

  it('is measured with the household’s own cup and bowls, and its decimals', () => {
    expect(read('2 cups water', { cupMl: 200 }).g).toBeCloseTo(400, 6)
    const measures = [{ id: 'b', name: 'Bowl', volumeMl: 150 }]
    expect(read('2 bowls toor dal', { measures }).g).toBeCloseTo(250, 6)
  })

  it.each([
    ['1,250 g rice', 1250, 1250],
    ['1.250 g rice', 1250, 1250],
    ['1.250 kg rice', 1250, 1_250_000],
    ['1,5 kg rice', 1500, 1500],
    ['1.5 kg rice', 1500, 1500],
    ['12,25 g rice', 12.25, 12.25],
    ['12.25 g rice', 12.25, 12.25],
    ['0,250 kg rice', 250, 250],
    ['0.250 kg rice', 250, 250],
    ['1,000.5 g rice', 1000.5, null],
    ['1.000,5 g rice', null, 1000.5],
  ])('%s: a sign that parts off no thousands stands before decimals, whoever reads it', (text, point, comma) => {
    if (point !== null) expect(read(text, { decimal: 'point' }).g).toBeCloseTo(point, 6)
    if (comma !== null) expect(read(text, { decimal: 'comma' }).g).toBeCloseTo(comma, 6)
  })

  it('in thousandths of a gram is asked about: thousands are written so elsewhere', () => {
    expect(read('1.250 g rice', { decimal: 'point' }).doubt).toBe('amount')
    expect(read('1,250 g rice', { decimal: 'comma' }).doubt).toBe('amount')
    expect(read('1,250 g rice', { decimal: 'point' }).doubt).toBeNull()
    expect(read('1.250 kg rice', { decimal: 'point' }).doubt).toBeNull()
  })

  it.each([
    ['1 kg 200 g potatoes', 1200],
    ['1 lb 4 oz potatoes', 20 * 28.35],
    ['1 cup 2 tbsp water', 270],
    ['1 l 200 ml water', 1200],
    // The same in another unit adds nothing up.
    ['1 cup 240 ml water', 240],
    ['1 lb 450 g potatoes', 16 * 28.35],
  ])('%s is one amount in two units', (text, g) => {
    expect(read(text).g! / g).toBeCloseTo(1, 2)
  })

  it.each([
    ['1 cup frozen black-eyed peas', 'black-eyed'],
    ['2 cups fresh pigeon peas', 'toor-split'],
    ['1 cup whole red lentils', 'masoor-split'],
    ['1 cup broad beans', 'fava-split'],
    ['1 cup mixed beans', 'kidney-red'],
    ['200 g dal', 'toor-split'],
    ['100 g soya chunks', 'soybean'],
    ['1 cup hulled barley', 'pearl-barley'],
    ['1 kg frozen chicken thighs', 'chicken-thigh'],
    ['1 whole chicken', 'chicken-thigh'],
    ['1 cup dried spinach', 'spinach'],
    ['2 cups rice, 4 cups water', 'long-white'],
  ])('%s is asked about: it is another thing, or may be', (text, maybe) => {
    expect(read(text)).toMatchObject({ what: null, maybe, doubt: 'what' })
  })

  it('of what a household calls so is no question', () => {
    const own = namesOf([{ id: 'our-beans', name: 'Beans' }])
    expect(readLine('1 cup beans', own)).toMatchObject({ what: 'our-beans', maybe: null })
  })

  it('of a list that is numbered is read without its number', () => {
    expect(read('3) 2 cups toor dal').g).toBeCloseTo(400, 6)
    expect(read('10) 250 g toor dal').g).toBeCloseTo(250, 6)
  })

  it('finds the household’s own things by their names first', () => {
    const own = namesOf([{ id: 'our-masala', name: 'Our masala' }])
    expect(readLine('2 tsp our masala', own).what).toBe('our-masala')
  })

  it('of any letters is read without failing', () => {
    fc.assert(
      fc.property(fc.string({ maxLength: 80 }), (text) => {
        const line = read(text)
        expect(line.g === null || Number.isFinite(line.g)).toBe(true)
      }),
      { numRuns: 300 },
    )
  })
})
