import { expect, type APIRequestContext, type Page } from '@playwright/test'
import { answerDish } from '../../core/dish/dish'
import { DEMO_DISHES, DEMO_KITCHEN } from '../../server/db/demo'
import { dishRequestOf } from '../../shared/dish'
import type { KeptMeal, RunPage } from '../../shared/household'
import { DISH_SHAPE } from '../../shared/shapes'
import { expectAccessible, keepDish, sideways, test, watchForErrors } from './kitchen'
import { driveClock } from './stove'

test.use({ timezoneId: 'UTC' })

const MORNING = Date.parse('2026-03-07T08:30:00Z')
const EVENING = Date.parse('2026-03-07T18:10:00Z')
const BEANS = 'White beans with squash'
const MILLET = 'Millet with greens'
const CONGEE = 'Ginger congee'

async function keepDishes(request: APIRequestContext, names: readonly string[]) {
  for (const name of names) {
    const dish = DEMO_DISHES.find((one) => one.name === name)!
    const { favourite: _, ...document } = dish
    await keepDish(request, { ...document, shape: DISH_SHAPE })
  }
}

async function startDinner(page: Page, names: readonly string[]) {
  await page.goto('/')
  await page.getByRole('button', { name: 'Plan a dinner of several dishes' }).click()
  for (const name of names) await page.getByRole('button', { name, exact: true }).click()
  await page.getByRole('button', { name: 'Close', exact: true }).click()
}

const steps = (page: Page) => page.getByRole('complementary').getByRole('listitem')
/** The clock goes on by so many minutes, and the page with it. */
async function goOn(page: Page, minutes: number) {
  await page.clock.fastForward(minutes * 60_000)
  await page.clock.runFor(6000)
}

test('a dinner of three dishes is planned, moved by drag and by keyboard, run late and served', async ({
  page,
  request,
}) => {
  const errors = watchForErrors(page)
  await keepDishes(request, [BEANS, MILLET, CONGEE])
  await driveClock(page, MORNING)
  await startDinner(page, [BEANS, MILLET, CONGEE])
  await expect(page.getByRole('button', { name: /On the table at 19:30/ })).toBeVisible()
  await expect(page.getByText(/from the first cut/)).toBeVisible()
  await expect(page.getByText(/No better plan is possible/)).toBeVisible()
  await expect(page.getByText(/must be in water by/)).toBeVisible()
  await expectAccessible(page)

  // By keyboard: a fry is put five minutes sooner, stays there, and is let go by undo.
  const fry = page.getByRole('button', { name: /^A: fry.*, \d\d:\d\d to/ })
  const before = (await fry.getAttribute('aria-label'))!
  await fry.focus()
  await page.keyboard.press('Shift+ArrowLeft')
  await expect(page.getByRole('button', { name: /^A: fry.*fixed by you/ })).toBeVisible()
  expect(await fry.getAttribute('aria-label')).not.toBe(before)
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: before, exact: true })).toBeVisible()

  // By drag, the same.
  const box = (await fry.boundingBox())!
  await page.mouse.move(box.x + box.width / 2, box.y + box.height / 2)
  await page.mouse.down()
  await page.mouse.move(box.x + box.width / 2 - 40, box.y + box.height / 2, { steps: 4 })
  await page.mouse.up()
  await expect(page.getByRole('button', { name: /^A: fry.*fixed by you/ })).toBeVisible()
  await fry.click()
  await page.getByRole('button', { name: 'Let Bivvet choose the time' }).click()
  await expect(page.getByRole('button', { name: before, exact: true })).toBeVisible()

  // In the morning the beans go into water; in the evening the fry begins late, and the dinner with it.
  await page.getByRole('button', { name: 'Done', exact: true }).click()
  await expect(steps(page).first().getByRole('checkbox')).toBeChecked()
  await goOn(page, 600)
  await expect(page.getByText(/Dinner will be ready at \d\d:\d\d/)).toBeVisible()
  await page.getByRole('button', { name: /^Serve at/ }).click()
  await expect(page.getByText(/Dinner will be ready at/)).toBeHidden()
  await page.getByRole('button', { name: 'Done', exact: true }).click()

  // The pot is lit from the list, and is a run of the stove; the list goes on with the next thing.
  await page.getByRole('button', { name: 'Light it', exact: true }).click()
  await expect(page).toHaveURL(/\/cook\//)
  // By the page's own way: a reload while this is being sent is a conflict of its own, which the browser tells of.
  await page.getByRole('link', { name: 'Today' }).click()
  await expect(steps(page).first()).toBeVisible()
  const toDo = steps(page).getByRole('checkbox', { checked: false })
  while ((await toDo.count()) > 0) await toDo.first().click()
  await page.getByRole('button', { name: 'It is on the table' }).click()
  await expect(page.getByRole('button', { name: 'Plan a dinner of several dishes' })).toBeVisible()
  expect(errors).toEqual([])
})

