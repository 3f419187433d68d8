/** True once this browser has not kept something that it was told to keep. */
export const isNotKept = ref(false)

/** A storage for as long as the page is open. */
export function memoryStorage(): Storage {
  const items = new Map<string, string>()
  return {
    get length() {
      return items.size
    },
    key: (index) => [...items.keys()][index] ?? null,
    getItem: (key) => items.get(key) ?? null,
    setItem: (key, value) => void items.set(key, String(value)),
    removeItem: (key) => void items.delete(key),
    clear: () => items.clear(),
  }
}

/**
 * Makes sure that there is a storage to use. Where the browser allows none, one that lasts as long as the page stands in
 * for it; where it is full, what cannot be kept is noted, and whoever wrote it learns of it as before.
 */
export function secureStorage(page: Window & typeof globalThis): void {
  for (const name of ['localStorage', 'sessionStorage'] as const)
    try {
      void page[name].length
    } catch {
      isNotKept.value = true
      Object.defineProperty(page, name, { value: memoryStorage(), configurable: true })
    }
  const { setItem } = page.Storage.prototype
  page.Storage.prototype.setItem = function (key, value) {
    try {
      setItem.call(this, key, value)
    } catch (error) {
      isNotKept.value = true
      throw error
    }
  }
}
