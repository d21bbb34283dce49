import { informBySimilarKnives, learnFleet, type SimilarKnife, type Stations } from '../core/edge/fleet/fleetLessons'
import { NO_STATEMENTS } from '../core/edge/fleet/habits'
import { forecastEdge, usualUse, type LimitForecast, type PlannedService } from '../core/edge/forecast/forecast'
import { foldHistory } from '../core/edge/log/history'
import type { KnifeState } from '../core/edge/log/state'
import { TYPE_TEMPLATES } from '../core/knife/knifeTypes'
import { ZONES } from '../core/knife/zones'
import { chance } from '../core/statistics/random'
import { DAY_MS } from '../core/time'
import {
  hoursByRegression,
  lastSlope,
  logRegression,
  median,
  notebook,
  riskByRegression,
  type Where,
} from './baselines'
import {
  AROUND,
  HOURS_PER_SERVICE,
  SERVICES,
  syntheticFleet,
  type FleetMaking,
  type Look,
  type SyntheticKnife,
} from './fleet'
import { oracleHours } from './oracle'
import { trueHoursToLimit, trueServices, worstTrueForce } from './trueEdge'

/** How many hours of use until the limit, asked of every method at one look at one knife or zone. */
interface Question {
  readonly knife: SyntheticKnife
  readonly look: Look
  readonly where: Where
  readonly truth: number
  readonly learned: LimitForecast
  readonly lastSlope: (fallback: number) => number
  readonly regression: (fallback: number) => number
  readonly oracle: number
}

/** Whether one of the next services ends dull, with the chance each method gave it; null where it has none to give. */
interface Risk {
  readonly dull: boolean
  readonly learned: number
  readonly regression: number | null
}

export interface Score {
  readonly questions: number
  /** median of |predicted − true| / true */
  readonly medianError: number
  /** median of predicted / true */
  readonly medianRatio: number
}

/** Services of which a chance was said, how many of them ended dull, by tenths of the chance. */
export interface CalibrationRow {
  readonly said: number
  readonly services: number
  readonly ended: number
}

export interface ContestResult {
  readonly yorvik: Score & { readonly coverage: number }
  readonly fixedInterval: Score
  readonly lastSlope: Score
  readonly regression: Score
  readonly oracle: Score
  /** mean square of chance against outcome, over the services of a week ahead */
  readonly brier: { readonly yorvik: number; readonly regression: number; readonly baseRate: number }
  readonly calibration: readonly CalibrationRow[]
}

/** Third cycle and later: two whole lives have been seen. */
const FROM_CYCLE = 2
/** Nearer the limit than this, hours of use, a relative error says nothing. */
const LEAST_HOURS = 4
/** Knives hear of each other once in so many days. */
const LESSON_DAYS = 10
/** A week of services is asked for its risk. */
const RISK_SERVICES = 14

const STATIONS: Stations = new Map([
  ['board', { board: 'soft-plastic', product: 'mixed', hoursPerService: HOURS_PER_SERVICE }],
])

const planned = (fromMs: number): PlannedService[] =>
  SERVICES.filter((service) => service.startMs > fromMs).map(({ name, startMs, endMs }) => ({
    name,
    startMs,
    endMs,
    hours: HOURS_PER_SERVICE,
    factor: 1,
  }))

const asSimilar = (knife: SyntheticKnife, state: KnifeState): SimilarKnife => ({
  id: knife.id,
  steel: knife.steel,
  role: TYPE_TEMPLATES[knife.type].role,
  state,
})

/** States of a knife after each of its looks, in order. */
function statesAtLooks(knife: SyntheticKnife): KnifeState[] {
  const looks = new Set(knife.looks.map(({ atMs }) => atMs))
  const states: KnifeState[] = []
  const { spec, limitGf, events } = knife
  foldHistory({
    spec,
    limitGf,
    events,
    usage: AROUND,
    untilMs: Math.max(...events.map(({ atMs }) => atMs)),
    onEvent: (event, _before, after) => {
      if (event.kind === 'checked' && looks.has(event.atMs)) states.push(after)
    },
  })
  return states
}

interface Answers {
  readonly questions: Question[]
  readonly risks: Risk[]
}

/** Everything asked of one house. */
function askHouse(fleet: readonly SyntheticKnife[], { seed, statement }: FleetMaking): Answers {
  const histories = fleet.map((knife) => ({ knife, states: statesAtLooks(knife) }))
  const lessonsAt = new Map<number, ReturnType<typeof learnFleet>>()
  const lessonsBefore = (atMs: number): ReturnType<typeof learnFleet> => {
    const day = Math.floor(atMs / (LESSON_DAYS * DAY_MS)) * LESSON_DAYS * DAY_MS
    const kept = lessonsAt.get(day)
    if (kept) return kept
    const lessons = learnFleet(
      histories.flatMap(({ knife, states }) => {
        const state = states.findLast((one) => one.atMs <= day)
        return state ? [asSimilar(knife, state)] : []
      }),
      STATIONS,
      { ...NO_STATEMENTS, house: statement },
    )
    lessonsAt.set(day, lessons)
    return lessons
  }
  const answers: Answers = { questions: [], risks: [] }
  for (const { knife, states } of histories) {
    const notes = new Map([...ZONES, 'knife' as const].map((where) => [where, notebook(knife, where)]))
    for (const [at, look] of knife.looks.entries()) {
      const state = states[at]
      if (!state || look.cycle < FROM_CYCLE) continue
      const informed = informBySimilarKnives(
        asSimilar(knife, state),
        lessonsBefore(look.atMs),
        STATIONS,
        knife.spec.dps,
      )
      ask(answers, knife, look, at, informed, notes, chance(seed * 7919 + Number(knife.id) * 101 + at))
    }
  }
  return answers
}

