import CATALOGUE from './en/catalogue.json'

/** English names of foods, for those who look for one in another language. */
export const ENGLISH_NAMES: Readonly<Record<string, string>> = Object.fromEntries(
  Object.entries(CATALOGUE).map(([id, { name, aliases }]) => [id, `${name},${aliases}`]),
)
