import { describe, expect, it } from 'vitest'
import { durationsIn, minutesIn } from './duration'

describe('the first time that a text tells', () => {
  it.each([
    ['fry for 8 minutes', 8],
    ['8-10 mins', 9],
    ['8 to 10 minutes', 9],
    ['1 1/2 hours', 90],
    ['1½ hours', 90],
    ['1.5 hrs', 90],
    ['one and a half hours', 90],
    ['an hour and a half', 90],
    ['half an hour', 30],
    ['an hour', 60],
    ['1 hour 30 minutes', 90],
    ['1 hour and 10 minutes', 70],
    ['1h30', 90],
    ['1 h', 60],
    ['2 to 3 hours', 150],
    ['overnight', 480],
    ['30 seconds', 0.5],
    ['about five minutes', 5],
    ['a couple of minutes', 2],
    ['a minute or two', 1.5],
    ['a few minutes', 3],
    ['for 25-minute bursts', 25],
    ['5 to 6 more minutes', 5.5],
    ['2 cups of water', null],
    ['3 whistles', null],
    ['until golden', null],
  ])('%s: %j', (text, minutes) => {
    if (minutes === null) expect(minutesIn(text)).toBeNull()
    else expect(minutesIn(text)).toBeCloseTo(minutes, 6)
  })

  it('finds each of several', () => {
    const found = durationsIn(
      'Fry 5 minutes, then cook for 1 hour, 10 minutes of natural release, and rest half an hour.',
    )
    expect(found.map(({ low }) => low)).toEqual([5, 60, 10, 30])
  })
})
