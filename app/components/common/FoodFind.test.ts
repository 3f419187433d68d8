// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { ref } from 'vue'
import { useKitchenStore } from '~/stores/kitchen'
import { closePage, houseId, openKitchen, openPage, settle } from '~~/tests/house'
import { screen, show } from '~~/tests/screen'
import FoodFind from './FoodFind.vue'

// What everybody means by a word is worked out in a thread, and not here.
vi.mock('~/composables/common/useWorker', async (original) => ({
  ...(await original<object>()),
  useWorked: () => ({ result: ref(null), working: ref(false) }),
}))

beforeEach(() => openPage())
afterEach(closePage)

async function find(props: Record<string, unknown> = {}) {
  await openKitchen(useKitchenStore().load)
  const { user, emitted } = await show(FoodFind, { label: 'What goes in?', ...props })
  const box = screen.getByRole<HTMLInputElement>('combobox', { name: 'What goes in?' })
  return {
    user,
    box,
    async type(text: string) {
      await user.type(box, text)
      await vi.dynamicImportSettled()
      await settle()
    },
    async press(keys: string) {
      await user.keyboard(keys)
      await settle()
    },
    names: () => screen.queryAllByRole('option').map((one) => one.querySelector('strong')!.textContent),
    marked: () => screen.getAllByRole('option').findIndex((one) => one.getAttribute('aria-selected') === 'true'),
    took: () => (emitted('take') ?? []) as [string, { count: number; unit: string } | null, object][],
  }
}

describe('a field that finds a food', () => {
  it('finds one by another name, with how much of it, and takes it by return', async () => {
    const { type, press, names, took } = await find()
    await type('2 cups chole')
    expect(names()[0]).toBe('Chickpeas')
    await press('{Enter}')
    expect(took()[0]).toMatchObject(['chickpea-white', { count: 2, unit: houseId(3) }, { isUnsoaked: false }])
  })

  it('is gone through by arrows, round both ends', async () => {
    const { type, press, names, marked, took } = await find()
    await type('lentil')
    const last = names().length - 1
    expect(last).toBeGreaterThan(1)
    await press('{ArrowDown}')
    expect(marked()).toBe(1)
    await press('{ArrowUp}{ArrowUp}')
    expect(marked()).toBe(last)
    await press('{ArrowDown}')
    expect(marked()).toBe(0)
    expect(took()).toEqual([])
  })

  it('says that a food is in no list, and offers what is near to many', async () => {
    const { type, press, names, took } = await find()
    await type('zzyzx')
    expect(names()).toEqual([])
    expect(screen.getByRole('status').textContent).toContain('zzyzx')
    await press('{Enter}')
    expect(took()).toEqual([])
  })

  it.each([
    [true, 0],
    [false, 8],
  ])('shows before anything is typed, quiet %s, so many foods: %i', async (quiet, shown) => {
    const { names } = await find({ quiet })
    expect(names()).toHaveLength(shown)
  })

  it('says of a measure that nobody knows where it is told', async () => {
    const { type } = await find()
    await type('2 mugs rice')
    expect(screen.getByRole('status').textContent).toContain('mugs')
  })
})
