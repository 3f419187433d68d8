import { describe, expect, it } from 'vitest'
import { line, potSettings, requestFor } from '../../tests/dishes'
import { optionCosts } from './option-costs'

const kitchen = { pot: potSettings() }
const request = requestFor({
  name: 'Peas',
  servings: 4,
  lines: [
    line('peas', 'black-eyed', 300),
    line('onion', 'onion', 200),
    line('tomato', 'tomato', 300),
    line('oil', 'oil', 30),
    line('salt', 'salt', 8),
  ],
  stages: [],
})

describe('what an option of a proposal costs', () => {
  it('tomato from the start costs whistles, and what is chosen costs nothing', () => {
    const costs = optionCosts(request, {}, kitchen)
    expect(costs.tomato?.with?.figure?.by).toBeGreaterThan(0)
    expect(costs.tomato?.after).toBeUndefined()
    // The other way round it saves as much.
    const back = optionCosts(request, { tomato: 'with' }, kitchen)
    expect(back.tomato?.after?.figure?.by).toBe(-costs.tomato!.with!.figure!.by)
    expect(back.tomato?.after?.minutes).toBe(-costs.tomato!.with!.minutes)
  })

  it('dry peas take longer than soaked ones', () => {
    const costs = optionCosts(request, { soak: 'overnight' }, kitchen)
    expect(costs.soak?.none?.minutes).toBeGreaterThan(0)
    expect(costs.soak?.none?.isRefused).toBe(false)
  })

  it('is empty where nothing can be proposed', () => {
    const nothing = { ...request, dish: { ...request.dish, lines: [line('salt', 'salt', 8)] } }
    expect(optionCosts(nothing, {}, kitchen)).toEqual({})
  })
})
