import { bivariateNormalCdf } from '../../statistics/bivariateNormal'
import { normalCdf, normalQuantile } from '../../statistics/normal'

/** What is at stake at a knife whose edge nobody knows for certain, in minutes of somebody's work. */
export interface Stakes {
  /** minutes and steel thrown away by stoning an edge that was still fit */
  readonly needlessSession: number
  /** what a service with a dull knife costs */
  readonly dullService: number
  readonly test: number
}

export interface ValueOfTest {
  /** minutes expected to be lost by the better of stoning now and leaving it, with nothing more known */
  readonly lossUntested: number
  /** the same after a test, the test's own minutes included */
  readonly lossTested: number
  /** minutes a test is expected to save, above its own; negative when it is not worth doing */
  readonly valueMinutes: number
}

/** Nothing is known better than this, as log standard deviation. */
const SUREST = 1e-6

/** Minutes lost by the better choice when the chance of being past the limit is `over`. */
const lossOfBetterChoice = (over: number, stakes: Stakes): number =>
  Math.min((1 - over) * stakes.needlessSession, over * stakes.dullService)

/**
 * Expected value of a force test before deciding between the stone and another service (preposterior
 * analysis, Raiffa and Schlaifer 1961): what the better choice is expected to lose now, against what
 * it would lose on average once a reading has narrowed the force down. After a reading the stone is chosen
 * above a certain value of it; what is lost then are the two ways of being wrong, each the chance that two
 * correlated normals, the force and its reading, lie on different sides of their bounds.
 *
 * @param input.forceGf median force, gf
 * @param input.logSd standard deviation of its logarithm
 * @param input.limitGf service limit, gf
 * @param input.testLogSd scatter of the reading, as log standard deviation
 */
export function valueOfTest(input: {
  readonly forceGf: number
  readonly logSd: number
  readonly limitGf: number
  readonly testLogSd: number
  readonly stakes: Stakes
}): ValueOfTest {
  const { stakes } = input
  const logSd = Math.max(SUREST, input.logSd)
  const testLogSd = Math.max(SUREST, input.testLogSd)
  const distance = Math.log(input.forceGf / input.limitGf)
  const lossUntested = lossOfBetterChoice(normalCdf(distance / logSd), stakes)
  const both = Math.hypot(logSd, testLogSd)
  // the mean after a reading is spread by so much, and leaves so much doubt
  const moves = logSd ** 2 / both
  const left = (logSd * testLogSd) / both
  const even = stakes.needlessSession / (stakes.needlessSession + stakes.dullService)
  const stoneFrom = (left * normalQuantile(even) - distance) / moves
  const fit = -distance / logSd
  const fitAndLeft = bivariateNormalCdf(fit, stoneFrom, logSd / both)
  const needless = normalCdf(fit) - fitAndLeft
  const missed = normalCdf(stoneFrom) - fitAndLeft
  const lossTested =
    stakes.test + stakes.needlessSession * Math.max(0, needless) + stakes.dullService * Math.max(0, missed)
  return { lossUntested, lossTested, valueMinutes: lossUntested - lossTested }
}
