import { playYear } from './playYear'
import { COARSE_STONE, sessionTable } from './sessionTable'
import type { WhatIf, YearBand, YearHouse, YearOutcome, YearTotals, YearWay } from './yearHouse'

export interface YearsAsk {
  readonly house: YearHouse
  readonly ways: readonly YearWay[]
  readonly whatIf: WhatIf
  /** years played of each way, ≥ 1 */
  readonly runs: number
  readonly seed: number
  /** told after each year played: how many of all are done */
  readonly onProgress?: (done: number, all: number) => void
}

const TOTALS = [
  'serviceHours',
  'dullHours',
  'minutes',
  'sessions',
  'steelMm',
  'thinnings',
  'retirements',
  'sentOut',
  'daysAway',
] as const satisfies readonly (keyof YearTotals)[]

/** Mean and where eight in ten lie, of one figure. */
function bandOf(values: readonly number[]): YearBand {
  const sorted = [...values].sort((a, b) => a - b)
  const at = (share: number): number => sorted[Math.round(share * (sorted.length - 1))] ?? 0
  return { mean: values.reduce((sum, one) => sum + one, 0) / Math.max(1, values.length), low: at(0.1), high: at(0.9) }
}

/** The same years under each way, by the same luck: what each comes to. The same ask gives the same answer. */
export function compareYears({ house, ways, whatIf, runs, seed, onProgress }: YearsAsk): YearOutcome[] {
  const stones = whatIf.coarseStone ? [COARSE_STONE, ...house.stones] : house.stones
  const tables = house.knives.map((knife) => sessionTable(knife, stones, knife.blade.dps + whatIf.addedDps))
  let done = 0
  return ways.map((way) => {
    const years = Array.from({ length: runs }, (_year, run) => {
      const totals = playYear(house, tables, way, whatIf, seed + run)
      onProgress?.(++done, ways.length * runs)
      return totals
    })
    const bands = TOTALS.map((name) => [name, bandOf(years.map((totals) => totals[name]))] as const)
    return Object.fromEntries(bands) as YearOutcome
  })
}
