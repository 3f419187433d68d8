import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { expect, type Page } from '@playwright/test'
import { DEMO_DISHES } from '../../server/db/demo'
import { asDocument } from '../../server/db/demo-dishes'
import type { KeptDish } from '../../shared/household'
import { DISH_SHAPE } from '../../shared/shapes'
import { beansDocument, choose, chooseNth, expectAccessible, keepDish, test, watchForErrors } from './kitchen'
import { installClock, PotBeside } from './stove'

const stage = (page: Page, name: string) =>
  page.getByRole('listitem').filter({ has: page.getByRole('heading', { name }) })
/** Kept on the server, so that a reload finds it. */
const isKept = (page: Page) => expect(page.getByText('Saved', { exact: true })).toBeVisible()

test('a dish is written, cooked and logged', async ({ page }) => {
  const errors = watchForErrors(page)
  await installClock(page)
  await page.goto('/dishes')
  await page.getByRole('button', { name: 'Start a dish' }).click()
  await page.getByLabel('What is it called?').fill('Red lentils on Tuesday')
  await page.keyboard.press('Enter')
  await expect(page).toHaveURL(/\/dishes\/[\w-]{36}$/)
  const lines = page.getByLabel('Type or paste a line, or several')
  await lines.fill('200 g red lentils\n1 onion, chopped\n2 tbsp oil\n7 g salt\n1 tsp cumin seeds')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByLabel('Ingredient 5')).toHaveValue('1 tsp cumin seeds')
  for (const kind of ['Fry', 'Close and cook', 'Rest, covered']) {
    await page.getByRole('button', { name: 'Add a stage' }).click()
    await page.getByRole('button', { name: kind, exact: true }).click()
  }
  await page.getByRole('button', { name: 'Put all of them where they usually go' }).click()
  await expect(stage(page, 'Fry')).toContainText(/onion, chopped \(150 g\)/)
  await expect(stage(page, 'Close and cook')).toContainText(/Pour \d+ g of water/)
  await expect(stage(page, 'Close and cook')).toContainText(/whistle/)
  await page.clock.runFor(2000)
  await isKept(page)

  // Undo takes the last step back, also over a reload nothing is lost.
  await page.getByLabel('Ingredient 4').fill('14 g salt')
  await page.getByLabel('Ingredient 4').press('Enter')
  await expect(page.getByText('14 g', { exact: true })).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByLabel('Ingredient 4')).toHaveValue('7 g salt')
  await page.clock.runFor(2000)
  await isKept(page)
  await page.reload()
  await expect(page.getByLabel('Ingredient 4')).toHaveValue('7 g salt')

  await page.getByRole('link', { name: 'Cook it' }).click()
  await expect(page.getByRole('heading', { name: 'Fry' })).toBeVisible()
  await page.getByRole('button', { name: /Start the timer/ }).click()
  await expect(page.getByRole('timer')).toContainText('8 min left')
  // What comes next is told by the clock, and later where this takes longer.
  const rest = page.getByRole('listitem').filter({ hasText: 'Rest, covered' })
  const restAt = async () =>
    (await rest.innerText())
      .match(/about (\d\d):(\d\d)/)!
      .slice(1)
      .map(Number)
  await expect(rest).toContainText(/about \d\d:\d\d/)
  const [hour, minute] = await restAt()
  await page.clock.fastForward(3 * 60_000)
  await expect(page.getByRole('timer')).toContainText('5 min left')
  expect(await restAt()).toEqual([hour, minute])
  await page.clock.fastForward(15 * 60_000)
  await expect.poll(async () => (await restAt())[1]).not.toBe(minute)
  await page.getByRole('button', { name: 'Done, next' }).click()
  await page.getByRole('button', { name: 'Light it' }).click()
  await expect(page).toHaveURL(/\/cook\//)
  const pot = await PotBeside.light(page)
  await expect(page.locator('.great')).toHaveText(/of\s+\d+/)
  const count = Number((await page.locator('.great').innerText()).match(/of\s+(\d+)/)![1])
  await pot.whistle(count)
  await pot.finish()
  await page.getByText('right', { exact: true }).first().click()
  await page.getByText('right', { exact: true }).last().click()
  await expect(page.getByText('Saved.')).toBeVisible()

  // Its next stage is one press away.
  await page.getByRole('link', { name: 'Go on with the dish' }).click()
  await expect(page.getByRole('link', { name: 'To the stove' })).toBeVisible()
  // The pot is open, so that it begins now.
  await expect(rest).toContainText(/about \d\d:\d\d/)
  await page.getByRole('button', { name: 'Done, next' }).click()
  await expect(page.getByRole('heading', { name: 'Rest, covered' })).toBeVisible()
  await page.getByRole('button', { name: 'Done, next' }).click()
  await expect(page.getByRole('heading', { name: 'It is done.' })).toBeVisible()
  // What of it is kept stands with the pot in the log, with what it all came to.
  await page.getByLabel('Portions').fill('2')
  await page.getByText('Freezer', { exact: true }).click()
  const told = page.waitForResponse(
    (answer) => answer.request().method() === 'PATCH' && (answer.request().postData()?.includes('freezer') ?? false),
  )
  await page.getByRole('button', { name: 'Put it away' }).click()
  expect((await told).status()).toBe(200)
  await page.goto('/log')
  await page.getByText('Red lentils on Tuesday').first().click()
  await expect(page.getByText(/The dish: .* for 4/)).toBeVisible()
  await expect(page.getByText('2 portions kept in the freezer')).toBeVisible()
  expect(errors).toEqual([])
})

