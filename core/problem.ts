/**
 * What core says when it cannot answer: where, which, and a sentence with what to do. The sentences
 * stand here once; the interface merges them into its messages under `problems`.
 */
export const PROBLEM_SENTENCES = {
  'not-a-number': 'Give a number here.',
  'out-of-range': '{value} is out of range; give a figure from {min} to {max}.',
  'amount-out-of-range': 'Give an amount from {min} to {max} g.',
  'hours-out-of-range': 'Give the soak from {min} to {max} hours.',
  'unknown-food': 'No food is called “{value}”. Choose one from the list of foods.',
  'unknown-cooker': 'No cooker is called “{value}”. Choose one of the kitchen, or describe it as an appliance.',
  'no-food': 'There is nothing in the pot. Add a food first.',
  'wrong-texture': '{food} cannot be cooked “{value}”. Choose one of: {choices}.',
  'amount-looks-like-kg': '{value} g is less than a pinch. If you meant kilograms, give {grams} g.',
  'amount-too-large': '{value} g is more than any pot at home holds. Check the unit; the amount is in grams.',
  'style-not-for-cooker': 'A {cooker} cooker has no “{style}” program. Choose one of: {choices}.',
  'never-reaches-pressure':
    'On this flame the pot never reaches its pressure: it loses as much heat as it gets. Use a stronger flame.',
  'decides-itself':
    'This pot ends by itself, and cannot be opened in between. Put everything in from the start, or choose another way to run it.',
  'never-ends': 'The program does not end within two days. Check its steps.',
  'not-enough-program':
    'Even the longest program of this kind does not cook {food} through. Soak it, use another cooker, or start it earlier by itself.',
  'too-many-whistles':
    'It would take more than {max} whistles on this flame. Take a lower flame, or one whistle and then low.',
  'boils-dry': 'The pot boils dry after {minutes} minutes. Give it more water, or a shorter program.',
  'water-over-capacity': 'That is {litres} L in a pot of {capacity} L. Take a larger pot or cook less.',
  'program-empty': 'The program has no step. Give it at least one.',
  'step-not-for-cooker': 'Step {number} does not fit a {cooker} cooker.',
  'vessel-missing': 'Food {number} is said to be in tin {value}, which is not in the load.',
  'step-without-heat': 'Step {number} waits for the pot without heating it. Give it a flame.',
  'profile-disordered': 'The measured curve needs points, each later than the one before.',
  'too-many-foods': '{value} foods in one stack: take at most {max}, and cook the others in another run.',
  'too-many-tins': '{value} tins are too many to try them all: choose at most {max}.',
  'no-tins': 'Without a tin only one food can be cooked. Write down your tins in the kitchen first.',
  'style-not-for-stack': 'This pot cannot be told how long with tins in it. Choose another way to run it.',
  'test-incomplete': 'Something is missing from the test. Do each of its steps once, from the beginning to the end.',
  'test-disordered': 'The times of the test run backwards. Do it once more from the beginning.',
  'test-gained-water':
    'There cannot be {left} g left of {water} g. Weigh the pot empty, before, and after, and give the water alone.',
  'test-too-quick': 'No pot of water is that quick. Press when it happens, and do it once more from the beginning.',
  'test-does-not-fit':
    'No pot of this kind boils water like that ({misfit} times the usual reading error). A press was missed or came late; do it once more.',
  'test-beyond-belief':
    'It would have to be more than {times} times off its usual figures. Check the kind and size of the cooker, the water and the weights, and do it once more.',
  'pressures-crossed': 'The weight must shut at a lower pressure than it opens at.',
} as const

export type ProblemCode = keyof typeof PROBLEM_SENTENCES

export interface Problem {
  /** Where in the request, as in `contents.0.dryG`. */
  path: string
  code: ProblemCode
  params: Record<string, string | number>
  message: string
}

/** A problem with its sentence filled in. */
export function problem(code: ProblemCode, path: string, params: Record<string, string | number> = {}): Problem {
  return { path, code, params, message: fillSentence(PROBLEM_SENTENCES[code], params) }
}

/** Puts values into the `{name}` places of a sentence; an unknown name stays as it is. */
export function fillSentence(sentence: string, params: Record<string, string | number>): string {
  return sentence.replace(/\{(\w+)\}/g, (place, name: string) => String(params[name] ?? place))
}

/** Either a value or the reasons why there is none. */
export type Outcome<T> = { ok: true; value: T } | { ok: false; problems: Problem[] }

export function failed(...problems: Problem[]): { ok: false; problems: Problem[] } {
  return { ok: false, problems }
}
