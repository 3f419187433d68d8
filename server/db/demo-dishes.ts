import type { DishLine, PotSettings, Stage } from '../../core/dish/dish.schema'
import type { DishDocument } from '../../shared/dish'
import { DISH_SHAPE } from '../../shared/shapes'

/** The cookers, burners and tins of the demo kitchen that its dishes stand in. */
interface DemoPots {
  blue: string
  old: string
  electric: string
  strong: string
  weak: string
}

const line = (id: string, typed: string, what: string, g: number | null): DishLine => ({ id, typed, what, g })

/** A stage with what it takes (all that is left, or so many g of a line) and what it goes on with. */
function stage(
  id: string,
  kind: Stage['kind'],
  takes: (string | [line: string, g: number])[],
  from: string[],
  more: Partial<Stage> = {},
): Stage {
  return {
    id,
    kind,
    takes: takes.map((one) => (typeof one === 'string' ? { line: one } : { line: one[0], g: one[1] })),
    from: from.map((one) => ({ stage: one, part: 'all' as const })),
    ...more,
  }
}

const WIDE = { diameterMm: 190, heightMm: 40, volumeMl: 1050, material: 'steel' } as const
const SMALL = { diameterMm: 170, heightMm: 40, volumeMl: 840, material: 'steel' } as const

type DemoDish = Omit<DishDocument, 'shape'> & { favourite?: boolean }
/** The demo kitchen's pots, and what is set for one that a stage stands in. */
interface Pots extends DemoPots {
  on: (cookerId: string, change?: Partial<PotSettings>) => { pot: PotSettings }
}

const whiteBeansWithSquash = ({ on, blue }: Pots): DemoDish => ({
  name: 'White beans with squash',
  favourite: true,
  servings: 4,
  lines: [
    line('beans', '300 g white beans', 'navy-bean', 300),
    line('onion', '1 large onion, chopped', 'onion', 150),
    line('squash', '400 g squash, in 2 cm cubes', 'squash-cubes', 400),
    line('tomato', '1 tomato, chopped', 'tomato', 120),
    line('oil', '4 tbsp oil', 'oil', 50),
    line('garlic', '3 cloves garlic, sliced', 'garlic', 12),
    line('salt', '17 g salt', 'salt', 17),
    line('lemon', '2 tsp lemon juice', 'lemon-juice', 10),
    line('sage', 'sage, a pouch of pepper and clove', 'sage', null),
    line('chilli', 'dried chilli, or leave it out', 'dried-chilli', null),
  ],
  stages: [
    stage('soak', 'soak', ['beans', ['salt', 9]], [], {
      waterG: 1200,
      minutes: 480,
      until: 'overnight in the cool; that water is thrown out',
    }),
    stage('fry', 'fry', [['oil', 30], 'onion', 'sage'], [], {
      minutes: 9,
      until: 'until the onion is golden; scrape the bottom before the water',
    }),
    stage('pot', 'pot', [['salt', 4]], ['soak', 'fry'], on(blue)),
    stage('simmer', 'simmer', ['squash', 'tomato'], ['pot'], {
      minutes: 12,
      flame: 'simmer',
      keepsG: 80,
      takesOutPouch: true,
      until: 'until a knife goes in; the tomato goes in with the squash, not before',
    }),
    stage('temper', 'temper', ['oil', 'garlic', 'chilli'], ['simmer'], {
      minutes: 3,
      until: 'sizzling, not brown; over the beans at once',
    }),
    stage('rest', 'rest', ['lemon', 'salt'], ['temper'], { minutes: 5, until: 'the liquid thickens as it stands' }),
  ],
})