test('a dinner that cannot be says what excludes each other, and is repaired by a press', async ({ page, request }) => {
  await keepDishes(request, [BEANS, MILLET])
  await driveClock(page, EVENING)
  await startDinner(page, [BEANS, MILLET])
  await expect(page.getByText(/Not all of this is possible together: .*ready at that hour/)).toBeVisible()
  await expectAccessible(page)
  await page.getByRole('button', { name: /^No soak for White beans with squash.*served at/ }).click()
  await expect(page.getByText(/from the first cut/)).toBeVisible()
  await expect(page.getByText(/Not all of this is possible together/)).toBeHidden()

  // Ten minutes from now, and yesterday: no board that lies, but a way out.
  await page.getByRole('button', { name: /On the table at/ }).click()
  await page.getByRole('textbox', { name: 'On the table at' }).fill('18:20')
  await page.getByRole('textbox', { name: 'On the table at' }).press('Tab')
  await expect(page.getByText(/Not all of this is possible together|Dinner will be ready at/)).toBeVisible()
  await page.getByLabel('The day of the dinner').fill('2026-03-06')
  await page.getByLabel('The day of the dinner').press('Tab')
  await expect(page.getByText(/That hour has passed/)).toBeVisible()
  await expect(page.getByRole('button', { name: /On the table at 18:20/ })).toBeVisible()
})

const RICE: Parameters<typeof keepDish>[1] & { name: string } = {
  shape: DISH_SHAPE,
  name: 'Plain brown rice',
  servings: 4,
  lines: [{ id: 'rice', typed: '150 g brown rice', what: 'brown-long', g: 150 }],
  stages: [
    {
      id: 'pot',
      kind: 'pot' as const,
      takes: [{ line: 'rice' }],
      from: [],
      pot: { ...DEMO_DISHES[0]!.stages.find(({ pot }) => pot)!.pot!, foods: [], freeLiquid: 'drained' as const },
    },
    { id: 'fluff', kind: 'fluff' as const, takes: [], from: [{ stage: 'pot', part: 'all' as const }], minutes: 2 },
  ],
}

test('a dish that wants the same cooker goes into a tin in the pot of the other, and out of it again', async ({
  page,
  request,
}) => {
  await keepDishes(request, [BEANS])
  await keepDish(request, RICE)
  await driveClock(page, MORNING)
  await startDinner(page, [BEANS, RICE.name])
  await expect(page.getByText(/No better plan is possible/)).toBeVisible()
  // One cooker for both takes its time one after the other; what else could be done is weighed, and done by a press.
  await page.getByRole('button', { name: 'What else could be done?' }).click()
  const ways = page.getByRole('region', { name: 'What else could be done?' })
  const inTin = ways.getByRole('button', { name: `${RICE.name} in a tin in the pot of ${BEANS}` })
  await expect(inTin).toBeVisible()
  await expectAccessible(page)
  await inTin.click()
  await expect(page.getByText('in a tin in the pot of A')).toBeVisible()
  const list = page.getByRole('complementary')
  await expect(list.getByText(/Into its tin: .*brown rice.* and \d+ g .*water/).first()).toBeVisible()
  await expect(list.getByText(/Lift the tin out/).first()).toBeVisible()

  await page.getByRole('button', { name: `Give ${RICE.name} a pot of its own again` }).click()
  await expect(list.getByText(/Lift the tin out/)).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('in a tin in the pot of A')).toBeVisible()
  await expect(list.getByText(/Lift the tin out/).first()).toBeVisible()

  // Its pot is lit with both in it.
  await goOn(page, 600)
  const light = page.getByRole('button', { name: 'Light it', exact: true })
  // A plan made anew may put something else first: then the press does nothing, and that is done instead.
  await expect(async () => {
    const isLit = page.url().includes('/cook/')
    if (!isLit && (await light.isVisible())) await light.click({ timeout: 2000 })
    else if (!isLit) await page.getByRole('button', { name: 'Done', exact: true }).click({ timeout: 2000 })
    await expect(page).toHaveURL(/\/cook\//, { timeout: 2500 })
  }).toPass({ timeout: 60_000 })
  const { runs } = (await (await request.get('/api/runs?on=true')).json()) as RunPage
  expect(runs[0]!.plan.request.contents.map(({ food }) => food)).toEqual(['navy-bean', 'brown-long'])
})

