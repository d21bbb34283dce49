/** How long one of many lasted, in any unit of time; one that is still there has lasted at least so long. */
export interface Lifetime {
  readonly time: number
  readonly ended: boolean
}

/** Share still there after a time, with its standard error. */
export interface SurvivalStep {
  readonly time: number
  readonly atRisk: number
  readonly ended: number
  readonly share: number
  readonly error: number
}

/**
 * Share that outlives each time at which one ended (Kaplan and Meier 1958), with Greenwood's standard error (1926). Those
 * still there count for as long as they have been watched.
 *
 * @param lifetimes in any order; times 0 or more
 * @returns steps in order of time; empty where none has ended
 */
export function survival(lifetimes: readonly Lifetime[]): SurvivalStep[] {
  const times = [...new Set(lifetimes.filter(({ ended }) => ended).map(({ time }) => time))].sort((a, b) => a - b)
  let [share, variance] = [1, 0]
  return times.map((time) => {
    const atRisk = lifetimes.filter((one) => one.time >= time).length
    const ended = lifetimes.filter((one) => one.ended && one.time === time).length
    share *= 1 - ended / atRisk
    variance += atRisk > ended ? ended / (atRisk * (atRisk - ended)) : 0
    return { time, atRisk, ended, share, error: share * Math.sqrt(variance) }
  })
}

/** Time that half outlive; null while more than half are still there. */
export const medianLife = (steps: readonly SurvivalStep[]): number | null =>
  steps.find(({ share }) => share <= 0.5)?.time ?? null