const peasWithRiceAbove = ({ on, blue }: Pots): DemoDish => ({
  name: 'Black-eyed peas with brown rice above',
  servings: 4,
  lines: [
    line('peas', '1¼ cups black-eyed peas', 'black-eyed', 215),
    line('rice', '¾ cup brown rice', 'brown-long', 150),
    line('onion', '2 onions, chopped', 'onion', 250),
    line('paste', '1 tbsp ginger-garlic paste', 'ginger-garlic-paste', 15),
    line('tomato', '200 g tomato purée', 'tomato-puree', 200),
    line('oil', '3 tbsp oil', 'oil', 40),
    line('cumin', '1 tsp cumin seeds', 'cumin-seed', 2),
    line('masala', '2 tsp garam masala', 'garam-masala', 4),
    line('salt', '11 g salt', 'salt', 11),
    line('coriander', 'coriander leaves', 'coriander-leaf', null),
  ],
  stages: [
    stage('soak', 'soak', ['peas'], [], { waterG: 900, minutes: 300, until: 'that water is thrown out' }),
    stage('pot', 'pot', ['rice', ['salt', 4]], ['soak'], {
      ...on(blue, {
        foods: [{ line: 'rice', where: { tin: { ...WIDE, lid: true }, tier: 1 }, texture: 'separate' }],
      }),
      until: 'the rice in its tin above the peas',
    }),
    stage('gravy', 'fry', ['oil', 'cumin', 'onion', 'paste', 'tomato', 'masala', 'salt'], [], {
      vessel: 'pan',
      minutes: 15,
      until: 'beside the pot, until the oil stands at its edge',
    }),
    stage('combine', 'combine', [], ['pot', 'gravy'], {
      minutes: 2,
      until: 'the peas into the gravy; the rice stays in its tin',
    }),
    stage('simmer', 'simmer', ['coriander'], ['combine'], { minutes: 5, flame: 'simmer' }),
  ],
})

const barleyAndMushroom = ({ on, electric }: Pots): DemoDish => ({
  name: 'Barley and mushroom pot',
  servings: 4,
  lines: [
    line('barley', '1½ cups pearl barley', 'pearl-barley', 300),
    line('mushroom', '300 g mushrooms, sliced', 'mushroom', 300),
    line('dried', '15 g dried mushrooms', 'mushroom-dried', 15),
    line('onion', '1 onion', 'onion', 150),
    line('butter', '40 g butter', 'butter', 40),
    line('thyme', 'thyme', 'thyme', null),
    line('stock', '500 ml unsalted stock', 'stock', 500),
    line('salt', '10 g salt', 'salt', 10),
    line('pepper', 'black pepper', 'black-pepper', null),
    line('parsley', 'parsley, chopped', 'parsley', 15),
  ],
  stages: [
    stage('fry', 'fry', ['butter', 'onion', 'mushroom', 'dried', 'thyme'], [], {
      minutes: 12,
      until: 'until the mushrooms have given their water and it is gone',
    }),
    stage('pot', 'pot', ['barley', 'stock', 'salt'], ['fry'], on(electric, { freeLiquid: 'thick' })),
    stage('rest', 'rest', ['parsley', 'pepper'], ['pot'], { minutes: 5, until: 'stir once; it thickens' }),
  ],
})

const threeTierSunday = ({ on, blue }: Pots): DemoDish => ({
  name: 'Three-tier Sunday',
  favourite: true,
  servings: 4,
  lines: [
    line('rice', '¾ cup red rice', 'red-rice', 150),
    line('dal', '1 cup split pigeon peas', 'toor-split', 150),
    line('beet', '2 beetroots, halved', 'beetroot-whole', 240),
    line('ghee', '2 tbsp ghee', 'ghee', 27),
    line('mustard', '1 tsp mustard seeds', 'mustard-seed', 3),
    line('curry', '10 curry leaves', 'curry-leaves', 1.5),
    line('onion', '1 onion, sliced', 'onion', 150),
    line('tomato', '1 tomato', 'tomato', 120),
    line('turmeric', '½ tsp turmeric', 'turmeric', 1),
    line('salt', '9 g salt', 'salt', 9),
    line('yogurt', '150 g yogurt', 'yogurt', 150),
  ],
  stages: [
    stage('soak', 'soak', ['rice'], [], { waterG: 600, minutes: 240, until: 'that water is thrown out' }),
    stage('pot', 'pot', ['dal', 'beet', 'turmeric'], ['soak'], {
      ...on(blue, {
        foods: [
          { line: 'dal', texture: 'soft' },
          { line: 'rice', where: { tin: { ...WIDE, lid: true }, tier: 1 } },
          { line: 'beet', where: { tin: { ...SMALL, lid: true }, tier: 2 }, texture: 'firm', sizeMm: 24 },
        ],
      }),
      until: 'dal in the base, rice above it, beetroot at the top',
    }),
    stage('gravy', 'fry', ['ghee', 'mustard', 'curry', 'onion', 'tomato', ['salt', 6]], [], {
      vessel: 'pan',
      minutes: 12,
      until: 'beside the pot, until the tomato has gone to pieces',
    }),
    stage('combine', 'combine', [], ['pot', 'gravy'], { minutes: 3, until: 'the dal into the gravy' }),
    stage('rest', 'rest', ['yogurt', 'salt'], ['combine'], {
      minutes: 5,
      until: 'the beetroot sliced into the yogurt',
    }),
  ],
})

