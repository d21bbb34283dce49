import type { Fleet } from '../../contract/fleet'
import type { Person } from '../../contract/house'
import type { KnifeView } from '../../contract/knives'
import { ACTIONS, type Action } from '../../core/edge/verdict/verdict'
import { MINUTE_MS } from '../../core/time'

/** One person's knives for today, in the order of need. */
export interface PersonDay {
  readonly person: Person
  /** knives that need more than the usual hone */
  readonly pressing: readonly KnifeView[]
  /** knives that only want honing before they are drawn */
  readonly toHone: readonly KnifeView[]
  readonly fine: readonly KnifeView[]
  /** knives whose last sharpening has been used long enough to be judged */
  readonly toJudge: readonly KnifeView[]
}

export interface DayList {
  readonly people: readonly PersonDay[]
  /** people who hold knives of which none needs anything */
  readonly resting: readonly PersonDay[]
  readonly unheld: readonly KnifeView[]
  readonly outOfService: readonly KnifeView[]
  readonly missing: readonly KnifeView[]
  /** work for stones, most pressing first */
  readonly stones: readonly KnifeView[]
}

const STONE_WORK: ReadonlySet<Action> = new Set(['repair', 'stone', 'thin', 'touch-up'])

/** Reasons that make a honing no more than the honing of every day: it is due, and what to mind with this blade. */
const OF_EVERY_DAY: ReadonlySet<string> = new Set(['daily', 'brittle', 'reactive', 'thin-for-bone'])

const isDailyHone = (knife: KnifeView): boolean =>
  knife.verdict.action === 'hone' && knife.verdict.reasons.every((reason) => OF_EVERY_DAY.has(reason.code))

/** From this chance on a knife that only wants its daily hone is shown as going to be dull. */
const LIKELY_DULL = 0.5
/** Whether a knife that is fit now is more likely than not to end the next service dull. */
export const dullTonight = (knife: KnifeView): boolean =>
  knife.seen &&
  knife.word !== 'dull' &&
  knife.word !== 'out' &&
  (knife.servicesAhead[0]?.chanceDull ?? 0) >= LIKELY_DULL

const urgency = (knife: KnifeView): number => ACTIONS.indexOf(knife.verdict.action)
const worstForce = (knife: KnifeView): number => knife.zones[knife.worstZone].forceGf / knife.limitGf
const byNeed = (a: KnifeView, b: KnifeView): number => urgency(a) - urgency(b) || worstForce(b) - worstForce(a)

/** Somebody is asked once: what wants a test anyway, or the stone again, is not asked about as well. */
export const judged = (knives: readonly KnifeView[]): KnifeView[] =>
  knives.filter((knife) => knife.judgeDue && ['hone', 'none', 'touch-up'].includes(knife.verdict.action))

function personDay(person: Person, knives: readonly KnifeView[]): PersonDay {
  const needing = knives.filter((knife) => knife.verdict.action !== 'none')
  return {
    person,
    pressing: needing.filter((knife) => !isDailyHone(knife) || dullTonight(knife)).sort(byNeed),
    toHone: needing.filter((knife) => isDailyHone(knife) && !dullTonight(knife)).sort(byNeed),
    fine: knives.filter((knife) => knife.verdict.action === 'none'),
    toJudge: judged(knives),
  }
}

const need = (day: PersonDay): number => Math.min(ACTIONS.length, ...[...day.pressing, ...day.toHone].map(urgency))

/** Who does what today: a cook sees their own knives first, everybody else by the most pressing knife. */
export function dayList(fleet: Fleet, viewerId: string | null): DayList {
  const inService = fleet.knives.filter((knife) => knife.status === 'in-service')
  const days = fleet.people
    .map((person) =>
      personDay(
        person,
        inService.filter((knife) => knife.holderId === person.id),
      ),
    )
    .filter((day) => day.pressing.length + day.toHone.length + day.fine.length > 0)
  const isViewer = (day: PersonDay): boolean => day.person.id === viewerId && day.person.role !== 'chef'
  const busy = days.filter((day) => day.pressing.length + day.toHone.length + day.toJudge.length > 0)
  return {
    people: busy.sort(
      (a, b) => Number(isViewer(b)) - Number(isViewer(a)) || need(a) - need(b) || b.pressing.length - a.pressing.length,
    ),
    resting: days.filter((day) => !busy.includes(day)),
    unheld: inService.filter((knife) => knife.holderId === null).sort(byNeed),
    missing: fleet.knives.filter((knife) => knife.status === 'missing'),
    outOfService: fleet.knives.filter((knife) => knife.status === 'quarantined'),
    stones: inService.filter((knife) => STONE_WORK.has(knife.verdict.action)).sort(byNeed),
  }
}

/** Knives of a list that a rod or strop is next for. */
export const toBeHoned = (knives: readonly KnifeView[]): KnifeView[] =>
  knives.filter((knife) => knife.status === 'in-service' && knife.verdict.action === 'hone')

/** Minutes of open bench that are left today. */
export function benchMinutesLeft(day: Fleet['day'], nowMs: number): number {
  return day.quiet.reduce((sum, window) => {
    const from = Math.max(nowMs, new Date(window.startsAt).getTime())
    return sum + Math.max(0, new Date(window.endsAt).getTime() - from) / MINUTE_MS
  }, 0)
}
