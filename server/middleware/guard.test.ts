import { request } from 'node:http'
import { afterEach, describe, expect, it } from 'vitest'
import { settings } from '../../tests/nitro'
import { codeOf, useHouseholds } from '../../tests/server'

const { aCook } = useHouseholds()
const KITCHEN = '/api/documents/kitchen/own'
afterEach(() => Object.assign(settings, { allowedHosts: '' }))

describe('a request', () => {
  it('comes by an address of this server: in figures, this machine, or a name that was said', async () => {
    const cook = await aCook()
    settings.allowedHosts = 'kitchen.test, Stove.Test'
    const { hostname, port } = cook.url
    const by = (host: string) =>
      new Promise<number>((resolve, reject) => {
        const asking = request({ hostname, port, path: KITCHEN, headers: { host } }, (answer) => {
          answer.resume()
          resolve(answer.statusCode!)
        })
        asking.on('error', reject).end()
      })
    for (const host of [
      '192.168.1.20:3000',
      '[::1]:3000',
      'localhost',
      'bivvet.localhost:80',
      'kitchen.test',
      'stove.test',
    ])
      // It is answered, and asks who comes.
      expect([host, await by(host)]).toEqual([host, 401])
    for (const host of ['rebound.test', 'localhost.rebound.test', 'kitchen.test.rebound.test', 'notlocalhost'])
      expect([host, await by(host)]).toEqual([host, 421])
  })

  it('that changes something comes from a page of this server', async () => {
    const cook = await aCook()
    const from = async (headers: Record<string, string>) => {
      const { status, body } = await cook.ask('PUT', KITCHEN, {}, headers)
      // What comes through is read: it asks for nothing.
      return status === 400 ? 'read' : codeOf({ body })
    }
    expect(await from({})).toBe('read')
    expect(await from({ 'sec-fetch-site': 'same-origin' })).toBe('read')
    for (const site of ['cross-site', 'same-site', 'none'])
      expect(await from({ 'sec-fetch-site': site })).toBe('foreign-page')
    for (const origin of ['https://elsewhere.test', 'null', 'http://127.0.0.1:1'])
      expect(await from({ origin })).toBe('foreign-page')
    for (const type of ['text/plain', 'application/x-www-form-urlencoded', 'multipart/form-data; boundary=a'])
      expect(await from({ 'content-type': type })).toBe('not-json')
    expect(await from({ 'content-type': 'Application/JSON; charset=utf-8' })).toBe('read')
    // What only reads may be followed to from anywhere.
    expect((await cook.ask('GET', KITCHEN, undefined, { 'sec-fetch-site': 'cross-site' })).status).toBe(200)
  })

  it('in a wrong way is told the right one', async () => {
    const cook = await aCook()
    const { status, headers } = await cook.ask('DELETE', '/api/plans')
    expect([status, headers.get('allow')]).toEqual([405, 'POST'])
    expect((await cook.ask('HEAD', KITCHEN)).status).not.toBe(405)
    expect((await cook.ask('HEAD', '/api/plans')).status).toBe(405)
    expect((await cook.ask('GET', '/api/nothing')).status).toBe(404)
    for (const path of ['/api/documents/%ff', '/api/runs?name=%00', '/api/runs?name=%ED%A0%80'])
      expect([path, (await cook.ask('GET', path)).status]).toEqual([path, 400])
  })

  it('is answered with the time, and stays in no cache', async () => {
    const { headers } = await (await aCook()).ask('GET', KITCHEN)
    expect(Math.abs(Number(headers.get('x-bivvet-now')) - Date.now())).toBeLessThan(60_000)
    expect(headers.get('cache-control')).toBe('no-store')
    expect(headers.get('strict-transport-security')).toBeNull()
  })
})
