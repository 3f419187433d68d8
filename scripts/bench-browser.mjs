// npm run bench, second part: how long the Pot screen takes in the browser from a keystroke or a drag to
// the new answer, for a pot of two foods, and how much script the first screens load.
import { chromium } from '@playwright/test'
import { gzipSync } from 'node:zlib'
import { checkMachine, ensureChromium, ensurePackages, main } from './setup.mjs'
import { withThrowAwayServer } from './serve.mjs'

const CHANGES = 60

await main(async () => {
  checkMachine()
  ensurePackages()
  const executablePath = ensureChromium()
  await withThrowAwayServer(async (url) => {
    const browser = await chromium.launch({
      executablePath,
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    })
    try {
      await scripts(browser, url)
      await answers(browser, url)
    } finally {
      await browser.close()
    }
  })
})

/** Script that a screen loads before it stands, gzipped; computing threads apart. */
async function scripts(browser, url) {
  const rows = []
  for (const path of ['/', '/pot', '/dishes', '/larder', '/kitchen', '/log']) {
    const page = await browser.newPage()
    const bodies = []
    page.on('response', (response) => {
      if (new URL(response.url()).pathname.endsWith('.js')) bodies.push(response)
    })
    await page.goto(url + path)
    await page.waitForTimeout(1500)
    let kB = 0
    let workerKB = 0
    for (const response of bodies) {
      const size = gzipSync(await response.body()).length / 1000
      if (response.url().includes('worker')) workerKB = size
      else kB += size
    }
    rows.push({ screen: path, 'script kB gzipped': Math.round(kB), 'computing thread kB': Math.round(workerKB) })
    await page.close()
  }
  console.log('\nScript of each screen (target: the first under 250 kB)')
  console.table(rows)
}

async function answers(browser, url) {
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
  await page.goto(`${url}/pot`)
  await page.getByRole('button', { name: 'Add a food to this pot' }).click()
  await page.keyboard.type('1 cup red rice')
  await page.getByRole('option').first().waitFor()
  await page.keyboard.press('Enter')
  await page.getByText('All of it can go in at the start.').waitFor()
  await page.waitForTimeout(1500)
  const rows = []
  for (const [what, kind] of [
    ['typing an amount', 'type'],
    ['dragging the water line', 'drag'],
  ])
    rows.push({ what, ...(await page.evaluate(measure, { kind, changes: CHANGES })) })
  console.log('\nFrom input to the new answer in the page, two foods, with its range (target: 50 ms)')
  console.table(rows)
}

/** Runs in the page: changes an input again and again and waits for the great figure to change. */
async function measure({ kind, changes }) {
  const figure = document.querySelector('.great')
  const amount = document.querySelector('input[aria-label="Dry amount"]')
  const line = document.querySelector('[role=slider][aria-orientation=vertical]')
  const answerMs = []
  const paintMs = []
  let longestTaskMs = 0
  const observer = new PerformanceObserver((list) => {
    for (const entry of list.getEntries()) longestTaskMs = Math.max(longestTaskMs, entry.duration)
  })
  observer.observe({ entryTypes: ['longtask'] })
  for (let i = 0; i < changes; i++) {
    const before = figure.textContent
    const from = performance.now()
    const changed = new Promise((resolve) => {
      const watcher = new MutationObserver(() => {
        if (figure.textContent === before) return
        watcher.disconnect()
        resolve(performance.now())
      })
      watcher.observe(figure, { childList: true, characterData: true, subtree: true })
    })
    if (kind === 'type') {
      amount.value = String(1 + ((i * 7) % 20) / 20)
      amount.dispatchEvent(new Event('input', { bubbles: true }))
    } else
      line.dispatchEvent(new KeyboardEvent('keydown', { key: i % 20 < 10 ? 'ArrowUp' : 'ArrowDown', bubbles: true }))
    const at = await Promise.race([changed, new Promise((resolve) => setTimeout(() => resolve(null), 2000))])
    if (at === null) continue
    answerMs.push(at - from)
    await new Promise((resolve) => requestAnimationFrame(() => setTimeout(resolve)))
    paintMs.push(performance.now() - from)
    // As fast as somebody types, so that the tables beside get their turn as well.
    await new Promise((resolve) => setTimeout(resolve, 120))
  }
  observer.disconnect()
  const at = (list, share) => {
    const sorted = [...list].sort((a, b) => a - b)
    return Number(sorted[Math.min(sorted.length - 1, Math.floor(share * sorted.length))].toFixed(1))
  }
  return {
    changes: answerMs.length,
    'answer ms, median': at(answerMs, 0.5),
    'answer ms, 95 %': at(answerMs, 0.95),
    'painted ms, median': at(paintMs, 0.5),
    'painted ms, 95 %': at(paintMs, 0.95),
    'longest task ms': Math.round(longestTaskMs),
  }
}
