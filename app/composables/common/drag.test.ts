// @vitest-environment happy-dom
import { createApp, defineComponent, h, withDirectives } from 'vue'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { closePage, openPage } from '~~/tests/house'
import { provideCarry, type Landing, type Load } from '../stack/useCarry'
import { vDrag } from './drag'

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
const clicked = vi.fn()
let under = 'nothing'
let grip: HTMLElement
let close: () => void

beforeEach(() => {
  openPage()
  landed.length = 0
  clicked.mockReset()
  document.body.innerHTML = Object.values(PLACES).join('')
  document.elementFromPoint = () => document.getElementById(under)
})
afterEach(() => {
  close?.()
  closePage()
})

/** A page with one thing on it that can be carried. */
async function carrying(load: Load) {
  let given!: ReturnType<typeof provideCarry>
  const app = createApp(
    defineComponent({
      setup() {
        given = provideCarry((what, onto) => landed.push([what, onto]))
        return () => withDirectives(h('button', { id: 'grip', onClick: clicked }), [[vDrag, given.carry(load)]])
      },
    }),
  )
  const place = document.body.appendChild(document.createElement('div'))
  app.mount(place)
  grip = document.getElementById('grip')!
  close = () => app.unmount()
  await vi.dynamicImportSettled()
  return given
}
const pointer = (type: string, x: number, y: number, { pointerId = 1, buttons = 1, button = 0 } = {}) => {
  const event = new PointerEvent(type, { clientX: x, clientY: y, pointerId, buttons, button, bubbles: true })
  grip.dispatchEvent(event)
  return event
}
const press = (x = 0, y = 0, more = {}) => pointer('pointerdown', x, y, more)
const move = (x: number, y = 0, more = {}) => pointer('pointermove', x, y, more)
const letGo = (x: number, y = 0, more = {}) => pointer('pointerup', x, y, { buttons: 0, ...more })

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
    const { isOver } = await carrying(load)
    press()
    under = place
    move(40)
    if (onto) expect(isOver(onto)).toBe(true)
    letGo(40)
    expect(landed).toEqual(onto ? [[load, onto]] : [])
  })

  it('is carried only once it has gone some way: a press is no drag', async () => {
    const { carried, isCarried } = await carrying(RICE)
    under = 'base'
    press(10, 10)
    move(13, 13)
    expect(carried.value).toBeNull()
    letGo(13, 13)
    expect(landed).toEqual([])
    press(10, 10)
    move(10, 17)
    expect(isCarried('food', '0')).toBe(true)
    expect(isCarried('tin', '0')).toBe(false)
    // Once it is carried it may come back to where it was.
    move(10, 10)
    expect(isCarried('food', '0')).toBe(true)
  })

  it('follows the pointer that took it, and no other finger', async () => {
    const { carried } = await carrying(RICE)
    under = 'base'
    press(0, 0, { pointerId: 7 })
    move(90, 90, { pointerId: 8 })
    expect(carried.value).toBeNull()
    move(20, 30, { pointerId: 7 })
    expect(carried.value).toMatchObject({ x: 20, y: 30 })
    letGo(20, 30, { pointerId: 8 })
    expect(landed).toEqual([])
    letGo(20, 30, { pointerId: 7 })
    expect(landed).toHaveLength(1)
  })

  it('is put back by Escape, or when the pointer is taken away', async () => {
    const { carried } = await carrying(RICE)
    under = 'base'
    const ways = [
      () => document.dispatchEvent(new KeyboardEvent('keydown', { key: 'Escape' })),
      () => pointer('pointercancel', 0, 0),
    ]
    for (const putBack of ways) {
      press()
      move(40)
      expect(carried.value).not.toBeNull()
      putBack()
      expect(carried.value).toBeNull()
      await vi.advanceTimersByTimeAsync(10)
      letGo(40)
      await vi.advanceTimersByTimeAsync(10)
    }
    document.dispatchEvent(new KeyboardEvent('keydown', { key: 'a' }))
    expect(landed).toEqual([])
  })

  it('is clicked when it is pressed, and not by the press that ends a drag', async () => {
    await carrying(RICE)
    const click = (detail: number) =>
      grip.dispatchEvent(new MouseEvent('click', { bubbles: true, cancelable: true, detail }))
    press()
    letGo(0)
    click(1)
    expect(clicked).toHaveBeenCalledTimes(1)
    press()
    move(40)
    letGo(40)
    click(1)
    expect(clicked).toHaveBeenCalledTimes(1)
    // A click by the keyboard counts none.
    click(0)
    expect(clicked).toHaveBeenCalledTimes(2)
  })

  it('is not picked up by another button than the first', async () => {
    const { carried } = await carrying(RICE)
    press(0, 0, { button: 2, buttons: 2 })
    move(40, 0, { buttons: 2 })
    expect(carried.value).toBeNull()
  })

  it('is left alone once the screen is gone', async () => {
    await carrying(RICE)
    under = 'base'
    press()
    move(40)
    close()
    letGo(40)
    expect(landed).toEqual([])
  })
})