const gingerCongee = ({ on, electric }: Pots): DemoDish => ({
  name: 'Ginger congee',
  favourite: true,
  servings: 3,
  lines: [
    line('rice', '½ cup jasmine rice', 'jasmine-white', 95),
    line('ginger', '30 g ginger, in strips', 'ginger', 30),
    line('stock', '300 ml unsalted stock', 'stock', 300),
    line('mushroom', '4 dried mushrooms', 'mushroom-dried', 8),
    line('soy', '1½ tbsp soy sauce', 'soy-sauce', 24),
    line('oil', '1 tbsp sesame oil', 'sesame-oil', 13),
    line('spring', '3 spring onions', 'spring-onion', 45),
  ],
  stages: [
    stage('pot', 'pot', ['rice', 'ginger', 'stock', 'mushroom'], [], {
      ...on(electric, { foods: [{ line: 'rice', texture: 'porridge-pourable' }] }),
    }),
    stage('rest', 'rest', ['soy', 'oil', 'spring'], ['pot'], { minutes: 4 }),
  ],
})

const blackRicePudding = ({ on, electric }: Pots): DemoDish => ({
  name: 'Black rice pudding',
  servings: 4,
  lines: [
    line('rice', '¾ cup black rice', 'black-rice', 140),
    line('coconut', '250 ml coconut milk', 'coconut-milk', 250),
    line('sugar', '70 g palm sugar', 'palm-sugar', 70),
    line('salt', '2 g salt', 'salt', 2),
    line('mango', '1 mango', 'mango', 200),
  ],
  stages: [
    stage('soak', 'soak', ['rice'], [], { waterG: 500, minutes: 240, until: 'that water is thrown out' }),
    stage('pot', 'pot', [], ['soak'], {
      ...on(electric, { foods: [{ line: 'rice', texture: 'porridge-thick' }] }),
    }),
    stage('simmer', 'simmer', ['coconut', 'sugar', 'salt'], ['pot'], {
      minutes: 6,
      flame: 'simmer',
      until: 'stir it; it thickens more as it cools',
    }),
    stage('rest', 'rest', ['mango'], ['simmer'], { minutes: 10 }),
  ],
})

const yellowPeaSoup = ({ on, electric }: Pots): DemoDish => ({
  name: 'Yellow pea soup',
  servings: 4,
  lines: [
    line('peas', '250 g yellow split peas', 'split-peas', 250),
    line('onion', '1 onion', 'onion', 150),
    line('carrot', '2 carrots', 'carrot-chunks', 140),
    line('oil', '2 tbsp oil', 'oil', 27),
    line('bay', '2 bay leaves', 'bay-leaf', 0.6),
    line('thyme', '1 tsp dried thyme', 'thyme-dried', 1),
    line('mustard', '1 tbsp mustard', 'mustard-prepared', 16),
    line('salt', '12 g salt', 'salt', 12),
    line('vinegar', '2 tsp vinegar', 'vinegar', 10),
  ],
  stages: [
    stage('fry', 'fry', ['oil', 'onion', 'bay', 'thyme'], [], { minutes: 7 }),
    stage('pot', 'pot', ['peas'], ['fry'], {
      ...on(electric, { freeLiquid: 'pourable' }),
    }),
    stage('mash', 'mash', [], ['pot'], { minutes: 3, until: 'half of it; take the bay leaves out first' }),
    stage('simmer', 'simmer', ['carrot', 'mustard', 'salt', 'vinegar'], ['mash'], {
      minutes: 12,
      flame: 'simmer',
      until: 'until the carrots are just soft; stir, it catches',
    }),
  ],
})

