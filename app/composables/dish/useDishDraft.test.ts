// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import type { DishDocument } from '~~/shared/dish'
import type { KeptDish } from '~~/shared/household'
import { beansWithSquash } from '~~/tests/dishes'
import { closePage, openPage, playServer, settle } from '~~/tests/house'
import { useDishDraft } from './useDishDraft'

const id = '0de70000-0000-4000-8000-000000000701'
const document = (name = 'Beans'): DishDocument => ({ shape: 1, ...beansWithSquash(), name })
const kept = (version: number, name = 'Beans'): KeptDish => ({
  id,
  name,
  version,
  favourite: false,
  content: document(name),
  updatedAt: '2026-11-26T18:00:00Z',
})

let server: ReturnType<typeof playServer>
beforeEach(() => {
  openPage()
  server = playServer()
})
afterEach(closePage)

const draftOf = () => effectScope(true).run(() => useDishDraft(id))!
async function opened() {
  const draft = draftOf()
  await (await server.next('GET', /dish/)).answer(kept(1))
  return draft
}

describe('a dish that is being changed', () => {
  it('is kept a moment after, from the version it was fetched with', async () => {
    const draft = await opened()
    expect(draft.state.value).toBe('kept')
    draft.dish.value!.servings = 6
    await settle()
    expect(draft.state.value).toBe('waiting')
    const put = await server.next('PUT', /dish/)
    expect(put.body).toMatchObject({ version: 1, content: { servings: 6 } })
    // What is changed meanwhile goes after it, from the version that it makes.
    draft.dish.value!.servings = 7
    await put.answer({ ...kept(2), content: { ...document(), servings: 6 } })
    const second = await server.next('PUT', /dish/)
    expect(second.body).toMatchObject({ version: 2, content: { servings: 7 } })
    await second.answer({ ...kept(3), content: { ...document(), servings: 7 } })
    expect(draft.state.value).toBe('kept')
  })

  it('that is undone before it is kept has nothing to keep', async () => {
    const draft = await opened()
    draft.dish.value!.servings = 6
    await settle()
    draft.undo()
    await settle()
    expect(draft.dish.value!.servings).toBe(4)
    expect(draft.state.value).toBe('kept')
  })

  it('without a network stays on the device, over a reload, and is sent when it is back', async () => {
    const draft = await opened()
    draft.dish.value!.name = 'Ours'
    await (await server.next('PUT', /dish/)).answer('no-network')
    expect(draft.state.value).toBe('offline')
    // The page is loaded anew.
    const again = draftOf()
    await (await server.next('GET', /dish/)).answer(kept(1))
    expect(again.dish.value!.name).toBe('Ours')
    const put = await server.next('PUT', /dish/)
    expect(put.body).toMatchObject({ version: 1, content: { name: 'Ours' } })
  })

  it('that another device has changed too waits for a choice', async () => {
    const draft = await opened()
    draft.dish.value!.name = 'Ours'
    await (
      await server.next('PUT', /dish/)
    ).answer({
      status: 409,
      body: { problems: [{ path: 'version', code: 'changed-elsewhere', message: 'x' }], now: kept(2, 'Theirs') },
    })
    expect(draft.state.value).toBe('conflict')
    void draft.putOurs()
    const put = await server.next('PUT', /dish/)
    expect(put.body).toMatchObject({ version: 2, content: { name: 'Ours' } })
    await put.answer(kept(3, 'Ours'))
    expect([draft.state.value, draft.theirs.value]).toEqual(['kept', null])
  })

  it('that another device has changed elsewhere has both, unasked; and what both have changed is told', async () => {
    const draft = await opened()
    draft.dish.value!.servings = 6
    const theirs = { ...kept(2), content: { ...document(), name: 'Theirs' } }
    await (await server.next('PUT', /dish/)).answer({ status: 409, body: { problems: [], now: theirs } })
    const put = await server.next('PUT', /dish/)
    expect(put.body).toMatchObject({ version: 2, content: { name: 'Theirs', servings: 6 } })
    await put.answer({ ...kept(3), content: { ...document(), name: 'Theirs', servings: 6 } })
    expect(draft.state.value).toBe('kept')

    draft.dish.value!.servings = 8
    const later = { ...kept(4), content: { ...document(), name: 'Later', servings: 2 } }
    await (await server.next('PUT', /dish/)).answer({ status: 409, body: { problems: [], now: later } })
    expect(draft.state.value).toBe('conflict')
    expect(draft.both.value!.clashes).toEqual([{ what: 'servings' }])
    void draft.putTogether()
    const last = await server.next('PUT', /dish/)
    expect(last.body).toMatchObject({ version: 4, content: { name: 'Later', servings: 8 } })
  })

  it('takes over what another device has made of it', async () => {
    const draft = await opened()
    draft.dish.value!.name = 'Ours'
    await (await server.next('PUT', /dish/)).answer({ status: 409, body: { problems: [], now: kept(2, 'Theirs') } })
    void draft.takeTheirs()
    await settle()
    expect(draft.dish.value!.name).toBe('Theirs')
    expect([draft.state.value, draft.canUndo.value]).toEqual(['kept', false])
  })

  it('that is not there says so, and one that cannot be fetched is tried again', async () => {
    const missing = draftOf()
    await (await server.next('GET', /dish/)).answer({ status: 404, body: { problems: [] } })
    expect(missing.state.value).toBe('missing')
    const away = draftOf()
    // Reading is tried once more at once.
    for (let i = 0; i < 2; i++) await (await server.next('GET', /dish/)).answer('no-network')
    expect(away.state.value).toBe('offline')
    vi.advanceTimersByTime(4100)
    await (await server.next('GET', /dish/)).answer(kept(4))
    expect(away.dish.value!.name).toBe('Beans')
  })
})
