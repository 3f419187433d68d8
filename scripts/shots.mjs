// npm run shots: takes the pictures of docs/screenshots from the demo kitchen, at a fixed time of day.
import { MINUTE_MS } from '../core/measure/time'
import { randomUUID } from 'node:crypto'
import { mkdirSync } from 'node:fs'
import path from 'node:path'
import { chromium } from '@playwright/test'
import { checkMachine, ensureChromium, ensurePackages, main, ROOT, say } from './setup.mjs'
import { withThrowAwayServer } from './serve.mjs'
import { choose } from '../tests/e2e/kitchen'
import { driveClock, PotBeside } from '../tests/e2e/stove'

const FOLDER = path.join(ROOT, 'docs', 'screenshots')
const PASTED = `Black beans with sweet potato
Serves 4
Ingredients
1 1/2 cups (300 g) dried black beans
1/2 lb sweet potatoes, cubed
1 large onion (about 200 g)
1 katori tomato paste
juice of 1 lime
8 g salt, divided
1 tbsp oil
1 tsp cumin seeds
Method
Soak the beans overnight. Fry the onion in half the oil until golden, 8 minutes.
Add the drained beans, sweet potatoes, paste, salt and 3 cups of water, close and cook 25 minutes at high pressure, natural release.
Heat the rest of the oil, sizzle the cumin, pour it over with the lime and let it sit a while.`
const MARCH = Date.parse('2026-03-07T19:02:00Z')

await main(async () => {
  checkMachine()
  ensurePackages()
  const executablePath = ensureChromium()
  mkdirSync(FOLDER, { recursive: true })
  await withThrowAwayServer(
    async (url) => {
      const browser = await chromium.launch({
        executablePath,
        args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
      })
      try {
        await take(browser, url)
      } finally {
        await browser.close()
      }
    },
    { BIVVET_DEMO_NOW_MS: String(MARCH) },
  )
})