const RECIPE = `Kidney beans in tomato
Serves 4
Ingredients
1½ cups kidney beans
1 onion, chopped
2 tomatoes, chopped
2 tbsp oil
8 g salt
1 tsp moon dust
Method
1. Soak the kidney beans overnight; drain.
2. Heat the oil and fry the onion for 8 minutes.
3. Add the beans and water, close and cook for 6 whistles; let the pressure fall naturally.
4. Add the tomatoes and salt and simmer for 10 minutes.`

test('a recipe that was written for another pot comes in, and its figure stands beside this kitchen’s', async ({
  page,
}) => {
  await page.goto('/dishes')
  await page.getByRole('link', { name: 'Import a recipe' }).click()
  await page.getByLabel('The recipe').fill('{"@type": "Person"}')
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.getByRole('alert')).toContainText('No recipe was found in it')
  await page.getByLabel('The recipe').fill(RECIPE)
  await page.getByRole('button', { name: 'Read it' }).click()
  await expect(page.getByLabel('Name of the dish')).toHaveValue('Kidney beans in tomato')
  await expect(page.getByText('6 lines: 5 read, 1 to check · 4 steps: 4 read, 0 to check')).toBeVisible()
  await expectAccessible(page)
  // What is typed over is read anew, where it stands.
  const onion = page.getByLabel('In the recipe: 1 onion, chopped')
  await onion.fill('2 onions, chopped')
  await onion.press('Tab')
  await expect(
    page.getByRole('listitem').filter({ has: page.getByLabel('In the recipe: 2 onions, chopped') }),
  ).toContainText('300 g')
  const dust = page.getByRole('group', { name: '1 tsp moon dust' })
  await expect(dust).toContainText('what is it?')
  await dust.getByRole('button', { name: 'Leave it as it is' }).click()
  await expect(dust).toBeHidden()
  await page.getByRole('button', { name: 'Save the dish' }).click()
  await expect(page.getByText('What is “1 tsp moon dust”?')).toBeVisible()
  // What is in no list is told by what it is most like, and then counts as that.
  await page.getByRole('button', { name: 'More about 1 tsp moon dust' }).click()
  // But not what is dangerous when undercooked.
  await page.getByLabel('What it is').fill('Our old rajma')
  await expect(page.getByText('it cannot be called something else')).toBeVisible()
  await expect(page.getByLabel('What is it most like?')).toBeHidden()
  await page.getByLabel('What it is').fill('Moon dust')
  await page.getByLabel('What is it most like?').fill('Salt')
  await page.keyboard.press('Tab')
  await expect(page.getByLabel('Salt', { exact: true })).toHaveValue('100')
  await page.getByLabel('Salt', { exact: true }).fill('60')
  await page.getByLabel('Water', { exact: true }).fill('50')
  await expect(page.getByRole('alert').filter({ hasText: 'more than all of it' })).toBeVisible()
  await page.getByLabel('Water', { exact: true }).fill('0')
  await expect(page.getByText('more than all of it')).toBeHidden()
  await expect(page.getByText('What is “1 tsp moon dust”?')).toBeHidden()
  await expectAccessible(page)

  await expect(stage(page, 'Soak')).toContainText('kidney beans')
  const pot = stage(page, 'Close and cook')
  await pot.getByRole('button', { name: 'how it adds up' }).click()
  await expect(pot).toContainText('The recipe says 6 whistles, natural release, for its own pot.')
  await expect(pot).toContainText(/There .* got \d+ of \d+ boil-minutes/)

  // What was told of it once is known in every dish: of a teaspoon of it six tenths are salt.
  await isKept(page)
  await page.goto('/dishes')
  await page.getByRole('button', { name: 'Start a dish' }).click()
  await page.getByLabel('What is it called?').fill('Dusted')
  await page.keyboard.press('Enter')
  await page.getByLabel('Type or paste a line, or several').fill('1 tsp moon dust')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByLabel('Ingredient 1')).toHaveValue('1 tsp moon dust')
  await expect(page.getByText('What is “1 tsp moon dust”?')).toBeHidden()
  await page.getByRole('button', { name: 'Add a stage' }).click()
  await page.getByRole('button', { name: 'Simmer open', exact: true }).click()
  await page.getByRole('button', { name: 'Put it where it usually goes' }).click()
  await expect(stage(page, 'Simmer open')).toContainText(/moon dust/)
  // But not where the line names what is dangerous when undercooked, also beside it: that is asked about.
  await page.getByLabel('Type or paste a line, or several').fill('200 g moon dust (rajma)')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await expect(page.getByText(/[Rr]ed kidney beans\?/)).toBeVisible()
})

