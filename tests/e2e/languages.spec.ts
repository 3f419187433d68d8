import { readFileSync } from 'node:fs'
import { expect, type Page } from '@playwright/test'
import { LANGUAGES, LOCALES, type Locale } from '../../locales/languages'
import {
  BLUE_POT,
  ELECTRIC,
  event,
  expectAccessible,
  keepDish,
  sideways,
  startRun,
  test,
  watchForErrors,
} from './kitchen'

type Messages = { [key: string]: string | Messages }
/** A message of a language as its file has it. */
function messageOf(locale: Locale, bundle: string, key: string): string {
  const file = JSON.parse(readFileSync(`locales/${locale}/${bundle}.json`, 'utf8')) as Messages
  const found = key.split('.').reduce<string | Messages | undefined>((at, part) => (at as Messages)?.[part], file)
  if (typeof found !== 'string') throw new Error(`${locale} has no ${key}`)
  return found
}
const speak = (page: Page, locale: Locale) =>
  page.addInitScript((own) => localStorage.setItem('bivvet-language', JSON.stringify({ own })), locale)

/** What is typed as a cook of that language would. */
const ASKED: Record<Exclude<Locale, 'en'>, { ask: string; dish: string }> = {
  de: { ask: '2 Tassen Kichererbsen', dish: '2 EL Öl\n1 große Zwiebel, gehackt\n300 g Kichererbsen' },
  es: { ask: '2 tazas de garbanzos', dish: '2 cucharadas de aceite\n1 cebolla grande, picada\n300 g de garbanzos' },
  hi: { ask: '2 कप छोले', dish: '2 बड़े चम्मच तेल\n1 बड़ा प्याज़, कटा\n300 ग्राम छोले' },
}

for (const locale of LOCALES.filter((one) => one !== 'en')) {
  test(`${LANGUAGES[locale].name}: planned, cooked, judged, and a dish typed in it`, async ({ page }) => {
    const errors = watchForErrors(page)
    const say = (bundle: string, key: string) => messageOf(locale, bundle, key)
    await speak(page, locale)
    await page.goto('/')
    await expect(page.locator('html')).toHaveAttribute('lang', locale)
    // By the beginning of an English name too.
    await page.getByRole('combobox', { name: say('day', 'day.ask') }).fill('chickpe')
    await expect(
      page
        .getByRole('option')
        .filter({ hasText: messageOf(locale, 'catalogue', 'chickpea-white.name') })
        .first(),
    ).toBeVisible()
    await page.getByRole('combobox', { name: say('day', 'day.ask') }).fill(ASKED[locale].ask)
    await expect(page.getByRole('listbox').getByRole('option').first()).toContainText(
      messageOf(locale, 'catalogue', 'chickpea-white.name'),
    )
    await page.keyboard.press('Enter')
    await expect(page).toHaveURL(/\/pot$/)
    await expect(page.getByLabel(say('pot', 'pot.rows.amount'))).toHaveValue('2')
    await expect(page.getByText(/^400 /).first()).toBeVisible()
    await expectAccessible(page)
    await page.getByRole('button', { name: say('pot', 'pot.answer.light') }).click()
    await expect(page).toHaveURL(/\/cook\/[0-9a-f-]{36}$/)
    await expect(page.getByRole('heading', { name: say('cook', 'cook.action.check') })).toBeVisible()
    const runId = page.url().split('/').at(-1)!
    for (const [data, minutesAgo] of [
      [{ kind: 'lit' }, 60],
      [{ kind: 'whistle' }, 45],
      [{ kind: 'whistle' }, 40],
      [{ kind: 'heat-off' }, 30],
      [{ kind: 'pressure-gone' }, 5],
    ] as const) {
      const told = await page.request.post(`/api/runs/${runId}/events`, {
        data: event(data, Date.now() - minutesAgo * 60_000),
      })
      expect(told.ok()).toBe(true)
    }
    await page.reload()
    await page.getByRole('button', { name: say('cook', 'cook.press.opened') }).click()
    await expect(page.getByRole('heading', { name: say('cook', 'cook.action.judge') })).toBeVisible()
    const right = say('log', 'verdict.textures.0')
    await page.getByText(right, { exact: true }).first().click()
    await page.getByText(say('log', 'verdict.waters.0'), { exact: true }).last().click()
    await expect(page.getByText(say('log', 'verdict.saved'))).toBeVisible()
    await expectAccessible(page)

    await page.goto('/dishes')
    await page.getByRole('button', { name: say('dishes', 'dishes.start') }).click()
    await page.getByLabel(say('dishes', 'dishes.startName')).fill('X')
    await page.getByRole('button', { name: say('dishes', 'dishes.startIt'), exact: true }).click()
    const lines = page.getByLabel(say('dishes', 'dishes.lines.type'))
    await lines.fill(ASKED[locale].dish)
    await page.getByRole('button', { name: say('dishes', 'dishes.lines.add'), exact: true }).click()
    await expect(page.getByRole('button', { name: say('dishes', 'dishes.propose.take') })).toBeVisible()
    expect(errors).toEqual([])
  })
}

