import { BY_CONDITION, SCHOOLS, type PolicyRule } from '../../core/policy/policy'
import { WORTH } from '../../core/plan/objective'
import type { YearBand, YearOutcome, YearWay } from '../../core/year/yearHouse'
import type { Formats } from '../../words/format'
import type { Say } from '../../words/say'

/** Weeks of "every few weeks" where the house has said no other. */
const USUAL_WEEKS = 4

/** Every way a year is played under: as the house does, each school, and sent out. */
export const yearWays = (rules: readonly PolicyRule[], sentOutWeeks: number): YearWay[] => [
  ...(rules.length > 0 ? [{ kind: 'rules' as const, rules: rules.map((rule) => ({ ...rule })) }] : []),
  ...SCHOOLS.map((school): YearWay => ({
    kind: 'policy',
    policy: {
      ...BY_CONDITION,
      school,
      weeks: USUAL_WEEKS,
      honing: school === 'few-a-year' ? 'when-drawn' : 'before-service',
    },
  })),
  { kind: 'sent-out', weeks: sentOutWeeks },
]

/** What a way is called. */
export function wayName(way: YearWay, say: Say): string {
  if (way.kind === 'rules') return say('year.ways.rules')
  if (way.kind === 'sent-out') return say('year.ways.sent-out', { n: way.weeks })
  return say(`year.ways.${way.policy.school}`, { n: way.policy.weeks })
}

/** The chef's own figures, in the house's money; null for what was not said. */
export interface Prices {
  readonly hour: number | null
  readonly knife: number | null
  readonly grinder: number | null
}

const MINUTES_AN_HOUR = 60
const UM_PER_MM = 1000

/** What a year costs by the chef's figures: work, knives worn out, grinder; null where none was said. */
export function moneyOf(outcome: YearOutcome, { hour, knife, grinder }: Prices): YearBand | null {
  if (hour === null && knife === null && grinder === null) return null
  const at = (of: keyof YearBand): number =>
    ((hour ?? 0) * outcome.minutes[of]) / MINUTES_AN_HOUR +
    (knife ?? 0) * outcome.retirements[of] +
    (grinder ?? 0) * outcome.sentOut[of]
  return { mean: at('mean'), low: at('low'), high: at('high') }
}

export const YEAR_FIGURES = ['dullHours', 'minutes', 'steelMm', 'money'] as const
export type YearFigure = (typeof YEAR_FIGURES)[number]

export interface YearRow {
  readonly way: YearWay
  readonly name: string
  readonly outcome: YearOutcome
  readonly figures: Readonly<Record<YearFigure, YearBand | null>>
}

/** Ways and what they came to, side by side. */
export const yearRows = (
  ways: readonly YearWay[],
  outcomes: readonly YearOutcome[],
  prices: Prices,
  say: Say,
): YearRow[] =>
  ways.flatMap((way, at): YearRow[] => {
    const outcome = outcomes[at]
    if (!outcome) return []
    const { dullHours, minutes, steelMm } = outcome
    return [
      {
        way,
        name: wayName(way, say),
        outcome,
        figures: { dullHours, minutes, steelMm, money: moneyOf(outcome, prices) },
      },
    ]
  })

/** A figure as it is written. */
export function figureWords(figure: YearFigure, value: number, formats: Formats): string {
  if (figure === 'dullHours') return formats.hours(Math.round(value))
  if (figure === 'minutes') return formats.hours(Math.round(value / MINUTES_AN_HOUR))
  return figure === 'steelMm' ? formats.thickness(value) : formats.money(Math.round(value))
}

const least = (rows: readonly YearRow[], figure: YearFigure): YearRow | null =>
  rows.reduce<YearRow | null>((best, row) => {
    const [own, other] = [row.figures[figure], best?.figures[figure]]
    return own && (!other || own.mean < other.mean) ? row : best
  }, null)

/** What a year comes to in minutes of work, by what the planner holds things to be worth. */
const worth = ({ outcome: { dullHours, minutes, steelMm } }: YearRow, knives: number): number =>
  WORTH.dullHour * dullHours.mean + minutes.mean + WORTH.steelUm * UM_PER_MM * steelMm.mean * knives

/** The year in some sentences: what comes out best, the fewest dull hours, how the house does now, and what costs least. */
export function yearSentence(rows: readonly YearRow[], knives: number, say: Say, formats: Formats): string {
  const best = rows.reduce<YearRow | null>(
    (found, row) => (found && worth(found, knives) <= worth(row, knives) ? found : row),
    null,
  )
  const fewest = least(rows, 'dullHours')
  if (!best || !fewest) return ''
  const values = ({ name, outcome }: YearRow): Record<string, string> => ({
    way: name,
    hours: figureWords('dullHours', outcome.dullHours.mean, formats),
    bench: figureWords('minutes', outcome.minutes.mean, formats),
    steel: figureWords('steelMm', outcome.steelMm.mean, formats),
  })
  const own = rows.find(({ way }) => way.kind === 'rules')
  const cheapest = least(rows, 'money')
  const cost = cheapest?.figures.money
  return [
    say('year.sentence', values(best)),
    ...(fewest === best ? [] : [say('year.fewest', values(fewest))]),
    ...(own && own !== best && own !== fewest ? [say('year.own', values(own))] : []),
    ...(cheapest && cost
      ? [say('year.cheapest', { way: cheapest.name, money: figureWords('money', cost.mean, formats) })]
      : []),
  ].join(' ')
}

/** Share of the hours worked that went by past the limit, per cent. */
export const dullPercent = ({ outcome: { dullHours, serviceHours } }: YearRow): number =>
  serviceHours.mean > 0 ? (100 * dullHours.mean) / serviceHours.mean : 0
