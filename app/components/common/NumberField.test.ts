// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import { useKitchenStore } from '~/stores/kitchen'
import { closePage, openKitchen, openPage } from '~~/tests/house'
import { screen, show } from '~~/tests/screen'
import { USUAL_LIKES, type Kitchen } from '~~/shared/kitchen'
import NumberField from './NumberField.vue'

beforeEach(() => openPage())
afterEach(closePage)

async function field(props: Record<string, unknown>, likes: Partial<Kitchen['likes']> = {}) {
  await openKitchen(useKitchenStore().load, { likes: { ...USUAL_LIKES, ...likes } })
  const { user, emitted, rerender } = await show(NumberField, { label: 'Amount', ...props })
  const box = screen.getByRole<HTMLInputElement>('textbox', { name: 'Amount' })
  return {
    box,
    rerender,
    given: () => (emitted('update:modelValue') as [number][] | undefined)?.at(-1)?.[0],
    async type(text: string) {
      await user.clear(box)
      await user.type(box, text)
    },
  }
}

describe('a field of a number', () => {
  it.each([
    ['1 1/2', 1.5],
    ['½', 0.5],
    ['2.5', 2.5],
  ])('reads %s', async (typed, read) => {
    const { type, given } = await field({ modelValue: 7 })
    await type(typed)
    expect(given()).toBe(read)
  })

  it('keeps what is no number as it was typed, says so, and gives nothing on', async () => {
    const { box, type, given } = await field({ modelValue: 7 })
    await type('some')
    expect(box.value).toBe('some')
    expect(given()).toBeUndefined()
    expect(screen.getByText('Give a number here.')).toBeTruthy()
  })

  it('is no mistake while nobody has filled it in', async () => {
    await field({ modelValue: NaN })
    expect(screen.queryByText('Give a number here.')).toBeNull()
  })

  it('shows a temperature as the household likes it, and takes it in any other unit', async () => {
    const { box, type, given } = await field({ modelValue: 95, quantity: 'temperature' }, { temperature: 'F' })
    expect(box.value).toBe('203')
    await type('100 C')
    expect(given()).toBeCloseTo(100)
    await type('212')
    expect(given()).toBeCloseTo(100)
  })

  it('says within what it must lie, in the unit in which it is typed', async () => {
    const { type } = await field({ modelValue: 20, quantity: 'temperature', bound: 'tapC' }, { temperature: 'F' })
    await type('150')
    expect(screen.getByText(/32.*104/)).toBeTruthy()
  })

  it('tells and reads minutes with their seconds', async () => {
    const { box, type, given } = await field({ modelValue: 7.1, clock: true })
    expect(box.value).toBe('7:06')
    await type('8:30')
    expect(given()).toBe(8.5)
  })

  it('reads and shows a comma where the household writes one', async () => {
    const { box, type, given } = await field({ modelValue: 1.5 }, { decimal: 'comma' })
    expect(box.value).toBe('1,5')
    await type('2,25')
    expect(given()).toBe(2.25)
  })

  it('follows what is given to it, but not while the same stands there in other words', async () => {
    const { box, rerender, type } = await field({ modelValue: 2 })
    await type('1/2')
    await rerender({ label: 'Amount', modelValue: 0.5 })
    expect(box.value).toBe('1/2')
    await rerender({ label: 'Amount', modelValue: 3 })
    expect(box.value).toBe('3')
  })
})
