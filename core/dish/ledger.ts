/**
 * The free liquid of a stage in g: what came from other stages, what was added, and where it went. It closes:
 * before + poured + given + back − drunk − steam − boiled − kept − thrown = after.
 */
export interface LiquidRow {
  beforeG: number
  /** Water that is poured. */
  pouredG: number
  /** What ingredients give. */
  givenG: number
  /** Liquid of another stage that was kept for this one. */
  backG: number
  drunkG: number
  /** Lost from a pot as steam, or boiled away from an open vessel. */
  steamG: number
  boiledG: number
  /** Kept aside, and thrown away. */
  keptG: number
  thrownG: number
  afterG: number
}

/** The salt of a stage in g: what came, what was added, what left with liquid, what is in it then. */
export interface SaltRow {
  beforeG: number
  addedG: number
  goneG: number
  afterG: number
  /** Share of all that is in it. */
  share: number
}

export const emptyRow = (): LiquidRow => ({
  beforeG: 0,
  pouredG: 0,
  givenG: 0,
  backG: 0,
  drunkG: 0,
  steamG: 0,
  boiledG: 0,
  keptG: 0,
  thrownG: 0,
  afterG: 0,
})

/** By how much a row does not close, in g; 0 but for rounding. */
export function gapG(row: LiquidRow): number {
  const { beforeG, pouredG, givenG, backG, drunkG, steamG, boiledG, keptG, thrownG, afterG } = row
  return beforeG + pouredG + givenG + backG - drunkG - steamG - boiledG - keptG - thrownG - afterG
}
