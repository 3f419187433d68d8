import { problem, type Problem, type ProblemCode } from '../problem'
import { holdsPressure } from './appliance'
import type { Cooker } from './cookers'
import type { ProfilePoint, SimulationCase, Step } from './case'

/** The widest bounds of anything found in a kitchen; outside them a figure is a slip of unit or sign. */
const BOUNDS = {
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
  heatW: [0, 10_000],
  minutes: [0, 2880],
  whistles: [0, 100],
  freeWaterKg: [0, 60],
  foodJPerK: [0, 200_000],
  tempC: [-5, 130],
  roomC: [-20, 50],
  altitudeM: [-450, 5000],
  heatJPerK: [1, 50_000],
  couplingWPerK: [0, 200],
  zC: [5, 100],
  sizeMm: [0, 200],
  dryKg: [0.001, 20],
  uptake: [0, 10],
  boilMinutes: [0.1, 2000],
  steamG: [0, 2000],
} as const satisfies Record<string, readonly [number, number]>

/** A problem if the value is not a finite number within the named bounds. */
export function outOfBounds(value: unknown, kind: keyof typeof BOUNDS, path: string): Problem[] {
  const [min, max] = BOUNDS[kind]
  return within(value as number, min, max, path)
}

/** All that is wrong with a simulation case; an empty list means simulate may run it. */
export function checkCase(input: SimulationCase): Problem[] {
  const { appliance, load, place, program, foods, grain } = input
  const found: Problem[] = []
  for (const [name, value] of Object.entries(appliance))
    if (name in BOUNDS) found.push(...outOfBounds(value, name as keyof typeof BOUNDS, `appliance.${name}`))
  if ('liftPa' in appliance && !(appliance.reseatPa < appliance.liftPa))
    found.push(problem('pressures-crossed', 'appliance.reseatPa'))
  found.push(
    ...outOfBounds(load.freeWaterKg, 'freeWaterKg', 'load.freeWaterKg'),
    ...outOfBounds(load.foodJPerK, 'foodJPerK', 'load.foodJPerK'),
    ...outOfBounds(load.startC, 'tempC', 'load.startC'),
    ...outOfBounds(place.altitudeM, 'altitudeM', 'place.altitudeM'),
    ...outOfBounds(place.roomC, 'roomC', 'place.roomC'),
    ...load.vessels.flatMap((tin, i) => [
      ...outOfBounds(tin.heatJPerK, 'heatJPerK', `load.vessels.${i}.heatJPerK`),
      ...outOfBounds(tin.couplingWPerK, 'couplingWPerK', `load.vessels.${i}.couplingWPerK`),
    ]),
  )
  foods.forEach((food, i) => {
    found.push(...outOfBounds(food.zC, 'zC', `foods.${i}.zC`))
    if (food.zAbove110C != null) found.push(...outOfBounds(food.zAbove110C, 'zC', `foods.${i}.zAbove110C`))
    if (food.sizeMm != null) found.push(...outOfBounds(food.sizeMm, 'sizeMm', `foods.${i}.sizeMm`))
    if (food.vessel !== null && !load.vessels[food.vessel])
      found.push(problem('vessel-missing', `foods.${i}.vessel`, { number: i + 1, value: food.vessel + 1 }))
  })
  if (grain)
    found.push(
      ...outOfBounds(grain.dryKg, 'dryKg', 'grain.dryKg'),
      ...outOfBounds(grain.uptakeMax, 'uptake', 'grain.uptakeMax'),
      ...outOfBounds(grain.uptakeStart, 'uptake', 'grain.uptakeStart'),
      ...outOfBounds(grain.tenderBoilMinutes, 'boilMinutes', 'grain.tenderBoilMinutes'),
    )
  if (program.length === 0) found.push(problem('program-empty', 'program'))
  program.forEach((step, i) => found.push(...checkStep(step, i, input)))
  return found
}

