// npm run docs: writes the table of docs/model.md that sets the model beside common practice.
import { readFileSync, writeFileSync } from 'node:fs'
import { format, resolveConfig } from 'prettier'
import { findFood } from '../core/food/catalogue'
import { plan } from '../core/program/plan'
import type { ClosingAnswer } from '../core/program/answer'
import { styleOf } from '../core/program/styles'
import type { PlanRequest } from '../core/program/request.schema'
import CATALOGUE from '../locales/en/catalogue.json'
import { COMMON_PRACTICE } from './common-practice'

const TABLE = /<!-- practice -->[\s\S]*<!-- \/practice -->/

/** The plan of 250 g of a food as cooks make it; null where there is none. */
export function practicePlan(food: string, soaked: boolean, electric: boolean): ClosingAnswer | null {
  const found = findFood(food)!
  const [, mostHours] = found.soak!.adviceHours
  const style = styleOf(electric ? 'electric' : 'whistles')
  const request: PlanRequest = {
    kitchen: { altitudeM: 0, roomC: 25, tapC: 20 },
    cooker: electric ? 'electric-6l' : 'whistling-5l-aluminium',
    burner: 'strong',
    contents: [
      {
        food,
        dryG: 250,
        soak: soaked ? { hours: Math.max(mostHours, 0.5), waterC: 25, keepWater: false } : null,
        where: 'base',
      },
    ],
    liquids: [],
    freeLiquid: 'spoonable',
    style,
    release: 'auto',
  }
  const outcome = plan(request)
  return outcome.ok ? outcome.value.closings[0]! : null
}

/** The figure that is told, and in brackets the one at which a look may pay. */
function modelFigure(food: string, soaked: boolean, electric: boolean): string {
  const closing = practicePlan(food, soaked, electric)
  if (!closing) return '–'
  const { range, firstCheck } = closing
  return firstCheck.figure < range.figure ? `${range.figure} (${firstCheck.figure})` : `${range.figure}`
}

function practiceTable(): string {
  const head = [
    'food',
    'whistles, soaked',
    'model',
    'whistles, dry',
    'model',
    'minutes, soaked',
    'model',
    'minutes, dry',
    'model',
  ]
  const rows = COMMON_PRACTICE.map(({ food, whistlesSoaked, whistlesDry, minutesSoaked, minutesDry }) => [
    CATALOGUE[food as keyof typeof CATALOGUE].name,
    whistlesSoaked,
    modelFigure(food, true, false),
    whistlesDry,
    modelFigure(food, false, false),
    minutesSoaked,
    modelFigure(food, true, true),
    minutesDry,
    modelFigure(food, false, true),
  ])
  return [head, head.map(() => '---'), ...rows].map((cells) => `| ${cells.join(' | ')} |`).join('\n')
}

/** docs/model.md with its table worked out anew. */
export async function modelText(before: string): Promise<string> {
  const text = before.replace(TABLE, `<!-- practice -->\n\n${practiceTable()}\n\n<!-- /practice -->`)
  return format(text, { ...(await resolveConfig('docs/model.md')), parser: 'markdown' })
}

if (process.argv[1]?.endsWith('docs.ts'))
  writeFileSync('docs/model.md', await modelText(readFileSync('docs/model.md', 'utf8')))
