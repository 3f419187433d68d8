import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { DEMO_DISHES, DEMO_KITCHEN } from '../db/demo'
import { asDocument } from '../db/demo-dishes'
import { BEANS } from '../../tests/fixtures'
import { readArchiveIn } from './archive'

const id = '0de70000-0000-4000-8000-000000000701'
const household = {
  format: 'bivvet-household',
  shape: 1,
  kitchen: DEMO_KITCHEN,
  pots: [],
  dishes: [{ id, name: 'Beans', favourite: true, content: asDocument(DEMO_DISHES[0]!) }],
  meals: [],
  portions: [],
  log: { runs: [] },
}
const zipOf = (json: unknown, more: Record<string, Uint8Array> = {}) =>
  zipSync({ 'household.json': strToU8(typeof json === 'string' ? json : JSON.stringify(json)), ...more })
const codes = (zip: Uint8Array) => {
  const read = readArchiveIn(zip)
  return read.ok ? [] : read.problems.map(({ code }) => code)
}

describe('an archive', () => {
  it('is read with the photographs of its runs, and what else is in it is passed over', () => {
    const photo = Uint8Array.from({ length: 50_000 }, (_, i) => (i * 7919) % 251)
    const run = { id, cooker: 'blue', request: BEANS, events: [] }
    const others = { 'photos/0de70000-0000-4000-8000-0000000000aa.jpg': photo, 'elsewhere/x.txt': strToU8('x') }
    const read = readArchiveIn(
      zipOf({ ...household, log: { runs: [run] } }, { [`photos/${id}.jpg`]: photo, ...others }),
    )
    if (!read.ok) throw new Error(read.problems[0]!.code)
    expect(read.value.kitchen).toEqual(DEMO_KITCHEN)
    expect(read.value.documents.dishes).toHaveLength(1)
    expect(read.value.photos).toEqual([[id, Buffer.from(photo)]])
  })

  it('that is none, is cut off or is broken, is refused', () => {
    const zip = zipOf(household, { [`photos/${id}.jpg`]: new Uint8Array(9000) })
    for (const bad of [strToU8('no zip'), new Uint8Array(0), zip.subarray(0, zip.length - 30), zipOf('{')])
      expect(codes(bad)).toEqual(['not-an-archive'])
    expect(
      codes(zipOf({ ...household, dishes: [{ ...household.dishes[0], content: { shape: 1, name: 7 } }] })),
    ).toEqual(['unreadable-document'])
    expect(codes(zipOf({ ...household, kitchen: { ...DEMO_KITCHEN, shape: 99 } }))).toEqual(['newer-document'])
    expect(codes(zipOf({ ...household, pots: 'many' }))).toEqual(['wrong-shape'])
  })

  it('of a few kilobytes that unfolds to millions of values, or is nested without end, is refused unread', () => {
    const many = zipOf(`{"pots":[${'0,'.repeat(3_000_000)}0]}`)
    expect(many.length).toBeLessThan(12_000)
    expect(codes(many)).toEqual(['archive-too-large'])
    expect(codes(zipOf('['.repeat(1_000_000)))).toEqual(['archive-too-large'])
  })

  it('is counted as it unfolds, whatever its directory says of its size', () => {
    const zip = zipOf(`"${'a'.repeat(70 * 1024 * 1024)}"`)
    // The size in the local header and in the directory is said to be 10 bytes.
    const lying = Uint8Array.from(zip)
    const view = new DataView(lying.buffer)
    view.setUint32(22, 10, true)
    const directory = view.getUint32(lying.length - 6, true)
    view.setUint32(directory + 24, 10, true)
    expect(lying.length).toBeLessThan(200_000)
    expect(codes(lying)).toEqual(['archive-too-large'])
  })
})
