import { createEar, type Ear } from '~~/core/ear/ear'
import { createExample, type Example } from '~~/core/ear/example'
import type { WhistleShape } from '~~/core/ear/judge'

// What the audio thread has, and the library of types leaves out.
declare const sampleRate: number
declare function registerProcessor(name: string, processor: unknown): void
declare class AudioWorkletProcessor {
  readonly port: MessagePort
}

/** What the ear says to the page. */
export type EarMessage =
  /** A sound that was a whistle, or that may have been one. */
  | { kind: 'whistle' | 'unsure'; lastedS: number; endedAgoS: number }
  | { kind: 'level'; riseDb: number; noisy: boolean }
  | { kind: 'shape'; shape: WhistleShape | null }
/** What the page says to the ear: learn from the next seconds, or how likely a whistle is by what is known of the pots. */
export type EarRequest = { kind: 'learn'; seconds: number } | { kind: 'expect'; logOdds: number }

const LEVEL_EVERY_S = 0.15

/** Listens in the audio thread; no sound leaves it, and none is kept. */
class EarProcessor extends AudioWorkletProcessor {
  private readonly ear: Ear
  private heardS = 0
  private toldS = 0
  private example: Example | null = null
  private learnUntilS = 0

  constructor(options: { processorOptions: { shape: WhistleShape | null } }) {
    super()
    this.ear = createEar(sampleRate, options.processorOptions.shape)
    this.port.onmessage = ({ data }: MessageEvent<EarRequest>) => {
      if (data.kind === 'expect') return this.ear.expect(data.logOdds)
      this.example = createExample(sampleRate)
      this.learnUntilS = this.heardS + data.seconds
    }
  }

  process([input]: Float32Array[][]): boolean {
    const samples = input?.[0]
    if (!samples) return true
    const sounds = this.ear.push(samples)
    this.heardS += samples.length / sampleRate
    for (const { fromS, toS, isWhistle } of sounds)
      this.tell({ kind: isWhistle ? 'whistle' : 'unsure', lastedS: toS - fromS, endedAgoS: this.heardS - toS })
    if (this.example) this.learn(samples)
    if (this.heardS - this.toldS >= LEVEL_EVERY_S) {
      this.toldS = this.heardS
      this.tell({ kind: 'level', ...this.ear.level() })
    }
    return true
  }

  private learn(samples: Float32Array) {
    const shape = this.example!.push(samples)
    if (!shape && this.heardS < this.learnUntilS) return
    this.tell({ kind: 'shape', shape })
    this.example = null
  }

  private tell(message: EarMessage) {
    this.port.postMessage(message)
  }
}

registerProcessor('bivvet-ear', EarProcessor)
