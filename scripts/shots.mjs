// npm run shots: takes the pictures of docs/screenshots from the demo kitchen, at a fixed time of day.
import { mkdirSync } from 'node:fs'
import path from 'node:path'
import { chromium } from '@playwright/test'
import { checkMachine, ensureChromium, ensurePackages, main, ROOT, say } from './setup.mjs'
import { withThrowAwayServer } from './serve.mjs'

const FOLDER = path.join(ROOT, 'docs', 'screenshots')
const MINUTE = 60_000

await main(async () => {
  checkMachine()
  ensurePackages()
  const executablePath = ensureChromium()
  mkdirSync(FOLDER, { recursive: true })
  await withThrowAwayServer(async (url) => {
    const browser = await chromium.launch({
      executablePath,
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    })
    try {
      await take(browser, url)
    } finally {
      await browser.close()
    }
  })
})

async function take(browser, url) {
  const open = async (at, { width = 1280, height = 800, colorScheme = 'light' } = {}) => {
    const context = await browser.newContext({
      viewport: { width, height },
      colorScheme,
      reducedMotion: 'reduce',
      timezoneId: 'UTC',
    })
    const page = await context.newPage()
    await page.clock.install({ time: at })
    return page
  }
  const shot = async (page, name) => {
    await page.waitForTimeout(400)
    await page.screenshot({ path: path.join(FOLDER, `${name}.png`) })
    say(`docs/screenshots/${name}.png`)
  }
  const ready = (page) => page.getByRole('button', { name: /Light it|Start it/ }).waitFor()

  // Two evenings that the log remembers.
  await cook(await open(new Date('2026-03-05T18:02:00')), url, {
    food: 'lobia',
    pick: /Black-eyed peas/,
    verdict: ['right', 'a bit wet'],
    note: 'Good with lime. A little less water.',
  })
  await cook(await open(new Date('2026-03-06T18:31:00')), url, {
    food: 'red rice',
    pick: /^Red rice/,
    verdict: ['a bit hard', 'right'],
    note: 'Soak it longer next time.',
  })

  const pot = await open(new Date('2026-03-07T19:02:00'))
  await pot.goto(`${url}/pot`)
  await ready(pot)
  await shot(pot, 'pot')
  await pot.getByRole('button', { name: /why.*Water to pour/ }).click()
  await pot.getByRole('button', { name: /why.*On medium/ }).click()
  await shot(pot, 'pot-why')

  const phone = await open(new Date('2026-03-07T19:02:00'), { width: 390, height: 844, colorScheme: 'dark' })
  await phone.goto(`${url}/pot`)
  await ready(phone)
  await shot(phone, 'pot-phone-dark')

  const live = await open(new Date('2026-03-07T19:02:00'))
  await live.goto(`${url}/pot`)
  await live.getByRole('button', { name: 'Light it' }).click()
  await live.getByRole('button', { name: 'It is lit' }).click()
  await live.clock.fastForward(18.2 * MINUTE)
  for (const minutes of [1.3, 1.2, 1.25, 1.2]) {
    await live.keyboard.press('Space')
    await live.clock.fastForward(minutes * MINUTE)
  }
  await shot(live, 'cook')

  const livePhone = await open(new Date('2026-03-07T19:24:00'), { width: 390, height: 844 })
  await livePhone.goto(live.url())
  await livePhone.getByRole('button', { name: 'Count a whistle' }).waitFor()
  await shot(livePhone, 'cook-phone')

  await live.goto(`${url}/log`)
  await live.getByRole('heading', { name: 'Log' }).waitFor()
  await shot(live, 'log')
  await live.goto(`${url}/kitchen`)
  await live.getByRole('heading', { name: 'Cookers' }).waitFor()
  await shot(live, 'kitchen')

  const rice = await open(new Date('2026-03-07T19:02:00'), { colorScheme: 'dark' })
  await rice.goto(`${url}/pot`)
  await rice.getByRole('combobox', { name: 'Food' }).fill('basmati')
  await rice.getByRole('option').first().click()
  await rice.getByLabel('Dry amount').fill('0.75')
  await rice.getByRole('combobox', { name: 'Pot', exact: true }).click({ force: true })
  await rice.getByRole('option', { name: 'Rice cooker 1 L' }).click()
  await rice.getByRole('button', { name: 'Start it' }).waitFor()
  await shot(rice, 'pot-rice-cooker-dark')
}

/** Cooks one pot from plan to verdict, as the plan says. */
async function cook(page, url, { food, pick, verdict, note }) {
  await page.goto(`${url}/pot`)
  await page.getByRole('combobox', { name: 'Food' }).click()
  await page.getByRole('combobox', { name: 'Food' }).fill(food)
  await page.getByRole('option', { name: pick }).first().click()
  await page.getByLabel('Dry amount').fill('1')
  await page.getByRole('button', { name: 'Light it' }).click()
  await page.getByRole('button', { name: 'It is lit' }).click()
  await page.clock.fastForward(14 * MINUTE)
  while ((await page.getByRole('button', { name: 'Count a whistle' }).count()) > 0) {
    await page.keyboard.press('Space')
    await page.clock.fastForward(1 * MINUTE)
  }
  await page.getByRole('button', { name: 'Heat is off' }).click()
  await page.clock.fastForward(10 * MINUTE)
  await page.getByRole('button', { name: 'Pressure is gone' }).click()
  await page.getByRole('button', { name: 'It is open' }).click()
  const [texture, water] = verdict
  await page
    .getByRole('group', { name: /came out/ })
    .getByText(texture, { exact: true })
    .click()
  await page.getByRole('group', { name: 'Water' }).getByText(water, { exact: true }).click()
  await page.getByLabel('Note for next time').fill(note)
  await page.getByRole('button', { name: 'Keep this verdict' }).click()
  await page.getByText('Kept.').waitFor()
  await page.context().close()
}
