import type { Food } from '../food/food'
import type { Addition, Batch } from '../food/need'
import type { Soak } from '../food/soak'
import type { Texture } from '../food/texture'
import type { Appliance } from '../pot/appliance'
import type { Burner, FixedProgram, FlameName, MeasuredBurner, PotBody } from '../pot/cookers'
import type { FreeLiquid, Liquid } from '../water/liquids'

export interface Tin {
  diameterMm: number
  heightMm: number
  /** Covered, by its lid or by foil. */
  lid: boolean
  /** What it holds to the brim; by its outer size if left out. */
  volumeMl?: number
  material?: 'steel' | 'aluminium' | 'glass' | 'plastic'
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
  /** Which closing of the lid it goes in at: 0, if left out, from the start; 1 once it has been opened; and so on. */
  joins?: number
}

/** How the cook tells the cooker what to do; the figure that is asked for is counted in its last step. */
export type Style =
  | { kind: 'whistles'; flame: FlameName }
  /** Or, where nothing whistles, the pressure. */
  | { kind: 'first-whistle-then-low' }
  /** By the clock from lighting. */
  | { kind: 'clock'; flame: FlameName }
  | { kind: 'high-then-low'; whistles: number }
  | { kind: 'electric'; level: 'high' | 'low' }
  /** A measured program of the device, as often as it takes. */
  | { kind: 'fixed' }
  | { kind: 'rice-cooker' }
  | { kind: 'open'; lid: boolean }
  | { kind: 'slow'; level: 'high' | 'low' }
  /** A heated bowl: grain in its basket in plenty of water, drained. */
  | { kind: 'basket'; tempC: number }
export type StyleKind = Style['kind']

export type ReleaseChoice = 'auto' | { kind: 'natural' } | { kind: 'timed' | 'quick'; afterMinutes?: number }

/** What is asked of the planner: one load of one cooker. */
export interface PlanRequest {
  kitchen: { altitudeM: number; roomC: number; tapC: number }
  /** The id of a generic cooker, or a cooker of the household's own. */
  cooker: string | { appliance: Appliance; body?: PotBody; fixedPrograms?: FixedProgram[] }
  /** A generic burner, heat into the pot by flame, or the flames themselves and the burner's width. */
  burner?: 'strong' | 'weak' | Burner | MeasuredBurner
  contents: Content[]
  /** Height of what the lowest tin stands on; a low trivet if left out. */
  trivetMm?: number
  liquids: Liquid[]
  freeLiquid?: FreeLiquid
  style: Style
  release: ReleaseChoice
  /** What the cook means to take instead of what is computed: then the answer tells what becomes of it. */
  given?: { pourG?: number; figure?: number }
  /** One standard deviation of what is unknown, as a share, where something has been measured. */
  spread?: { flame?: number; lift?: number; batch?: number }
  /** The household's own foods, and its own figures for foods of the catalogue, by id. */
  foods?: Food[]
}
