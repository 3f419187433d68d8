import { defineStore } from 'pinia'
import { useLocalStorage } from '@vueuse/core'
import { COMMON_MEASURES, gramsOf, isWeight, type Measure, type WeightUnit } from '~~/core/measure/measure'
import { findFood } from '~~/core/food/catalogue'
import { cooksCovered } from '~~/core/food/food'
import { texturesOf, usualTexture, type Texture } from '~~/core/food/texture'
import type { Addition } from '~~/core/food/need'
import type { Soak } from '~~/core/food/soak'
import type { FlameName } from '~~/core/pot/cookers'
import { styleOf } from '~~/core/program/equivalents'
import type { PlanRequest, StyleKind } from '~~/core/program/request'
import { stylesFor } from '~~/core/program/styles'
import type { FreeLiquid, LiquidKind } from '~~/core/water/liquids'
import type { HouseholdBurner, HouseholdCooker, Kitchen } from '~~/shared/kitchen'

/** One of the other liquids, as typed. */
export interface LiquidForm {
  kind: LiquidKind
  g: string
}

/** What changes how long a food takes: what is added to it, and an old bag. */
export type Circumstance = Addition | 'old-bag'

/** What the cook has typed, as typed: numbers stay text until they are read. */
export interface PotForm {
  foodId: string
  amount: string
  /** `g`, or the id of one of the household's measures. */
  unit: string
  soakHours: string
  keepWater: boolean
  soakWaterG: string
  /** Poured on hot, for a quick soak. */
  hotSoak: boolean
  texture: Texture
  circumstances: Circumstance[]
  liquids: LiquidForm[]
  freeLiquid: FreeLiquid
  cookerId: string
  burnerId: string
  flame: FlameName
  styleOf: Partial<Record<string, StyleKind>>
  level: 'high' | 'low'
}

const FRESH: PotForm = {
  foodId: 'navy-bean',
  amount: '2',
  unit: '',
  soakHours: '9',
  keepWater: false,
  soakWaterG: '',
  hotSoak: false,
  texture: 'tender',
  circumstances: [],
  liquids: [],
  freeLiquid: 'spoonable',
  cookerId: '',
  burnerId: '',
  flame: 'medium',
  styleOf: {},
  level: 'high',
}

/** Water that has just boiled, poured over. */
const HOT_SOAK_C = 95
const HOT_SOAK_FROM_C = 50

/** Reads a number as cooks type it (1.5 or 1,5); NaN for anything else. */
export function readNumber(text: string | number): number {
  const trimmed = String(text ?? '')
    .trim()
    .replace(',', '.')
  return trimmed === '' ? NaN : Number(trimmed)
}

/** The pot being planned: kept on this device as it is typed, so that nothing is lost by a reload. */
export const usePotStore = defineStore('pot', () => {
  const form = useLocalStorage<PotForm>('bivvet-pot', { ...FRESH }, { mergeDefaults: true })
  const kitchenStore = useKitchenStore()

  const food = computed(() => findFood(form.value.foodId) ?? null)

  /** Changes the food, and with it what is only sensible for the one before. */
  function chooseFood(id: string) {
    const next = findFood(id)
    if (!next) return
    form.value.foodId = id
    if (!texturesOf(next).includes(form.value.texture)) form.value.texture = usualTexture(next)
    const advice = next.soak?.adviceHours
    form.value.soakHours = advice ? String(advice[0]) : '0'
    form.value.hotSoak = false
    form.value.freeLiquid = cooksCovered(next) ? 'spoonable' : 'drained'
    if (next.cupG === null) form.value.unit = 'g'
  }

  /** Takes a way of soaking as it was offered. */
  function chooseSoak(soak: Soak | null) {
    form.value.soakHours = String(soak?.hours ?? 0)
    form.value.hotSoak = soak !== null && soak.waterC > HOT_SOAK_FROM_C
    form.value.keepWater = soak?.keepWater ?? false
  }

  function unitOf(kitchen: Kitchen): WeightUnit | Measure {
    const { unit } = form.value
    if (isWeight(unit)) return unit
    const own = kitchen.measures.find(({ id }) => id === unit) ?? kitchen.measures[0]
    return own ?? COMMON_MEASURES['cup-240']
  }

  const amountG = computed(() => {
    const { kitchen } = kitchenStore
    if (!kitchen || !food.value) return NaN
    return gramsOf(readNumber(form.value.amount), unitOf(kitchen), food.value)
  })

  const cooker = computed<HouseholdCooker | null>(() => {
    const { kitchen } = kitchenStore
    return kitchen?.cookers.find(({ id }) => id === form.value.cookerId) ?? kitchen?.cookers[0] ?? null
  })
  const burner = computed<HouseholdBurner | null>(() => {
    const { kitchen } = kitchenStore
    return kitchen?.burners.find(({ id }) => id === form.value.burnerId) ?? kitchen?.burners[0] ?? null
  })

  const styleKinds = computed(() => (cooker.value ? stylesFor(cooker.value.cooker) : []))
  const styleKind = computed<StyleKind | null>({
    get() {
      const kind = cooker.value?.cooker.appliance.kind
      const chosen = kind ? form.value.styleOf[kind] : undefined
      return chosen && styleKinds.value.includes(chosen) ? chosen : (styleKinds.value[0] ?? null)
    },
    set(style) {
      const kind = cooker.value?.cooker.appliance.kind
      if (kind && style) form.value.styleOf = { ...form.value.styleOf, [kind]: style }
    },
  })

  /** How the cook likes a style to be run. */
  const preferences = computed(() => ({ flame: form.value.flame, level: form.value.level }))

  /** The request for one cooker and style; the pot's own where they are not given. */
  function requestFor(of: HouseholdCooker, kind: StyleKind): PlanRequest | null {
    const { kitchen } = kitchenStore
    if (!kitchen || !food.value) return null
    const { altitudeM, roomC, tapC } = kitchen
    const hours = form.value.soakHours.trim() === '' ? 0 : readNumber(form.value.soakHours)
    const soaked = food.value.soak !== null && hours !== 0
    const measured = form.value.soakWaterG.trim() === '' ? undefined : readNumber(form.value.soakWaterG)
    return {
      kitchen: { altitudeM, roomC, tapC },
      cooker: { appliance: of.cooker.appliance, body: of.cooker.body },
      burner: burner.value?.burner,
      contents: [
        {
          food: food.value.id,
          dryG: amountG.value,
          soak: soaked
            ? {
                hours,
                waterC: form.value.hotSoak ? HOT_SOAK_C : tapC,
                keepWater: form.value.keepWater,
                ...(form.value.keepWater && measured !== undefined ? { waterG: measured } : {}),
              }
            : null,
          texture: form.value.texture,
          where: 'base',
          batch: form.value.circumstances.includes('old-bag') ? 'old' : 'fresh',
          additions: form.value.circumstances.filter((one): one is Addition => one !== 'old-bag'),
        },
      ],
      liquids: form.value.liquids.map(({ kind, g }) => ({ kind, g: readNumber(g) })),
      freeLiquid: form.value.freeLiquid,
      style: styleOf(kind, preferences.value),
      release: 'auto',
    }
  }

  const request = computed(() => (cooker.value && styleKind.value ? requestFor(cooker.value, styleKind.value) : null))

  return {
    form,
    food,
    chooseFood,
    chooseSoak,
    amountG,
    cooker,
    burner,
    styleKinds,
    styleKind,
    preferences,
    requestFor,
    request,
  }
})
