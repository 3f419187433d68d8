// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { closePage, onScreen, openPage } from '~~/tests/house'
import { provideCarry, type Landing, type Load } from './useCarry'

const RICE: Load = { kind: 'food', id: '0', name: 'Rice' }
const TIN: Load = { kind: 'tin', id: 'small', name: 'Small' }

/** The pot as it is drawn: a tin on the first tier, the base beneath, and what lies outside. */
const PLACES: Record<string, string> = {
  tin: '<g data-tier="1"><g data-tin="small"><rect id="tin" /></g></g>',
  tier: '<g data-tier="2"><rect id="tier" /></g>',
  base: '<g data-base="1"><rect id="base" /></g>',
  out: '<ul data-out="1"><li id="out"></li></ul>',
  nothing: '<p id="nothing"></p>',
}
const landed: [Load, Landing][] = []
let under = 'nothing'

beforeEach(() => {
  openPage()
  landed.length = 0
  document.body.innerHTML = Object.values(PLACES).join('')
  document.elementFromPoint = () => document.getElementById(under)
})
afterEach(closePage)

const carrying = () => onScreen(() => provideCarry((load, onto) => landed.push([load, onto])))
const pointer = (type: string, x: number, y = 0, pointerId = 1, button = 0) =>
  new PointerEvent(type, { clientX: x, clientY: y, pointerId, button })
const move = (x: number, y = 0, pointerId = 1) => document.dispatchEvent(pointer('pointermove', x, y, pointerId))
const letGo = (x: number, y = 0, pointerId = 1) => document.dispatchEvent(pointer('pointerup', x, y, pointerId))

describe('what is carried on the stack', () => {
  it.each<[string, Load, Landing | null]>([
    ['tin', RICE, { at: 'tin', id: 'small' }],
    ['tin', TIN, { at: 'tier', tier: 1 }],
    ['tier', RICE, { at: 'tier', tier: 2 }],
    ['tier', TIN, { at: 'tier', tier: 2 }],
    ['base', RICE, { at: 'base' }],
    ['base', TIN, { at: 'tier', tier: 0 }],
    ['out', RICE, { at: 'out' }],
    ['out', TIN, { at: 'out' }],
    ['nothing', RICE, null],
  ])('lands on the %s beneath it: %o', async (place, load, onto) => {
    const { pickUp, isOver } = await carrying()
    pickUp(pointer('pointerdown', 0), load)
    under = place
    move(40)
    if (onto) expect(isOver(onto)).toBe(true)
    letGo(40)
    expect(landed).toEqual(onto ? [[load, onto]] : [])
  })

  it('is carried only once it has gone some way: a press is no carry', async () => {
    const { pickUp, carried, isCarried } = await carrying()
    under = 'base'
    pickUp(pointer('pointerdown', 10, 10), RICE)
    move(13, 13)
    expect(carried.value).toBeNull()
    letGo(13, 13)
    expect(landed).toEqual([])
    pickUp(pointer('pointerdown', 10, 10), RICE)
    move(10, 16)
    expect(isCarried('food', '0')).toBe(true)
    expect(isCarried('tin', '0')).toBe(false)
    // Once it is carried it may come back to where it was.
    move(10, 10)
    expect(isCarried('food', '0')).toBe(true)
  })

  it('follows the pointer that took it, and no other finger', async () => {
    const { pickUp, carried } = await carrying()
    under = 'base'
    pickUp(pointer('pointerdown', 0, 0, 7), RICE)
    move(90, 90, 8)
    expect(carried.value).toBeNull()
    move(20, 30, 7)
    expect(carried.value).toMatchObject({ x: 20, y: 30 })
    letGo(20, 30, 8)
    expect(landed).toEqual([])
    letGo(20, 30, 7)
    expect(landed).toHaveLength(1)
  })

  it('is put back by Escape, or when the pointer is taken away', async () => {
    const { pickUp, carried } = await carrying()
    under = 'base'
    for (const away of [new KeyboardEvent('keydown', { key: 'Escape' }), pointer('pointercancel', 0)]) {
      pickUp(pointer('pointerdown', 0), RICE)
      move(40)
      expect(carried.value).not.toBeNull()
      document.dispatchEvent(away)
      expect(carried.value).toBeNull()
      letGo(40)
    }
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'a' }))
    expect(landed).toEqual([])
  })

  it('is not picked up by another button than the first', async () => {
    const { pickUp, carried } = await carrying()
    pickUp(pointer('pointerdown', 0, 0, 1, 2), RICE)
    move(40)
    expect(carried.value).toBeNull()
  })

  it('is left alone once the screen is gone', async () => {
    const { pickUp } = await carrying()
    under = 'base'
    pickUp(pointer('pointerdown', 0), RICE)
    closePage()
    vi.useRealTimers()
    letGo(40)
    expect(landed).toEqual([])
  })
})