async function take(browser, url) {
  const open = async (at, { width = 1280, height = 800, colorScheme = 'light' } = {}) => {
    const context = await browser.newContext({
      baseURL: url,
      viewport: { width, height },
      colorScheme,
      reducedMotion: 'reduce',
      timezoneId: 'UTC',
    })
    const page = await context.newPage()
    await driveClock(page, at)
    return page
  }
  const shot = async (page, name) => {
    await page.waitForTimeout(400)
    await page.screenshot({ path: path.join(FOLDER, `${name}.png`) })
    say(`docs/screenshots/${name}.png`)
  }
  const ask = async (route, method, body) => {
    const headers = { 'content-type': 'application/json' }
    const answer = await fetch(`${url}/api/${route}`, { method, headers, body: JSON.stringify(body) })
    return answer.status === 204 ? null : answer.json()
  }
  const ready = (page) => page.getByRole('button', { name: /Light it|Start it/ }).waitFor()

  const pot = await open(new Date('2026-03-07T19:02:00'))
  await pot.goto(`${url}/pot`)
  await ready(pot)
  await shot(pot, 'pot')
  await pot.getByRole('button', { name: /why.*Pour .* of water/ }).click()
  await pot.getByRole('button', { name: /why.*off after whistle/ }).click()
  await shot(pot, 'pot-why')

  const phone = await open(new Date('2026-03-07T19:02:00'), { width: 390, height: 844, colorScheme: 'dark' })
  await phone.goto(`${url}/pot`)
  await ready(phone)
  await shot(phone, 'pot-phone-dark')

  // A flame a fifth stronger than planned, and one whistle missed.
  const live = await open(new Date('2026-03-07T19:02:00'))
  await live.goto(`${url}/pot`)
  await live.getByRole('button', { name: 'Light it' }).click()
  const beans = await PotBeside.light(live, { heat: 1.2, load: 1, vent: 1 })
  await beans.whistle(5, (index) => index === 2)
  await live.getByText(/come faster than planned/).waitFor()
  await shot(live, 'cook')
  await live.getByRole('button', { name: 'Yes, I missed it' }).click()
  await live.evaluate(() => localStorage.clear())

  const second = await open(new Date(MARCH + (beans.minute - 9) * MINUTE_MS))
  await second.goto(`${url}/pot`)
  await second.getByRole('combobox', { name: 'Food' }).fill('red rice')
  await second
    .getByRole('option', { name: /^Red rice/ })
    .first()
    .click()
  await choose(second, 'Pot', 'Electric 6 L')
  await second.getByRole('button', { name: 'Start it' }).click()
  const rices = await PotBeside.light(second)
  await rices.pass(9)
  await second.goto(`${url}/cook`)
  await second.locator('section.lane').nth(1).waitFor()
  await shot(second, 'cook-lanes')
  // What stands on the stove would ring through all pictures that follow.
  const { runs } = await ask('runs', 'GET')
  for (const { id, events } of runs.filter(({ events: of }) => !of.some(({ data }) => data.kind === 'opened'))) {
    const at = events.at(-1).at + MINUTE_MS
    await ask(`runs/${id}/events`, 'POST', { id: randomUUID(), at, data: { kind: 'abandoned' } })
  }

  const practice = await open(new Date('2026-03-07T19:02:00'))
  await practice.goto(`${url}/pot`)
  await practice.getByRole('link', { name: 'Practise it first' }).click()
  // Pot has a button of that name too.
  await practice.waitForURL(/\/practice/)
  await practice.getByRole('button', { name: 'Start', exact: true }).click()
  await practice.getByRole('button', { name: 'All four are fine' }).click()
  await practice.getByText('60×', { exact: true }).click()
  await practice.getByRole('button', { name: 'It is lit' }).click()
  const whistles = practice.getByText('It whistles')
  for (let counted = 0, i = 0; counted < 3 && i < 400; i++) {
    await practice.clock.runFor(counted === 0 ? 200 : 100)
    if (!(await whistles.isVisible())) continue
    await practice.keyboard.press('Space')
    counted++
    while (await whistles.isVisible()) await practice.clock.runFor(100)
  }
  await shot(practice, 'practice')

  await live.goto(`${url}/log`)
  await live.getByText('Barley and mushroom pot').first().waitFor()
  await shot(live, 'log')
  await live.goto(`${url}/log/learnt`)
  await live.getByRole('heading', { name: 'How close the plans came' }).waitFor()
  await live.getByText('White beans for squash').waitFor()
  await shot(live, 'learnt')
  await live.goto(`${url}/kitchen`)
  await live.getByRole('button', { name: /^Old 3 L/ }).click()
  await live.getByRole('heading', { name: 'Old 3 L' }).waitFor()
  await shot(live, 'kitchen')
  // Somebody who has been let in, and lets in the next.
  const { token } = await ask('people/invites', 'POST', {})
  const who = await open(new Date('2026-03-07T19:02:00'))
  await who.goto(`${url}/join/${token}`)
  await who.getByLabel('Your name').fill('Second cook')
  await who.getByRole('button', { name: 'Join' }).click()
  await who.getByRole('navigation').waitFor()
  const { members } = await ask('people', 'GET')
  await ask(`people/members/${members.find(({ name }) => name === 'Second cook').id}`, 'PATCH', { role: 'owner' })
  await who.goto(`${url}/kitchen/people`)
  await who.getByRole('button', { name: 'Invite somebody' }).click()
  await who.getByRole('img', { name: 'The link as a QR code' }).waitFor()
  await shot(who, 'people')
  await who.context().close()

  const dish = `${url}/dishes/0de70000-0000-4000-8000-000000000701`
  await live.goto(dish)
  await live.getByText('It takes').waitFor()
  await shot(live, 'dish')
  await live.goto(`${dish}/cook`)
  for (const name of ['Fry', 'Close and cook']) {
    await live.getByRole('button', { name: 'Done, next' }).click()
    await live.getByRole('heading', { name }).waitFor()
  }
  await shot(live, 'dish-cook')
  await live.goto(`${url}/dishes/import`)
  await live.getByLabel('The recipe').fill(PASTED)
  await live.getByRole('button', { name: 'Read it' }).click()
  await live.getByText('Look at these first').waitFor()
  await shot(live, 'import')

  await live.goto(`${url}/larder`)
  await live
    .getByText(/whistles/)
    .first()
    .waitFor()
  await shot(live, 'larder')
  await live.goto(`${url}/larder/chickpea-white`)
  await live.getByRole('heading', { name: 'Chickpeas' }).waitFor()
  await shot(live, 'food')
  await live.goto(url)
  await live.getByText('Favourites').waitFor()
  await shot(live, 'today')
  await stack(await open(new Date('2026-03-08T11:00:00')), url, shot)
  await waterTest(await open(new Date('2026-03-08T10:00:00')), url, shot)
  await dinner(await open(new Date('2026-03-08T09:10:00')), url, shot)
}

