import { randomUUID } from 'node:crypto'
import { describe, expect, it } from 'vitest'
import { findFood } from '../../core/food/catalogue'
import type { DishDocument } from '../../shared/dish'
import type { KeptDish, KeptKitchen, KeptPot } from '../../shared/household'
import type { Kitchen } from '../../shared/kitchen.schema'
import { newPot } from '../../shared/pot'
import { beansWithSquash, line } from '../../tests/dishes'
import { codeOf, useHouseholds, type Browser } from '../../tests/server'

const { aCook } = useHouseholds()
const KITCHEN = '/api/documents/kitchen/own'

const kitchenOf = async (cook: Browser) => (await cook.ask<KeptKitchen>('GET', KITCHEN)).body
const beansDocument = (change: Partial<DishDocument> = {}): DishDocument => ({
  shape: 1,
  ...beansWithSquash(),
  ...change,
})

describe('the kitchen', () => {
  const keep = (cook: Browser, { version, content }: KeptKitchen, change: Partial<Kitchen>) =>
    cook.ask<{ now: KeptKitchen; problems: { path: string; message: string }[] }>('PUT', KITCHEN, {
      version,
      content: { ...content, ...change },
    })

  it('is kept as a whole, and not over another device’s change', async () => {
    const cook = await aCook()
    const before = await kitchenOf(cook)
    const measures = [...before.content.measures, { id: randomUUID(), name: 'Tea glass', volumeMl: 110 }]
    expect((await keep(cook, before, { measures })).status).toBe(200)
    expect((await kitchenOf(cook)).content.measures.map(({ name }) => name)).toContain('Tea glass')
    const stale = await keep(cook, before, { name: 'Overwritten' })
    expect([stale.status, codeOf(stale)]).toEqual([409, 'changed-elsewhere'])
    // Both can be shown side by side: what stands is in the answer.
    expect(stale.body.now).toEqual(await kitchenOf(cook))
    expect(stale.body.now.content.name).toBe(before.content.name)
  })

  it('is refused with reasons, and nothing is half-written', async () => {
    const cook = await aCook()
    const before = await kitchenOf(cook)
    const [cooker, ...others] = before.content.cookers as [Kitchen['cookers'][number], ...Kitchen['cookers']]
    const appliance = { ...cooker.cooker.appliance, reseatPa: 250_000 }
    const crossed = { ...cooker, cooker: { ...cooker.cooker, appliance } } as typeof cooker
    const [burner] = before.content.burners
    const tries: [Partial<Kitchen>, string][] = [
      [{ altitudeM: 99_999 }, 'content.altitudeM'],
      [{ name: '  ' }, 'content.name'],
      [{ cookers: [crossed, ...others] }, 'content.cookers.0.cooker.appliance.reseatPa'],
      [{ measures: [{ id: randomUUID(), name: 'Nothing', volumeMl: 0 }] }, 'content.measures.0.volumeMl'],
      [{ cookers: Array.from({ length: 31 }, () => cooker) }, 'content.cookers'],
      // Two things with one id.
      [{ burners: [...before.content.burners, burner!] }, `content.burners.${before.content.burners.length}.id`],
    ]
    for (const [change, path] of tries) {
      const { status, body } = await keep(cook, before, change)
      expect(status).toBe(422)
      expect(body.problems.map((problem) => problem.path)).toContain(path)
      for (const { message } of body.problems) expect(message).not.toBe('')
    }
    expect(await kitchenOf(cook)).toEqual(before)
  })

  it('is the household’s only one, and cannot be taken away', async () => {
    const cook = await aCook()
    const { id } = await kitchenOf(cook)
    expect((await cook.ask('GET', `/api/documents/kitchen/${id}`)).status).toBe(200)
    expect((await cook.ask('GET', `/api/documents/kitchen/${randomUUID()}`)).status).toBe(404)
    expect((await cook.ask('DELETE', KITCHEN)).status).toBe(404)
  })
})

