import { useLocalStorage } from '@vueuse/core'

import { LANGUAGES } from '~~/locales/languages'

export const ALARMS = ['quiet', 'sound', 'voice'] as const
export type AlarmKind = (typeof ALARMS)[number]

let context: AudioContext | null = null
/** Pots and steps of a dinner call with one voice: one after the other, never two at once. */
const waiting: (() => void)[] = []
let isCalling = false
const BETWEEN_CALLS_MS = 5000

function inTurn(say: () => void): void {
  waiting.push(say)
  if (!isCalling) nextCall()
}
function nextCall(): void {
  const say = waiting.shift()
  isCalling = say !== undefined
  if (!say) return
  say()
  setTimeout(nextCall, BETWEEN_CALLS_MS)
}

/** How this device makes itself heard: not at all, by a chime, or by a chime and a voice. */
export function useAlarm() {
  const kind = useLocalStorage<AlarmKind>('bivvet-alarm', 'sound')
  const { language } = useLanguage()

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
  const call = (text: string) => inTurn(() => say(text))
  function say(text: string) {
    if (kind.value === 'quiet') return
    chime()
    if ('vibrate' in navigator) navigator.vibrate([400, 150, 400])
    // Seen from another window, where the browser was allowed to.
    if (document.hidden && 'Notification' in window && Notification.permission === 'granted')
      new Notification(text, { tag: 'bivvet-call' })
    if (kind.value !== 'voice' || !('speechSynthesis' in window)) return
    const said = new SpeechSynthesisUtterance(text)
    // A voice of the language in which it is written.
    said.lang = LANGUAGES[language.value].tag
    speechSynthesis.speak(said)
  }

  return { kind, call }
}
