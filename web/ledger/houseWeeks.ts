import type { HouseWeeks } from '../../contract/papers'
import { WEEK_MS } from '../../core/time'
import { folded } from '../ui/folded'

/** What a week of the chosen knives adds up to. */
export interface WeekSum {
  readonly from: string
  /** services, and those of them with every edge within its limit; null where the choice is no whole station */
  readonly services: { readonly services: number; readonly within: number } | null
  readonly hours: number
  readonly dullHours: number
  readonly sessions: number
  readonly minutes: number
  readonly steelMm: number
  /** null while a wage or a price that it needs is unknown */
  readonly cost: number | null
  readonly knives: readonly HouseWeeks['knives'][number][]
}

/**
 * The weeks of one station, or of the whole house, and of the knives that a text finds.
 *
 * @param stationId empty for the whole house
 * @param text part of a code; empty for all
 */
export function weekSums(told: HouseWeeks, stationId: string, text: string): WeekSum[] {
  const wanted = folded(text.trim())
  const share = wanted === '' ? told.services.find((one) => one.stationId === stationId) : undefined
  const rows = told.knives.filter(
    (one) => (stationId === '' || one.stationId === stationId) && folded(one.code).includes(wanted),
  )
  return Array.from({ length: told.weeks }, (_, week) => {
    const own = rows.filter((one) => one.week === week)
    const sum = (pick: (one: HouseWeeks['knives'][number]) => number): number =>
      own.reduce((so, one) => so + pick(one), 0)
    return {
      from: new Date(Date.parse(told.fromAt) + week * WEEK_MS).toISOString(),
      services: share?.weeks[week] ?? null,
      hours: sum(({ hours }) => hours),
      dullHours: sum(({ dullHours }) => dullHours),
      sessions: sum(({ sessions }) => sessions),
      minutes: sum(({ minutes }) => minutes),
      steelMm: sum(({ steelMm }) => steelMm),
      cost: own.some(({ cost }) => cost === null) ? null : sum(({ cost }) => cost ?? 0),
      knives: own,
    }
  })
}

/** Share of services with every edge within its limit, 0–100; null without a service, and where the choice is no whole station. */
export const sharpShare = ({ services }: WeekSum): number | null =>
  services === null || services.services === 0 ? null : (100 * services.within) / services.services

/** Share of the hours at work with an edge within its limit, 0–100; null without work. */
export const keenShare = ({ hours, dullHours }: WeekSum): number | null =>
  hours === 0 ? null : (100 * (hours - dullHours)) / hours
