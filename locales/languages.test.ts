import { describe, expect, it } from 'vitest'
import { BUNDLES, messagesOf } from './bundles'
import { LANGUAGES, LOCALES, localeAmong, USUAL_LOCALE, type Locale } from './languages'
import { cautionText, sentenceOf } from './sentences'

type Messages = { [key: string]: string | Messages }
const flat = (messages: Messages, path = ''): [key: string, text: string][] =>
  Object.entries(messages).flatMap(([key, value]) =>
    typeof value === 'string' ? [[path + key, value] as [string, string]] : flat(value, `${path}${key}.`),
  )
const allOf = async (locale: Locale) => {
  const bundles = await Promise.all(BUNDLES.map((bundle) => messagesOf(locale, bundle)))
  return new Map(bundles.flatMap((messages) => flat(messages as Messages)))
}
const OTHERS = LOCALES.filter((locale) => locale !== USUAL_LOCALE)
const parametersOf = (text: string) => [...new Set(text.match(/\{\w+\}/g) ?? [])].sort()

describe.each(OTHERS)('the messages in %s', (locale) => {
  it('are those of English, with the same parameters and forms, and none is empty', async () => {
    const [english, told] = await Promise.all([allOf(USUAL_LOCALE), allOf(locale)])
    expect([...told.keys()].sort()).toEqual([...english.keys()].sort())
    const wrong = [...english].filter(([key, text]) => {
      const other = told.get(key)!
      return (
        parametersOf(other).join() !== parametersOf(text).join() ||
        other.split(' | ').length !== text.split(' | ').length ||
        (text !== '' && other === '' && !key.endsWith('.aliases'))
      )
    })
    expect(wrong).toEqual([])
  })

  it('are not English where English has a sentence', async () => {
    const [english, told] = await Promise.all([allOf(USUAL_LOCALE), allOf(locale)])
    const isSentence = (text: string) => (text.replaceAll(/\{\w+\}/g, '').match(/\p{L}{2,}/gu) ?? []).length >= 3
    const left = [...english].filter(([key, text]) => isSentence(text) && told.get(key) === text)
    // A range of litres, a dish’s figures: numbers and units alone.
    expect(left.map(([key]) => key)).toEqual([])
  })

  it('tell cautions and problems outside the screens too', () => {
    const told = cautionText({ id: 'lectin-soak', params: { food: 'kidney-red' } }, locale)
    const english = cautionText({ id: 'lectin-soak', params: { food: 'kidney-red' } })
    expect(told.sentence).not.toBe(english.sentence)
    expect(told.sentence).not.toMatch(/[{}]|kidney-red/)
    expect(sentenceOf({ code: 'no-food' }, locale)).not.toBe(sentenceOf({ code: 'no-food' }))
  })
})

describe('a language', () => {
  it('is the first that a reader asks for and that there is', () => {
    expect(localeAmong(['fr-CH', 'de-AT', 'en'])).toBe('de')
    expect(localeAmong(['ja'])).toBe('en')
    expect(localeAmong(['hi-IN'])).toBe('hi')
  })

  it('writes a name within a sentence as it does', () => {
    expect(LANGUAGES.en.inSentence('Red kidney beans')).toBe('red kidney beans')
    expect(LANGUAGES.de.inSentence('Rote Kidneybohnen')).toBe('rote Kidneybohnen')
    expect(LANGUAGES.de.inSentence('Kleine braune Kichererbsen')).toBe('kleine braune Kichererbsen')
    for (const noun of [
      'Kichererbsen',
      'Kichererbsen aus der Dose',
      'Eier in der Schale',
      'Ziege oder Lamm am Knochen',
    ])
      expect(LANGUAGES.de.inSentence(noun)).toBe(noun)
    expect(LANGUAGES.hi.inSentence('राजमा (लाल)')).toBe('राजमा (लाल)')
  })
})
