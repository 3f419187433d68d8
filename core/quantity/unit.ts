import { readAmount, type DecimalSign } from './number'
import { WEIGHTS_G } from '../measure/measure'

/**
 * Units in which a kitchen tells and types its figures, each by what one of them is in the unit of computation (°C, Pa,
 * g, ml, mm, m) and, for temperatures, where its zero is. The first is the usual one. A pound-force on a square inch is
 * 6894.757 Pa.
 */
export const QUANTITIES = {
  temperature: { C: { is: 1, zero: 0 }, F: { is: 5 / 9, zero: -32 * (5 / 9) } },
  pressure: { kPa: { is: 1000, zero: 0 }, bar: { is: 100_000, zero: 0 }, psi: { is: 6894.757, zero: 0 } },
  weight: {
    g: { is: 1, zero: 0 },
    oz: { is: WEIGHTS_G.oz, zero: 0 },
    kg: { is: 1000, zero: 0 },
    lb: { is: 16 * WEIGHTS_G.oz, zero: 0 },
  },
  volume: { ml: { is: 1, zero: 0 }, l: { is: 1000, zero: 0 } },
  litres: { L: { is: 1, zero: 0 }, ml: { is: 0.001, zero: 0 } },
  length: { mm: { is: 1, zero: 0 }, cm: { is: 10, zero: 0 }, in: { is: 25.4, zero: 0 } },
  height: { m: { is: 1, zero: 0 }, ft: { is: 0.3048, zero: 0 } },
} as const
export type Quantity = keyof typeof QUANTITIES
export type UnitOf<Q extends Quantity> = keyof (typeof QUANTITIES)[Q]

interface Unit {
  is: number
  zero: number
}
const unitsOf = (quantity: Quantity) => QUANTITIES[quantity] as Readonly<Record<string, Unit>>

/** A figure of computation in one of the units. */
export function inUnit<Q extends Quantity>(value: number, quantity: Q, unit: UnitOf<Q>): number {
  const { is, zero } = unitsOf(quantity)[unit as string]!
  return (value - zero) / is
}

/** A figure in one of the units as it is computed with. */
export function fromUnit<Q extends Quantity>(value: number, quantity: Q, unit: UnitOf<Q>): number {
  const { is, zero } = unitsOf(quantity)[unit as string]!
  return value * is + zero
}

/**
 * Reads a figure as it is typed: in `unit`, or in any other unit of the quantity that stands behind it (“203 F”,
 * “15 psi”, “2 lb”). NaN for anything else.
 */
export function readInUnit<Q extends Quantity>(
  text: string,
  quantity: Q,
  unit: UnitOf<Q>,
  decimal: DecimalSign = 'point',
): number {
  const [, count = '', said = ''] = /^(.*?)\s*°?\s*([a-z]*)\s*$/i.exec(text) ?? []
  const units = Object.keys(unitsOf(quantity))
  const named = said === '' ? (unit as string) : units.find((one) => one.toLowerCase() === said.toLowerCase())
  return named === undefined ? NaN : fromUnit(readAmount(count, decimal), quantity, named as UnitOf<Q>)
}
