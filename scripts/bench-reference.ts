// The pot's equations once more, integrated by a general solver from the registry (odex: Hairer's
// extrapolation code with dense output), for the bench: the same events, found on the dense output.
import { Solver } from 'odex'
import type { ElectricCooker } from '../core/appliance/kinds/electric'
import type { WhistlingCooker } from '../core/appliance/kinds/whistling'
import type { SimulationCase } from '../core/pot/case.schema'
import { ambientPa, latentJPerKg, saturationC, saturationPa } from '../core/steam/steam'

/** Boil-minutes of the foods in the base of a whistling or electric cooker, without tins. */
export function referenceBoilMinutes(input: SimulationCase, tolerance: number): number[] {
  const appliance = input.appliance as WhistlingCooker | ElectricCooker
  const { load, place, foods } = input
  const airPa = ambientPa(place.altitudeM)
  const boilC = saturationC(airPa)
  const fullPa = appliance.kind === 'electric' ? appliance.highPa : appliance.liftPa
  const solidJPerK = appliance.metalKg * appliance.metalJPerKgK + load.foodJPerK

  let heatW = 0
  let steamKgPerS = 0
  let held = false
  let x = 0
  let state = [load.startC, load.freeWaterKg, ...foods.map(() => 0)]

  const rates = (_: number, y: number[]) => {
    const [tempC, waterKg] = y as [number, number]
    const gaugePa = tempC > boilC ? saturationPa(tempC) - airPa : 0
    const steam = steamKgPerS + (appliance.leakKgPerS * gaugePa) / fullPa
    const netW = heatW - appliance.lossWPerK * (tempC - place.roomC) - steam * latentJPerKg(tempC)
    const doses = foods.map(({ zC, zAbove110C }) => {
      if (tempC < 60) return 0
      const above = zAbove110C && tempC > 110
      return 10 ** (above ? 10 / zC + (tempC - 110) / zAbove110C! : (tempC - 100) / zC) / 60
    })
    return [held ? 0 : netW / (solidJPerK + 4220 * waterKg), -steam, ...doses]
  }

  /** Integrates until the temperature passes `targetC`, or for so long. */
  const until = (targetC: number | null, seconds: number) => {
    const solver = new Solver(state.length)
    solver.denseOutput = true
    solver.absoluteTolerance = solver.relativeTolerance = tolerance
    const rising = targetC !== null && targetC > state[0]!
    let stopped: { x: number; y: number[] } | null = null
    const end = x + seconds
    const result = solver.solve(rates, x, state, end, (_n, from, to, y, dense) => {
      if (targetC === null || (rising ? y[0]! < targetC : y[0]! > targetC)) return true
      let [low, high] = [from, to]
      for (let i = 0; i < 40; i++) {
        const middle = (low + high) / 2
        if (dense(0, middle) >= targetC === rising) high = middle
        else low = middle
      }
      stopped = { x: high, y: y.map((_value, i) => dense(i, high)) }
      stopped.y[0] = targetC
      return false
    })
    const reached = stopped as { x: number; y: number[] } | null
    x = reached?.x ?? end
    state = reached?.y ?? result.y
    return reached !== null
  }
  const LONG_S = 8 * 3600

  const boil = () => {
    until(60, LONG_S)
    until(boilC, LONG_S)
    state[0]! -= (appliance.purgeKg * latentJPerKg(boilC)) / (solidJPerK + 4220 * state[1]!)
    state[1]! -= appliance.purgeKg
  }
  const whistle = () => {
    const { liftPa, reseatPa, ventKgPerS } = appliance as WhistlingCooker
    until(saturationC(airPa + liftPa), LONG_S)
    steamKgPerS = ventKgPerS
    until(saturationC(airPa + reseatPa), LONG_S)
    steamKgPerS = 0
  }

  let boiled = false
  for (const step of input.program) {
    if ('untilWhistles' in step) {
      heatW = step.heatW
      if (!boiled) boil()
      boiled = true
      for (let i = 0; i < step.untilWhistles; i++) whistle()
    } else if ('minutesAtPressure' in step) {
      const { heaterW, highPa } = appliance as ElectricCooker
      heatW = heaterW
      boil()
      until(saturationC(airPa + highPa), LONG_S)
      held = true
      until(null, step.minutesAtPressure * 60)
      held = false
    } else throw new TypeError('The reference knows whistles and electric minutes only.')
  }
  heatW = 0
  until(saturationC(airPa + 2000), LONG_S)
  return state.slice(2)
}
