import { describe, expect, it } from 'vitest'
import { plan } from '../program/plan'
import type { PlanRequest } from '../program/request.schema'
import { boilingC } from '../steam/steam'
import { COOKERS } from './appliance'
import { canBeTold, programByHand, type ToldAppliance, type ToldProgram } from './program-by-hand'

const place = { altitudeM: 300 }
const told = (cooksMinutes: number, more: Partial<ToldProgram> = {}): ToldProgram => ({
  heatsMinutes: 12,
  cooksMinutes,
  fallsMinutes: 15,
  pressure: 'high',
  ...more,
})
const electric = COOKERS['electric-6l']!
const device = electric.appliance as ToldAppliance

/** A pot of chickpeas in that program of the device. */
function planned(cooksMinutes: number, more: Partial<ToldProgram> = {}) {
  const request: PlanRequest = {
    kitchen: { altitudeM: 300, roomC: 20, tapC: 18 },
    cooker: {
      ...electric,
      fixedPrograms: [{ id: 'beans', name: 'Beans', ...programByHand(device, told(cooksMinutes, more), place) }],
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
    const [high, low] = (['high', 'low'] as const).map((pressure) =>
      programByHand(device, told(30, { pressure }), place),
    )
    const hottest = (one: typeof high) => Math.max(...one!.profile.map(({ tempC }) => tempC))
    expect(hottest(high)).toBeGreaterThan(hottest(low))
    expect(hottest(low)).toBeGreaterThan(boilingC(300))
    expect(high!.profile.at(-1)).toEqual({ minute: 57, tempC: boilingC(300) })
    expect(programByHand(device, told(30, { fallsMinutes: 0 }), place).profile).toHaveLength(2)
  })

  it('is planned with: longer cooks more and costs no less steam', () => {
    const [short, long] = [planned(15), planned(45)]
    expect(long.foods[0]!.gets).toBeGreaterThan(short.foods[0]!.gets)
    expect(long.steamLostG).toBeGreaterThanOrEqual(short.steamLostG)
    expect(short.closings[0]!.program.fixedProgram).toMatchObject({ name: 'Beans' })
  })

  it('is told of what holds a pressure alone: how hot another program is nobody knows', () => {
    const kinds = new Set(
      Object.values(COOKERS).flatMap(({ appliance }) => (canBeTold(appliance) ? [appliance.kind] : [])),
    )
    expect([...kinds]).toEqual(['electric'])
  })
})
