import { expect, it } from 'vitest'
import { LOCALES } from '../locales/languages'
import { AT_THE_STOVE, messagesOf, MOST_WORDS_AT_THE_STOVE, sentencesOf, textsOf } from './reading-level'

it('counts the words of each sentence of each form', () => {
  expect(
    sentencesOf('Leave it. One more whistle. | Leave it. {n} more whistles.').map((words) => words.length),
  ).toEqual([2, 3, 2, 3])
  expect(sentencesOf('छोड़ दें। एक सीटी और।').map((words) => words.length)).toEqual([2, 3])
})

it.each(LOCALES)('no sentence at the stove is longer than can be taken in there: %s', (locale) => {
  const long = AT_THE_STOVE.flatMap((bundle) =>
    textsOf(messagesOf(bundle, locale)).filter(([, text]) =>
      sentencesOf(text).some((words) => words.length > MOST_WORDS_AT_THE_STOVE),
    ),
  )
  expect(long).toEqual([])
})
