import { describe, expect, it, vi } from 'vitest'
import { LimitReached } from './db/scope'
import handler from './error'

vi.mock('./logger', () => ({ logger: { error: vi.fn(), warn: vi.fn() }, factsOf: () => ({}) }))

/** What somebody is answered who asked for a language, when this was thrown. */
async function answered(error: object, language = 'en') {
  const head: Record<string, string> = {}
  let status = 0
  let body = ''
  const res = {
    headersSent: false,
    setHeader: (name: string, value: string) => (head[name] = value),
    end: (text: string) => (body = text),
    set statusCode(code: number) {
      status = code
    },
  }
  const event = {
    method: 'GET',
    context: {},
    node: { req: { headers: { 'accept-language': language } }, res },
  }
  await handler(error as never, event as never, {} as never)
  return { status, head, ...(JSON.parse(body) as { problems: { code: string; message: string; path: string }[] }) }
}
const withCode = (code: string, message = 'no') => Object.assign(new Error(message), { code })

describe('an error', () => {
  it('that was meant is told with its code and its sentence, and nothing is kept of it', async () => {
    const { status, head, problems } = await answered({
      statusCode: 422,
      data: { problems: [{ path: 'name', code: 'too-long', params: { max: 80 } }] },
    })
    expect(status).toBe(422)
    expect(problems).toMatchObject([
      { path: 'name', code: 'too-long', message: 'That is too long: at most 80 characters.' },
    ])
    expect(head['cache-control']).toBe('no-store')
  })

  it('is told in the language that is asked for, of those that there are', async () => {
    const unknown = { statusCode: 422, data: { problems: [{ path: '', code: 'no-food' }] } }
    expect((await answered(unknown, 'fr, es;q=0.8, en;q=0.1')).problems[0]!.message).toMatch(/^No hay nada/)
    expect((await answered(unknown, 'ja')).problems[0]!.message).toMatch(/^There is nothing/)
    const refused = { statusCode: 409, data: { problems: [{ path: 'data', code: 'not-lit' }] } }
    expect((await answered(refused, 'hi')).problems[0]!.message).toMatch(/आँच/)
  })

  it('that was not meant tells nothing that it carries', async () => {
    const found = await answered({ statusCode: 500, data: { secret: 'x' } })
    expect(JSON.stringify(found)).not.toContain('secret')
  })

  it('keeps what else helps to repair it', async () => {
    const now = { version: 3 }
    expect(
      await answered({ statusCode: 409, data: { problems: [{ path: '', code: 'changed-elsewhere' }], now } }),
    ).toMatchObject({ now })
  })

  it.each([
    ['a limit that is reached', { cause: new LimitReached('too-many-kept', 7) }, 409, 'too-many-kept'],
    ['a database that only reads', { cause: withCode('25006') }, 503, 'database-reads-only'],
    ['a disk that is full', { cause: new Error('x', { cause: withCode('53100') }) }, 503, 'database-reads-only'],
    ['a database that is gone', { cause: withCode('ECONNREFUSED') }, 503, 'database'],
    ['a query that takes too long', { cause: new Error('Query read timeout') }, 503, 'database'],
    ['a query that is wrong', { cause: withCode('42703'), statusCode: 500 }, 500, 'server'],
    ['anything else', { statusCode: 0 }, 500, 'server'],
    ['an address that is none', { statusCode: 404 }, 404, 'not-found'],
  ])('of %s', async (_, error, status, code) => {
    const found = await answered(error)
    expect([found.status, found.problems[0]!.code]).toEqual([status, code])
    expect(found.problems[0]!.message).not.toMatch(/[{}]|problems\./)
  })
})
