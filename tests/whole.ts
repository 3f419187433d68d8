import CAUTIONS from '../locales/en/cautions.json'
import PROBLEMS from '../locales/en/problems.json'

type Params = Readonly<Record<string, unknown>> | undefined
const placeholders = (text: string) => [...text.matchAll(/\{(\w+)\}/g)].map(([, name]) => name!)
const missing = (text: string, params: Params) =>
  placeholders(text).filter((name) => params?.[name] === undefined || Number.isNaN(params[name]))

/** What the sentence of a problem wants to say and was not given. */
export function unsaidOf({ code, params }: { code: string; params?: Params }): string[] {
  const text = (PROBLEMS.problems as Record<string, string>)[code]
  return text === undefined ? [`a sentence for ${code}`] : missing(text, params)
}

/** The same of a caution and its reason. */
export function unsaidOfCaution({ id, params }: { id: string; params?: Params }): string[] {
  const text = (CAUTIONS as Record<string, { sentence: string; why: string }>)[id]
  return text === undefined ? [`a sentence for ${id}`] : missing(text.sentence + text.why, params)
}
