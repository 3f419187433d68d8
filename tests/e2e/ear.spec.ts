import { mkdtempSync, writeFileSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { chromium, expect, type Browser } from '@playwright/test'
import { kitchenScene } from '../trials/sounds'
import { litBefore, startRun, test } from './kitchen'

const RATE = 48_000
/** Of this length the generated kitchen of this seed holds one whistle. */
const LOOP_S = 15
const ONE_WHISTLE = 23
/** And half a minute of this one two. */
const TWO_WHISTLES = 27

/** Some seconds of kitchen with whistles, as the browser's microphone will hear it. */
function kitchenFile(seconds: number, seed: number): { file: string; whistles: number } {
  const { samples, whistles } = kitchenScene(
    { seconds, snrDb: 12, noises: ['extractor'], kind: 'tonal', sampleRate: RATE },
    seed,
  )
  const wav = Buffer.alloc(44 + samples.length * 2)
  wav.write('RIFF', 0)
  wav.writeUInt32LE(36 + samples.length * 2, 4)
  wav.write('WAVEfmt ', 8)
  wav.writeUInt32LE(16, 16)
  wav.writeUInt16LE(1, 20)
  wav.writeUInt16LE(1, 22)
  wav.writeUInt32LE(RATE, 24)
  wav.writeUInt32LE(RATE * 2, 28)
  wav.writeUInt16LE(2, 32)
  wav.writeUInt16LE(16, 34)
  wav.write('data', 36)
  wav.writeUInt32LE(samples.length * 2, 40)
  samples.forEach((sample, i) => wav.writeInt16LE(Math.round(Math.max(-1, Math.min(1, sample)) * 32_000), 44 + i * 2))
  const file = path.join(mkdtempSync(path.join(os.tmpdir(), 'bivvet-ear-')), 'kitchen.wav')
  writeFileSync(file, wav)
  return { file, whistles: whistles.length }
}

async function withMicrophone(flags: string[], work: (browser: Browser) => Promise<void>) {
  const browser = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: [...(process.getuid?.() === 0 ? ['--no-sandbox'] : []), '--disable-gpu', ...flags],
  })
  try {
    await work(browser)
  } finally {
    await browser.close()
  }
}

// In real time, against sound, speed or dying servers: a machine that is busy may spoil a try, and it is named then.
test.describe.configure({ retries: 2 })
test('the ear counts the whistles that it hears', async ({ request, baseURL }) => {
  test.setTimeout(120_000)
  const { file, whistles } = kitchenFile(31, TWO_WHISTLES)
  const { runId } = await startRun(request)
  const flags = [
    '--use-fake-ui-for-media-stream',
    '--use-fake-device-for-media-stream',
    `--use-file-for-fake-audio-capture=${file}%noloop`,
  ]
  await withMicrophone(flags, async (browser) => {
    const page = await (await browser.newContext({ permissions: ['microphone'] })).newPage()
    await page.goto(`${baseURL}/cook/${runId}`)
    await litBefore(request, runId)
    await page.getByRole('button', { name: 'Listen for whistles' }).click()
    await expect(page.getByRole('button', { name: 'Stop listening' })).toBeVisible()
    const heard = async () => {
      const { events } = await (await request.get(`/api/runs/${runId}`)).json()
      return (events as { data: { kind: string; how?: string } }[]).filter(
        ({ data }) => data.kind === 'whistle' && data.how === 'ear',
      ).length
    }
    expect(whistles).toBe(2)
    await expect.poll(heard, { timeout: 60_000, intervals: [500] }).toBe(whistles)
  })
})

test('the ear learns this kitchen’s whistle from one, and goes on counting each once', async ({ request, baseURL }) => {
  test.setTimeout(240_000)
  const { file } = kitchenFile(LOOP_S, ONE_WHISTLE)
  const { runId } = await startRun(request)
  const flags = [
    '--use-fake-ui-for-media-stream',
    '--use-fake-device-for-media-stream',
    `--use-file-for-fake-audio-capture=${file}`,
  ]
  await withMicrophone(flags, async (browser) => {
    const page = await (await browser.newContext({ permissions: ['microphone'] })).newPage()
    await page.goto(`${baseURL}/cook/${runId}`)
    await litBefore(request, runId)
    await page.getByRole('button', { name: 'Listen for whistles' }).click()
    const heard = async (since = 0) => {
      const { events } = await (await request.get(`/api/runs/${runId}`)).json()
      return (events as { at: number; data: { kind: string; how?: string } }[])
        .filter(({ data, at }) => data.kind === 'whistle' && data.how === 'ear' && at > since)
        .map(({ at }) => at)
    }
    await expect.poll(async () => (await heard()).length, { timeout: 40_000, intervals: [500] }).toBe(1)
    // The file comes round: just before the next one the cook says so, and once more if it was missed.
    const learnt = page.getByRole('button', { name: 'Forget it' })
    await expect(async () => {
      const last = (await heard()).at(-1)!
      const rounds = Math.ceil((Date.now() + 2500 - last) / (LOOP_S * 1000))
      await page.waitForTimeout(last + rounds * LOOP_S * 1000 - 2000 - Date.now())
      await page.getByRole('button', { name: 'Learn this whistle' }).click()
      await expect(learnt).toBeVisible({ timeout: 13_000 })
    }).toPass({ timeout: 90_000 })
    const since = Date.now()
    await expect.poll(async () => (await heard(since)).length, { timeout: 60_000, intervals: [500] }).toBe(1)
    await page.waitForTimeout(6000)
    expect(await heard(since)).toHaveLength(1)
    await learnt.click()
    await expect(learnt).toBeHidden()
  })
})

test('a microphone that may not be used is said so, and tapping counts', async ({ request, baseURL }) => {
  const { runId } = await startRun(request)
  await withMicrophone(['--deny-permission-prompts', '--use-fake-device-for-media-stream'], async (browser) => {
    const page = await (await browser.newContext()).newPage()
    await page.goto(`${baseURL}/cook/${runId}`)
    await litBefore(request, runId)
    await page.getByRole('button', { name: 'Listen for whistles' }).click()
    await expect(page.getByText(/allow the microphone in the browser’s settings/)).toBeVisible()
    await page.getByRole('button', { name: /Count a whistle/ }).click()
    await expect(page.locator('.great')).toHaveText(/^1\s*of/)
  })
})
