// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest'
import { isNotKept, memoryStorage, secureStorage } from './deviceStorage'

/** A page whose storage does what is said. */
function page(storage: () => Storage, write: (key: string, value: string) => void = () => undefined) {
  class Kept {
    setItem(key: string, value: string) {
      write(key, value)
    }
  }
  const of = { Storage: Kept } as unknown as Window & typeof globalThis
  for (const name of ['localStorage', 'sessionStorage'])
    Object.defineProperty(of, name, { configurable: true, get: storage })
  return { of, kept: new Kept() as unknown as Storage }
}

describe('the storage of a device', () => {
  it('is left alone where there is one', () => {
    isNotKept.value = false
    const own = memoryStorage()
    const { of } = page(() => own)
    secureStorage(of)
    expect(of.localStorage).toBe(own)
    expect(isNotKept.value).toBe(false)
  })

  it('is stood in for where the browser allows none, and it is noted', () => {
    isNotKept.value = false
    const { of } = page(() => {
      throw new Error('not allowed')
    })
    secureStorage(of)
    of.localStorage.setItem('a', '1')
    expect([of.localStorage.getItem('a'), of.localStorage.length, of.localStorage.key(0)]).toEqual(['1', 1, 'a'])
    expect(of.sessionStorage.getItem('a')).toBeNull()
    expect(isNotKept.value).toBe(true)
  })

  it('that is full is noted when something is written, and whoever wrote it learns of it', () => {
    isNotKept.value = false
    const { of, kept } = page(memoryStorage, () => {
      throw new Error('full')
    })
    secureStorage(of)
    expect(isNotKept.value).toBe(false)
    expect(() => kept.setItem('a', '1')).toThrow('full')
    expect(isNotKept.value).toBe(true)
  })
})