test('beans that never soaked are planned as such, from now on', async ({ page, request }) => {
  await keepDishes(request, [BEANS])
  await driveClock(page, MORNING)
  await startDinner(page, [BEANS])
  await expect(page.getByText(/must be in water by/)).toBeVisible()
  const soak = steps(page).filter({ hasText: /Soak for/ })
  await expect(soak).toHaveCount(1)
  // It was to be in water two hours ago, and nobody has said that it is.
  await goOn(page, 180)
  await page.getByRole('button', { name: 'It was not soaked' }).click()
  await expect(soak).toHaveCount(0)
  await expect(page.getByRole('button', { name: 'It was not soaked' })).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(soak).toHaveCount(1)
})

test('a dinner goes on without a network, and on another device', async ({ page, request, browser, storageState }) => {
  await keepDishes(request, [MILLET, CONGEE])
  await driveClock(page, MORNING)
  await startDinner(page, [MILLET, CONGEE])
  await expect(steps(page).first()).toBeVisible()
  await expect
    .poll(
      async () =>
        ((await (await request.get('/api/documents/meal')).json()) as KeptMeal[])[0]?.content.tasks.length ?? 0,
    )
    .toBeGreaterThan(0)
  const elsewhere = await browser.newContext({ storageState, timezoneId: 'UTC' })
  const other = await elsewhere.newPage()
  await driveClock(other, MORNING)
  await other.goto('/')
  await expect(steps(other).first()).toBeVisible()

  let isOff = true
  await page.route('**/api/documents/meal/**', (route) => (isOff ? route.abort() : route.fallback()))
  // What is done stands where it was done, so steps are found by what they say.
  const fry = (of: Page) => steps(of).filter({ hasText: 'fry' }).getByRole('checkbox')
  const electric = (of: Page) => steps(of).filter({ hasText: 'Close Electric 6 L' }).getByRole('checkbox')
  await fry(page).check()
  await expect(page.getByText(/Not saved yet: no network/)).toBeVisible()
  await expect(fry(other)).not.toBeChecked()
  // Meanwhile the other ticks off something else: both hold.
  await electric(other).check()
  await expect(electric(other)).toBeChecked()
  isOff = false
  await page.clock.runFor(6000)
  await expect(page.getByText(/Not saved yet/)).toBeHidden()
  await expect(electric(page)).toBeChecked()
  await expect(fry(other)).toBeChecked()
  await elsewhere.close()
})

test('a dinner goes into the calendar, at an address that can be taken back', async ({ page, request }) => {
  await keepDishes(request, [BEANS])
  // What is long past is not in the calendar any more.
  const today = new Date().toISOString().slice(0, 10)
  await driveClock(page, Date.parse(`${today}T08:30:00Z`))
  await startDinner(page, [BEANS])
  await expect(steps(page).first()).toBeVisible()
  await page.getByRole('button', { name: 'Add to a calendar' }).click()
  const [file] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('link', { name: 'This dinner as a file' }).click(),
  ])
  expect(file.suggestedFilename()).toBe('dinner.ics')
  await page.getByRole('button', { name: 'A private address for all dinners' }).click()
  const address = await page.getByLabel('A private address for all dinners').inputValue()
  const calendar = async () => (await request.get(address)).text()
  await expect.poll(calendar).toContain('SUMMARY:Soak: White beans with squash')
  const text = await calendar()
  expect(text).toContain('BEGIN:VCALENDAR')
  expect(text).toContain(`DTSTART:${today.replaceAll('-', '')}T193000Z`)
  expect(text.match(/BEGIN:VALARM/g)!.length).toBe(text.match(/BEGIN:VEVENT/g)!.length)
  // It is told once.
  await page.reload()
  await page.getByRole('button', { name: 'Add to a calendar' }).click()
  await expect(page.getByText(/There is an address for your calendar until/)).toBeVisible()
  expect((await request.get(address)).ok()).toBe(true)
  await page.getByRole('button', { name: 'Cancel the address' }).click()
  await expect(page.getByRole('button', { name: 'A private address for all dinners' })).toBeVisible()
  expect((await request.get(address)).status()).toBe(404)
})

test('a dinner fits on a sheet: the hour, the board as wide as the paper, and the list under it', async ({
  page,
  request,
}) => {
  await keepDishes(request, [MILLET, CONGEE])
  await driveClock(page, MORNING)
  // The first that is chosen is the first dish, also where it comes last.
  let asked = 0
  await page.route(/\/api\/documents\/dish\/[\w-]{36}$/, async (route) => {
    if (asked++ === 0) await new Promise((resolve) => setTimeout(resolve, 1500))
    await route.continue()
  })
  await startDinner(page, [MILLET, CONGEE])
  await expect(page.getByText(/No better plan is possible/)).toBeVisible()
  await expect(page.getByRole('listitem').filter({ hasText: /^A/ }).getByText(MILLET)).toBeVisible()
  const pdf = await page.pdf({ format: 'A4' })
  expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b/g)).toHaveLength(1)
  await page.setViewportSize({ width: 740, height: 1050 })
  await page.emulateMedia({ media: 'print' })
  const hour = (await page.getByText('19:30', { exact: true }).last().boundingBox())!
  expect(hour.x + hour.width).toBeLessThan(740)
  expect((await steps(page).first().boundingBox())!.y).toBeGreaterThan(hour.y)
})

