import { describe, expect, it } from 'vitest'
import { plan } from '../program/plan'
import type { PlanRequest } from '../program/request.schema'
import { boilingC } from '../steam/steam'
import { COOKERS, heatsItself } from './appliance'
import { programByHand, pressuresOf, type ToldProgram } from './program-by-hand'

const place = { altitudeM: 300, roomC: 20 }
const told = (cooksMinutes: number, more: Partial<ToldProgram> = {}): ToldProgram => ({
  heatsMinutes: 12,
  cooksMinutes,
  fallsMinutes: 15,
  pressure: 'high',
  ...more,
})
const electric = COOKERS['electric-6l']!

/** A pot of chickpeas in that program of the device. */
function planned(cooksMinutes: number, more: Partial<ToldProgram> = {}) {
  const request: PlanRequest = {
    kitchen: { altitudeM: 300, roomC: 20, tapC: 18 },
    cooker: {
      ...electric,
      fixedPrograms: [
        { id: 'beans', name: 'Beans', ...programByHand(electric.appliance, told(cooksMinutes, more), place) },
      ],
    },
    contents: [{ food: 'chickpea-white', dryG: 300, soak: { hours: 10, waterC: 20, keepWater: false }, where: 'base' }],
    liquids: [],
    freeLiquid: 'spoonable',
    style: { kind: 'fixed' },
    release: 'auto',
  }
  const outcome = plan(request)
  if (!outcome.ok) throw new Error(JSON.stringify(outcome.problems))
  return outcome.value
}

describe('a program that was told', () => {
  it('is hotter under more pressure, and comes back to the boil when that has gone', () => {
    const [high, low, open] = (['high', 'low', null] as const).map((pressure) =>
      programByHand(electric.appliance, told(30, { pressure }), place),
    )
    const hottest = (one: typeof high) => Math.max(...one!.profile.map(({ tempC }) => tempC))
    expect(hottest(high)).toBeGreaterThan(hottest(low))
    expect(hottest(low)).toBeGreaterThan(hottest(open))
    expect(hottest(open)).toBeCloseTo(boilingC(300), 6)
    expect(high!.profile.at(-1)).toEqual({ minute: 57, tempC: boilingC(300) })
    expect(programByHand(electric.appliance, told(30, { fallsMinutes: 0 }), place).profile).toHaveLength(2)
  })

  it('is planned with: longer cooks more and costs no less steam', () => {
    const [short, long] = [planned(15), planned(45)]
    expect(long.foods[0]!.gets).toBeGreaterThan(short.foods[0]!.gets)
    expect(long.steamLostG).toBeGreaterThanOrEqual(short.steamLostG)
    expect(short.closings[0]!.program.fixedProgram).toMatchObject({ name: 'Beans' })
  })

  it('costs the steam of its own device, whatever that is', () => {
    for (const { appliance } of Object.values(COOKERS)) {
      if (!heatsItself(appliance)) continue
      for (const pressure of [null, ...pressuresOf(appliance)]) {
        const { steamG } = programByHand(appliance, told(30, { pressure }), place)
        expect(steamG).toBeGreaterThanOrEqual(0)
        expect(steamG).toBeLessThan(2000)
      }
    }
  })
})
