// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it } from 'vitest'
import PROBLEMS from '~~/locales/en/problems.json'
import CAUTIONS from '~~/locales/en/cautions.json'
import { aKitchen, closePage, onScreen, openKitchen, openPage } from '~~/tests/house'
import { useKitchenStore } from '~/stores/kitchen'
import { useCautionText } from './useCautionText'
import { useI18nText } from './useI18nText'

let text: ReturnType<typeof useI18nText>
beforeEach(async () => {
  openPage()
  await openKitchen(useKitchenStore().load)
  text = await onScreen(useI18nText)
})
afterEach(closePage)

describe('figures as the household writes them', () => {
  it.each([
    [0, '0 min'],
    [34.4, '34 min'],
    [59.6, '1 h'],
    [60, '1 h'],
    [65, '1 h 05'],
    [119.7, '2 h'],
    [610, '10 h 10'],
  ])('tells %d minutes as %s', (minutes, told) => {
    expect(text.duration(minutes)).toBe(told)
  })

  it('puts a list together as it is spoken', () => {
    expect(text.list(['beans'])).toBe('beans')
    expect(text.list(['beans', 'rice', 'carrots'])).toBe('beans, rice and carrots')
  })

  it('writes so many digits and no more', () => {
    expect(text.number(1234.56)).toBe('1,235')
    expect(text.number(2, 1)).toBe('2.0')
  })

  const [cup] = aKitchen().measures
  it.each<[string, string, number, [number, number] | null]>([
    ['1 cup', 'cup', 1, null],
    ['½ cup', 'cup', 0, [1, 2]],
    ['1½ cups', 'cup', 1, [1, 2]],
    ['2⅓ cups', 'cup', 2, [1, 3]],
    ['3 tbsp', 'tbsp', 3, null],
    ['¾ tsp', 'tsp', 0, [3, 4]],
  ])('pours %s', (told, measure, whole, fraction) => {
    const part = { measure: measure === 'cup' ? cup!.id : measure, whole, fraction }
    expect(text.partText(part as never, cup!)).toBe(told)
  })
})

describe('what is wrong, in words', () => {
  it('names the food that it is about', () => {
    const told = text.problemText({ code: 'not-enough-program', params: { food: 'navy-bean' } })
    expect(told).toContain('Navy beans')
    expect(told).not.toContain('navy-bean')
  })

  it('has a sentence for every code, and falls back on what the server said', () => {
    for (const code of Object.keys(PROBLEMS.problems)) expect(text.problemText({ code })).not.toBe(code)
    expect(text.problemText({ code: 'from-the-future', message: 'It is too new.' })).toBe('It is too new.')
    expect(text.problemText({ code: 'from-the-future' })).toBe('from-the-future')
    expect(text.problemText({})).toBe('')
  })

  it('tells both temperatures of meat in the degrees that are liked', async () => {
    const cautionText = await onScreen(useCautionText)
    const raw = { id: 'meat-raw', params: { food: 'chicken-thigh', temp: 65, least: 74 } } as const
    expect(cautionText(raw).sentence).toMatch(/reaches only 65 °C.*to 74 °C/)
    useKitchenStore().kitchen!.likes.temperature = 'F'
    expect(cautionText(raw).sentence).toMatch(/reaches only 149 °F.*to 165 °F/)
    expect(cautionText(raw).why).toContain('165 °F')
  })

  it('gives every caution its sentence and its reason', async () => {
    const cautionText = await onScreen(useCautionText)
    for (const id of Object.keys(CAUTIONS)) {
      const { sentence, why } = cautionText({ id: id as never, params: { food: 'kidney-red' } })
      expect(sentence).not.toMatch(/^cautions\./)
      expect(why).not.toMatch(/^cautions\./)
    }
  })

  it('says why an event of a run cannot be', () => {
    expect(text.refusalText('sum-says-pressure')).toMatch(/pressure/)
    expect(text.refusalText('busy')).toBe(text.problemText({ code: 'busy' }))
    expect(text.refusalText('never-heard-of')).toBe('never-heard-of')
  })
})
