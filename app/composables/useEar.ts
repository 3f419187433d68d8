import { tryOnScopeDispose, useLocalStorage } from '@vueuse/core'
import type { WhistleShape } from '~~/core/live/ear'
import workletUrl from '~/workers/ear.worklet?worker&url'
import type { EarMessage, EarRequest } from '~/workers/ear.worklet'

/** Why the ear does not hear. */
export type Deafness = 'no-microphone' | 'denied' | 'no-way' | 'failed'

const LEARN_S = 8

/**
 * The whistle ear on this device's microphone: `onWhistle` is told when one began. Nothing is recorded and
 * nothing leaves the device; what it keeps of a learnt whistle are ten figures.
 */
export function useEar(onWhistle: (beganMs: number) => void) {
  const state = ref<'off' | 'asking' | 'listening' | 'deaf'>('off')
  const deafness = ref<Deafness | null>(null)
  const riseDb = ref(0)
  const noisy = ref(false)
  const learning = ref<'no' | 'yes' | 'done' | 'nothing'>('no')
  const shape = useLocalStorage<WhistleShape | null>('bivvet-whistle-shape', null, {
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
      if (data.kind === 'whistle') onWhistle(serverNow() - (data.endedAgoS + data.lastedS) * 1000)
      else if (data.kind === 'level') {
        riseDb.value = data.riseDb
        noisy.value = data.noisy
      } else {
        learning.value = data.shape ? 'done' : 'nothing'
        if (!data.shape) return
        shape.value = data.shape
        connect()
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

  /** Learns this kitchen's whistle from the next seconds. */
  function learn() {
    const request: EarRequest = { kind: 'learn', seconds: LEARN_S }
    node?.port.postMessage(request)
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