function ask(
  { questions, risks }: Answers,
  knife: SyntheticKnife,
  look: Look,
  at: number,
  state: KnifeState,
  notes: ReadonlyMap<Where, ReturnType<typeof notebook>>,
  luck: ReturnType<typeof chance>,
): void {
  const { truth, limitGf } = knife
  const forecast = forecastEdge(state, { ...usualUse(knife.spec, limitGf, planned(look.atMs)), untilSure: 'zones' })
  const truths = trueHoursToLimit(truth, look.edge, HOURS_PER_SERVICE, luck)
  const oracle = oracleHours(knife, look, at)
  for (const where of [...ZONES, 'knife'] as const) {
    const hours = where === 'knife' ? Math.min(...Object.values(truths)) : truths[where]
    if (hours < LEAST_HOURS) continue
    const points = notes.get(where) ?? []
    questions.push({
      knife,
      look,
      where,
      truth: hours,
      learned: where === 'knife' ? forecast.toLimit : forecast.zonesToLimit[where],
      lastSlope: (fallback) => lastSlope(points, at, limitGf, fallback),
      regression: (fallback) => hoursByRegression(logRegression(points, at), look, limitGf, fallback),
      oracle: where === 'knife' ? Math.min(...Object.values(oracle)) : oracle[where],
    })
  }
  const line = logRegression(notes.get('knife') ?? [], at)
  const services = trueServices(truth, look.edge, HOURS_PER_SERVICE, luck)
  for (const [rank, service] of forecast.services.slice(0, RISK_SERVICES).entries()) {
    const dull = worstTrueForce(truth, services.next().value.end) > limitGf
    const hours = look.hours + (rank + 1) * HOURS_PER_SERVICE
    risks.push({
      dull,
      learned: service.chanceDull,
      regression: line ? riskByRegression(line, hours, limitGf, 0) : null,
    })
  }
}

/** What a house does that sharpens every so many hours: the mean life of its knives, less what has been used. */
function fixedInterval(questions: readonly Question[]): (question: Question) => number {
  const lives = new Map<string, number[]>()
  const key = ({ knife, where }: Question): string => `${knife.limitGf}/${where}`
  for (const question of questions) {
    if (question.look.hours === 0) lives.set(key(question), [...(lives.get(key(question)) ?? []), question.truth])
  }
  return (question) => Math.max(0, median(lives.get(key(question)) ?? [30]) - question.look.hours)
}

const hoursOf = (crossing: { readonly hours: number } | null): number => crossing?.hours ?? Infinity

function score(questions: readonly Question[], answer: (question: Question) => number): Score {
  return {
    questions: questions.length,
    medianError: median(questions.map((question) => Math.abs(answer(question) - question.truth) / question.truth)),
    medianRatio: median(questions.map((question) => answer(question) / question.truth)),
  }
}

const average = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length

function brier(risks: readonly Risk[]): ContestResult['brier'] {
  const baseRate = average(risks.map(({ dull }) => Number(dull)))
  const scoreOf = (said: (risk: Risk) => number): number =>
    average(risks.map((risk) => (said(risk) - Number(risk.dull)) ** 2))
  return {
    yorvik: scoreOf(({ learned }) => learned),
    regression: scoreOf(({ regression }) => regression ?? baseRate),
    baseRate: scoreOf(() => baseRate),
  }
}

const calibration = (risks: readonly Risk[]): CalibrationRow[] =>
  Array.from({ length: 10 }, (_, tenth) => {
    const said = risks.filter(({ learned }) => Math.min(9, Math.floor(learned * 10)) === tenth)
    return {
      said: average(said.map(({ learned }) => learned)),
      services: said.length,
      ended: average(said.map(({ dull }) => Number(dull))),
    }
  })

/**
 * The same fleet, the same moments, several ways to say how many hours of use are left: what Yorvik learned of the
 * knife and the house, a fixed interval, the slope of the last readings, a regression of log force on hours, and
 * somebody who is told how the knife truly wears.
 *
 * @param about which zones to ask about: single zones, or the knife as a whole
 * @param when only looks just off the stone, only later ones, or all
 */
export function contest(
  making: FleetMaking,
  about: 'zones' | 'knife' = 'zones',
  when: 'all' | 'fresh' | 'later' = 'all',
): ContestResult {
  const answers = askHouse(syntheticFleet(making), making)
  const everything = answers.questions.filter(({ where }) => (where === 'knife') === (about === 'knife'))
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
    lastSlope: score(questions, (question) => question.lastSlope(interval(question))),
    regression: score(questions, (question) => question.regression(interval(question))),
    oracle: score(questions, ({ oracle }) => oracle),
    brier: brier(answers.risks),
    calibration: calibration(answers.risks),
  }
}
