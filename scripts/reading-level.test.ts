import { expect, it } from 'vitest'
import { AT_THE_STOVE, messagesOf, MOST_WORDS_AT_THE_STOVE, sentencesOf, textsOf } from './reading-level'

it('counts the words of each sentence of each form', () => {
  expect(
    sentencesOf('Leave it. One more whistle. | Leave it. {n} more whistles.').map((words) => words.length),
  ).toEqual([2, 3, 2, 3])
})

it('no sentence at the stove is longer than can be taken in there', () => {
  const long = AT_THE_STOVE.flatMap((bundle) =>
    textsOf(messagesOf(bundle)).filter(([, text]) =>
      sentencesOf(text).some((words) => words.length > MOST_WORDS_AT_THE_STOVE),
    ),
  )
  expect(long).toEqual([])
})
