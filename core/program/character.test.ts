import { describe, expect, it } from 'vitest'
import { COOKERS } from '../appliance/appliance'
import { BURNERS } from '../appliance/burner'
import { characterOf } from './character'

const place = { altitudeM: 0, roomC: 20, tapC: 18 }
const of = (id: string, burner = BURNERS.strong) => characterOf(COOKERS[id]!.appliance, burner, place)

describe('how a cooker behaves with a litre of water', () => {
  it('every kind gets ready, sooner or later', () => {
    for (const [id, { appliance }] of Object.entries(COOKERS))
      if (appliance.kind !== 'slow') expect(of(id).readyMinutes, id).toBeGreaterThan(2)
  })

  it('tells whistles of what whistles, and a fall of what holds pressure', () => {
    expect(of('whistling-5l-aluminium').everyS).toBeGreaterThan(45)
    expect(of('electric-6l')).toMatchObject({ everyS: null })
    expect(of('electric-6l').fallMinutes).toBeGreaterThan(3)
    expect(of('open-3l')).toMatchObject({ everyS: null, fallMinutes: null })
    expect(of('rice-1l').fallMinutes).toBeNull()
  })

  it('is slower on a weaker burner, and whistles further apart', () => {
    const [strong, weak] = [of('whistling-5l-aluminium'), of('whistling-5l-aluminium', BURNERS.weak)]
    expect(weak.readyMinutes!).toBeGreaterThan(strong.readyMinutes!)
    expect(weak.everyS!).toBeGreaterThan(strong.everyS!)
  })

  it('says that it never gets there where the flame is too weak', () => {
    const faint = { high: 120, medium: 80, low: 60, simmer: 40 }
    expect(of('whistling-5l-aluminium', faint).readyMinutes).toBeNull()
  })
})
