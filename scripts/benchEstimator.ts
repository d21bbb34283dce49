import { contest, type CalibrationRow, type ContestResult } from '../synthetic/contest'
import { HONING_HOUSES, STATED, type FleetMaking } from '../synthetic/fleet'

type Note = (what: string, measured: string, limit?: string) => void

const SEEDS = [1, 2, 3]
const KNIVES = 30

const mean = (values: readonly number[]): number => values.reduce((sum, value) => sum + value, 0) / values.length

/** The same house under several seeds. */
const runs = (making: Omit<FleetMaking, 'seed' | 'knives'>): ContestResult[] =>
  SEEDS.map((seed) => contest({ ...making, knives: KNIVES, seed }))

/** Figures of one house in one line: Yorvik's beside what people do without it, and beside somebody who is told the truth. */
function line(results: readonly ContestResult[]): string {
  const of = (pick: (result: ContestResult) => number, digits = 2): string => mean(results.map(pick)).toFixed(digits)
  const best = Math.min(
    mean(results.map(({ fixedInterval }) => fixedInterval.medianError)),
    mean(results.map(({ lastSlope }) => lastSlope.medianError)),
    mean(results.map(({ regression }) => regression.medianError)),
  )
  const own = mean(results.map(({ yorvik }) => yorvik.medianError))
  return [
    `error ${of(({ yorvik }) => yorvik.medianError)}, ${(own / best).toFixed(2)} of the best of` +
      ` fixed interval ${of(({ fixedInterval }) => fixedInterval.medianError)},` +
      ` last slope ${of(({ lastSlope }) => lastSlope.medianError)},` +
      ` regression ${of(({ regression }) => regression.medianError)}` +
      ` (told the truth ${of(({ oracle }) => oracle.medianError)})`,
    `predicted over true ${of(({ yorvik }) => yorvik.medianRatio)}`,
    `band ${of(({ yorvik }) => 100 * yorvik.coverage, 0)} %`,
    `Brier ${of(({ brier }) => brier.yorvik, 3)}, base rate ${of(({ brier }) => brier.baseRate, 3)},` +
      ` regression ${of(({ brier }) => brier.regression, 3)}`,
  ].join('; ')
}

function printCalibration(rows: readonly (readonly CalibrationRow[])[]): string {
  const tenths = Array.from({ length: 10 }, (_, tenth) => {
    const all = rows.flatMap((table) => table[tenth] ?? []).filter(({ services }) => services > 0)
    const services = all.reduce((sum, one) => sum + one.services, 0)
    const weighted = (pick: (row: CalibrationRow) => number): number =>
      all.reduce((sum, one) => sum + one.services * pick(one), 0) / services
    return services === 0
      ? ''
      : `${Math.round(100 * weighted(({ said }) => said))}→${Math.round(100 * weighted(({ ended }) => ended))} % (${services.toLocaleString('en')})`
  })
  return tenths.filter((tenth) => tenth !== '').join(', ')
}

/**
 * Hours to the limit, bands and risks in houses whose truth is known: those that log everything, the seven of the
 * model, other laws of wear, slips, signs only, and one that moves in with its history.
 */
export function benchEstimator(note: Note): void {
  const base = { ...STATED, law: 'archard' as const }
  const calibration: (readonly CalibrationRow[])[] = []
  for (const { name, done, logged, says } of HONING_HOUSES) {
    const results = runs({ ...base, honing: { done, logged }, statement: says })
    const isHalf = done > 0 && done < 1
    calibration.push(...results.map((result) => result.calibration))
    note(
      `House: ${name}, and says so (${says})`,
      line(results),
      `error ${isHalf ? '0.36' : '0.28'}; 0.85–1.15; 74–88 %`,
    )
  }
  note('Of services said to end dull with a chance, so many did, all seven houses', printCalibration(calibration))
  const unasked = { ...base, honing: { done: 1, logged: 0 } }
  note('House: always honed, none logged, and never asked', line(runs(unasked)))
  const foreign: readonly (readonly [name: string, making: Omit<FleetMaking, 'seed' | 'knives'>, limit: string])[] = [
    [
      'edges that saturate, zones far apart',
      { ...base, law: 'saturating', zoneLogSd: 0.25 },
      '0.8 of the best; 72–88 %',
    ],
    [
      'the same, half of all honings logged',
      { ...base, law: 'saturating', zoneLogSd: 0.25, honing: { done: 1, logged: 0.5 } },
      '0.8 of the best; 72–88 %',
    ],
    ['force that grows by a share every hour (exponential)', { ...base, law: 'exponential' }, 'error 0.35'],
    ['3 % of readings gross slips', { ...base, slips: 0.03 }, '0.8 of the best; 72–88 %'],
    [
      'moved in with ten weeks of history, no honing logged',
      { ...unasked, movedInDay: 70 },
      '0.8 of the best; 72–88 %',
    ],
    ['everyday signs only', { ...base, reads: 'signs' }, ''],
    [
      'everyday signs only, honed half the time, none logged',
      { ...base, reads: 'signs', honing: { done: 0.5, logged: 0 } },
      '',
    ],
  ]
  for (const [name, making, limit] of foreign) note(`House: ${name}`, line(runs(making)), limit)
}
