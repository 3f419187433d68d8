import { describeHump, KNOWN_AFTER, type Likeness } from './features'
import { Humps, type Hump } from './humps'
import { AHEAD, Past } from './past'
import { createSpectrum, type Frame } from './spectrum'

/** A hump and what it is like. */
export type DescribedHump = Hump & Likeness

export interface Listener {
  readonly past: Past
  /** How many parts of the band this rate of samples carries. */
  readonly parts: number
  push(samples: Float32Array): void
}

/**
 * Finds every hump in what it hears and describes it once enough was heard after it. `wasWhistle` says of a frame
 * whether it is one of a whistle that is known; `onFrame` is told how far all is known.
 */
export function createListener(
  sampleRate: number,
  {
    wasWhistle = () => false,
    onHump,
    onFrame = () => undefined,
  }: {
    wasWhistle?: (frame: number) => boolean
    onHump: (hump: DescribedHump) => void
    onFrame?: (frame: number) => void
  },
): Listener {
  const past = new Past()
  const spectrum = createSpectrum(sampleRate, listen)
  const { parts } = spectrum
  const groups = groupsOf(parts).map((group) => new Humps(group))
  let waiting: Hump[] = []

  return { past, parts, push: (samples) => spectrum.push(samples) }

  function listen(frame: Frame): void {
    past.take(frame)
    const now = past.count - 1 - AHEAD
    if (now < 0) return
    for (const group of groups) group.take(past, now, wait)
    const isKnown = ({ to }: Hump) => now >= to + KNOWN_AFTER
    if (waiting.some(isKnown)) {
      const known = waiting.filter(isKnown)
      waiting = waiting.filter((hump) => !isKnown(hump))
      for (const hump of known) {
        const likeness = describeHump(past, hump, parts, wasWhistle)
        if (likeness) onHump({ ...hump, ...likeness })
      }
    }
    onFrame(now)
  }

  function wait(hump: Hump): void {
    // Neighbouring parts find the same sound: once is enough.
    if (!waiting.some(({ from, to }) => Math.abs(from - hump.from) + Math.abs(to - hump.to) < 3)) waiting.push(hump)
  }
}

/** Where humps are looked for: in each part alone (a tone), in some neighbours, in all together (a hiss). */
function groupsOf(parts: number): number[][] {
  const all = Array.from({ length: parts }, (_, part) => part)
  const neighbours = [0, 2, 4, 6].map((from) => all.slice(from, from + 4)).filter((group) => group.length > 2)
  return [...all.map((part) => [part]), ...neighbours, all]
}
