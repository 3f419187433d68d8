/**
 * The widest bounds of anything found in a kitchen, each once; outside them a figure is a slip of unit or sign.
 * Schemas and checks both read them here. Engineering estimates.
 */
export const BOUNDS = {
  // Appliances.
  metalKg: [0.05, 30],
  metalJPerKgK: [100, 2000],
  lossWPerK: [0, 50],
  liftPa: [5_000, 300_000],
  reseatPa: [1_000, 300_000],
  highPa: [5_000, 300_000],
  lowPa: [1_000, 300_000],
  ventKgPerS: [1e-5, 0.1],
  purgeKg: [0, 0.2],
  leakKgPerS: [0, 0.01],
  heaterW: [10, 10_000],
  lowW: [5, 5_000],
  highW: [5, 5_000],
  reflux: [0, 1],
  // The inside of a pot, and what stands in it.
  capacityL: [0.3, 30],
  innerDiameterMm: [80, 500],
  innerHeightMm: [40, 500],
  minimumLiquidG: [0, 2000],
  tinDiameterMm: [40, 400],
  tinHeightMm: [20, 300],
  tinVolumeMl: [30, 8000],
  trivetMm: [5, 200],
  // Programs.
  heatW: [0, 10_000],
  minutes: [0, 2880],
  whistles: [0, 100],
  whistlesFirst: [1, 20],
  tempC: [-5, 130],
  bowlC: [40, 120],
  /** Hot fat in a pot that was fried in. */
  standsC: [-5, 200],
  releaseMinutes: [0, 240],
  steamG: [0, 2000],
  burnerMm: [30, 400],
  // Loads and foods.
  freeWaterKg: [0, 60],
  foodJPerK: [0, 200_000],
  heatJPerK: [1, 50_000],
  couplingWPerK: [0, 200],
  zC: [5, 100],
  zAbove110C: [5, 200],
  sizeMm: [0, 200],
  dryKg: [0.001, 20],
  uptake: [0, 10],
  boilMinutes: [0.1, 2000],
  hadBoilMinutes: [0, 10_000],
  amountG: [5, 10_000],
  liquidG: [0, 10_000],
  soakHours: [0, 72],
  soakHalfHours: [0.01, 50],
  soakUptake: [0, 3],
  dryPenalty: [0, 5],
  soakWaterC: [0, 100],
  cupG: [10, 400],
  pieceG: [5, 1000],
  ingredientCupG: [5, 400],
  ingredientPieceG: [0.01, 3000],
  lineG: [0, 20_000],
  servings: [1, 100],
  portionG: [1, 20_000],
  handsMinutes: [0, 600],
  stageMinutes: [0, 4320],
  // Meals: minutes from serving, and of one task.
  servedBefore: [0, 240],
  mealMinute: [-10_080, 1440],
  taskMinutes: [0, 4320],
  /** What a log has taught, as a factor of what was assumed. */
  learntTimes: [0.2, 5],
  // Places.
  roomC: [-20, 50],
  tapC: [0, 40],
  altitudeM: [-450, 5000],
  measureMl: [1, 5000],
  // What a cook gives instead, and how much is unknown.
  figure: [0, 1440],
  share: [0, 1],
  percent: [0, 100],
  // Water tests.
  testWaterG: [50, 10_000],
  testLeftG: [0, 10_000],
  testStartC: [0, 60],
  testMinute: [0, 1440],
} as const satisfies Record<string, readonly [number, number]>

export type BoundName = keyof typeof BOUNDS

/** How many of a thing a document may hold. */
export const MOST = {
  contents: 12,
  liquids: 20,
  closings: 4,
  items: 12,
  cookers: 30,
  burners: 12,
  measures: 30,
  tins: 20,
  foods: 100,
  bags: 1000,
  tests: 12,
  gaskets: 60,
  logRuns: 5000,
  runEvents: 500,
  steps: 30,
  profilePoints: 200,
  likedTextures: 200,
  fixedPrograms: 30,
  vessels: 12,
  dishLines: 60,
  dishStages: 30,
  reminders: 12,
  portionsOfALine: 6,
  mealDishes: 12,
  helpers: 3,
  mealTasks: 200,
  /** How often a document may be changed. */
  versions: 2_000_000_000,
} as const

/** Lengths of names and notes, in characters. */
export const LENGTH = { id: 80, name: 60, potName: 80, planName: 120, note: 2000, line: 300, until: 1000 } as const