test('a dinner on a phone is a list first, and is stopped and put back', async ({ page, request }) => {
  await page.setViewportSize({ width: 390, height: 844 })
  await keepDishes(request, [MILLET])
  await driveClock(page, MORNING)
  await startDinner(page, [MILLET])
  await expect(steps(page).first()).toBeVisible()
  expect(await sideways(page)).toBe(0)
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Cancel the dinner' }).click()
  await expect(page.getByText('The dinner was removed.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(steps(page).first()).toBeVisible()
})

test('a dinner can be cooked from its paper alone: every gram, every setting, every opening stands on it', async ({
  page,
  request,
}) => {
  const names = [BEANS, MILLET, CONGEE]
  await keepDishes(request, names)
  await driveClock(page, MORNING)
  await startDinner(page, names)
  // A plan of the first dishes may be proved before the last of them is in it.
  await expect(page.getByRole('complementary')).toContainText('jasmine rice')
  await expect(page.getByText(/No better plan is possible/)).toBeVisible()
  await page.emulateMedia({ media: 'print' })
  const paper = (await page.getByRole('complementary').innerText()).replaceAll(/\s+/g, ' ')
  const grams = new Intl.NumberFormat('en', { maximumFractionDigits: 0 })
  const small = new Intl.NumberFormat('en', { maximumFractionDigits: 1, minimumFractionDigits: 1 })
  const says = (g: number) => `${g < 3 ? small.format(g) : grams.format(g)} g`
  for (const name of names) {
    const { favourite: _, ...dish } = DEMO_DISHES.find((one) => one.name === name)!
    const asked = dishRequestOf({ ...dish, shape: DISH_SHAPE }, DEMO_KITCHEN, MORNING)!
    const outcome = answerDish(asked)
    if (!outcome.ok) throw new Error(name)
    for (const { takes, pot } of outcome.value.stages) {
      for (const { line: id, g } of takes) {
        const { typed } = dish.lines.find((one) => one.id === id)!
        // A line that goes in whole stands as it was typed.
        if (g !== null) expect(paper.includes(says(g)) || paper.includes(typed), `${name}: ${typed}, ${g} g`).toBe(true)
      }
      for (const { water } of pot?.answer.closings ?? [])
        if (water.pourG > 0) expect(paper, name).toContain(`Pour ${says(water.pourG)} of water into`)
    }
  }
  expect(paper.match(/See whether .+? can be opened/g)?.length).toBeGreaterThanOrEqual(2)
  expect(paper).toMatch(/off after whistle \d|Then low for \d+ min/)
  expect(paper).toContain('Heat off under')
})

test('a dish is served before the rest, somebody helps for an hour, and one that may wait is told', async ({
  page,
  request,
}) => {
  await keepDishes(request, [BEANS, CONGEE])
  await driveClock(page, MORNING)
  await startDinner(page, [BEANS, CONGEE])
  await expect(page.getByText(/from the first cut/)).toBeVisible()

  await page.getByRole('button', { name: 'How Ginger congee is served' }).click()
  const how = page.getByRole('group', { name: 'Ginger congee in this dinner' })
  await how.getByLabel('On the table before the rest').fill('45')
  await expect(page.getByText('at 18:45')).toBeVisible()
  await expectAccessible(page)
  // Nothing of it is done any more once it is on the table.
  const ofCongee = page.getByRole('button', { name: /^B: / })
  await expect(ofCongee.last()).toHaveAttribute('aria-label', /to 18:[0-4]\d/)

  await how.getByLabel(/^It may wait in a bowl with a lid/).check({ force: true })
  await expect(page.getByText('may wait', { exact: true })).toBeVisible()
  await expect(page.getByText('If something has to wait, let it be Ginger congee: it can stand 2 h.')).toBeVisible()
  await expect(page.getByText(/must stay above 60 °C under a lid/)).toBeVisible()

  await page.getByRole('button', { name: 'Somebody helps for some hours' }).click()
  await expect(page.getByLabel('Helps from')).toHaveValue('18:30')
  await expect(page.getByText('Help', { exact: true })).toBeVisible()
  await page.getByLabel('until', { exact: true }).fill('18:00')
  await page.getByLabel('until', { exact: true }).press('Tab')
  await expect(page.getByText('This must be later than the first hour.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByText('This must be later than the first hour.')).toBeHidden()
  await page.getByRole('button', { name: 'Remove this helper' }).click()
  await expect(page.getByLabel('Helps from')).toBeHidden()
})
