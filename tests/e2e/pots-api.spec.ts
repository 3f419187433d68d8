import { randomUUID } from 'node:crypto'
import { expect } from '@playwright/test'
import { findFood } from '../../core/food/catalogue'
import { newPot } from '../../shared/pot'
import type { KeptKitchen, KeptPot } from '../../shared/household'
import { join, newcomer, newHousehold, test } from './kitchen'

async function potOf(request: { get(url: string): Promise<{ json(): Promise<unknown> }> }) {
  const { content: kitchen } = (await (await request.get('/api/documents/kitchen/own')).json()) as KeptKitchen
  return newPot(findFood('toor-split')!, kitchen)
}

test('a pot sent twice is kept once, and an older version does not overwrite a newer', async ({ request }) => {
  const url = `/api/documents/pot/${randomUUID()}`
  const body = { version: 0, name: 'Dal', favourite: false, content: await potOf(request) }
  const [first, again] = [await request.put(url, { data: body }), await request.put(url, { data: body })]
  expect([first.status(), again.status()]).toEqual([200, 200])
  expect(((await again.json()) as KeptPot).version).toBe(1)
  const changed = await request.put(url, { data: { ...body, version: 1, name: 'Dal, thin' } })
  expect(((await changed.json()) as KeptPot).version).toBe(2)
  const stale = await request.put(url, { data: { ...body, version: 1, name: 'Dal, thick' } })
  expect(stale.status()).toBe(409)
  expect(((await (await request.get(url)).json()) as KeptPot).name).toBe('Dal, thin')

  expect((await request.delete(url)).status()).toBe(204)
  expect((await request.delete(url)).status()).toBe(404)
  expect((await request.get(url)).status()).toBe(404)
  const back = await request.put(url, { data: { ...body, version: 2, name: 'Dal, thin' } })
  expect(back.status()).toBe(200)
  await request.delete(url)
})

test('a pot that is none is refused with reasons', async ({ request }) => {
  const pot = await potOf(request)
  for (const data of [
    { version: 0, name: '', favourite: false, content: pot },
    { version: 0, name: 'Dal', favourite: false, content: { ...pot, items: [] } },
    { version: -1, name: 'Dal', favourite: 'yes', content: pot },
  ]) {
    const response = await request.put(`/api/documents/pot/${randomUUID()}`, { data })
    expect(response.status()).toBe(422)
    expect(((await response.json()) as { problems: unknown[] }).problems.length).toBeGreaterThan(0)
  }
  expect((await request.put('/api/documents/pot/nonsense', { data: {} })).status()).toBe(404)
})

test('another household sees no pot of this one and cannot change it', async ({ request, baseURL }) => {
  const token = await newHousehold({ bare: true })
  const id = randomUUID()
  const body = { version: 0, name: 'Ours', favourite: true, content: await potOf(request) }
  await request.put(`/api/documents/pot/${id}`, { data: body })
  const theirs = await newcomer(baseURL)
  await join(theirs, token)
  expect((await (await theirs.get('/api/documents/pot')).json()) as KeptPot[]).toEqual([])
  expect((await theirs.get(`/api/documents/pot/${id}`)).status()).toBe(404)
  expect((await theirs.delete(`/api/documents/pot/${id}`)).status()).toBe(404)
  // Under the same id it keeps its own, and nothing becomes of ours.
  expect((await theirs.put(`/api/documents/pot/${id}`, { data: { ...body, name: 'Theirs' } })).status()).toBe(200)
  expect((await theirs.delete(`/api/documents/pot/${id}`)).status()).toBe(204)
  expect(((await (await request.get(`/api/documents/pot/${id}`)).json()) as KeptPot).name).toBe('Ours')
  await request.delete(`/api/documents/pot/${id}`)
  await theirs.dispose()
})
