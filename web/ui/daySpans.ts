/** A day on the wall of a kitchen begins when nobody works: what ends after midnight still belongs to it. */
export const DAY_BEGINS_MIN = 5 * 60
export const DAY_MIN = 24 * 60
/** Spans are dragged in quarters of an hour; typed they may be anything. */
export const SNAP_MIN = 15

/** Hours that are written over the week; 24 and 27 are midnight and three in the morning. */
export const TICKS_H = [6, 9, 12, 15, 18, 21, 24, 27] as const
/** How far from the left of its day a moment lies, for a style. */
export const dayShare = (minutes: number): string => `${(100 * (minutes - DAY_BEGINS_MIN)) / DAY_MIN}%`

/** A span as it is drawn on a day: of the house, or a shift of one person, which has no name. */
export interface BandSpan {
  readonly id: string
  readonly weekday: number
  readonly kind: 'service' | 'quiet' | 'shift'
  readonly name: string
  readonly starts: string
  readonly ends: string
}

/** As it is chalked on a wall: 9, 11:15. */
export const shortClock = (clock: string): string => clock.replace(/^0(?=\d)/, '').replace(/:00$/, '')

type Times = Pick<BandSpan, 'starts' | 'ends'>

const minutesOf = (clock: string): number => {
  const [hours = 0, minutes = 0] = clock.split(':').map(Number)
  const since = hours * 60 + minutes
  return since < DAY_BEGINS_MIN ? since + DAY_MIN : since
}
const clockOf = (minutes: number): string => {
  const within = ((minutes % DAY_MIN) + DAY_MIN) % DAY_MIN
  return `${String(Math.floor(within / 60)).padStart(2, '0')}:${String(within % 60).padStart(2, '0')}`
}
const snapped = (minutes: number): number => Math.round(minutes / SNAP_MIN) * SNAP_MIN

/** Where a span lies in its day, in minutes since midnight; one that goes on after midnight ends beyond 1440. */
export function spanMinutes({ starts, ends }: Times): { from: number; to: number } {
  const from = minutesOf(starts)
  const to = minutesOf(ends)
  return { from, to: to <= from ? to + DAY_MIN : to }
}

/**
 * A span dragged by some minutes: as a whole, or by its start or its end. It stays within its day and at least a
 * quarter of an hour long.
 */
export function draggedSpan(span: Times, by: number, part: 'whole' | 'starts' | 'ends'): Times {
  const { from, to } = spanMinutes(span)
  const last = DAY_BEGINS_MIN + DAY_MIN
  if (part === 'starts') {
    const start = Math.min(Math.max(snapped(from + by), DAY_BEGINS_MIN), to - SNAP_MIN)
    return { starts: clockOf(start), ends: span.ends }
  }
  if (part === 'ends') {
    const end = Math.max(Math.min(snapped(to + by), last), from + SNAP_MIN)
    return { starts: span.starts, ends: clockOf(end) }
  }
  const start = Math.min(Math.max(snapped(from + by), DAY_BEGINS_MIN), last - (to - from))
  return { starts: clockOf(start), ends: clockOf(start + to - from) }
}
