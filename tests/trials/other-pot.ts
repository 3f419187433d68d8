import type { StoveToCookOn } from '../../core/learn/cook'
import { hiddenPot, type Hidden, type Sign } from '../../core/live/stove'
import type { Course } from '../../core/live/course'
import type { LoadedPot } from '../../core/pot/case.schema'
import { normal } from '../../core/live/random'
import { UNMEASURED } from '../../core/unknown'

/**
 * A whistling pot written apart from the product's own, for judging what is advised at it: another formula for steam,
 * plain short steps instead of located events, and what the product leaves out (a flame that breathes, a vent that
 * dribbles before it whistles). Nothing of core/pot is used here.
 */
export interface OtherPot {
  metalJPerK: number
  foodJPerK: number
  waterKg: number
  startC: number
  roomC: number
  altitudeM: number
  lossWPerK: number
  liftPa: number
  reseatPa: number
  ventKgPerS: number
  purgeKg: number
  leakKgPerS: number
  /** mm across, and how the food cooks. */
  foods: { sizeMm: number; zC: number }[]
}

/** By what a pot at the stove differs from what was assumed of it, as factors. */
export interface Truth {
  flames: Record<'high' | 'medium' | 'low' | 'simmer', number>
  loss: number
  leak: number
  lift: number
  swing: number
  vent: number
  load: number
}

/** One gasket in so many leaks ten times as much as it should (engineering estimate). */
const BAD_GASKET = 0.03
const ALL_FLAMES_SHARE = 0.8
const OWN_FLAME_SHARE = 0.6

/** A truth as anybody's kitchen may have it; `badGaskets` draws those that leak too. */
export function drawnTruth(random: () => number, { badGaskets = true } = {}): Truth {
  const factor = (sd: number) => Math.exp(sd * normal(random))
  const burner = factor(ALL_FLAMES_SHARE * UNMEASURED.heat)
  const flame = () => burner * factor(OWN_FLAME_SHARE * UNMEASURED.heat)
  return {
    flames: { high: flame(), medium: flame(), low: flame(), simmer: flame() },
    loss: factor(UNMEASURED.loss),
    leak: factor(UNMEASURED.leak) * (random() < BAD_GASKET && badGaskets ? 10 : 1),
    lift: factor(UNMEASURED.lift),
    swing: factor(UNMEASURED.swing),
    vent: factor(UNMEASURED.vent),
    load: factor(UNMEASURED.load),
  }
}

const STEP_S = 0.5
const OPENS_PA = 2000

/** kPa over water (Buck 1981), in Pa. */
const steamPa = (tempC: number) => 611.21 * Math.exp((18.678 - tempC / 234.5) * (tempC / (257.14 + tempC)))
/** Straight line through the steam tables from 80 to 130 °C. */
const latentJPerKg = (tempC: number) => (2501 - 2.42 * tempC) * 1000
const airPa = (altitudeM: number) => 101_325 * Math.exp(-altitudeM / 8434)

