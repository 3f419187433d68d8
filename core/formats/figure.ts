import type { WrittenFigure } from '../dish/dish.schema'
import { durationsIn, middleMinutes, minutesIn } from '../quantity/duration'
import { numberAt } from '../quantity/number'

// English, as the recipes are; another language is another list of words.

const COUNTED = /\b(?:\d|an?\b|one\b|two\b|three\b|four\b|five\b|six\b|seven\b|eight\b|nine\b|ten\b|twelve\b)/gi
const WHISTLES = /^\s*(?:more\s+)?(?:whistles?|steam\s+whistles?)\b/i

/** How many whistles a text counts; null where it counts none. */
export function whistlesIn(text: string): number | null {
  for (const { index } of text.matchAll(COUNTED)) {
    const number = numberAt(text.slice(index))
    if (number && WHISTLES.test(text.slice(index + number.length))) return Math.round((number.low + number.high) / 2)
  }
  const first =
    /\b(?:the\s+)?first\s+whistle|(?:until|when|once)\s+it\s+whistles\b|\b(?:starts?|begins?)\s+(?:to\s+whistle|whistling)\b/i.test(
      text,
    )
  return first ? 1 : null
}

const NATURAL =
  /\bnatural(?:ly)?\b|\bnpr\b|\bnr\b|by itself|on its own|pressure (?:to )?(?:drops?|falls?|subsides?|settles?|release[sd]?\b(?! valve)|is (?:all )?gone|has gone)|let the (?:pressure|steam)|until the pressure/i
const QUICK =
  /\bquick\b|\bqpr\b|\bqr\b|release the (?:pressure|steam)|open the (?:valve|vent)|manual(?:ly)? release|release manually|vent the/i
/** “Natural release for 10 minutes”, “naturally release 10 minutes”, “10 minutes natural release”. */
const NEAR = 45
const AT_PRESSURE = /pressure|\bmanual\b|\bpsi\b|\bhiss|\bjiggl|\b(?:natural|quick)[\s-]release\b|\b[nq]pr\b/i
const LOW = /\blow\b|\bsim\b|\bsimmer\b/i

/** The figure that a recipe gives for a pot; null where it gives none. */
export function figureIn(text: string): WrittenFigure | null {
  const times = durationsIn(text)
  const fall = fallOf(text, times)
  const release = NATURAL.test(text) ? ('natural' as const) : QUICK.test(text) ? ('quick' as const) : null
  const whistles = whistlesIn(text)
  const cooking = times.filter((one) => one !== fall)
  // Of one time alone nobody waits twice.
  const isOnly = fall !== null && cooking.length === 0 && whistles === null
  const releaseAfterMinutes = release === 'natural' && fall && !isOnly ? middleMinutes(fall) : null
  const common = { release, releaseAfterMinutes }
  const first = cooking[0] ?? (isOnly ? fall : null)
  if (whistles !== null) {
    const low = cooking.find(({ index, length }) => LOW.test(text.slice(Math.max(0, index - 25), index + length + 25)))
    return { kind: 'whistles', figure: whistles, ...common, ...(low ? { thenLowMinutes: middleMinutes(low) } : {}) }
  }
  if (AT_PRESSURE.test(text) && first) {
    const isLow = /low[\s-]pressure|pressure[^.]{0,12}\blow\b(?!\s+(?:flame|heat))/i.test(text)
    return { kind: isLow ? 'low-pressure' : 'high-pressure', figure: middleMinutes(first), ...common }
  }
  if (/slow[\s-]?cook/i.test(text)) {
    const minutes = minutesIn(text)
    if (minutes !== null) return { kind: 'slow', figure: minutes, ...common }
  }
  if (/simmer|boil|cook (?:covered|over)/i.test(text)) {
    const minutes = minutesIn(text)
    if (minutes !== null) return { kind: 'simmer', figure: minutes, release: null, releaseAfterMinutes: null }
  }
  return null
}

/** The time for which the pressure falls by itself: the one beside those words, and of two the nearer. */
function fallOf(text: string, times: readonly ReturnType<typeof durationsIn>[number][]) {
  const said = /\bnatural(?:ly)?\b|\bnpr\b|\bnr\b/i.exec(text)
  if (!said) return null
  const end = said.index + said[0].length
  const before = [...times].reverse().find((one) => one.index + one.length <= said.index)
  const after = times.find((one) => one.index >= end)
  const gapAfter = after ? text.slice(end, after.index) : ''
  if (after && gapAfter.length <= NEAR && !/[.;]/.test(gapAfter)) return after
  const gapBefore = before ? text.slice(before.index + before.length, said.index) : ''
  return before && /^[\s-]*(?:of\s*)?(?:a\s*)?$/i.test(gapBefore) ? before : null
}

/** How a text says that the pressure goes. */
export function releaseIn(text: string): Pick<WrittenFigure, 'release' | 'releaseAfterMinutes'> {
  // “Quick release, and wait until the pin drops.”
  const isNatural =
    /natural|\bnp?r\b/i.test(text) ||
    (!/\bquick|\bqpr\b/i.test(text) &&
      /^\W*(?:once|when|after|as soon as)\b[^,]*\bpressure\b|by itself|on its own|drop|subside|settle|come down|falls?\b|slow|gradual|\bwait\b/i.test(
        text,
      ))
  const [first] = durationsIn(text)
  return {
    release: isNatural ? 'natural' : 'quick',
    releaseAfterMinutes: isNatural ? (first ? middleMinutes(first) : bareMinutesIn(text)) : null,
  }
}

/** “NR 10”. */
function bareMinutesIn(text: string): number | null {
  const [, minutes] = /\bnp?r\s+(\d{1,2})\b/i.exec(text) ?? []
  return minutes ? Number(minutes) : null
}

/** A figure with the release that is said after it. */
export const withRelease = (
  figure: WrittenFigure,
  { release, releaseAfterMinutes }: Pick<WrittenFigure, 'release' | 'releaseAfterMinutes'>,
): WrittenFigure =>
  release === null
    ? figure
    : {
        ...figure,
        release: figure.release ?? release,
        releaseAfterMinutes: figure.releaseAfterMinutes ?? releaseAfterMinutes,
      }
