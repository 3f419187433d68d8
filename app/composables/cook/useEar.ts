import { tryOnScopeDispose, useIntervalFn, useLocalStorage } from '@vueuse/core'
import type { WhistleShape } from '~~/core/ear/judge'
import workletUrl from '~/workers/ear.worklet?worker&url'
import type { EarMessage, EarRequest } from '~/workers/ear.worklet'

/** Why the ear does not hear. */
export type Deafness = 'no-microphone' | 'denied' | 'no-way' | 'failed'

/** So long it waits for a whistle to begin and end. */
const LEARN_S = 20
const EXPECT_EVERY_MS = 1000

interface EarOptions {
  /** Told when a whistle began. */
  onWhistle: (beganMs: number) => void
  /** Told when a sound began that may have been one. */
  onUnsure: (beganMs: number) => void
  /** Log odds by which a whistle is likelier now than at any time. */
  expected: () => number
}

/**
 * The whistle ear on this device's microphone. Nothing is recorded and nothing leaves the device; what it keeps of a
 * learnt whistle are ten figures.
 */
export function useEar({ onWhistle, onUnsure, expected }: EarOptions) {
  const state = ref<'off' | 'asking' | 'listening' | 'deaf'>('off')
  const deafness = ref<Deafness | null>(null)
  const riseDb = ref(0)
  const noisy = ref(false)
  const learning = ref<'no' | 'yes' | 'done' | 'nothing'>('no')
  const shape = useLocalStorage<WhistleShape | null>('bivvet-whistle', null, {
    serializer: { read: (text) => JSON.parse(text) as WhistleShape | null, write: JSON.stringify },
  })
  let isGone = false
  let stream: MediaStream | null = null
  let context: AudioContext | null = null
  let node: AudioWorkletNode | null = null
  let source: MediaStreamAudioSourceNode | null = null

  async function start() {
    deafness.value = null
    // Browsers give the microphone only to pages that came by a safe way: https, or this very machine.
    if (!navigator.mediaDevices || !('AudioWorkletNode' in window)) return deaf('no-way')
    state.value = 'asking'
    let given: MediaStream
    try {
      given = await navigator.mediaDevices.getUserMedia({
        audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
      })
    } catch (error) {
      const name = error instanceof DOMException ? error.name : ''
      return deaf(name === 'NotAllowedError' ? 'denied' : name === 'NotFoundError' ? 'no-microphone' : 'failed')
    }
    // The screen may have been left while permission was asked for: then nothing may listen.
    if (isGone) {
      for (const track of given.getTracks()) track.stop()
      return
    }
    stream = given
    try {
      context = new AudioContext()
      await context.audioWorklet.addModule(workletUrl)
      connect()
      await context.resume()
      if (isGone) return stop()
      stream.getAudioTracks()[0]!.addEventListener('ended', () => deaf('no-microphone'))
      state.value = 'listening'
    } catch (error) {
      console.error(error)
      deaf('failed')
    }
  }

  function connect() {
    // The ear before must hear no more, or every whistle would count twice.
    release()
    node = new AudioWorkletNode(context!, 'bivvet-ear', {
      numberOfOutputs: 0,
      processorOptions: { shape: shape.value ? [...shape.value] : null },
    })
    node.port.onmessage = ({ data }: MessageEvent<EarMessage>) => {
      if (data.kind === 'level') {
        riseDb.value = data.riseDb
        noisy.value = data.noisy
      } else if (data.kind === 'shape') {
        learning.value = data.shape ? 'done' : 'nothing'
        if (!data.shape) return
        shape.value = data.shape
        connect()
      } else {
        const beganMs = serverNow() - (data.endedAgoS + data.lastedS) * 1000
        if (data.kind === 'whistle') onWhistle(beganMs)
        else onUnsure(beganMs)
      }
    }
    source = context!.createMediaStreamSource(stream!)
    source.connect(node)
  }

  function release() {
    source?.disconnect()
    node?.port.close()
    source = null
    node = null
  }

  function deaf(why: Deafness) {
    stop()
    deafness.value = why
    state.value = 'deaf'
  }

  function stop() {
    release()
    for (const track of stream?.getTracks() ?? []) track.stop()
    void context?.close()
    stream = null
    context = null
    state.value = 'off'
  }

  const ask = (request: EarRequest) => node?.port.postMessage(request)
  useIntervalFn(() => ask({ kind: 'expect', logOdds: expected() }), EXPECT_EVERY_MS)

  /** Learns this kitchen's whistle from the next one. */
  function learn() {
    ask({ kind: 'learn', seconds: LEARN_S })
    learning.value = 'yes'
  }
  function forget() {
    shape.value = null
    learning.value = 'no'
    if (node) connect()
  }

  tryOnScopeDispose(() => {
    isGone = true
    stop()
  })
  return { state, deafness, riseDb, noisy, learning, shape, start, stop, learn, forget }
}
