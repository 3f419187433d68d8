import type { Dish, DishLine, DishRequest, PotSettings, Stage } from '../core/dish/dish.schema'

/** A line in grams; null for what is not measured. */
export const line = (id: string, what: string, g: number | null): DishLine => ({
  id,
  typed: g === null ? what : `${g} g ${what}`,
  what,
  g,
})

export const potSettings = (change: Partial<PotSettings> = {}): PotSettings => ({
  cookerId: '',
  burnerId: '',
  style: 'whistles',
  flame: null,
  heatUp: 'high',
  level: 'high',
  freeLiquid: 'spoonable',
  foods: [],
  ...change,
})

/** A stage that takes these lines, with so many g or all that is left, from those stages. */
export function stage(
  id: string,
  kind: Stage['kind'],
  takes: Record<string, number | 'rest'> = {},
  from: string[] = [],
  more: Partial<Stage> = {},
): Stage {
  return {
    id,
    kind,
    takes: Object.entries(takes).map(([of, g]) => (g === 'rest' ? { line: of } : { line: of, g })),
    from: from.map((one) => ({ stage: one, part: 'all' as const })),
    ...(kind === 'pot' ? { pot: potSettings() } : {}),
    ...more,
  }
}

/** White beans with squash: a salted soak, a fry, a closing, a simmer from which stock is kept, a tempering. */
export function beansWithSquash(): Dish {
  return {
    name: 'White beans with squash',
    servings: 4,
    lines: [
      line('beans', 'cannellini', 300),
      line('onion', 'onion', 150),
      line('squash', 'squash-cubes', 400),
      line('tomato', 'tomato', 120),
      line('oil', 'oil', 50),
      line('garlic', 'garlic', 12),
      line('salt', 'salt', 17),
      line('lemon', 'lemon-juice', 10),
      line('sage', 'sage', null),
    ],
    stages: [
      stage('soak', 'soak', { beans: 'rest', salt: 12 }, [], { waterG: 1200, minutes: 480 }),
      stage('fry', 'fry', { oil: 30, onion: 'rest', sage: 'rest' }, [], { minutes: 9 }),
      stage('pot', 'pot', { salt: 3 }, ['soak', 'fry']),
      stage('simmer', 'simmer', { squash: 'rest', tomato: 'rest' }, ['pot'], { minutes: 10, keepsG: 80 }),
      stage('temper', 'temper', { oil: 'rest', garlic: 'rest' }, ['simmer']),
      stage('rest', 'rest', { lemon: 'rest', salt: 'rest' }, ['temper']),
    ],
  }
}

/** The dish in a 5 L whistling pot on a strong flame. */
export const requestFor = (dish: Dish, change: Partial<DishRequest> = {}): DishRequest => ({
  kitchen: { altitudeM: 1450, roomC: 20, tapC: 18 },
  pot: { cooker: 'whistling-5l-aluminium', burner: 'strong' },
  dish,
  ...change,
})
