import { expect, type Page } from '@playwright/test'
import { courseOf } from '../../core/live/follow'
import { createStove, type Hidden, type Sign, type Stove } from '../../core/live/stove'
import { runsByItself } from '../../core/live/next'
import type { RunEvent } from '../../core/live/event.schema'
import { HOUR_MS, MINUTE_MS } from '../../core/measure/time'
import type { RunWithPlan } from '../../shared/household'

/** So long the page's clock may stand before it is put forward. */
const UNSEEN_MIN = 2

/**
 * A simulated pot beside the page: the page's clock is driven, the pot goes with it, and whatever it does the
 * cook tells the page. The page's clock must be installed.
 */
export class PotBeside {
  private stove: Stove
  minute = 0
  whistles = 0

  private constructor(
    private readonly page: Page,
    private readonly run: RunWithPlan,
    hidden?: Hidden,
    events: RunEvent[] = [],
  ) {
    const course = courseOf(run.plan, events)
    this.stove = createStove(course, hidden)
    const first = course.program[0]!
    if (runsByItself(run.plan.answer)) this.stove.start()
    else this.stove.heat('heatW' in first ? first.heatW : 0)
  }

  /** Checks and lights the run that the page shows, and its pot. */
  static async light(page: Page, hidden?: Hidden): Promise<PotBeside> {
    const run = await runOf(page)
    const check = page.getByRole('button', { name: 'All four are fine' })
    const lit = page.getByRole('button', { name: /^It is (lit|on)$/ })
    await expect(check.or(lit)).toBeVisible()
    if (await check.isVisible()) await check.click()
    await lit.click()
    const { events } = await runOf(page)
    return new PotBeside(page, run, hidden, events)
  }

  /** Lets so many minutes go by, on the page and in the pot. */
  async pass(minutes: number): Promise<Sign[]> {
    await this.page.clock.fastForward(Math.round(minutes * MINUTE_MS))
    return this.alone(minutes)
  }

  /** The same in the pot by itself. */
  private alone(minutes: number): Sign[] {
    this.minute += minutes
    return this.stove.advance(this.minute)
  }

  heatOff() {
    this.stove.heat(0)
  }

  now() {
    return this.stove.now()
  }

  /** Counts whistles as they come, but those that `misses` says, until so many have been given. */
  async whistle(count: number, misses: (index: number) => boolean = () => false) {
    while (this.whistles < count) {
      // A whistle is told within seconds; until then the page is looked at by nobody.
      const from = this.minute
      let signs: Sign[] = []
      while (signs.length === 0 && this.minute - from < UNSEEN_MIN) signs = this.alone(0.1)
      await this.page.clock.fastForward(Math.round((this.minute - from) * MINUTE_MS))
      for (const { kind } of signs) {
        if (kind !== 'whistle') continue
        if (!misses(this.whistles)) await this.page.keyboard.press('Space')
        this.whistles++
        if (this.whistles === 1) await this.turnDown()
      }
      if (this.minute > 240) throw new Error('This pot does not whistle.')
    }
  }

  /** Turns the flame down to the one on which the others are counted, where the page says so. */
  private async turnDown() {
    const { steps } = this.run.plan.answer.closings[0]!.program
    const last = steps.at(-1)!
    if (steps.length < 2 || last.kind !== 'whistles' || last.untilWhistles === 1) return
    await this.page.getByRole('button', { name: /^It is on (medium|low|simmer)$/ }).click()
    this.stove.heat(last.heatW)
  }

  /** Turns the heat off when the page says so, waits for the pressure, and opens. */
  async finish(next?: string) {
    await this.page.getByRole('button', { name: /^(Heat is off|It is off)$/ }).click()
    this.heatOff()
    await this.open(next)
  }

  /** Waits for the pressure, and opens; the page then says what is next. */
  async open(next = 'How did it come out?') {
    while (this.stove.now().gaugePa > 500) await this.pass(1)
    await this.pass(2)
    const gone = this.page.getByRole('button', { name: 'Pressure is gone' })
    const open = this.page.getByRole('button', { name: 'It is open' })
    await gone.click()
    // The sum may be a little behind this pot: then it waits, and asks to look once more.
    await expect(open.or(this.page.getByRole('heading', { name: /^Wait\. There should/ }))).toBeVisible()
    while (!(await open.isVisible())) {
      if (await gone.isVisible()) await gone.click()
      else await this.pass(1)
      await expect(open.or(gone).or(this.page.getByRole('heading', { name: /^Wait\. There should/ }))).toBeVisible()
    }
    await open.click()
    await expect(this.page.getByRole('heading', { name: next })).toBeVisible()
  }
}

/** The run whose Cook page is open, with its plan. */
export async function runOf(page: Page): Promise<RunWithPlan> {
  await expect(page).toHaveURL(/\/cook\/[0-9a-f-]{36}$/)
  const answer = await page.request.get(`/api/runs/${page.url().split('/').at(-1)!}`)
  return (await answer.json()) as RunWithPlan
}

/** Some hours ago, so that a run driven by the page's clock does not reach into the server's future. */
export async function installClock(page: Page, minutesOn = 0) {
  await driveClock(page, Date.now() - 6 * HOUR_MS + minutesOn * MINUTE_MS)
}

/** Sets the clock of the page and its neighbours, which from then on goes as it is driven. */
export async function driveClock(page: Page, time: number | Date) {
  // As if it had just been measured, and surely: otherwise it would be set right by the server's.
  await page.context().addInitScript(() => {
    if (location.protocol === 'about:') return
    const measured = { ms: 0, roundTripMs: -1, measuredAt: Number.MAX_SAFE_INTEGER }
    localStorage.setItem('bivvet-clock', JSON.stringify(measured))
  })
  await page.clock.install({ time })
}