const milletWithGreens = ({ on, old, weak }: Pots): DemoDish => ({
  name: 'Millet with greens',
  servings: 3,
  lines: [
    line('millet', '1 cup foxtail millet', 'foxtail-millet', 190),
    line('onion', '1 onion', 'onion', 120),
    line('garlic', '2 cloves garlic', 'garlic', 8),
    line('oil', '2 tbsp oil', 'oil', 27),
    line('mustard', '1 tsp mustard seeds', 'mustard-seed', 3),
    line('spinach', '250 g spinach', 'spinach', 250),
    line('salt', '7 g salt', 'salt', 7),
    line('lemon', '1 tbsp lemon juice', 'lemon-juice', 15),
    line('cashew', '40 g cashews', 'cashew', 40),
  ],
  stages: [
    stage('fry', 'fry', ['oil', 'mustard', 'onion', 'garlic'], [], { minutes: 6 }),
    stage('pot', 'pot', ['millet', 'salt'], ['fry'], {
      ...on(old, { burnerId: weak, freeLiquid: 'drained', style: 'first-whistle-then-low' }),
    }),
    stage('combine', 'combine', ['spinach'], ['pot'], { minutes: 2, until: 'folded in while it is hot' }),
    stage('rest', 'rest', ['lemon', 'cashew'], ['combine'], { minutes: 5 }),
  ],
})

const hominyAndBeans = ({ on, electric }: Pots): DemoDish => ({
  name: 'Hominy and bean stew',
  servings: 6,
  lines: [
    line('hominy', '300 g dried hominy', 'hominy-dried', 300),
    {
      ...line('beans', '500 g pinto beans from the freezer', 'pinto', 500),
      kept: { dryG: 217, boilMinutes: 95, saltG: 1.5 },
      portionId: '0de70000-0000-4000-8000-000000000801',
    },
    line('chillies', '4 dried chillies', 'dried-chilli', 8),
    line('onion', '1 onion', 'onion', 150),
    line('garlic', '4 cloves garlic', 'garlic', 16),
    line('oil', '3 tbsp oil', 'oil', 40),
    line('tomato', '1 tin tomatoes', 'tomato-canned', 400),
    line('oregano', '1 tsp oregano', 'oregano-dried', 1),
    line('salt', '16 g salt', 'salt', 16),
    line('lime', '2 tbsp lime juice', 'lime-juice', 30),
  ],
  stages: [
    stage('soak', 'soak', ['hominy'], [], { waterG: 1200, minutes: 600, until: 'overnight' }),
    stage('pot', 'pot', [['salt', 6]], ['soak'], {
      ...on(electric, { foods: [{ line: 'hominy', texture: 'soft' }], freeLiquid: 'spoonable' }),
    }),
    stage('gravy', 'fry', ['oil', 'chillies', 'onion', 'garlic', 'tomato', 'oregano'], [], {
      vessel: 'pan',
      minutes: 14,
      until: 'beside the pot; then blend it smooth',
    }),
    stage('combine', 'combine', ['beans'], ['pot', 'gravy'], { minutes: 3 }),
    stage('simmer', 'simmer', ['salt'], ['combine'], {
      minutes: 10,
      flame: 'low',
      until: 'until the beans are hot',
    }),
    stage('rest', 'rest', ['lime'], ['simmer'], { minutes: 5 }),
  ],
})

/** The dishes of Larkspur Terrace, written out in full. */
export function demoDishes(pots: DemoPots): DemoDish[] {
  const on: Pots['on'] = (cookerId, change = {}) => ({
    pot: {
      cookerId,
      burnerId: pots.strong,
      style: cookerId === pots.electric ? 'electric' : 'whistles',
      flame: null,
      heatUp: 'high',
      level: 'high',
      freeLiquid: 'spoonable',
      foods: [],
      ...change,
    },
  })
  return [
    whiteBeansWithSquash,
    peasWithRiceAbove,
    barleyAndMushroom,
    threeTierSunday,
    gingerCongee,
    blackRicePudding,
    yellowPeaSoup,
    milletWithGreens,
    hominyAndBeans,
  ].map((dish) => dish({ ...pots, on }))
}

export const asDocument = ({ favourite: _, ...dish }: DemoDish): DishDocument => ({
  shape: DISH_SHAPE,
  ...dish,
})