function checkStep(step: Step, index: number, { appliance }: SimulationCase): Problem[] {
  const path = `program.${index}`
  const number = index + 1
  const misfit = problem('step-not-for-cooker', path, { number, cooker: appliance.kind })
  if ('untilDry' in step) return appliance.kind === 'rice' ? [] : [misfit]
  if ('profile' in step) return checkProfile(step, path)
  if ('tempC' in step) {
    if (appliance.kind !== 'bowl') return [misfit]
    return [
      ...outOfBounds(step.tempC, 'tempC', `${path}.tempC`),
      ...outOfBounds(step.minutes, 'minutes', `${path}.minutes`),
    ]
  }
  if ('minutesAtPressure' in step)
    return appliance.kind === 'electric'
      ? outOfBounds(step.minutesAtPressure, 'minutes', `${path}.minutesAtPressure`)
      : [misfit]
  if ('level' in step)
    return appliance.kind === 'slow' ? outOfBounds(step.minutes, 'minutes', `${path}.minutes`) : [misfit]
  const found = outOfBounds(step.heatW, 'heatW', `${path}.heatW`)
  if ('untilWhistles' in step) {
    if (appliance.kind !== 'whistling') return [misfit]
    found.push(...outOfBounds(step.untilWhistles, 'whistles', `${path}.untilWhistles`))
    if (step.heatW === 0 && step.untilWhistles > 0) found.push(problem('step-without-heat', path, { number }))
  }
  if ('minutes' in step) found.push(...outOfBounds(step.minutes, 'minutes', `${path}.minutes`))
  if ('untilMinute' in step) found.push(...outOfBounds(step.untilMinute, 'minutes', `${path}.untilMinute`))
  if ('untilPressure' in step && !holdsPressure(appliance)) return [misfit]
  if (('untilBoil' in step || 'untilPressure' in step) && step.heatW === 0)
    found.push(problem('step-without-heat', path, { number }))
  return found
}

function checkProfile({ profile, steamG }: { profile: ProfilePoint[]; steamG: number }, path: string): Problem[] {
  if (profile.length === 0) return [problem('profile-disordered', `${path}.profile`)]
  const found = profile.flatMap(({ minute, tempC }, i) => [
    ...outOfBounds(minute, 'minutes', `${path}.profile.${i}.minute`),
    ...outOfBounds(tempC, 'tempC', `${path}.profile.${i}.tempC`),
  ])
  if (profile.some(({ minute }, i) => minute <= (profile[i - 1]?.minute ?? 0)))
    found.push(problem('profile-disordered', `${path}.profile`))
  return [...found, ...outOfBounds(steamG, 'steamG', `${path}.steamG`)]
}

/** A problem if the value is not a finite number from min to max. */
export function within(
  value: number,
  min: number,
  max: number,
  path: string,
  code: ProblemCode = 'out-of-range',
): Problem[] {
  if (typeof value !== 'number' || !Number.isFinite(value)) return [problem('not-a-number', path)]
  return value < min || value > max ? [problem(code, path, { value, min, max })] : []
}

/** All that is wrong with a cooker: its appliance, its inside and its measured programs. */
export function checkCooker({
  appliance,
  body,
  fixedPrograms,
}: Pick<Cooker, 'appliance' | 'fixedPrograms'> & Partial<Cooker>): Problem[] {
  const found = checkCase({
    appliance,
    load: { freeWaterKg: 1, foodJPerK: 0, startC: 20, vessels: [] },
    place: { altitudeM: 0, roomC: 20 },
    program: (fixedPrograms ?? []).map(({ profile, steamG }) => ({ profile, steamG })),
    release: null,
    foods: [],
  }).filter(({ code }) => code !== 'program-empty')
  if (body)
    found.push(
      ...within(body.capacityL, 0.3, 30, 'body.capacityL'),
      ...within(body.innerDiameterMm, 80, 500, 'body.innerDiameterMm'),
      ...within(body.innerHeightMm, 40, 500, 'body.innerHeightMm'),
      ...within(body.minimumLiquidG, 0, 2000, 'body.minimumLiquidG'),
    )
  return found
}
