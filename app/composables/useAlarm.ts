import { useLocalStorage } from '@vueuse/core'

export const ALARMS = ['quiet', 'sound', 'voice'] as const
export type AlarmKind = (typeof ALARMS)[number]

let context: AudioContext | null = null

/** How this device makes itself heard: not at all, by a chime, or by a chime and a voice. */
export function useAlarm() {
  const kind = useLocalStorage<AlarmKind>('bivvet-alarm', 'sound')

  function chime() {
    context ??= new AudioContext()
    void context.resume()
    for (const [i, hz] of [880, 660, 880].entries()) {
      const from = context.currentTime + i * 0.28
      const tone = new OscillatorNode(context, { type: 'triangle', frequency: hz })
      const gain = new GainNode(context, { gain: 0 })
      gain.gain.setValueAtTime(0, from)
      gain.gain.linearRampToValueAtTime(0.4, from + 0.02)
      gain.gain.exponentialRampToValueAtTime(0.001, from + 0.26)
      tone.connect(gain).connect(context.destination)
      tone.start(from)
      tone.stop(from + 0.27)
    }
  }

  /** Calls the cook with these words. */
  function call(text: string) {
    if (kind.value === 'quiet') return
    chime()
    if ('vibrate' in navigator) navigator.vibrate([400, 150, 400])
    // Seen from another window, where the browser was allowed to.
    if (document.hidden && 'Notification' in window && Notification.permission === 'granted')
      new Notification(text, { tag: 'bivvet-call' })
    if (kind.value !== 'voice' || !('speechSynthesis' in window)) return
    speechSynthesis.cancel()
    speechSynthesis.speak(new SpeechSynthesisUtterance(text))
  }

  return { kind, call }
}