test('the household’s language is every device’s that has none of its own', async ({ page }) => {
  await page.goto('/kitchen')
  await page.getByRole('button', { name: 'units and habits' }).click()
  await page.getByRole('combobox', { name: 'Language of the household' }).press('Enter')
  await page.getByRole('option', { name: 'Deutsch' }).click()
  await expect(page.getByRole('link', { name: 'Küche', exact: true })).toBeVisible()
  await page.getByRole('combobox', { name: messageOf('de', 'shell', 'app.language.label') }).press('Enter')
  await page.getByRole('option', { name: 'Español' }).click()
  await expect(page.getByRole('link', { name: 'Cocina', exact: true })).toBeVisible()
  await page.reload()
  await expect(page.getByRole('link', { name: 'Cocina', exact: true })).toBeVisible()
})

test('words that do not come at first are asked for again, and then the page stands', async ({ page }) => {
  let asked = 0
  await page.route('**/_nuxt/words/*.js', (route) => (asked++ < 2 ? route.abort() : route.continue()))
  await page.goto('/larder')
  await expect(page.getByRole('heading', { name: 'Larder' })).toBeVisible()
  expect(asked).toBeGreaterThan(2)
})

/**
 * A language that nobody speaks: every message in brackets and half as long again. The message files are compiled when
 * the application is built, so it is the texts in the served files that are changed.
 */
async function speakPseudo(page: Page) {
  const longer = (text: string) => (/\p{L}/u.test(text) ? `⟦${text}${'·'.repeat(Math.ceil(text.length * 0.4))}⟧` : text)
  await page.route('**/_nuxt/words/*.js', async (route) => {
    // The page may have gone on meanwhile.
    const response = await route.fetch({ maxRetries: 3 }).catch(() => null)
    if (!response) return route.abort().catch(() => undefined)
    const script = await response.text()
    await route.fulfill({
      response,
      body: script.replaceAll(
        /(\{t:3,v:|i:\[\{t:3\}\],s:)("(?:[^"\\]|\\.)*")/g,
        (_, before: string, text: string) => before + JSON.stringify(longer(JSON.parse(text) as string)),
      ),
    })
  })
}

/** What the browser says itself of days and lists, in the language that is shown. */
const BY_LOCALE = [
  'and',
  ...[...Array(12).keys()].flatMap((month) =>
    (['short', 'long'] as const).map((form) =>
      new Date(Date.UTC(2026, month, 1 + month)).toLocaleDateString('en-GB', { month: form, timeZone: 'UTC' }),
    ),
  ),
  ...['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'],
]

/** Texts outside of every bracket that the household has not written itself. */
const outside = (page: Page, own: readonly string[]) =>
  page.evaluate(
    ([own, byLocale]) => {
      const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
      const found = new Set<string>()
      while (walker.nextNode()) {
        const { textContent, parentElement } = walker.currentNode
        if (!parentElement || parentElement.closest('script, style, svg title, [aria-hidden=true], noscript')) continue
        let text = textContent!
        for (const name of own) text = text.replaceAll(name, ' ').replaceAll(name.toLowerCase(), ' ')
        // A figure that stands apart parts the message around it.
        text = text.replaceAll(/⟦[^⟧]*(?:⟧|$)/g, ' ').replace(/^[^⟦]*⟧/, ' ')
        for (const word of text.match(/\p{L}{3,}/gu) ?? []) if (!byLocale.includes(word)) found.add(word)
      }
      return [...found]
    },
    [own, BY_LOCALE] as const,
  )

/** What is written and cannot be seen whole: its own box cuts it off. */
const cutOff = (page: Page) =>
  page.evaluate(() =>
    Array.from(document.querySelectorAll<HTMLElement>('main *, header *')).flatMap((part) => {
      if (part.clientWidth < 2 || part.childElementCount > 0 || part.textContent!.trim() === '') return []
      const { overflowX, textOverflow, clip } = getComputedStyle(part)
      // A long name may end in dots where all of it stands elsewhere; what is only read out has no size.
      if (overflowX === 'visible' || textOverflow === 'ellipsis' || clip !== 'auto') return []
      return part.scrollWidth > part.clientWidth + 1 ? [part.textContent!.trim().slice(0, 60)] : []
    }),
  )

