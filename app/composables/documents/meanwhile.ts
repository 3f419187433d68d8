/**
 * What changes while something is on its way that was written without it: whoever fetches a list asks for what was noted
 * since, and puts that over what came.
 */
export function noteMeanwhile<Value>() {
  const fetching = new Set<Map<string, Value>>()
  return {
    note(id: string, value: Value): void {
      for (const noted of fetching) noted.set(id, value)
    },
    async during<Fetched>(fetch: () => Promise<Fetched>): Promise<[fetched: Fetched, noted: Map<string, Value>]> {
      const noted = new Map<string, Value>()
      fetching.add(noted)
      try {
        return [await fetch(), noted]
      } finally {
        fetching.delete(noted)
      }
    },
  }
}