describe('a pot', () => {
  const potOf = async (cook: Browser) => newPot(findFood('toor-split')!, (await kitchenOf(cook)).content)
  const whole = async (cook: Browser, name = 'Dal') => ({
    version: 0,
    name,
    favourite: false,
    content: await potOf(cook),
  })

  it('sent twice is kept once, an older version does not overwrite a newer, and it can be put back', async () => {
    const cook = await aCook()
    const url = `/api/documents/pot/${randomUUID()}`
    const body = await whole(cook)
    const put = (change: object = {}) => cook.ask<KeptPot>('PUT', url, { ...body, ...change })
    for (let i = 0; i < 2; i++) expect(await put()).toMatchObject({ status: 200, body: { version: 1 } })
    expect(await put({ version: 1, name: 'Dal, thin' })).toMatchObject({ status: 200, body: { version: 2 } })
    expect((await put({ version: 1, name: 'Dal, thick' })).status).toBe(409)
    expect((await cook.ask<KeptPot>('GET', url)).body.name).toBe('Dal, thin')
    const statuses = []
    for (const method of ['DELETE', 'DELETE', 'GET']) statuses.push((await cook.ask(method, url)).status)
    expect(statuses).toEqual([204, 404, 404])
    expect((await put({ version: 2, name: 'Dal, thin' })).status).toBe(200)
    expect((await cook.ask<KeptPot[]>('GET', '/api/documents/pot')).body.map(({ name }) => name)).toEqual(['Dal, thin'])
    const { body: earlier } = await cook.ask<{ name: string }[]>('GET', `${url}/versions`)
    expect(earlier.map(({ name }) => name)).toContain('Dal')
  })

  it('that is none is refused with reasons', async () => {
    const cook = await aCook()
    const pot = await whole(cook)
    for (const wrong of [{ name: '' }, { content: { ...pot.content, items: [] } }, { version: -1, favourite: 'yes' }]) {
      const { status, body } = await cook.ask<{ problems: unknown[] }>('PUT', `/api/documents/pot/${randomUUID()}`, {
        ...pot,
        ...wrong,
      })
      expect(status).toBe(422)
      expect(body.problems.length).toBeGreaterThan(0)
    }
    expect((await cook.ask('PUT', '/api/documents/pot/nonsense', {})).status).toBe(404)
    expect((await cook.ask('GET', `/api/documents/kettle/${randomUUID()}`)).status).toBe(404)
  })

  it('is seen and changed by its household alone', async () => {
    const [cook, neighbour] = [await aCook(), await aCook()]
    const url = `/api/documents/pot/${randomUUID()}`
    await cook.ask('PUT', url, await whole(cook, 'Ours'))
    expect((await neighbour.ask('GET', '/api/documents/pot')).body).toEqual([])
    expect((await neighbour.ask('GET', url)).status).toBe(404)
    expect((await neighbour.ask('DELETE', url)).status).toBe(404)
    // Under the same id it keeps its own, and nothing becomes of ours.
    expect((await neighbour.ask('PUT', url, await whole(neighbour, 'Theirs'))).status).toBe(200)
    expect((await neighbour.ask('DELETE', url)).status).toBe(204)
    expect((await cook.ask<KeptPot>('GET', url)).body.name).toBe('Ours')
  })
})

describe('a dish', () => {
  it('that cannot be is refused with reasons, and one sent twice is kept once', async () => {
    const cook = await aCook()
    const url = `/api/documents/dish/${randomUUID()}`
    const put = (content: DishDocument, more: object = {}) =>
      cook.ask<KeptDish & { problems: { message: string }[] }>('PUT', url, {
        version: 0,
        favourite: false,
        content,
        ...more,
      })
    const wrong: Partial<DishDocument>[] = [
      { name: 'n'.repeat(5000) },
      { servings: 0 },
      { servings: 1000 },
      { lines: Array.from({ length: 100 }, (_, i) => line(`l${i}`, 'onion', 10)) },
      { stages: [{ ...beansDocument().stages[0]!, kind: 'explode' as never }] },
    ]
    for (const change of wrong) {
      const { status, body } = await put(beansDocument(change))
      expect(status).toBe(422)
      expect(body.problems[0]!.message).not.toBe('')
    }
    for (const version of [2 ** 31 - 1, 2 ** 31, -1, 1.5])
      expect([409, 422], `${version}`).toContain((await put(beansDocument(), { version })).status)
    expect((await cook.ask('GET', url)).status).toBe(404)
    const dish = beansDocument()
    dish.stages[0]!.until = '<img src=x onerror=alert(1)>'
    for (let i = 0; i < 2; i++) expect(await put(dish)).toMatchObject({ status: 200, body: { version: 1 } })
    expect((await put(beansDocument({ name: 'Other' }))).status).toBe(409)
    expect((await cook.ask<KeptDish>('GET', url)).body.content).toEqual(dish)
  })

  it('is being cooked, as far as its stages say', async () => {
    const cook = await aCook()
    const id = randomUUID()
    const say = (said: object) => cook.ask('PUT', `/api/dishes/${id}/begun`, said)
    expect((await say({ at: 1 })).status).toBe(404)
    await cook.ask('PUT', `/api/documents/dish/${id}`, { version: 0, favourite: false, content: beansDocument() })
    const many = Object.fromEntries(Array.from({ length: 200 }, (_, i) => [`clock ${i}`, Date.now()]))
    for (const wrong of [
      { at: -1 },
      { at: 1000 },
      { runs: { soak: 'none' } },
      { clocks: { soak: 1 } },
      { clocks: many },
    ])
      expect((await say(wrong)).status).toBe(422)
    expect((await cook.ask('GET', '/api/dishes/begun')).body).toEqual({})
    expect((await say({ at: 1 })).status).toBe(200)
    expect((await cook.ask('GET', '/api/dishes/begun')).body).toMatchObject({ [id]: { at: 1 } })
    expect((await cook.ask('DELETE', `/api/dishes/${id}/begun`)).status).toBe(204)
    expect((await cook.ask('GET', '/api/dishes/begun')).body).toEqual({})
  })
})

describe('the API', () => {
  it('tells what is wrong in the language that is asked for', async () => {
    const cook = await aCook()
    const german = { 'accept-language': 'de-AT,de;q=0.9,en;q=0.5' }
    const { status, body } = await cook.ask<{ problems: { message: string }[] }>(
      'GET',
      `/api/documents/pot/${randomUUID()}`,
      undefined,
      german,
    )
    expect(status).toBe(404)
    expect(body.problems[0]!.message).toMatch(/^Das gibt es in diesem Haushalt nicht/)
  })
})
