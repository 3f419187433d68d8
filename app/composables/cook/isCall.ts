import type { NextAction } from '~~/core/live/next'

const CALLS: readonly NextAction['id'][] = [
  'overdue',
  'overdue-dry',
  'silent',
  'enough',
  'lower-flame',
  'off-and-look',
  'whistle-again',
  'turn-down',
  'turn-off',
  'let-finish',
  'open-valve',
  'look-again',
  'open',
]

/** True for what somebody has to come to the stove for. */
export function isCall({ id }: NextAction): boolean {
  return CALLS.includes(id)
}
