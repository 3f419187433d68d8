// What is looked at before JSON is read or kept; of use on every thread.

/** Text that the database cannot hold: the character NUL, and halves of pairs that stand alone. */
export const UNSTORABLE = /\0|\p{Surrogate}/u

/** True if any text in it is such as no database holds, written as an escape or not. */
export function holdsUnstorable(json: unknown): boolean {
  if (typeof json === 'string') return UNSTORABLE.test(json)
  if (typeof json !== 'object' || json === null) return false
  return Object.entries(json).some(([key, value]) => UNSTORABLE.test(key) || holdsUnstorable(value))
}

/** Deeper than any document of ours; whatever walks through more would run out of stack. */
const MOST_DEPTH = 64

/** How deep JSON text is nested, and how many values it holds at most, counted in one pass. */
function shapeOf(text: string): { depth: number; values: number } {
  let depth = 0
  let deepest = 0
  let values = 1
  let isInText = false
  // Character by character: a pattern would try a text that never ends again from each of its quotes.
  for (let i = 0; i < text.length && deepest <= MOST_DEPTH; i++) {
    const at = text.charCodeAt(i)
    if (isInText) {
      if (at === BACKSLASH) i++
      else if (at === QUOTE) isInText = false
    } else if (at === QUOTE) isInText = true
    else if (at === COMMA) values++
    else if (at === BRACKET || at === BRACE) {
      values++
      deepest = Math.max(deepest, ++depth)
    } else if (at === BRACKET + 2 || at === BRACE + 2) depth--
  }
  return { depth: deepest, values }
}
const [QUOTE, BACKSLASH, COMMA, BRACKET, BRACE] = [34, 92, 44, 91, 123] as const

/** True of JSON text that holds more values than that, or is nested too deep: reading it would take all memory and time. */
export function isTooMuch(text: string, mostValues: number): boolean {
  const { depth, values } = shapeOf(text)
  return depth > MOST_DEPTH || values > mostValues
}
