import { createHash } from 'node:crypto'

/** What was asked, and curves: what is made of them is told. */
const PASSED_OVER = new Set(['case', 'simulation', 'trace', 'curve', 'request'])

const short = (of: number) => (Number.isFinite(of) ? Number(of.toPrecision(4)) : of)

/** A text of one figure a line, to four digits, so that a difference can be read. */
export function told(value: unknown): string {
  const lines: string[] = []
  const walk = (at: string, one: unknown) => {
    if (typeof one === 'number') lines.push(`${at} ${short(one)}`)
    else if (one === null || typeof one !== 'object') lines.push(`${at} ${String(one)}`)
    else if (Array.isArray(one) && one.every((of) => typeof of === 'number') && one.length > 0)
      lines.push(`${at} ${one.map(short).join(' ')}`)
    else for (const [key, of] of Object.entries(one)) if (!PASSED_OVER.has(key)) walk(at ? `${at}.${key}` : key, of)
  }
  walk('', value)
  return `${lines.join('\n')}\n`
}

/** A word that stands for all of it: another one says that some figure is another. */
export const mark = (value: unknown): string => createHash('sha256').update(told(value)).digest('hex').slice(0, 8)
