import { mkdtempSync, writeFileSync } from 'node:fs'
import os from 'node:os'
import path from 'node:path'
import { chromium, expect, type APIRequestContext, type Browser, type Page } from '@playwright/test'
import { CHROMIUM } from '../../scripts/setup.mjs'
import { kitchenScene } from '../trials/sounds'
import { wavOf } from '../wav'
import { litBefore, startRun, test } from './kitchen'

const RATE = 48_000
/** Of this length the generated kitchen of this seed holds one whistle. */
const LOOP_S = 15
const ONE_WHISTLE = 23
/** And half a minute of this one two. */
const TWO_WHISTLES = 27
/** Of this one there is one hiss over a tap of which the ear is not sure. */
const UNSURE = 21

/** Some seconds of kitchen with whistles, as the browser's microphone will hear it. */
function kitchenFile(seconds: number, seed: number, hard = false): { file: string; whistles: number } {
  const { samples, whistles } = kitchenScene(
    hard
      ? { seconds, snrDb: 3, noises: ['tap'], kind: 'broad', sampleRate: RATE }
      : { seconds, snrDb: 12, noises: ['extractor'], kind: 'tonal', sampleRate: RATE },
    seed,
  )
  const file = path.join(mkdtempSync(path.join(os.tmpdir(), 'bivvet-ear-')), 'kitchen.wav')
  writeFileSync(file, wavOf(samples, RATE))
  return { file, whistles: whistles.length }
}

/** A browser whose microphone hears a file, or one whose microphone is refused. */
async function withMicrophone(hears: string | null, work: (browser: Browser) => Promise<void>) {
  const flags =
    hears === null
      ? ['--use-fake-device-for-media-stream']
      : [
          '--use-fake-ui-for-media-stream',
          '--use-fake-device-for-media-stream',
          `--use-file-for-fake-audio-capture=${hears}`,
        ]
  const browser = await chromium.launch({
    executablePath: CHROMIUM,
    args: [...(process.getuid?.() === 0 ? ['--no-sandbox'] : []), '--disable-gpu', ...flags],
  })
  try {
    await work(browser)
  } finally {
    await browser.close()
  }
}

/** The page of a pot that is lit, listening. */
async function listening(browser: Browser, request: APIRequestContext, address: string): Promise<Page> {
  const page = await (await browser.newContext({ permissions: ['microphone'] })).newPage()
  await page.goto(address)
  await litBefore(request, address.split('/').at(-1)!)
  await page.getByRole('button', { name: 'Listen for whistles' }).click()
  return page
}

// In real time, against sound, speed or dying servers: a machine that is busy may spoil a try, and it is named then.
test.describe.configure({ retries: 2 })
test('the ear counts the whistles that it hears', async ({ request, baseURL }) => {
  const { file, whistles } = kitchenFile(31, TWO_WHISTLES)
  const { runId } = await startRun(request)
  await withMicrophone(`${file}%noloop`, async (browser) => {
    const page = await listening(browser, request, `${baseURL}/cook/${runId}`)
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
  const { file } = kitchenFile(LOOP_S, ONE_WHISTLE)
  const { runId } = await startRun(request)
  await withMicrophone(file, async (browser) => {
    const page = await listening(browser, request, `${baseURL}/cook/${runId}`)
    const heard = async (since = 0) => {
      // A connection that rested while the page waited may just have been closed.
      const read = () => request.get(`/api/runs/${runId}`)
      const { events } = await (await read().catch(read)).json()
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

test('a sound that may have been a whistle is asked about', async ({ request, baseURL }) => {
  const { file } = kitchenFile(31, UNSURE, true)
  const { runId } = await startRun(request)
  // The file comes round, so that a sound that was lost on a busy machine is heard the next time.
  await withMicrophone(file, async (browser) => {
    const page = await listening(browser, request, `${baseURL}/cook/${runId}`)
    const asked = page.getByRole('alert').filter({ hasText: 'may have been a whistle' })
    await expect(asked).toBeVisible({ timeout: 130_000 })
    const counted = async () => {
      const { events } = await (await request.get(`/api/runs/${runId}`)).json()
      return (events as { data: { kind: string } }[]).filter(({ data }) => data.kind === 'whistle').length
    }
    expect(await counted()).toBe(0)
    await asked.getByRole('button', { name: 'Count it' }).click()
    await expect(asked).toBeHidden()
    await expect.poll(counted).toBe(1)
  })
})

test('a microphone that may not be used is said so, and tapping counts', async ({ request, baseURL }) => {
  const { runId } = await startRun(request)
  await withMicrophone(null, async (browser) => {
    const page = await (await browser.newContext()).newPage()
    // Without a window nobody is asked: this is what the browser answers where somebody has refused.
    await page.addInitScript(() => {
      navigator.mediaDevices.getUserMedia = () =>
        Promise.reject(new DOMException('Permission denied', 'NotAllowedError'))
    })
    await page.goto(`${baseURL}/cook/${runId}`)
    await litBefore(request, runId)
    await page.getByRole('button', { name: 'Listen for whistles' }).click()
    await expect(page.getByText(/The microphone is not allowed/)).toBeVisible()
    await page.getByRole('button', { name: /Count a whistle/ }).click()
    await expect(page.locator('.great')).toHaveText(/^1\s*of/)
  })
})
