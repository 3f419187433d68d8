// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { COOKERS } from '~~/core/appliance/appliance'
import { waterTestSchema } from '~~/core/appliance/water-test.schema'
import { aKitchen, closePage, houseId, openPage, settle } from '~~/tests/house'
import { useWaterTest } from './useWaterTest'

beforeEach(() => openPage())
afterEach(closePage)

const cooker = (generic: string) => ({ id: houseId(1), name: 'Blue', cooker: COOKERS[generic]!, tests: [] })
const testing = (generic = 'whistling-5l-aluminium') =>
  effectScope(true).run(() => useWaterTest(cooker(generic), aKitchen()))!
const pass = (minutes: number) => vi.advanceTimersByTime(minutes * 60_000)

/** Answers whatever is asked for, a minute and a half apart, until nothing more is. */
function goThrough(test: ReturnType<typeof useWaterTest>) {
  for (let i = 0; i < 30 && test.step.value; i++) {
    test.notes.value.thermometer = String(40 + 10 * i)
    test.press()
    pass(1.5)
  }
}

describe('a water test', () => {
  it('begins with the water that the guide says, at the tap’s temperature', () => {
    const { notes, step } = testing()
    expect(Number(notes.value.waterG)).toBeGreaterThan(500)
    expect(notes.value).toMatchObject({ startC: '18', burnerId: houseId(2), marks: [], litAt: null })
    expect(step.value!.step.mark.kind).toBe('flame')
  })

  it('takes ounces and °F where they are liked, and what is typed with its unit', () => {
    const kitchen = aKitchen()
    kitchen.likes = { ...kitchen.likes, weight: 'oz', temperature: 'F' }
    const test = effectScope(true).run(() => useWaterTest(cooker('whistling-5l-aluminium'), kitchen))!
    expect(test.notes.value.startC).toBe('64.4')
    test.notes.value.waterG = '32'
    goThrough(test)
    test.notes.value.leftG = '600 g'
    expect(test.test.value!.waterG).toBeCloseTo(907.2, 1)
    expect(test.test.value!.leftG).toBe(600)
    expect(test.test.value!.startC).toBeCloseTo(18, 5)
  })

  it('notes each mark by the minutes since it was lit', () => {
    const { notes, press } = testing()
    pass(10)
    press()
    pass(6)
    press()
    pass(2.5)
    press()
    expect(notes.value.marks.map(({ minute }) => minute)).toEqual([0, 6, 8.5])
  })

  it('is a test only when every mark is there and the water was weighed again', () => {
    const test = testing()
    goThrough(test)
    expect(test.step.value).toBeNull()
    expect(test.test.value).toBeNull()
    test.notes.value.leftG = 'about half'
    expect(test.test.value).toBeNull()
    test.notes.value.leftG = '812,5'
    expect(test.test.value).toMatchObject({ leftG: 812.5, startC: 18, place: { altitudeM: 0, roomC: 20 } })
    expect(waterTestSchema.safeParse(test.test.value).success).toBe(true)
  })

  it('takes a thermometer’s figure for a pot that tells nothing, and no mark without one', () => {
    const test = testing('slow-6l')
    test.press()
    expect(test.step.value!.step.mark.kind).toBe('temperature')
    pass(20)
    test.press()
    expect(test.notes.value.marks).toHaveLength(1)
    test.notes.value.thermometer = 'warm'
    test.press()
    expect(test.notes.value.marks).toHaveLength(1)
    test.notes.value.thermometer = '52,5'
    test.press()
    expect(test.notes.value.marks.at(-1)).toEqual({ kind: 'temperature', minute: 20, tempC: 52.5 })
    expect(test.notes.value.thermometer).toBe('')
    goThrough(test)
    test.notes.value.leftG = '900'
    expect(test.test.value).toMatchObject({ level: 'high' })
  })

  it('takes back the last mark, and the start with it', () => {
    const { notes, press, takeBack } = testing()
    press()
    pass(5)
    press()
    takeBack()
    expect(notes.value.marks).toHaveLength(1)
    expect(notes.value.litAt).not.toBeNull()
    takeBack()
    expect(notes.value).toMatchObject({ marks: [], litAt: null })
  })

  it('is there again after a reload in the middle, and gone once it is begun anew', async () => {
    const before = testing()
    before.press()
    pass(6)
    before.press()
    await settle()
    const after = testing()
    expect(after.notes.value.marks.map(({ minute }) => minute)).toEqual([0, 6])
    after.restart()
    await settle()
    expect(testing().notes.value.marks).toEqual([])
  })
})
