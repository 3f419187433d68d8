// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope } from 'vue'
import { closePage, openPage, settle } from '~~/tests/house'
import { useEar } from './useEar'

const track = { stop: vi.fn(), addEventListener: vi.fn() }
const stream = { getTracks: () => [track], getAudioTracks: () => [track] }
let answer: (given: unknown) => void
let refuse: (why: unknown) => void
const contexts: { close: ReturnType<typeof vi.fn> }[] = []

beforeEach(() => {
  openPage()
  track.stop.mockClear()
  contexts.length = 0
  const getUserMedia = () =>
    new Promise((resolve, reject) => {
      answer = resolve
      refuse = reject
    })
  vi.stubGlobal('navigator', { mediaDevices: { getUserMedia } })
  vi.stubGlobal(
    'AudioContext',
    class {
      audioWorklet = { addModule: () => Promise.resolve() }
      close = vi.fn(() => Promise.resolve())
      constructor() {
        contexts.push(this)
      }
      resume = () => Promise.resolve()
      createMediaStreamSource = () => ({ connect() {}, disconnect() {} })
    },
  )
  vi.stubGlobal(
    'AudioWorkletNode',
    class {
      port = { close() {}, postMessage() {} }
    },
  )
})
afterEach(closePage)

function open() {
  const scope = effectScope()
  return {
    scope,
    ear: scope.run(() => useEar({ onWhistle: () => undefined, onUnsure: () => undefined, expected: () => 0 }))!,
  }
}

describe('the ear', () => {
  it('does not listen on when the screen was left while permission was asked for', async () => {
    const { scope, ear } = open()
    void ear.start()
    expect(ear.state.value).toBe('asking')
    scope.stop()
    answer(stream)
    await settle()
    expect(track.stop).toHaveBeenCalled()
    expect(ear.state.value).not.toBe('listening')
    expect(contexts).toEqual([])
  })

  it('listens once it may, and lets go of the microphone when it is left', async () => {
    const { scope, ear } = open()
    void ear.start()
    answer(stream)
    await settle()
    expect(ear.state.value).toBe('listening')
    expect(track.stop).not.toHaveBeenCalled()
    scope.stop()
    expect(track.stop).toHaveBeenCalled()
    expect(contexts[0]!.close).toHaveBeenCalled()
  })

  it('says why it is deaf', async () => {
    const { ear } = open()
    void ear.start()
    refuse(new DOMException('', 'NotAllowedError'))
    await settle()
    expect([ear.state.value, ear.deafness.value]).toEqual(['deaf', 'denied'])
  })
})
