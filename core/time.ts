/** Lengths of time in milliseconds, the unit of every instant in the core. A day is one of 24 hours; calendar days are the zone's. */
export const SECOND_MS = 1000
export const MINUTE_MS = 60 * SECOND_MS
export const HOUR_MS = 60 * MINUTE_MS
export const DAY_MS = 24 * HOUR_MS
export const WEEK_MS = 7 * DAY_MS
