import type { ProgressionStone } from '../abrasive/progression'
import type { BladeGeometry } from '../knife/bladeGeometry'
import type { KnifeType } from '../knife/knifeTypes'
import type { HoneTool } from '../edge/model/hone'
import type { Policy, PolicyRule } from '../policy/policy'

/** A knife as a year is played through with it: its worst zone stands for the edge. */
export interface YearKnife {
  readonly id: string
  readonly type: KnifeType
  readonly stationId: string | null
  readonly holderId: string | null
  readonly blade: BladeGeometry
  /** height of such a blade when new, mm: what takes a retired one's place */
  readonly newHeightMm: number
  /** thickness behind the edge from which it is thinned, mm */
  readonly thickestMm: number
  readonly limitGf: number
  readonly finishMicron: number
  /** wear on the reference board as learned, µm² an hour, with the spread of its logarithm */
  readonly rateUm2PerHour: number
  readonly rateLogSd: number
  /** board factor times product factor, and hours on the board in a service */
  readonly factor: number
  readonly hoursPerService: number
  /** force off the stone, gf */
  readonly freshGf: number
  /** the edge now */
  readonly roll: number
  readonly wornAreaUm2: number
  readonly daysSinceStone: number | null
  readonly tool: HoneTool
  /** share of the roll one honing brings back, and share of services before which there is one, as learned */
  readonly efficiency: number
  readonly habit: number
}

/** What a year is played through with. Lists by weekday begin on the weekday on which the year begins. */
export interface YearHouse {
  readonly knives: readonly YearKnife[]
  readonly servicesByWeekday: readonly number[]
  /** minutes that people who may sharpen have at the benches */
  readonly benchMinutesByWeekday: readonly number[]
  /** people who may sharpen */
  readonly hands: number
  readonly benches: number
  readonly stones: readonly ProgressionStone[]
}

/** What would be otherwise in the house, whatever its rule. */
export interface WhatIf {
  /** every board as soft as this factor; null for the boards there are */
  readonly boardFactor: number | null
  /** degrees a side added to every edge */
  readonly addedDps: number
  /** one coarse stone more, #220 */
  readonly coarseStone: boolean
  /** one more person who may sharpen */
  readonly oneMoreHand: boolean
}
export const AS_IT_IS: WhatIf = { boardFactor: null, addedDps: 0, coarseStone: false, oneMoreHand: false }

/** How a year goes: by one policy for every knife, by the rules of the house, or everything sent out every so many weeks. */
export type YearWay =
  | { readonly kind: 'rules'; readonly rules: readonly PolicyRule[] }
  | { readonly kind: 'policy'; readonly policy: Policy }
  | { readonly kind: 'sent-out'; readonly weeks: number }

/** What a year came to, over all knives. */
export interface YearTotals {
  /** hours the knives worked */
  readonly serviceHours: number
  /** hours of service past the limit */
  readonly dullHours: number
  /** minutes at the bench and at the stations, setting up in */
  readonly minutes: number
  readonly sessions: number
  /** edge height gone, mm, mean of the knives */
  readonly steelMm: number
  readonly thinnings: number
  readonly retirements: number
  /** knives sent to a grinder */
  readonly sentOut: number
  /** days that knives were at a grinder, and others had to do their work */
  readonly daysAway: number
}

/** Mean of the years played, and where eight in ten of them lie. */
export interface YearBand {
  readonly mean: number
  readonly low: number
  readonly high: number
}
export type YearOutcome = Readonly<Record<keyof YearTotals, YearBand>>
