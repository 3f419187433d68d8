import type { PotBody } from '../appliance/kind'

// Room that steam and fingers need (general kitchen practice).
const CLEAR_MM = 10
const SPARE_MM = 15
/** What a lid or a sheet of foil adds to a tin. */
const COVER_MM = { none: 0, foil: 1, lid: 3 } as const
/** A tin stands on the rim of the one below; it may stick out by so much without tipping (engineering estimate). */
const OVERHANG_MM = 20
/** What most kitchens have for a tin to stand on: a perforated plate, a low trivet, and a tall stand. */
export const USUAL_TRIVETS_MM: readonly number[] = [12, 25, 60]

export type Cover = keyof typeof COVER_MM

export interface StandingTin {
  diameterMm: number
  heightMm: number
  cover: Cover
}

/** One tin, or two side by side. */
export type Tier = readonly StandingTin[]

export interface StackFault {
  id: 'tin-too-wide' | 'stack-too-high' | 'tier-tips' | 'uncovered-below'
  /** Which tier, from below. */
  tier: number
  /** How many mm too much; 0 where it is not a length. */
  byMm: number
}

/** Width in mm that a tier takes: its tin, or two with a gap between. */
export function tierWidthMm(tier: Tier): number {
  return tier.reduce((sum, { diameterMm }) => sum + diameterMm, 0) + CLEAR_MM * (tier.length - 1)
}

/** Height in mm that a tier takes, lids included. */
export function tierHeightMm(tier: Tier): number {
  return Math.max(...tier.map(({ heightMm, cover }) => heightMm + COVER_MM[cover]))
}

/** The inside of the pot that tins may fill in height: to the rim, less what lifting and steam need. */
export function usableHeightMm({ innerHeightMm }: Pick<PotBody, 'innerHeightMm'>): number {
  return innerHeightMm - SPARE_MM
}

/** Everything about tiers of tins in a pot that does not fit, stand or keep its drips out; none if it may go in. */
export function stackFaults(body: PotBody, trivetMm: number, tiers: readonly Tier[]): StackFault[] {
  const faults: StackFault[] = []
  const fault = (id: StackFault['id'], tier: number, byMm = 0) => faults.push({ id, tier, byMm: Math.ceil(byMm) })
  const room = body.innerDiameterMm - 2 * CLEAR_MM
  let top = trivetMm
  tiers.forEach((tier, i) => {
    const width = tierWidthMm(tier)
    if (width > room) fault('tin-too-wide', i, width - room)
    top += tierHeightMm(tier)
    const above = tiers[i + 1]
    if (!above) return
    if (tier.some(({ cover }) => cover === 'none')) fault('uncovered-below', i)
    const over = tierWidthMm(above) - width - OVERHANG_MM
    if (over > 0) fault('tier-tips', i + 1, over)
  })
  const over = top - usableHeightMm(body)
  if (tiers.length > 0 && over > 0) fault('stack-too-high', tiers.length - 1, over)
  return faults
}

/** Height in mm at which so many litres stand in a pot. */
export function heightOfMm(litres: number, { innerDiameterMm }: Pick<PotBody, 'innerDiameterMm'>): number {
  const radiusMm = innerDiameterMm / 2
  return (litres * 1e6) / (Math.PI * radiusMm * radiusMm)
}
