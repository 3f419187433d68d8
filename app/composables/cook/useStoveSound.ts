import { tryOnScopeDispose } from '@vueuse/core'
import { whistleSound } from '~~/core/live/whistle-sound'

/** The practice pot's whistle and simmer, made by the page itself. */
export function useStoveSound(isOn: Ref<boolean>, whistling: Ref<boolean>) {
  let context: AudioContext | null = null
  let playing: AudioBufferSourceNode | null = null

  watch([isOn, whistling], ([on, sounds]) => {
    if (on && sounds) blow()
    else hush()
  })

  function blow() {
    if (playing) return
    context ??= new AudioContext()
    void context.resume()
    const rate = context.sampleRate
    const samples = whistleSound('tonal', 4, rate, 11)
    const buffer = context.createBuffer(1, samples.length, rate)
    buffer.copyToChannel(samples as Float32Array<ArrayBuffer>, 0)
    playing = new AudioBufferSourceNode(context, { buffer, loop: true, loopStart: 0.5, loopEnd: 3.2 })
    playing.connect(new GainNode(context, { gain: 0.4 })).connect(context.destination)
    playing.start()
  }
  function hush() {
    playing?.stop()
    playing = null
  }
  tryOnScopeDispose(() => {
    hush()
    void context?.close()
  })
}