/** The pot as it stands on the stove; `advance` tells the seconds at which it whistled. */
export function standOther(pot: OtherPot, truth: Truth) {
  const air = airPa(pot.altitudeM)
  const lift = pot.liftPa * truth.lift
  const reseat = lift * (1 - Math.min(0.9, (1 - pot.reseatPa / pot.liftPa) * truth.swing))
  let boilC = 100
  for (let i = 0; i < 60; i++) boilC += (air - steamPa(boilC)) / 3600
  let tempC = pot.startC
  let waterKg = pot.waterKg * truth.load
  let second = 0
  let open = false
  let purged = false
  let dryAt: number | null = null
  const middles = pot.foods.map(() => pot.startC)
  const doses = pot.foods.map(() => 0)
  const gauge = () => (tempC > boilC ? steamPa(tempC) - air : 0)
  return {
    advance(untilS: number, heatW: number, valveOpen = false): number[] {
      const whistles: number[] = []
      for (; second < untilS; second += STEP_S) {
        const pa = gauge()
        if (pa >= lift && !open && !valveOpen) {
          open = true
          whistles.push(second)
        }
        if (open && pa <= reseat) open = false
        let steamKgPerS = (pot.leakKgPerS * truth.leak * pa) / pot.liftPa
        // The weight lets a little by before it lifts.
        if (pa > 0.9 * lift) steamKgPerS += 0.1 * pot.leakKgPerS
        if (open || (valveOpen && pa > 0)) steamKgPerS += pot.ventKgPerS * truth.vent
        const breathing = 1 + 0.05 * Math.sin(second / 70)
        const heat = heatW * breathing
        const capacity = pot.metalJPerK + pot.foodJPerK * truth.load + 4220 * Math.max(0, waterKg)
        if (!purged && tempC >= boilC) {
          purged = true
          const kg = Math.min(pot.purgeKg, waterKg)
          waterKg -= kg
          tempC -= (kg * latentJPerKg(boilC)) / capacity
        }
        if (waterKg <= 0) {
          dryAt ??= second
          steamKgPerS = 0
        }
        const net = heat - pot.lossWPerK * truth.loss * (tempC - pot.roomC) - steamKgPerS * latentJPerKg(tempC)
        tempC += (net / capacity) * STEP_S
        waterKg -= steamKgPerS * STEP_S
        pot.foods.forEach(({ sizeMm, zC }, i) => {
          const radiusM = sizeMm / 2000
          const lagS = sizeMm > 12 ? radiusM ** 2 / (Math.PI ** 2 * 1.4e-7) : 0
          middles[i] = lagS === 0 ? tempC : middles[i]! + ((tempC - middles[i]!) / lagS) * STEP_S
          if (middles[i]! > 60) doses[i]! += (10 ** ((middles[i]! - 100) / zC) * STEP_S) / 60
        })
      }
      return whistles
    },
    now: () => ({ tempC, gaugePa: gauge(), waterG: Math.max(0, waterKg) * 1000, doses: [...doses], dryAt }),
    isShut: () => gauge() > OPENS_PA,
  }
}

/** The same pot as a planned one. */
export function otherPotOf({ appliance, load, place, foods }: LoadedPot): OtherPot {
  if (!('liftPa' in appliance)) throw new TypeError('It must whistle')
  const { metalKg, metalJPerKgK, lossWPerK, liftPa, reseatPa, ventKgPerS, purgeKg, leakKgPerS } = appliance
  return {
    metalJPerK: metalKg * metalJPerKgK,
    foodJPerK: load.foodJPerK,
    waterKg: load.freeWaterKg,
    startC: load.startC,
    roomC: place.roomC,
    altitudeM: place.altitudeM,
    lossWPerK,
    liftPa,
    reseatPa,
    ventKgPerS,
    purgeKg,
    leakKgPerS,
    foods: foods.map(({ sizeMm = 0, zC }) => ({ sizeMm, zC })),
  }
}

/** The other pot in place of the stove on which a household cooks; a flame's heat is given in W as it really is. */
export function otherStove(
  course: Course,
  hidden: Hidden,
  { leak, lift }: Pick<Truth, 'leak' | 'lift'>,
): StoveToCookOn {
  const pot = otherPotOf(hiddenPot(course.pot, hidden))
  const flames = { high: 1, medium: 1, low: 1, simmer: 1 }
  const stove = standOther(pot, { flames, leak, lift, loss: 1, swing: 1, vent: 1, load: 1 })
  let watts = 0
  let valveOpen = false
  return {
    start() {
      throw new TypeError('It has no heat of its own')
    },
    heat: (now) => void (watts = now),
    valve: (open) => void (valveOpen = open),
    advance: (untilMinute) =>
      stove
        .advance(untilMinute * 60, watts * hidden.heat, valveOpen)
        .map((second): Sign => ({ minute: second / 60, kind: 'whistle' })),
    now() {
      const { gaugePa, waterG, doses } = stove.now()
      return { gaugePa, freeWaterG: waterG, boilMinutes: doses }
    },
  }
}
