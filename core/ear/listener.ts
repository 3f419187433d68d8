import { describeBurst, KNOWN_AFTER, type Likeness } from './features'
import { Bursts, type Burst } from './bursts'
import { AHEAD, Past } from './past'
import { createSpectrum, type Frame } from './spectrum'

/** A burst and what it is like. */
export type DescribedBurst = Burst & Likeness

export interface Listener {
  readonly past: Past
  /** How many parts of the band this rate of samples carries. */
  readonly parts: number
  push(samples: Float32Array): void
}

/**
 * Finds every burst in what it hears and describes it once enough was heard after it. `wasWhistle` says of a frame
 * whether it is one of a whistle that is known; `onFrame` is told how far all is known.
 */
export function createListener(
  sampleRate: number,
  {
    wasWhistle = () => false,
    onBurst,
    onFrame = () => undefined,
  }: {
    wasWhistle?: (frame: number) => boolean
    onBurst: (burst: DescribedBurst) => void
    onFrame?: (frame: number) => void
  },
): Listener {
  const past = new Past()
  const spectrum = createSpectrum(sampleRate, listen)
  const { parts } = spectrum
  const groups = groupsOf(parts).map((group) => new Bursts(group))
  let waiting: Burst[] = []

  return { past, parts, push: (samples) => spectrum.push(samples) }

  function listen(frame: Frame): void {
    past.take(frame)
    const now = past.count - 1 - AHEAD
    if (now < 0) return
    for (const group of groups) group.take(past, now, wait)
    const isKnown = ({ to }: Burst) => now >= to + KNOWN_AFTER
    if (waiting.some(isKnown)) {
      const known = waiting.filter(isKnown)
      waiting = waiting.filter((burst) => !isKnown(burst))
      for (const burst of known) {
        const likeness = describeBurst(past, burst, parts, wasWhistle)
        if (likeness) onBurst({ ...burst, ...likeness })
      }
    }
    onFrame(now)
  }

  function wait(burst: Burst): void {
    // Neighbouring parts find the same sound: once is enough.
    if (!waiting.some(({ from, to }) => Math.abs(from - burst.from) + Math.abs(to - burst.to) < 3)) waiting.push(burst)
  }
}

/** Where bursts are looked for: in each part alone (a tone), in some neighbours, in all together (a hiss). */
function groupsOf(parts: number): number[][] {
  const all = Array.from({ length: parts }, (_, part) => part)
  const neighbours = [0, 2, 4, 6].map((from) => all.slice(from, from + 4)).filter((group) => group.length > 2)
  return [...all.map((part) => [part]), ...neighbours, all]
}