test('a dish for another number, what stands in, what was forgotten', async ({ page, request }) => {
  await page.goto(`/dishes/${await keepDish(request)}`)
  await expect(stage(page, 'Close and cook')).toContainText(/whistle/)
  await page.getByRole('textbox', { name: 'For how many' }).fill('14')
  await page.keyboard.press('Enter')
  await expect(page.getByText('For 14 instead of 4')).toBeVisible()
  await expect(page.locator('.fit')).toContainText(
    /It does not fit in the pot.*\d batches, each for [\d.]+: \d+ h \d+ in all/,
  )
  await expect(page.locator('.fit')).toContainText(/two pots at once|in .* min in all|h \d+ in all/)
  await page.getByRole('button', { name: 'Back to 4' }).click()
  await page.getByRole('button', { name: 'For one fewer' }).click()
  await expect(page.getByText('For 3 instead of 4')).toBeVisible()
  await page.getByRole('button', { name: 'Save it for 3' }).click()
  await expect(page.getByText(/^for 3 ·/)).toBeVisible()

  await page.getByRole('button', { name: 'More about squash cubes' }).click()
  await page.getByRole('button', { name: 'I forgot it' }).click()
  await expect(page.getByText(/Put it in and simmer for \d+ min|It needs \d+ boil-minutes/)).toBeVisible()
  await page.getByRole('region').or(page.locator('.help')).getByRole('button', { name: 'Done' }).first().click()
  await page.getByRole('button', { name: 'What can replace it?' }).click()
  await page
    .getByRole('button', { name: /^Take cabbage/ })
    .or(page.getByRole('button', { name: /^Take / }))
    .first()
    .click()
  await expect(page.getByLabel('Ingredient 3')).not.toHaveValue(/squash/)
})