/** Three dishes for half past seven, as they stand in the morning. */
async function dinner(page, url, shot) {
  await page.goto(url)
  await page.getByRole('button', { name: 'Plan a dinner of several dishes' }).click()
  for (const name of ['White beans with squash', 'Millet with greens', 'Ginger congee'])
    await page.getByRole('button', { name, exact: true }).first().click()
  await page.getByRole('button', { name: 'Close', exact: true }).click()
  await page.getByText(/No better plan is possible/).waitFor()
  await shot(page, 'dinner')
}

/** The three-tier Sunday, worked out; then two foods that only go in phases. */
async function stack(page, url, shot) {
  const setFood = async (index, query, grams) => {
    const row = page.locator('.foods > li').nth(index)
    const line = row.getByRole('button', { expanded: false }).first()
    if (await line.isVisible()) await line.click()
    await row.getByRole('combobox', { name: 'Food' }).fill(query)
    await page.getByRole('listbox').getByRole('option').first().click()
    await choose(row, 'Measured in', 'g')
    await row.getByLabel('Amount').fill(grams)
  }
  await page.goto(`${url}/pot/tins`)
  await choose(page, 'Pot', 'Electric 6 L')
  await setFood(0, 'red rice', '140')
  for (const asked of ['130 g toor dal', '400 g beetroot']) {
    await page.getByRole('button', { name: 'Add a food' }).click()
    await page.keyboard.type(asked)
    await page.locator('.asking [role=option]').first().waitFor()
    await page.keyboard.press('Enter')
  }
  await page.getByText('thick', { exact: true }).first().click()
  await page.locator('.foods > li').nth(2).getByRole('button', { expanded: true }).first().click()
  await page.getByRole('button', { name: 'Work it out' }).click()
  await page.clock.runFor(1000)
  await page.getByText(/The best of/).waitFor()
  await page.clock.runFor(1000)
  await shot(page, 'stack')
  await page.context().close()
}

/** A boil of water in the old pot, on a flame that is weaker than it was thought. */
async function waterTest(page, url, shot) {
  const press = async (seconds, name) => {
    await page.clock.fastForward(seconds * 1000)
    await page.getByRole('button', { name, exact: true }).click()
  }
  await page.goto(`${url}/kitchen/test/0de70000-0000-4000-8000-000000000102`)
  await page.getByLabel('Water in').fill('600')
  await press(0, 'It is lit')
  await press(318, 'It whistles')
  for (let i = 0; i < 2; i++) await press(26, 'It whistles')
  await page.clock.fastForward(9000)
  await shot(page, 'water-test')
  for (let i = 0; i < 2; i++) await press(i === 0 ? 17 : 26, 'It whistles')
  await press(4, 'It is on medium')
  for (let i = 0; i < 3; i++) await press(i === 0 ? 36 : 43, 'It whistles')
  await press(6, 'Heat is off')
  await press(420, 'Pressure is gone')
  await page.getByLabel('Water left').fill('500')
  await page.clock.runFor(2000)
  await page.getByText('What changes in the plans').waitFor()
  await page.getByText('What the test shows').evaluate((heading) => heading.scrollIntoView())
  await page.context().close()
}
