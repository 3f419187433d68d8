// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { useKitchenStore } from '~/stores/kitchen'
import { createFollower } from '~~/core/live/follow'
import { beansRun, closePage, openKitchen, openPage, START_MS } from '~~/tests/house'
import { screen, show } from '~~/tests/screen'
import CheckList from './CheckList.vue'

beforeEach(() => openPage())
afterEach(closePage)

describe('the looks before the lid goes on', () => {
  it('are ticked one by one, and no press on them counts a whistle', async () => {
    await openKitchen(useKitchenStore().load)
    const { plan } = beansRun('a')
    const following = createFollower(plan, { bands: false })([], START_MS)
    const { user, container } = await show(CheckList, { plan, following })
    const beside = vi.fn()
    container.addEventListener('click', beside)
    const looks = screen.getAllByRole<HTMLInputElement>('checkbox')
    expect(looks).toHaveLength(4)
    await user.click(looks[1]!)
    expect(looks.map(({ checked }) => checked)).toEqual([false, true, false, false])
    await user.click(screen.getByText('Gasket clean and seated'))
    await user.click(looks[1]!)
    expect(looks.map(({ checked }) => checked)).toEqual([true, false, false, false])
    expect(beside).not.toHaveBeenCalled()
  })
})
