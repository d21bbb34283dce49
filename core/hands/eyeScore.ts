import { MeasureError } from '../measure'
import { LADDER_FORCE } from '../edge/model/ladder'

/** A force that was said before it was measured, gf. */
export interface ReadEdge {
  readonly saidGf: number
  readonly measuredGf: number
}

/** How an eye reads edges, in logarithms of force so that 10 % is the same anywhere. */
export interface EyeScore {
  readonly edges: number
  /** what is said over what is measured, as a factor: below 1 an edge is taken for keener than it is */
  readonly factor: number
  /** scatter around that, as a log standard deviation */
  readonly logSd: number
}

const FEWEST_EDGES = 3

/**
 * Mean and standard deviation of the log ratios of said and measured force.
 *
 * @param edges at least three, forces above nothing, gf
 * @throws MeasureError where there are fewer
 */
export function eyeScore(edges: readonly ReadEdge[]): EyeScore {
  if (edges.length < FEWEST_EDGES || edges.some(({ saidGf, measuredGf }) => saidGf <= 0 || measuredGf <= 0))
    throw new MeasureError('out-of-range', 'edges', { value: edges.length, low: FEWEST_EDGES, high: Infinity })
  const logs = edges.map(({ saidGf, measuredGf }) => Math.log(saidGf / measuredGf))
  const mean = logs.reduce((sum, log) => sum + log, 0) / logs.length
  const squares = logs.reduce((sum, log) => sum + (log - mean) ** 2, 0)
  return { edges: edges.length, factor: Math.exp(mean), logSd: Math.sqrt(squares / (logs.length - 1)) }
}

export type EyeAdvice = 'steady' | 'too-hopeful' | 'too-harsh' | 'scatters'

/** An eye that is off by no more than this factor, and scatters no more than signs do, reads true (assumed). */
const TRUE_FACTOR = 1.15

export function eyeAdvice({ factor, logSd }: EyeScore): EyeAdvice {
  if (factor < 1 / TRUE_FACTOR) return 'too-hopeful'
  if (factor > TRUE_FACTOR) return 'too-harsh'
  return logSd > LADDER_FORCE.glints.logSd ? 'scatters' : 'steady'
}