test('a dish is proposed from its lines, changed by a press, and taken by another', async ({ page }) => {
  const kinds = page.locator('.stages h2')
  const propose = async (name: string, lines: string) => {
    await page.goto('/dishes')
    await page.getByRole('button', { name: 'Start a dish' }).click()
    await page.getByLabel('What is it called?').fill(name)
    await page.keyboard.press('Enter')
    await page.getByLabel('Type or paste a line, or several').fill(lines)
    await page.getByRole('button', { name: 'Add', exact: true }).click()
    await expect(page.getByRole('heading', { name: 'How it is usually cooked' })).toBeVisible()
  }
  const take = page.getByRole('button', { name: 'Use these stages' })

  await propose(
    'Peas with spinach',
    '300 g black-eyed peas\n2 onions\n3 tomatoes\n2 tsp cumin seeds\n1 bunch spinach\n2 tbsp lemon juice\n3 tbsp oil\n8 g salt',
  )
  await expect(kinds).toHaveText(['Soak', 'Close and cook', 'Fry', 'Simmer open', 'Rest, covered'])
  await expectAccessible(page)
  await page.getByRole('radio', { name: 'fried in the pot first' }).check({ force: true })
  await expect(kinds).toHaveText(['Soak', 'Fry', 'Close and cook', 'Simmer open', 'Rest, covered'])
  await take.click()
  await expect(take).toBeHidden()
  await expect(page.locator('.stages')).toBeFocused()
  await expect(page.getByRole('button', { name: 'Change fry' })).toBeVisible()
  await expect(page.getByRole('link', { name: 'Cook it' })).toBeVisible()
  // Taken by mistake it is taken back.
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(take).toBeVisible()

  await propose(
    'Rice with carrots',
    '1½ cups basmati rice\n1 onion\n2 carrots, diced\n1 tsp cumin seeds\n2 tbsp oil\n1 tsp salt\ncoriander leaves',
  )
  await expect(kinds).toHaveText(['Soak', 'Fry', 'Close and cook', 'Rest, covered', 'Fluff'])
  await take.click()
  await expect(page.getByRole('link', { name: 'Cook it' })).toBeVisible()

  await propose('Beans with rice above', '1 cup chickpeas\n¾ cup brown rice\n5 g salt')
  await expect(page.locator('.stages')).toContainText(/brown rice/)
  await page.getByRole('radio', { name: 'put into boxes' }).check({ force: true })
  await expect(kinds).toHaveText(['Soak', 'Close and cook', 'Rest, covered', 'Chill and keep'])
  await take.click()
  await expect(page.getByRole('link', { name: 'Cook it' })).toBeVisible()
})

test('every dish of the demo prints on one page, with every sentence of its stages', async ({ page, request }) => {
  for (const { favourite: _, ...dish } of DEMO_DISHES) {
    const { name } = dish
    const id = await keepDish(request, asDocument(dish))
    await page.emulateMedia({ media: 'screen' })
    await page.goto(`/dishes/${id}`)
    const sentences = page.locator('.stages .steps li')
    await expect(sentences.first()).toBeVisible()
    const told = await sentences.allTextContents()
    await page.emulateMedia({ media: 'print' })
    const sheet = page.getByRole('article')
    await expect(sheet.getByRole('heading', { name })).toBeVisible()
    for (const sentence of told) await expect(sheet).toContainText(sentence.trim())
    const pdf = await page.pdf({ format: 'A4' })
    expect(pdf.toString('latin1').match(/\/Type\s*\/Page\b(?!s)/g), name).toHaveLength(1)
  }
})

