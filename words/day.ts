import type { Fleet } from '../contract/fleet'
import type { KnifeView } from '../contract/knives'
import type { Formats } from './format'
import type { Say } from './say'

const ms = (instant: string): number => new Date(instant).getTime()

function phase(day: Fleet['day'], nowMs: number, say: Say, formats: Formats): string {
  const running = day.services.find((service) => ms(service.startsAt) <= nowMs && nowMs < ms(service.endsAt))
  if (running) return say('day.inService', { service: running.name, time: formats.clock(running.endsAt) })
  const next = day.services.find((service) => ms(service.startsAt) > nowMs)
  if (next) return say('day.quietUntil', { time: formats.clock(next.startsAt) })
  return say(day.services.length === 0 ? 'day.closed' : 'day.over')
}

/** Setting up and clearing away, once for a sitting of all the knives that wait (common practice: 10 to 14 minutes). */
const SETTING_UP_MINUTES = 12

/** Minutes of bench that knives take together: each its own, and setting up once. */
export const sittingMinutes = (stones: readonly KnifeView[]): number =>
  stones.length === 0 ? 0 : SETTING_UP_MINUTES + stones.reduce((sum, knife) => sum + knife.verdict.cost.minutes, 0)

/** The day in two or three sentences: where the clock stands, which edges are dull, whether the bench has room. */
export function daySummary(
  fleet: Fleet,
  stones: readonly KnifeView[],
  minutesLeft: number,
  nowMs: number,
  say: Say,
  formats: Formats,
): string {
  const held = fleet.knives.filter((knife) => knife.status === 'in-service')
  const dullNow = held.filter((knife) => knife.word === 'dull' || knife.word === 'out').length
  const unseen = held.filter((knife) => !knife.seen).length
  const next = fleet.day.services.find((service) => ms(service.endsAt) > nowMs)
  const soon = next
    ? held.filter(
        (knife) =>
          knife.seen &&
          knife.word !== 'dull' &&
          knife.word !== 'out' &&
          knife.dullAhead &&
          ms(knife.dullAhead.startsAt) <= ms(next.startsAt),
      ).length
    : 0
  const needed = sittingMinutes(stones)
  const sentences = [phase(fleet.day, nowMs, say, formats)]
  const missing = fleet.knives.filter((knife) => knife.status === 'missing').map(({ code }) => code)
  if (missing.length > 0) sentences.push(say('day.missing', { n: missing.length, codes: missing.join(', ') }))
  if (dullNow > 0) sentences.push(say('day.dullNow', { n: dullNow }))
  if (soon > 0 && next) sentences.push(say('day.dullSoon', { n: soon, service: next.name }))
  if (unseen > 0) sentences.push(say('day.unseen', { n: unseen }))
  else if (held.length > 0 && dullNow + soon === 0) sentences.push(say('day.allFit'))
  if (needed > 0) {
    const values = {
      needed: formats.minutes(needed),
      left: formats.minutes(minutesLeft),
      short: formats.minutes(needed - minutesLeft),
    }
    sentences.push(
      say(minutesLeft === 0 ? 'day.noBench' : needed <= minutesLeft ? 'day.benchRoom' : 'day.benchShort', values),
    )
  }
  return sentences.join(' ')
}
