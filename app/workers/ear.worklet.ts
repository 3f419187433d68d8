import { createEar, shapeOfExample, type Ear, type WhistleShape } from '~~/core/live/ear'

// What the audio thread has, and the library of types leaves out.
declare const sampleRate: number
declare function registerProcessor(name: string, processor: unknown): void
declare class AudioWorkletProcessor {
  readonly port: MessagePort
}

/** What the ear says to the page. */
export type EarMessage =
  | { kind: 'whistle'; lastedS: number; endedAgoS: number }
  | { kind: 'level'; riseDb: number; noisy: boolean }
  | { kind: 'shape'; shape: WhistleShape | null }
/** What the page says to the ear: learn from the next seconds. */
export type EarRequest = { kind: 'learn'; seconds: number }

const LEVEL_EVERY_S = 0.15

/** Listens in the audio thread; no sound leaves it, and none is kept but the seconds it is asked to learn from. */
class EarProcessor extends AudioWorkletProcessor {
  private readonly ear: Ear
  private heardS = 0
  private toldS = 0
  private example: Float32Array | null = null
  private learnt = 0

  constructor(options: { processorOptions: { shape: WhistleShape | null } }) {
    super()
    this.ear = createEar(sampleRate, options.processorOptions.shape)
    this.port.onmessage = ({ data }: MessageEvent<EarRequest>) => {
      this.example = new Float32Array(Math.round(data.seconds * sampleRate))
      this.learnt = 0
    }
  }

  process([input]: Float32Array[][]): boolean {
    const samples = input?.[0]
    if (!samples) return true
    for (const { fromS, toS } of this.ear.push(samples))
      this.tell({ kind: 'whistle', lastedS: toS - fromS, endedAgoS: Math.max(0, this.heardS - toS) })
    this.heardS += samples.length / sampleRate
    if (this.example) this.learn(samples)
    if (this.heardS - this.toldS >= LEVEL_EVERY_S) {
      this.toldS = this.heardS
      this.tell({ kind: 'level', ...this.ear.level() })
    }
    return true
  }

  private learn(samples: Float32Array) {
    const example = this.example!
    example.set(samples.subarray(0, example.length - this.learnt), this.learnt)
    this.learnt += samples.length
    if (this.learnt < example.length) return
    this.tell({ kind: 'shape', shape: shapeOfExample(example, sampleRate) })
    this.example = null
  }

  private tell(message: EarMessage) {
    this.port.postMessage(message)
  }
}

registerProcessor('bivvet-ear', EarProcessor)
