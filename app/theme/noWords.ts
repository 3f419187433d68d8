import { shallowRef } from 'vue'

/**
 * In place of the library's own words: of the parts that are used here none says any, and all wording is in the message
 * files. A part that wants some shows the key, so that it is seen and given words there.
 */
export function createVuetifyAdapter() {
  const locale = {
    name: 'bivvet',
    current: shallowRef('en'),
    fallback: shallowRef('en'),
    messages: shallowRef({}),
    decimalSeparator: shallowRef('.'),
    numericGroupSeparator: shallowRef(' '),
    t: (key: string) => key,
    n: String,
    provide: () => locale,
  }
  return locale
}
