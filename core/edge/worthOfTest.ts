import { normalCdf, normalQuantile } from '../statistics/normal'

/** What is at stake at a knife whose edge nobody knows for certain, in minutes of somebody's work. */
export interface Stakes {
  /** minutes and steel thrown away by stoning an edge that was still fit */
  readonly needlessSession: number
  /** what a service with a dull knife costs */
  readonly dullService: number
  readonly test: number
}

export interface WorthOfTest {
  /** minutes expected to be lost by the better of stoning now and leaving it, with nothing more known */
  readonly lossUntested: number
  /** the same after a test, the test's own minutes included */
  readonly lossTested: number
  /** minutes a test is expected to save, above its own; negative when it is not worth doing */
  readonly worthMinutes: number
}

/** An even number, so that no point sits on the fence between the two choices. */
const POINTS = 60

/** Loss of the better choice when the chance of being past the limit is `over`. */
const betterLoss = (over: number, stakes: Stakes): number => Math.min((1 - over) * stakes.needlessSession, over * stakes.dullService)

/**
 * Expected value of a force test before deciding between the stone and another service (preposterior
 * analysis, Raiffa and Schlaifer 1961): what the better choice is expected to lose now, against what
 * it would lose on average once a reading has narrowed the force down.
 *
 * @param input.forceGf median force, gf
 * @param input.logSd standard deviation of its logarithm
 * @param input.limitGf service limit, gf
 * @param input.testLogSd scatter of the reading, as log standard deviation
 */
export function worthOfTest(input: {
  readonly forceGf: number
  readonly logSd: number
  readonly limitGf: number
  readonly testLogSd: number
  readonly stakes: Stakes
}): WorthOfTest {
  const { logSd, testLogSd, stakes } = input
  const distance = Math.log(input.forceGf / input.limitGf)
  const lossUntested = betterLoss(normalCdf(distance / Math.max(1e-6, logSd)), stakes)
  const both = Math.hypot(logSd, testLogSd)
  const moves = logSd ** 2 / both
  const left = Math.max(1e-6, (logSd * testLogSd) / both)
  let sum = 0
  for (let point = 0; point < POINTS; point++) {
    const seen = distance + moves * normalQuantile((point + 0.5) / POINTS)
    sum += betterLoss(normalCdf(seen / left), stakes)
  }
  const lossTested = stakes.test + sum / POINTS
  return { lossUntested, lossTested, worthMinutes: lossUntested - lossTested }
}
