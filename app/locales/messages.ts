import { RUN_REFUSALS } from '../../core/live/refusal'
import { PROBLEM_SENTENCES } from '../../core/problem'
import { CAUTION_SENTENCES } from '../../core/safety/rules'
import en from './en.json'

// Sentences that belong to a rule of core stand beside the rule; here they join the other messages.
export const MESSAGES = {
  en: { ...en, problems: PROBLEM_SENTENCES, cautions: CAUTION_SENTENCES, runs: RUN_REFUSALS },
}
