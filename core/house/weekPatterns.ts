/** Weeks as houses commonly have them, to begin with and to be changed (common practice). */
export const WEEK_PATTERNS = ['lunch-and-dinner', 'evenings', 'counter'] as const
export type WeekPattern = (typeof WEEK_PATTERNS)[number]

/** A span of a pattern; what it is called is said by whoever shows it. */
export interface PatternSpan {
  readonly kind: 'service' | 'quiet'
  /** 1 Monday to 7 Sunday */
  readonly weekday: number
  readonly called: 'lunch' | 'afternoon' | 'dinner' | 'counter' | 'closing'
  readonly starts: string
  readonly ends: string
}

type DaySpan = Omit<PatternSpan, 'weekday'>
const onDays = (days: readonly number[], spans: readonly DaySpan[]): PatternSpan[] =>
  days.flatMap((weekday) => spans.map((span) => ({ ...span, weekday })))

const PATTERNS: Readonly<Record<WeekPattern, readonly PatternSpan[]>> = {
  'lunch-and-dinner': onDays(
    [1, 2, 3, 4, 5, 6, 7],
    [
      { kind: 'service', called: 'lunch', starts: '12:00', ends: '14:30' },
      { kind: 'quiet', called: 'afternoon', starts: '15:00', ends: '17:00' },
      { kind: 'service', called: 'dinner', starts: '17:30', ends: '22:00' },
    ],
  ),
  evenings: onDays(
    [2, 3, 4, 5, 6, 7],
    [
      { kind: 'quiet', called: 'afternoon', starts: '14:30', ends: '17:00' },
      { kind: 'service', called: 'dinner', starts: '18:00', ends: '23:00' },
    ],
  ),
  counter: onDays(
    [1, 2, 3, 4, 5, 6],
    [
      { kind: 'service', called: 'counter', starts: '08:00', ends: '18:00' },
      { kind: 'quiet', called: 'closing', starts: '18:15', ends: '19:15' },
    ],
  ),
}

export const patternSpans = (pattern: WeekPattern): readonly PatternSpan[] => PATTERNS[pattern]
