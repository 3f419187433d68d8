import type { Cooker } from '../appliance/appliance'
import type { Step, StepOf } from '../appliance/step.schema'
import { traitsOf, understands } from '../appliance/steps'
import { BOUNDS, type BoundName } from '../bounds'
import { problem, type Problem, type ProblemCode } from '../problem'
import type { SimulationCase } from './case.schema'

/** A problem if the value is not a finite number within the named bounds. */
export function outOfBounds(value: unknown, name: BoundName, path: string, code?: ProblemCode): Problem[] {
  const [min, max] = BOUNDS[name]
  if (typeof value !== 'number' || !Number.isFinite(value)) return [problem('not-a-number', path)]
  return value < min || value > max ? [problem(code ?? 'out-of-range', path, { value, min, max })] : []
}

/** All that is wrong with a simulation case; an empty list means simulate may run it. */
export function checkCase(input: SimulationCase): Problem[] {
  const { appliance, load, place, program, foods, grain } = input
  const found: Problem[] = []
  for (const [name, value] of Object.entries(appliance))
    if (name in BOUNDS) found.push(...outOfBounds(value, name as BoundName, `appliance.${name}`))
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
    if (food.zAbove110C != null) found.push(...outOfBounds(food.zAbove110C, 'zAbove110C', `foods.${i}.zAbove110C`))
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
  if (!understands(appliance, step)) return [problem('step-not-for-cooker', path, { number, cooker: appliance.kind })]
  const { bounds, waits } = traitsOf(step)
  const found = Object.entries(bounds).flatMap(([field, name]) =>
    outOfBounds((step as Record<string, unknown>)[field], name, `${path}.${field}`),
  )
  if (step.kind === 'profile') found.push(...checkProfile(step, path))
  const waitsForNothing = step.kind === 'whistles' && step.untilWhistles === 0
  if (waits && !waitsForNothing && 'heatW' in step && step.heatW === 0)
    found.push(problem('step-without-heat', path, { number }))
  return found
}

function checkProfile({ profile }: StepOf<'profile'>, path: string): Problem[] {
  const found = profile.flatMap(({ minute, tempC }, i) => [
    ...outOfBounds(minute, 'minutes', `${path}.profile.${i}.minute`),
    ...outOfBounds(tempC, 'tempC', `${path}.profile.${i}.tempC`),
  ])
  const ordered =
    profile.every(({ minute }, i) => minute > (profile[i - 1]?.minute ?? -1)) && profile.at(-1)?.minute !== 0
  return profile.length > 0 && ordered ? found : [...found, problem('profile-disordered', `${path}.profile`)]
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
    program: (fixedPrograms ?? []).map(({ profile, steamG }) => ({ kind: 'profile', profile, steamG })),
    release: null,
    foods: [],
  }).filter(({ code }) => code !== 'program-empty')
  if (body)
    found.push(
      ...outOfBounds(body.capacityL, 'capacityL', 'body.capacityL'),
      ...outOfBounds(body.innerDiameterMm, 'innerDiameterMm', 'body.innerDiameterMm'),
      ...outOfBounds(body.innerHeightMm, 'innerHeightMm', 'body.innerHeightMm'),
      ...outOfBounds(body.minimumLiquidG, 'minimumLiquidG', 'body.minimumLiquidG'),
    )
  return found
}
