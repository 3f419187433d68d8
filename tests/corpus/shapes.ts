import type { Wanted } from '../../core/dish/propose'

/**
 * Dishes of different shapes as a cook types them: what is pressed afterwards besides taking the proposal, and the
 * stages that are right for each, written by hand before they were looked at.
 */
export interface Shape {
  name: string
  lines: string
  /** What is pressed, by the choice that it is and as the screen says it. */
  presses: { wanted: Wanted; says: string }[]
  /** Each stage with the stages it goes on from, and what goes in; a minute where it goes in later. */
  stages: string[]
}

export const SHAPES: readonly Shape[] = [
  {
    name: 'Black-eyed peas with spinach',
    lines:
      '300 g black-eyed peas\n2 onions\n3 tomatoes\n4 cloves garlic\n1 tsp turmeric\n1 bunch spinach\n3 tbsp oil\n8 g salt\n2 tbsp lemon juice',
    presses: [],
    stages: [
      'soak: black-eyed',
      'pot < soak:',
      'fry: oil, onion, garlic@8, turmeric@9, tomato@10',
      'simmer < pot fry: spinach, salt',
      'rest < simmer: lemon-juice',
    ],
  },
  {
    name: 'Black-eyed peas with brown rice above',
    lines: '180 g black-eyed peas\n120 g brown rice\n1 onion\n2 tbsp oil\n1 tsp cumin seeds\n8 g salt',
    presses: [{ wanted: { grain: 'tin' }, says: 'in a tin above' }],
    stages: ['soak: black-eyed', 'fry: oil, cumin-seed, onion@1', 'pot < soak fry: brown-long', 'rest < pot: salt'],
  },
  {
    name: 'Pigeon peas, tempered',
    lines:
      '250 g split pigeon peas\n1 tsp turmeric\n2 tbsp ghee\n1 tsp mustard seeds\n3 cloves garlic\n2 dried chillies\n7 g salt',
    presses: [],
    stages: [
      'soak: toor-split',
      'pot < soak:',
      'temper < pot: ghee, mustard-seed, garlic@1, dried-chilli@1, turmeric@2',
      'rest < temper: salt',
    ],
  },
  {
    name: 'White beans with squash',
    lines: '300 g white beans\n400 g squash, cubed\n1 onion\n2 cloves garlic\n3 tbsp olive oil\n9 g salt',
    presses: [],
    stages: [
      'soak: cannellini',
      'fry: olive-oil, onion, garlic@8',
      'pot < soak fry:',
      'simmer < pot: squash-cubes, salt',
    ],
  },
  {
    name: 'Rice with vegetables',
    lines:
      '300 g basmati rice\n150 g carrots\n100 g green beans\n1 onion\n2 tbsp oil\n1 tsp cumin seeds\n6 g salt\n1 handful coriander leaves',
    presses: [],
    stages: [
      'soak: basmati-white',
      'fry: oil, cumin-seed, onion@1',
      'pot < soak fry: carrot-chunks, green-beans, salt',
      'rest < pot:',
      'fluff < rest: coriander-leaf',
    ],
  },
  {
    name: 'Rice with chicken, into boiling water',
    lines:
      '300 g basmati rice\n500 g chicken thighs\n2 onions\n4 cloves garlic\n2 tbsp ghee\n1 tsp garam masala\n9 g salt',
    presses: [{ wanted: { water: 'boiling' }, says: 'brought to the boil first' }],
    stages: [
      'soak: basmati-white',
      'fry: ghee, onion, garlic@8, garam-masala@9',
      'simmer < fry:',
      'pot < soak simmer: chicken-thigh, salt',
      'rest < pot:',
      'fluff < rest:',
    ],
  },
  {
    name: 'Plain millet',
    lines: '250 g foxtail millet\n3 g salt',
    presses: [],
    stages: ['soak: foxtail-millet', 'pot < soak: salt', 'rest < pot:', 'fluff < rest:'],
  },
  {
    name: 'Ginger congee',
    lines: '120 g jasmine rice\n750 ml water\n20 g ginger\n5 g salt',
    presses: [],
    stages: ['pot: jasmine-white, water, ginger, salt', 'rest < pot:'],
  },
  {
    name: 'Yellow pea soup',
    lines: '200 g yellow split peas\n2 carrots\n1 onion\n1 bay leaf\n2 tbsp oil\n9 g salt',
    presses: [{ wanted: { liquid: 'soup' }, says: 'soup' }],
    stages: ['fry: oil, bay-leaf, onion@1', 'pot < fry: split-peas', 'simmer < pot: carrot-chunks, salt'],
  },
  {
    name: 'Barley and mushrooms',
    lines: '250 g pearl barley\n250 g mushrooms\n1 onion\n2 tbsp butter\n6 g salt',
    presses: [],
    stages: ['fry: butter, onion', 'pot < fry: pearl-barley, mushroom, salt', 'rest < pot:', 'fluff < rest:'],
  },
  {
    name: 'Chickpeas for the freezer',
    lines: '500 g chickpeas\n10 g salt',
    presses: [{ wanted: { keep: 'keep' }, says: 'put into boxes' }],
    stages: ['soak: chickpea-white', 'pot < soak:', 'rest < pot: salt', 'chill < rest:'],
  },
  {
    name: 'Black rice pudding',
    lines: '200 g black rice\n400 ml coconut milk\n60 g sugar\n2 g salt',
    presses: [],
    stages: ['soak: black-rice', 'pot < soak: salt', 'simmer < pot: coconut-milk, sugar'],
  },
]
