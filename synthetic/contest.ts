import { forecastEdge, usualUse, type LimitForecast, type PlannedService } from '../core/edge/forecast/forecast'
import { advance, applyEvent } from '../core/edge/log/history'
import { initialState, type KnifeState } from '../core/edge/log/state'
import type { KnifeEvent } from '../core/edge/model/events'
import { ZONES, type Zone } from '../core/knife/zones'
import {
  AROUND,
  HOURS_PER_SERVICE,
  SERVICES,
  START_MS,
  syntheticFleet,
  type FleetMaking,
  type Look,
  type SyntheticKnife,
} from './fleet'
import { trueHoursToLimit } from './trueEdge'

/** One question asked of every method: how many hours of use until the limit, at this look. */
interface Question {
  readonly knife: SyntheticKnife
  readonly look: Look
  readonly zone: Zone | 'knife'
  readonly truth: number
  readonly learned: LimitForecast
}

export interface Score {
  readonly questions: number
  /** median of |predicted − true| / true */
  readonly medianError: number
}

export interface ContestResult {
  readonly yorvik: Score & { readonly coverage: number }
  readonly fixedInterval: Score
  readonly lastSlope: Score
}

/** Third cycle and later: two whole lives have been seen. */
const FROM_CYCLE = 2
/** Nearer the limit than this, hours of use, a relative error says nothing. */
const LEAST_HOURS = 4

export const median = (values: readonly number[]): number => {
  const sorted = [...values].sort((a, b) => a - b)
  const middle = sorted.length >> 1
  return sorted.length % 2 === 1 ? (sorted[middle] ?? NaN) : ((sorted[middle - 1] ?? NaN) + (sorted[middle] ?? NaN)) / 2
}

const planned = (fromMs: number): PlannedService[] =>
  SERVICES.filter((service) => service.startMs > fromMs).map(({ name, startMs, endMs }) => ({
    name,
    startMs,
    endMs,
    hours: HOURS_PER_SERVICE,
    factor: 1,
  }))

function questionsOf(knife: SyntheticKnife): Question[] {
  const looks = new Map(knife.looks.filter((look) => look.cycle >= FROM_CYCLE).map((look) => [look.atMs, look]))
  const questions: Question[] = []
  let state: KnifeState = initialState(knife.spec, START_MS, 'new')
  for (const event of [...knife.events].sort((a, b) => a.atMs - b.atMs || (a.id < b.id ? -1 : 1))) {
    state = applyEvent(advance(state, knife.spec, AROUND, event.atMs), event, knife.spec, knife.limitGf)
    const look = event.kind === 'checked' ? looks.get(event.atMs) : undefined
    if (!look) continue
    const forecast = forecastEdge(state, {
      ...usualUse(knife.spec, knife.limitGf, planned(event.atMs)),
      untilSure: 'zones',
    })
    const truths = trueHoursToLimit(knife.truth, look.edge, HOURS_PER_SERVICE)
    for (const zone of [...ZONES, 'knife'] as const) {
      const truth = zone === 'knife' ? Math.min(...Object.values(truths)) : truths[zone]
      if (truth < LEAST_HOURS) continue
      questions.push({
        knife,
        look,
        zone,
        truth,
        learned: zone === 'knife' ? forecast.toLimit : forecast.zonesToLimit[zone],
      })
    }
  }
  return questions
}

const hoursOf = (crossing: { readonly hours: number } | null): number => crossing?.hours ?? Infinity

/** What a house does that sharpens every so many hours: the mean life of its knives, less what has been used. */
function fixedInterval(questions: readonly Question[]): (question: Question) => number {
  const lives = new Map<string, number[]>()
  for (const { knife, look, zone, truth } of questions) {
    if (look.hours === 0)
      lives.set(`${knife.limitGf}/${zone}`, [...(lives.get(`${knife.limitGf}/${zone}`) ?? []), truth])
  }
  return ({ knife, look, zone }) => Math.max(0, median(lives.get(`${knife.limitGf}/${zone}`) ?? [30]) - look.hours)
}

interface Point {
  readonly hours: number
  readonly forceGf: number
}

const readAt = (event: KnifeEvent | undefined, zone: Zone | 'knife'): number => {
  if (event?.kind !== 'checked') return NaN
  const forces = event.payload.readings
    .filter((reading) => zone === 'knife' || reading.zone === zone)
    .map((reading) => reading.forcesGf[0] ?? NaN)
  return Math.max(...forces)
}

/** What a careful person with a notebook does: a straight line through the last two readings, up to the limit. */
function lastSlope(question: Question, fallback: number): number {
  const { knife, look, zone } = question
  const at = knife.looks.indexOf(look)
  const point = (other: Look | undefined): Point | null =>
    other
      ? {
          hours: other.hours,
          forceGf: readAt(
            knife.events.find((event) => event.kind === 'checked' && event.atMs === other.atMs),
            zone,
          ),
        }
      : null
  const now = point(look)
  const previous = knife.looks[at - 1]
  if (!now || !previous) return fallback
  // just off the stone: the slope of the life before, from its first to its last reading
  const started = look.hours > 0 ? previous : knife.looks.slice(0, at).findLast((other) => other.hours === 0)
  const ended = look.hours > 0 ? look : previous
  const [from, to] = [point(started), point(ended)]
  if (!from || !to || to.hours <= from.hours) return fallback
  const slope = (to.forceGf - from.forceGf) / (to.hours - from.hours)
  return slope > 0 ? Math.max(0, (knife.limitGf - now.forceGf) / slope) : fallback
}

function score(questions: readonly Question[], answer: (question: Question) => number): Score {
  return {
    questions: questions.length,
    medianError: median(questions.map((question) => Math.abs(answer(question) - question.truth) / question.truth)),
  }
}

/**
 * The same fleet, the same moments, three ways to say how many hours of use are left: what Yorvik
 * learned, a fixed interval, and the slope of the last readings.
 *
 * @param ask which zones to ask about: single zones, or the knife as a whole
 * @param when only looks just off the stone, only later ones, or all
 */
export function contest(
  making: FleetMaking,
  ask: 'zones' | 'knife' = 'zones',
  when: 'all' | 'fresh' | 'later' = 'all',
): ContestResult {
  const everything = syntheticFleet(making)
    .flatMap(questionsOf)
    .filter(({ zone }) => (zone === 'knife') === (ask === 'knife'))
  const questions = everything.filter(({ look }) => when === 'all' || (look.hours === 0) === (when === 'fresh'))
  const interval = fixedInterval(everything)
  const inside = questions.filter(
    ({ truth, learned }) => hoursOf(learned.early) <= truth && truth <= hoursOf(learned.late),
  )
  return {
    yorvik: {
      ...score(questions, ({ learned }) => hoursOf(learned.middle)),
      coverage: inside.length / questions.length,
    },
    fixedInterval: score(questions, interval),
    lastSlope: score(questions, (question) => lastSlope(question, interval(question))),
  }
}