test('stages are moved, taken out and put back; ingredients are dropped into them', async ({ page, request }) => {
  await page.goto(`/dishes/${await keepDish(request)}`)
  await page.setViewportSize({ width: 1280, height: 1500 })
  const headings = page.getByRole('heading', { level: 2 })
  await expect(headings).toHaveText(['Soak', 'Fry', 'Close and cook', 'Simmer open', 'Temper', 'Rest, covered'])
  await page.getByRole('button', { name: 'Change temper' }).click()
  await page.getByRole('button', { name: 'Earlier' }).click()
  await expect(headings).toHaveText(['Soak', 'Fry', 'Close and cook', 'Temper', 'Simmer open', 'Rest, covered'])
  await expect(page.getByRole('alert')).toHaveCount(0)
  await page.getByRole('button', { name: 'Remove this stage' }).click()
  await expect(headings).toHaveCount(5)
  await expect(page.getByText('is in no stage yet').first()).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(headings).toHaveCount(6)

  const grip = (await page.getByTitle('Drag tomato into a stage').boundingBox())!
  const onto = (await stage(page, 'Close and cook').boundingBox())!
  await page.mouse.move(grip.x + 10, grip.y + 10)
  await page.mouse.down()
  await page.mouse.move(onto.x + 200, onto.y + 40, { steps: 6 })
  await page.mouse.up()
  await expect(stage(page, 'Close and cook')).toContainText(/120 g.*tomato|tomato.*120 g/)
  await expect(stage(page, 'Close and cook')).toContainText('sour costs')
  await page.getByRole('button', { name: 'Move it to “Simmer open”' }).click()
  await expect(stage(page, 'Simmer open')).toContainText(/120 g.*tomato|tomato.*120 g/)
})

test('salt is parted as a cook says it; own whistles and water are told with what they cost', async ({
  page,
  request,
}) => {
  await page.goto(`/dishes/${await keepDish(request)}`)
  await page.getByRole('button', { name: 'Change temper' }).click()
  const oil = page.getByLabel(/^How much of oil/)
  await oil.fill('1/4')
  await oil.press('Enter')
  await expect(oil).toHaveValue(/^1[23] g$|^12\.5 g$/)
  await oil.fill('2 tsp')
  await oil.press('Enter')
  await expect(oil).toHaveValue(/^9 g$/)
  await oil.fill('a lot')
  await oil.press('Enter')
  await expect(page.getByText('Write half, 1/3, 1 tsp or 5 g.')).toBeVisible()
  await page.getByRole('button', { name: 'Done' }).click()

  await page.getByRole('button', { name: 'Change close and cook' }).click()
  await page.getByLabel('Your own whistles').fill('1')
  await expect(page.getByText(/Worked out: [\d,]+ g of water, \d+ whistles\. With yours: /)).toBeVisible()
  await expect(page.getByRole('link', { name: 'Cook it' })).toBeHidden()
  await page.getByRole('button', { name: 'Back to the plan' }).click()
  await expect(page.getByText(/With yours: /)).toBeHidden()
  await expect(page.getByRole('link', { name: 'Cook it' })).toBeVisible()
})

test('a stage is moved by its grip, by hand and by key, and keeps the focus', async ({ page, request }) => {
  await page.goto(`/dishes/${await keepDish(request)}`)
  await page.setViewportSize({ width: 1280, height: 1500 })
  const headings = page.getByRole('heading', { level: 2 })
  const grip = page.getByRole('button', { name: /^Drag to move temper/ })
  await grip.focus()
  await page.keyboard.press('ArrowUp')
  await expect(headings).toHaveText(['Soak', 'Fry', 'Close and cook', 'Temper', 'Simmer open', 'Rest, covered'])
  await expect(grip).toBeFocused()
  await page.keyboard.press('Control+z')
  await expect(headings.nth(4)).toHaveText('Temper')
  const from = (await grip.boundingBox())!
  const onto = (await stage(page, 'Close and cook').boundingBox())!
  await page.mouse.move(from.x + 8, from.y + 8)
  await page.mouse.down()
  await page.mouse.move(onto.x + 60, onto.y + 40, { steps: 6 })
  await page.mouse.up()
  await expect(headings).toHaveText(['Soak', 'Fry', 'Temper', 'Close and cook', 'Simmer open', 'Rest, covered'])
})

