import { describe, expect, it } from 'vitest'
import { checkCooker } from '../pot/check'
import { BURNERS, heatIntoPot } from './burner'
import { COOKERS } from './appliance'
import type { ElectricCooker } from './kinds/electric'
import type { WhistlingCooker } from './kinds/whistling'

describe('the generic cookers', () => {
  it.each(Object.entries(COOKERS))('%s can be cooked in and holds what it says', (_, cooker) => {
    expect(checkCooker(cooker)).toEqual([])
    const { capacityL, innerDiameterMm, innerHeightMm, minimumLiquidG } = cooker.body
    const litres = (Math.PI * innerDiameterMm * innerDiameterMm * innerHeightMm) / 4e6
    expect(litres).toBeGreaterThan(capacityL * 0.98)
    expect(litres).toBeLessThan(capacityL * 1.02)
    expect(minimumLiquidG).toBeLessThan(capacityL * 500)
  })

  it('are heavier in steel, and heat as well', () => {
    const [aluminium, steel] = (['aluminium', 'steel'] as const).map(
      (metal) => COOKERS[`whistling-5l-${metal}`]!.appliance,
    )
    expect(steel!.metalKg).toBeCloseTo(1.4 * aluminium!.metalKg)
    expect(steel!.metalKg * steel!.metalJPerKgK).toBeLessThan(aluminium!.metalKg * aluminium!.metalJPerKgK)
  })

  it('open at a lower pressure under a light weight', () => {
    const weight = (id: string) => (COOKERS[id]!.appliance as WhistlingCooker).liftPa
    expect(weight('whistling-5l-steel-light')).toBeLessThan(weight('whistling-5l-steel'))
  })

  it('grow in everything with their size', () => {
    const electric = ['electric-3l', 'electric-6l', 'electric-8l'].map((id) => COOKERS[id]!.appliance as ElectricCooker)
    for (const field of ['metalKg', 'lossWPerK', 'heaterW'] as const) {
      const values = electric.map((appliance) => appliance[field])
      expect(values).toEqual([...values].sort((a, b) => a - b))
    }
  })
})

describe('burners', () => {
  it('give less on each smaller flame', () => {
    for (const { high, medium, low, simmer } of Object.values(BURNERS))
      expect([high, medium, low, simmer]).toEqual([high, medium, low, simmer].sort((a, b) => b - a))
  })

  it('waste what licks past a narrow pot, and no more than half under a wide one', () => {
    const burner = { diameterMm: 100, flameW: { high: 2000, medium: 1200, low: 600, simmer: 300 } }
    expect(heatIntoPot(burner, 220)).toEqual({ high: 1000, medium: 600, low: 300, simmer: 150 })
    expect(heatIntoPot(burner, 140).high).toBeCloseTo(1000)
    expect(heatIntoPot(burner, 70).high).toBeCloseTo(500)
  })
})

describe('a cooker that cannot be', () => {
  const { appliance, body } = COOKERS['electric-6l']!
  it.each([
    ['appliance.heaterW', { appliance: { ...appliance, heaterW: -900 } as typeof appliance, body }],
    ['appliance.leakKgPerS', { appliance: { ...appliance, leakKgPerS: NaN } as typeof appliance, body }],
    ['body.capacityL', { appliance, body: { ...body, capacityL: 0 } }],
    ['body.innerDiameterMm', { appliance, body: { ...body, innerDiameterMm: Infinity } }],
    ['program.0.profile', { appliance, body, fixedPrograms: [{ id: 'x', name: 'X', profile: [], steamG: 0 }] }],
  ])('is told at %s', (path, cooker) => {
    expect(checkCooker(cooker).map((found) => found.path)).toContain(path)
  })
})
