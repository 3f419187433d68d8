import { useLocalStorage } from '@vueuse/core'
import { stepAfter } from '~~/core/appliance/test-guide'
import { kindOf } from '~~/core/appliance/appliance'
import type { TestMark, WaterTest } from '~~/core/appliance/water-test.schema'
import { MINUTE_MS } from '~~/core/measure/time'
import { inUnit, readInUnit } from '~~/core/quantity/unit'
import { typedAmount } from '~~/core/quantity/number'
import { inUse, type HouseholdCooker, type Kitchen } from '~~/shared/kitchen'

/** Figures stand as they were typed, in the units that the household likes. */
interface Notes {
  burnerId: string
  waterG: string
  startC: string
  leftG: string
  thermometer: string
  litAt: number | null
  marks: TestMark[]
  /** Readings that are left out, by their place. */
  ignored?: number[]
}

/** A water test under way: its marks are kept on this device, so that a reload in the middle loses nothing. */
export function useWaterTest(cooker: HouseholdCooker, kitchen: Kitchen) {
  const { appliance, body } = cooker.cooker
  const { test: guide, level } = kindOf(appliance)
  const { weight, temperature, decimal } = kitchen.likes
  const readG = (text: string) => readInUnit(text, 'weight', weight, decimal)
  const readC = (text: string) => readInUnit(text, 'temperature', temperature, decimal)
  const fresh = (): Notes => ({
    burnerId: inUse(kitchen.burners)[0]?.id ?? '',
    waterG: typedAmount(inUnit(guide.waterG(body.capacityL), 'weight', weight), decimal, 1),
    startC: typedAmount(inUnit(kitchen.tapC, 'temperature', temperature), decimal, 1),
    leftG: '',
    thermometer: '',
    litAt: null,
    marks: [],
  })
  // In other units the same digits would be another amount: each has notes of its own.
  const inUnits = weight === 'g' && temperature === 'C' ? '' : `-${weight}-${temperature}`
  const notes = useLocalStorage<Notes>(`bivvet-water-test-${cooker.id}${inUnits}`, fresh())
  const step = computed(() => stepAfter(guide.steps, notes.value.marks))

  /** The mark that the present step waits for, now. */
  function press() {
    if (!step.value) return
    const { mark } = step.value.step
    // A stopwatch: this device’s own clock, which nobody sets in the middle.
    const now = Date.now()
    if (notes.value.litAt === null) notes.value.litAt = now
    const minute = (now - notes.value.litAt) / MINUTE_MS
    if (mark.kind === 'temperature') {
      const tempC = readC(notes.value.thermometer)
      if (!Number.isFinite(tempC)) return
      notes.value.marks.push({ kind: 'temperature', minute, tempC })
      notes.value.thermometer = ''
    } else notes.value.marks.push({ ...mark, minute } as TestMark)
  }
  function takeBack() {
    notes.value.marks.pop()
    if (notes.value.marks.length === 0) notes.value.litAt = null
  }
  const restart = () => (notes.value = fresh())

  const test = computed<WaterTest | null>(() => {
    const leftG = readG(notes.value.leftG)
    if (step.value || !Number.isFinite(leftG)) return null
    return {
      waterG: readG(notes.value.waterG),
      leftG,
      startC: readC(notes.value.startC),
      place: { altitudeM: kitchen.altitudeM, roomC: kitchen.roomC },
      ...(level ? { level } : {}),
      // A minute that is corrected makes another test of it.
      marks: notes.value.marks.map((mark) => ({ ...mark })),
      ...(notes.value.ignored?.length ? { ignored: [...notes.value.ignored] } : {}),
    }
  })
  const leaveOut = (place: number) => (notes.value.ignored = [...(notes.value.ignored ?? []), place])
  return { notes, step, press, takeBack, restart, test, leaveOut }
}