/** Texts that lie over each other. What stays in its place while the page moves under it is compared with itself alone. */
const overlapping = (page: Page) =>
  page.evaluate(() => {
    const layerOf = (part: Element): Element | null => {
      for (let at: Element | null = part; at; at = at.parentElement)
        if (['fixed', 'sticky'].includes(getComputedStyle(at).position)) return at
      return null
    }
    const isSeen = (part: Element) => part.checkVisibility({ opacityProperty: true, visibilityProperty: true })
    const walker = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT)
    const lines: { text: string; layer: Element | null; box: DOMRect }[] = []
    while (walker.nextNode()) {
      const { textContent, parentElement } = walker.currentNode
      if (!parentElement || textContent!.trim() === '' || !isSeen(parentElement)) continue
      const range = document.createRange()
      range.selectNodeContents(walker.currentNode)
      const layer = layerOf(parentElement)
      for (const line of Array.from(range.getClientRects())) {
        // What its own box cuts off, or is only read out, is not there.
        const { left, right } = parentElement.getBoundingClientRect()
        const isCut: boolean = getComputedStyle(parentElement).overflowX !== 'visible'
        const from: number = isCut ? Math.max(left, line.left) : line.left
        const to: number = isCut ? Math.min(right, line.right) : line.right
        const box: DOMRect = new DOMRect(from, line.top, to - from, line.height)
        const [x, y] = [box.left + box.width / 2, box.top + box.height / 2]
        if (document.elementsFromPoint(x, y).includes(parentElement))
          lines.push({ text: textContent!.trim().slice(0, 40), layer, box })
      }
    }
    const found = new Set<string>()
    lines.forEach((one, i) => {
      for (const other of lines.slice(i + 1)) {
        // A field of the library holds what is chosen in it twice, one upon the other.
        if (one.layer !== other.layer || one.text === other.text) continue
        const width = Math.min(one.box.right, other.box.right) - Math.max(one.box.left, other.box.left)
        const height = Math.min(one.box.bottom, other.box.bottom) - Math.max(one.box.top, other.box.top)
        // Lines stand closer than their letters are high.
        if (width > 3 && height > 0.5 * Math.min(one.box.height, other.box.height))
          found.add(`${one.text} / ${other.text}`)
      }
    })
    return [...found]
  })

const WIDTHS = [
  { width: 1280, height: 800 },
  { width: 390, height: 844 },
]
/** Every page, in halves that take about as long. */
const PAGES: Record<string, (of: { dish: string; run: string }) => string[]> = {
  'what is planned': ({ dish }) => [
    '/',
    '/pot',
    '/pot/tins',
    '/dishes',
    '/dishes/import',
    `/dishes/${dish}`,
    `/dishes/${dish}/cook`,
    '/larder',
    '/larder/chickpea-white',
  ],
  'what is there and what was': ({ run }) => [
    '/kitchen',
    '/kitchen/people',
    `/kitchen/test/${BLUE_POT}`,
    `/kitchen/program/${ELECTRIC}`,
    '/log',
    '/log/learnt',
    `/log/${run}`,
    '/practice',
    '/cook',
    `/cook/${run}`,
  ],
}
for (const [which, pages] of Object.entries(PAGES))
  test(`a language half as long again: ${which} is told in it, fits, and can be read from the right`, async ({
    page,
  }) => {
    await speakPseudo(page)
    const of = { dish: await keepDish(page.request), run: (await startRun(page.request)).runId }
    const own = await namesOfHousehold(page)
    for (const address of pages(of)) {
      await page.setViewportSize(WIDTHS[0]!)
      await page.goto(address)
      await expect(page.getByRole('main').getByText('⟦').first()).toBeVisible()
      await stands(page)
      expect.soft(await outside(page, own), `${address}: not translated`).toEqual([])
      for (const direction of ['ltr', 'rtl'] as const)
        for (const size of WIDTHS) {
          await page.setViewportSize(size)
          await turn(page, direction)
          const where = `${address} at ${size.width}, ${direction}`
          expect.soft(await sideways(page), `${where}: wider than its window`).toBe(0)
          // In a window that is as high as the page, all of it is seen at once.
          const height = await page.evaluate(() => document.documentElement.scrollHeight)
          await page.setViewportSize({ ...size, height: Math.min(8000, Math.max(size.height, height)) })
          expect.soft(await overlapping(page), `${where}: over each other`).toEqual([])
          if (direction === 'ltr') expect.soft(await cutOff(page), `${where}: cut off`).toEqual([])
        }
    }
  })

/** Nothing comes any more. */
const stands = (page: Page) =>
  page.waitForFunction(async () => {
    const before = document.body.innerText.length
    await new Promise((resolve) => setTimeout(resolve, 400))
    return document.body.innerText.length === before
  })
const turn = (page: Page, direction: 'ltr' | 'rtl') =>
  page.evaluate((direction) => {
    document.documentElement.dir = direction
    const { classList } = document.querySelector('.v-application')!
    classList.remove('v-locale--is-ltr', 'v-locale--is-rtl')
    classList.add(`v-locale--is-${direction}`)
  }, direction)

/** What the household has written itself, and what is no word of any language. */
async function namesOfHousehold(page: Page): Promise<string[]> {
  const texts = new Set(['Bivvet', 'JSON', 'CSV', 'kPa', 'Chrome', 'Chromium', 'Headless', 'Linux', 'Playwright'])
  const collect = (value: unknown): void => {
    if (typeof value === 'string') texts.add(value)
    else if (value && typeof value === 'object') Object.values(value).forEach(collect)
  }
  for (const path of [
    'documents/kitchen/own',
    'documents/dish',
    'documents/portion',
    'documents/pot',
    'runs',
    'household',
  ])
    collect(await (await page.request.get(`/api/${path}`)).json())
  // Ids and marks are no texts; the longest first, so that no part of one is left.
  return [...texts].filter((text) => /\p{L}{2}/u.test(text)).sort((a, b) => b.length - a.length)
}