test('things go in one after another, rice cooks in the water of its soak, and reminders are told', async ({
  page,
}) => {
  await installClock(page)
  await page.goto('/dishes')
  await page.getByRole('button', { name: 'Start a dish' }).click()
  await page.getByLabel('What is it called?').fill('Cumin rice')
  await page.keyboard.press('Enter')
  await page
    .getByLabel('Type or paste a line, or several')
    .fill('1½ cups basmati rice\n1 onion\n4 cloves garlic\n1 tsp cumin seeds\n2 tbsp oil\n1 tsp salt')
  await page.getByRole('button', { name: 'Add', exact: true }).click()
  await page.getByRole('radio', { name: 'cooked in it, no more added' }).check({ force: true })
  const stages = page.locator('.stages > li')
  await expect(stages.nth(1)).toContainText('After 9 min: add 4 cloves garlic')
  // All the water is in the bowl: none is poured into the pot.
  await expect(stages.nth(0)).toContainText(/and \d+ g .*water/)
  await expect(stages.nth(2)).not.toContainText('Pour')
  await page.getByRole('button', { name: 'Use these stages' }).click()

  await page.getByRole('button', { name: 'Change fry' }).click()
  await page.getByLabel('Minute at which garlic goes in').fill('7')
  await expect(stages.nth(1)).toContainText('After 7 min: add 4 cloves garlic')
  await page.getByRole('button', { name: 'Add a reminder' }).click()
  await expect(stages.nth(1)).toContainText('After 5 min: stir')
  await expectAccessible(page)
  await page.getByRole('button', { name: 'Done', exact: true }).first().click()

  await page.getByRole('link', { name: 'Cook it' }).click()
  await page.getByRole('button', { name: 'Done, next' }).click()
  const steps = page.locator('.takes li')
  const stir = steps.filter({ hasText: 'stir' })
  await expect(stir).toHaveClass(/soft/)
  await page.getByRole('button', { name: /^Start the timer/ }).click()
  await page.clock.fastForward('05:05')
  await expect(stir).not.toHaveClass(/soft/)
  await expect(steps.filter({ hasText: 'garlic' })).toHaveClass(/soft/)
  await expectAccessible(page)
})

test('how thick a dish comes out is told and wanted; what makes it so is one press', async ({ page, request }) => {
  await page.goto(`/dishes/${await keepDish(request)}`)
  const consistency = page.getByRole('region', { name: 'How thick you want it' })
  await expect(consistency).toContainText('It comes out thick')
  await consistency.locator('.v-field').click()
  await page.getByRole('option', { name: 'just coated' }).click()
  await expectAccessible(page)
  await consistency.getByRole('button', { name: /^Mash \d+ % of it/ }).click()
  await expect(page.locator('.stages')).toBeFocused()
  await expect(page.locator('.stages h2').filter({ hasText: 'Mash' })).toBeVisible()
  await expect(page.locator('.stages')).toContainText(/Mash or blend about \d+ % of it/)
  await expect(consistency).toContainText('It comes out just coated')
  await page.keyboard.press('Control+z')
  await expect(consistency).toContainText('It comes out thick')
  await expect(consistency.getByRole('button', { name: /^Mash/ })).toBeVisible()
})

