import type { NextAction } from '~~/core/live/next'

const CALLS: readonly NextAction['id'][] = ['turn-low', 'turn-off', 'let-finish', 'open-valve', 'open']

/** True for what somebody has to come to the stove for. */
export function isCall({ id }: NextAction): boolean {
  return CALLS.includes(id)
}
