/** What core says when it cannot answer. The sentence of each stands in the message files, under `problems`. */
export type ProblemCode =
  | 'not-a-number'
  | 'out-of-range'
  | 'amount-out-of-range'
  | 'hours-out-of-range'
  | 'unknown-food'
  | 'unknown-cooker'
  | 'no-food'
  | 'wrong-texture'
  | 'amount-looks-like-kg'
  | 'amount-too-large'
  | 'style-not-for-cooker'
  | 'never-reaches-pressure'
  | 'decides-itself'
  | 'never-ends'
  | 'not-enough-program'
  | 'too-many-whistles'
  | 'boils-dry'
  | 'water-over-capacity'
  | 'program-empty'
  | 'step-not-for-cooker'
  | 'vessel-missing'
  | 'step-without-heat'
  | 'profile-disordered'
  | 'too-many-foods'
  | 'too-many-tins'
  | 'no-tins'
  | 'style-not-for-stack'
  | 'test-incomplete'
  | 'test-disordered'
  | 'test-gained-water'
  | 'test-too-quick'
  | 'test-contradicts'
  | 'test-beyond-belief'
  | 'pressures-crossed'
  | 'window-disordered'
  | 'id-twice'
  | 'verdict-of-nothing'
  | 'verdict-twice'
  | 'before-the-program'
  | 'clock-backwards'
  | 'dish-without-stage'
  | 'dish-without-pot'
  | 'takes-no-line'
  | 'takes-nothing'
  | 'takes-from-later'
  | 'stage-circle'
  | 'stage-without-pot'
  | 'not-understood'
  | 'in-no-stage'
  | 'in-two-stages'
  | 'portions-too-much'
  | 'portions-too-little'
  | 'recipe-too-large'
  | 'recipe-empty'
  | 'recipe-unreadable'
  | 'sound-unreadable'
  | 'sound-too-large'
  | 'sound-channels'
  | 'sound-rate'
  | 'sound-empty'
  | 'recipe-none'
  | 'recipe-too-long'
  | 'meal-unknown-task'
  | 'meal-unknown-cooker'
  | 'meal-waits-crossed'
  | 'meal-circle'
  | 'meal-helper-crossed'
  | 'meal-impossible'
  | 'meal-not-in-time'
  | 'meal-empty'
  | 'meal-dish-refused'
  | 'meal-not-in-tin'

export interface Problem {
  /** Where in the request, as in `contents.0.dryG`. */
  path: string
  code: ProblemCode
  params: Record<string, string | number>
}

export function problem(code: ProblemCode, path: string, params: Record<string, string | number> = {}): Problem {
  return { path, code, params }
}

/** Either a value or the reasons why there is none. */
export type Outcome<T> = { ok: true; value: T } | { ok: false; problems: Problem[] }

export function failed(...problems: Problem[]): { ok: false; problems: Problem[] } {
  return { ok: false, problems }
}