test('HTML in a step is text, a dish that is gone says so, and two devices do not overwrite each other', async ({
  page,
  request,
}) => {
  const dish = beansDocument()
  dish.stages[0]!.until = '<img src=x onerror=alert(1)>'
  const id = await keepDish(request, dish)
  await page.goto(`/dishes/${id}`)
  await expect(page.getByText('<img src=x onerror=alert(1)>')).toBeVisible()
  await isKept(page)
  // Another device keeps it while this one is changing it, and the network is slow to tell.
  const theirs = { version: 1, content: { ...dish, name: 'Theirs' } }
  await page.route(
    `**/api/documents/dish/${id}`,
    async (route) => {
      await request.put(`/api/documents/dish/${id}`, { data: theirs })
      await route.continue()
    },
    { times: 1 },
  )
  await page.getByLabel('Name of the dish').fill('Ours')
  await page.getByLabel('Name of the dish').blur()
  await expect(page.getByText('This dish was changed on another device meanwhile.')).toBeVisible()
  await expect(page.getByText('Both of you have changed: the name.')).toBeVisible()
  await page.getByRole('button', { name: 'Use mine' }).click()
  await isKept(page)
  expect(((await (await request.get(`/api/documents/dish/${id}`)).json()) as KeptDish).content.name).toBe('Ours')

  await page.getByRole('button', { name: 'More', exact: true }).click()
  await page.getByRole('menuitem', { name: 'Remove' }).click()
  await expect(page.getByText('Ours was removed.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(page.getByRole('button', { name: /^Ours squash/ })).toBeVisible()
  await page.goto(`/dishes/${randomUUID()}`)
  await expect(page.getByRole('alert')).toContainText('This dish is not here')
})

test('a dish is cooked by two at once, each on a device of their own', async ({ page, request, browser }) => {
  const id = await keepDish(request)
  await page.goto(`/dishes/${id}/cook`)
  await expect(page.getByRole('heading', { name: 'Soak' })).toBeVisible()
  const other = await (await browser.newContext()).newPage()
  await other.goto(`/dishes/${id}/cook`)
  await expect(other.getByRole('heading', { name: 'Soak' })).toBeVisible()
  await page.getByRole('button', { name: /Start the timer/ }).click()
  await expect(other.getByRole('timer')).toBeVisible()
  // What one does without a network is there when it comes back, and takes nothing from what the other has done.
  await other.context().setOffline(true)
  await other.getByRole('button', { name: 'Done, next' }).click()
  await expect(other.getByRole('heading', { name: 'Soak' })).toBeHidden()
  await expect(page.getByRole('heading', { name: 'Soak' })).toBeVisible()
  await other.context().setOffline(false)
  await expect(page.getByRole('heading', { name: 'Soak' })).toBeHidden({ timeout: 30_000 })
  await page.goto('/dishes')
  await expect(page.getByText(/Being cooked: stage 2 of \d/)).toBeVisible()
  await page.goto(`/dishes/${id}`)
  await page.getByRole('link', { name: 'Go on cooking' }).click()
  await expect(page.getByRole('button', { name: 'Back one stage' })).toBeVisible()
})

test('what is left goes into the freezer, stands in the Larder, and into another dish', async ({ page, request }) => {
  const id = await keepDish(request)
  await page.goto(`/dishes/${id}/cook`)
  await expect(page.getByRole('heading', { name: 'Soak' })).toBeVisible()
  for (let i = 0; i < 6; i++) await page.getByRole('button', { name: 'Done, next' }).click()
  await page.getByRole('textbox', { name: 'Portions' }).fill('2')
  await page.getByText('Freezer', { exact: true }).click()
  await page.getByRole('button', { name: 'Put it away' }).click()
  await expect(page.getByText('is put away, with its day')).toBeVisible()
  await page.getByRole('link', { name: 'Larder' }).last().click()
  const shelf = page.getByRole('listitem').filter({ hasText: 'White beans with squash' })
  await expect(shelf).toContainText(/in the freezer, \d+ g each/)
  await expect(shelf).toContainText('2')

  // In another dish it is there already: cooked, wet and salted.
  await page.goto('/dishes')
  await page.getByRole('button', { name: 'Start a dish' }).click()
  await page.getByLabel('What is it called?').fill('On toast')
  await page.keyboard.press('Enter')
  await chooseNth(page, 'From fridge or freezer', 0)
  await expect(page.getByLabel('Ingredient 1')).toHaveValue(/white beans with squash, cooked/)
  await page.getByRole('button', { name: 'Add a stage' }).click()
  await page.getByRole('button', { name: 'Simmer open', exact: true }).click()
  await page.getByRole('button', { name: 'Put it where it usually goes' }).click()
  await expect(stage(page, 'Simmer open')).toContainText('white beans with squash')
  await expect(page.getByText(/^0\.\d % of what is eaten/)).toBeVisible()
  await page.getByRole('link', { name: 'Cook it' }).click()
  await page.getByRole('button', { name: 'Taken out' }).click()
  await expect(page.getByRole('button', { name: 'Taken out' })).toBeHidden()
  await page.goto('/larder')
  await expect(shelf.locator('.figure')).toHaveText('1')
  await page.getByRole('button', { name: 'Take one portion of White beans with squash' }).click()
  await expect(page.getByText('White beans with squash was removed.')).toBeVisible()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(shelf.locator('.figure')).toHaveText('1')

  // Thawed it is to be eaten soon: Today says so, and it is not frozen again.
  await page.getByRole('button', { name: 'Move White beans with squash to the fridge' }).click()
  await expect(shelf).toContainText('in the fridge')
  await expect(shelf).toContainText('do not freeze it again')
  await expect(page.getByRole('button', { name: 'Move White beans with squash to the fridge' })).toBeHidden()
  await page.goto('/')
  const due = page.getByRole('listitem').filter({ hasText: 'eat it by tomorrow' })
  await expect(due).toContainText('White beans with squash')
  await page.getByRole('button', { name: 'Take one portion of White beans with squash' }).click()
  await expect(due).toBeHidden()
  await page.getByRole('button', { name: 'Undo' }).click()
  await expect(due).toContainText('1 left')
})

test('what another dish makes goes in as it is, and leads to how it is made', async ({ page, request }) => {
  const gravy = await keepDish(request)
  await page.goto('/dishes')
  await page.getByRole('button', { name: 'Start a dish' }).click()
  await page.getByLabel('What is it called?').fill('Under a crust')
  await page.keyboard.press('Enter')
  await choose(page, 'From another of your dishes', 'White beans with squash')
  await expect(page.getByLabel('Ingredient 1')).toHaveValue(/white beans with squash, as your dish/)
  await page.getByRole('button', { name: 'Add a stage' }).click()
  await page.getByRole('button', { name: 'Simmer open', exact: true }).click()
  await page.getByRole('button', { name: 'Put it where it usually goes' }).click()
  // It brings its salt, its water and that it is cooked.
  await expect(page.getByText(/^0\.\d % of what is eaten/)).toBeVisible()
  await expectAccessible(page)
  await isKept(page)
  await page.reload()
  await page.getByRole('link', { name: 'how it is made' }).click()
  await expect(page).toHaveURL(new RegExp(gravy))
})

test('a recipe that is sent can be cooked from by its text, and comes back as the dish it was', async ({
  page,
  request,
}) => {
  const { favourite: _, ...dish } = DEMO_DISHES.find(({ name }) => name === 'White beans with squash')!
  const id = await keepDish(request, { ...dish, shape: DISH_SHAPE })
  await page.goto(`/dishes/${id}`)
  await expect(page.getByText('It takes')).toBeVisible()
  const water = (
    await stage(page, 'Close and cook')
      .getByText(/^Pour .* of water/)
      .innerText()
  ).trim()
  await page.getByRole('button', { name: 'More', exact: true }).click()
  const fetched = page.waitForEvent('download')
  await page.getByRole('menuitem', { name: 'Send as a recipe file' }).click()
  const sent = readFileSync(await (await fetched).path(), 'utf8')
  const recipe = JSON.parse(sent) as { description: string; recipeInstructions: { text: string }[] }
  const text = recipe.recipeInstructions.map((step) => step.text).join('\n')
  expect(text).toContain(water)
  expect(text).toMatch(/High until it whistles once\./)
  expect(text).toMatch(/off after whistle \d/)
  expect(text).toMatch(/until the pressure has gone/)
  expect(recipe.description).toMatch(/Blue 5 L \(a whistling pressure cooker of 5 L\), at 1,450 m/)
})
