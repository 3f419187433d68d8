import type { Addition, Batch } from '../food/need'
import type { Soak } from '../food/soak'
import type { Texture } from '../food/texture'
import type { Appliance } from '../pot/appliance'
import type { Burner, FlameName, PotBody } from '../pot/cookers'
import type { FreeLiquid, Liquid } from '../water/liquids'

export interface Tin {
  diameterMm: number
  heightMm: number
  lid: boolean
}

export interface Content {
  food: string
  dryG: number
  soak: Soak | null
  /** The food's usual texture if left out. */
  texture?: Texture
  where: 'base' | { tin: Tin; tier: number }
  additions?: Addition[]
  batch?: Batch
}

export type Style =
  | { kind: 'whistles'; flame: FlameName }
  | { kind: 'first-whistle-then-low' }
  | { kind: 'electric'; level: 'high' | 'low' }
export type StyleKind = Style['kind']

export type ReleaseChoice = 'auto' | { kind: 'natural' } | { kind: 'timed' | 'quick'; afterMinutes?: number }

/** What is asked of the planner: one load of one cooker. */
export interface PlanRequest {
  kitchen: { altitudeM: number; roomC: number; tapC: number }
  /** The id of a generic cooker, or a cooker of the household's own. */
  cooker: string | { appliance: Appliance; body?: PotBody }
  burner?: 'strong' | 'weak' | Burner
  contents: Content[]
  liquids: Liquid[]
  freeLiquid?: FreeLiquid
  style: Style
  release: ReleaseChoice
}
