/** Letters as they are typed in a hurry: Latin ones without accents. In other scripts a mark is another sound. */
export const plainLetters = (text: string) =>
  text
    .normalize('NFD')
    .replace(/(\p{Script=Latin})\p{M}+/gu, '$1')
    .normalize('NFC')
    .toLowerCase()

export const wordsOf = (text: string) =>
  plainLetters(text)
    .replace(/[’']/g, '')
    .replace(/[^\p{L}\p{M}\d]+/gu, ' ')
    .trim()
    .split(' ')
    .filter(Boolean)

/** A name as it is looked up: without case, accents and signs. */
export const nameKey = (name: string) => wordsOf(name).join(' ')
