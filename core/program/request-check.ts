import type { BoundName } from '../bounds'
import { FLAMES } from '../names'
import { checkCooker, outOfBounds } from '../pot/check'
import { problem, type Problem } from '../problem'
import type { PlanRequest } from './request.schema'

/** All figures of a request that cannot be. */
export function checkRequest(request: PlanRequest): Problem[] {
  const { kitchen, style, contents, trivetMm, liquids, stands, burner, given, spread, release, cooker, learnt } =
    request
  const found: Problem[] = []
  const check = (value: number | undefined, name: BoundName, path: string) => {
    if (value !== undefined) found.push(...outOfBounds(value, name, path))
  }
  check(kitchen.altitudeM, 'altitudeM', 'kitchen.altitudeM')
  check(kitchen.roomC, 'roomC', 'kitchen.roomC')
  check(kitchen.tapC, 'tempC', 'kitchen.tapC')
  if (style.kind === 'basket') check(style.tempC, 'bowlC', 'style.tempC')
  if (style.kind === 'high-then-low') check(style.whistles, 'whistlesFirst', 'style.whistles')
  contents.forEach((content, i) => found.push(...checkContent(content, `contents.${i}`)))
  check(request.pourC, 'soakWaterC', 'pourC')
  check(trivetMm, 'trivetMm', 'trivetMm')
  liquids.forEach(({ g }, i) => check(g, 'liquidG', `liquids.${i}.g`))
  if (stands) {
    check(stands.freeWaterG, 'liquidG', 'stands.freeWaterG')
    check(stands.otherG, 'liquidG', 'stands.otherG')
    check(stands.tempC, 'standsC', 'stands.tempC')
    check(stands.sourG, 'liquidG', 'stands.sourG')
  }
  if (typeof burner === 'object') {
    const [flames, path] = 'flameW' in burner ? [burner.flameW, 'burner.flameW'] : [burner, 'burner']
    for (const flame of FLAMES) check(flames[flame], 'heatW', `${path}.${flame}`)
    if ('diameterMm' in burner) check(burner.diameterMm, 'burnerMm', 'burner.diameterMm')
  }
  given?.forEach(({ pourG, figure }, i) => {
    check(pourG, 'liquidG', `given.${i}.pourG`)
    check(figure, 'figure', `given.${i}.figure`)
  })
  const { flames, contents: foods, ...ofCooker } = learnt ?? {}
  for (const [id, times] of Object.entries(flames ?? {})) check(times, 'learntTimes', `learnt.flames.${id}`)
  for (const [id, times] of Object.entries(ofCooker)) check(times, 'learntTimes', `learnt.${id}`)
  foods?.forEach(({ need, uptake }, i) => {
    check(need, 'learntTimes', `learnt.contents.${i}.need`)
    check(uptake, 'learntTimes', `learnt.contents.${i}.uptake`)
  })
  for (const [id, share] of Object.entries(spread ?? {})) check(share, 'share', `spread.${id}`)
  if (release !== 'auto' && release.kind !== 'natural')
    check(release.afterMinutes, 'releaseMinutes', 'release.afterMinutes')
  if (typeof cooker !== 'string')
    found.push(...checkCooker(cooker).map((item) => ({ ...item, path: `cooker.${item.path}` })))
  return found
}

function checkContent({ dryG, soak, where, sizeMm, had }: PlanRequest['contents'][number], path: string): Problem[] {
  const found = checkAmount(dryG, `${path}.dryG`)
  if (sizeMm !== undefined) found.push(...outOfBounds(sizeMm, 'sizeMm', `${path}.sizeMm`))
  if (had)
    found.push(
      ...outOfBounds(had.boilMinutes, 'hadBoilMinutes', `${path}.had.boilMinutes`),
      ...outOfBounds(had.waterG, 'liquidG', `${path}.had.waterG`),
    )
  if (soak) {
    found.push(
      ...outOfBounds(soak.hours, 'soakHours', `${path}.soak.hours`, 'hours-out-of-range'),
      ...outOfBounds(soak.waterC, 'soakWaterC', `${path}.soak.waterC`),
    )
    if (soak.waterG !== undefined) found.push(...outOfBounds(soak.waterG, 'liquidG', `${path}.soak.waterG`))
  }
  if (where !== 'base') {
    const { diameterMm, heightMm, volumeMl } = where.tin
    found.push(
      ...outOfBounds(diameterMm, 'tinDiameterMm', `${path}.where.tin.diameterMm`),
      ...outOfBounds(heightMm, 'tinHeightMm', `${path}.where.tin.heightMm`),
    )
    if (volumeMl !== undefined) found.push(...outOfBounds(volumeMl, 'tinVolumeMl', `${path}.where.tin.volumeMl`))
  }
  return found
}

function checkAmount(dryG: number, path: string): Problem[] {
  const [bad] = outOfBounds(dryG, 'amountG', path, 'amount-out-of-range')
  if (!bad) return []
  if (bad.code === 'not-a-number' || !(dryG > 0)) return [bad]
  // Smaller than the least nobody cooks; most likely kilograms were typed.
  if (dryG < Number(bad.params.min))
    return [problem('amount-looks-like-kg', path, { value: dryG, grams: Math.round(dryG * 1000) })]
  return [problem('amount-too-large', path, { value: dryG })]
}
