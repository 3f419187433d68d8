/** ms in a minute, an hour and a day. */
export const MINUTE_MS = 60_000
export const HOUR_MS = 60 * MINUTE_MS
export const DAY_MS = 24 * HOUR_MS
/** Before this there was no such program: a clock that says so is wrong. */
export const PROGRAM_BEGAN_MS = Date.UTC(2025, 0, 1)
