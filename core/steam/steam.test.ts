import { describe, expect, it } from 'vitest'
import fc from 'fast-check'
import {
  altitudeM,
  altitudeOfBoilingM,
  ambientPa,
  boilingC,
  latentJPerKg,
  saturationC,
  saturationPa,
  ZERO_C_IN_K,
} from './steam'

describe('saturation', () => {
  it('gives the published pressures', () => {
    expect(saturationPa(100) / 1000).toBeCloseTo(101.418, 2)
    expect(saturationPa(120) / 1000).toBeCloseTo(198.67, 2)
  })

  it('inverts to a millionth of a kelvin from the fridge to any pressure a pot holds', () => {
    fc.assert(
      fc.property(fc.double({ min: 2, max: 180, noNaN: true }), (tempC) => {
        expect(Math.abs(saturationC(saturationPa(tempC)) - tempC)).toBeLessThan(1e-6)
      }),
    )
  })

  it('has no boiling point outside the range it was written for', () => {
    for (const pressure of [0, -1, NaN, Infinity, 30e6]) expect(saturationC(pressure)).toBeNaN()
  })
})

describe('latent heat', () => {
  // Wagner and Pruss (2002), eqs 2.6 and 2.7: an independent road to the same figure.
  const theta = (tempC: number) => 1 - (tempC + ZERO_C_IN_K) / 647.096
  const series = (x: number, terms: [coefficient: number, power: number][]) =>
    terms.reduce((sum, [c, p]) => sum + c * Math.pow(x, p), 0)
  const liquidKgPerM3 = (tempC: number) =>
    322 *
    (1 +
      series(theta(tempC), [
        [1.99274064, 1 / 3],
        [1.09965342, 2 / 3],
        [-0.510839303, 5 / 3],
        [-1.75493479, 16 / 3],
        [-45.5170352, 43 / 3],
        [-6.7469445e5, 110 / 3],
      ]))
  const vapourKgPerM3 = (tempC: number) =>
    322 *
    Math.exp(
      series(theta(tempC), [
        [-2.0315024, 2 / 6],
        [-2.6830294, 4 / 6],
        [-5.38626492, 8 / 6],
        [-17.2991605, 18 / 6],
        [-44.7586581, 37 / 6],
        [-63.9201063, 71 / 6],
      ]),
    )

  it('agrees with Clapeyron to 0.1 % from 40 to 150 °C', () => {
    for (let tempC = 40; tempC <= 150; tempC += 5) {
      const slope = (saturationPa(tempC + 0.01) - saturationPa(tempC - 0.01)) / 0.02
      const clapeyron = (tempC + ZERO_C_IN_K) * slope * (1 / vapourKgPerM3(tempC) - 1 / liquidKgPerM3(tempC))
      expect(Math.abs(latentJPerKg(tempC) / clapeyron - 1)).toBeLessThan(0.001)
    }
  })
})

describe('altitude', () => {
  it('cools a pot that holds a gauge pressure', () => {
    expect(saturationC(ambientPa(0) + 100e3)).toBeCloseTo(120.4, 1)
    expect(saturationC(ambientPa(2000) + 100e3)).toBeCloseTo(116.8, 1)
  })

  it('lowers the boiling point with every metre', () => {
    fc.assert(
      fc.property(fc.integer({ min: -400, max: 5000 }), (altitudeM) => {
        expect(boilingC(altitudeM + 10)).toBeLessThan(boilingC(altitudeM))
      }),
    )
  })

  it('is found again from the boiling point and from the air pressure', () => {
    for (const metres of [-100, 0, 1450, 3000]) {
      expect(altitudeOfBoilingM(boilingC(metres))).toBeCloseTo(metres, 3)
      expect(altitudeM(ambientPa(metres))).toBeCloseTo(metres, 6)
    }
  })
})
