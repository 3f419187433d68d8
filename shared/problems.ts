import type { z } from 'zod'

/** A problem of shape, in the terms of the other problems: a code and figures. */
export interface ShapeProblem {
  path: string
  code:
    | 'not-a-number'
    | 'below-least'
    | 'above-most'
    | 'wrong-shape'
    | 'too-long'
    | 'too-many'
    | 'name-missing'
    | 'too-short'
    | 'password-common'
    | 'window-disordered'
    | 'nothing-changed'
    | 'id-twice'
  params: Record<string, string | number>
}

const MOST = 20

/** What a schema complains of, so that it can be said like everything else. */
export function problemsOf({ issues }: z.ZodError): ShapeProblem[] {
  return issues.slice(0, MOST).map((issue): ShapeProblem => {
    const path = issue.path.join('.')
    switch (issue.code) {
      case 'too_small':
        if (issue.origin === 'string')
          return Number(issue.minimum) > 1
            ? { path, code: 'too-short', params: { min: Number(issue.minimum) } }
            : { path, code: 'name-missing', params: {} }
        return issue.origin === 'array'
          ? { path, code: 'wrong-shape', params: { expected: `at least ${issue.minimum}` } }
          : { path, code: 'below-least', params: { min: Number(issue.minimum) } }
      case 'too_big':
        if (issue.origin === 'string') return { path, code: 'too-long', params: { max: Number(issue.maximum) } }
        return issue.origin === 'array'
          ? { path, code: 'too-many', params: { max: Number(issue.maximum) } }
          : { path, code: 'above-most', params: { max: Number(issue.maximum) } }
      case 'invalid_type':
        return issue.expected === 'number'
          ? { path, code: 'not-a-number', params: {} }
          : { path, code: 'wrong-shape', params: { expected: issue.expected } }
      case 'invalid_value':
        return { path, code: 'wrong-shape', params: { expected: issue.values.map(String).join(', ') } }
      case 'custom':
        return {
          path,
          code: (issue.params?.code as 'window-disordered' | 'nothing-changed') ?? 'wrong-shape',
          params: { expected: '', ...(issue.params as Record<string, string>) },
        }
      default:
        return { path, code: 'wrong-shape', params: { expected: issue.code } }
    }
  })
}
