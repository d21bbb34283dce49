import { neededDps, strain } from '../edge/model/strain'
import { recede, recedingFaceDps } from '../geometry/recession'
import type { Product } from '../house/stations'
import type { KnifeType } from '../knife/knifeTypes'
import { minimumHeightMm } from '../knife/limits'
import { assertPositive, radians } from '../measure'

/** What a blade's life is reckoned from. Lengths in mm. */
export interface WearAsk {
  readonly heelHeightMm: number
  readonly minimumHeightMm: number
  readonly lengthMm: number
  /** length lost for each mm of height, as its point moves back */
  readonly lengthPerHeight: number
  readonly spineMm: number
  readonly bteMm: number
  readonly dps: number
  /** thickness at which it is thinned, and to which */
  readonly thickestMm: number
  readonly thinToMm: number
  /** edge height a session takes, with its 80 % interval */
  readonly perSessionMm: { readonly low: number; readonly middle: number; readonly high: number }
  readonly sessionsPerYear: number
  /** how hard it is, and the hardest food it meets: an apex too thin for that goes sooner; left out where nobody asks */
  readonly work?: { readonly hrc: number; readonly product: Product } | undefined
  /** what the knife cost, in the house's money; null when nobody knows */
  readonly price: number | null
}

/** One pace of wear, followed to the end. */
export interface WearPath {
  readonly sessions: number
  /** sessions after which it is thinned */
  readonly thinnings: readonly number[]
  readonly years: number
}

export interface WearPoint {
  readonly session: number
  readonly heightMm: number
  readonly lengthMm: number
  readonly bteMm: number
}

export interface WearBudget extends WearPath {
  /** at the faster and the slower end of the pace, 80 % */
  readonly early: WearPath
  readonly late: WearPath
  /** the blade after each session at the middle pace, from now on */
  readonly path: readonly WearPoint[]
  readonly costPerMonth: number | null
}

/** Longer than this nobody plans. */
const MOST_SESSIONS = 2000
const MONTHS = 12
const ROUNDING_MM = 1e-9

function wearDown(ask: WearAsk, perSessionMm: number, keep?: (point: WearPoint) => void): WearPath {
  let heightMm = ask.heelHeightMm
  let bteMm = ask.bteMm
  const thinnings: number[] = []
  let sessions = 0
  const told = (): void => {
    keep?.({
      session: sessions,
      heightMm,
      bteMm,
      lengthMm: ask.lengthMm - ask.lengthPerHeight * (ask.heelHeightMm - heightMm),
    })
  }
  told()
  while (sessions < MOST_SESSIONS && heightMm - perSessionMm >= ask.minimumHeightMm - ROUNDING_MM) {
    const faceDps = recedingFaceDps({ heelHeightMm: heightMm, spineMm: ask.spineMm }, ask.dps)
    bteMm = recede({ bteMm, dps: ask.dps, faceDps, recessionMm: perSessionMm }).bteMm
    heightMm -= perSessionMm
    sessions++
    if (bteMm > ask.thickestMm) {
      thinnings.push(sessions)
      bteMm = ask.thinToMm
    }
    told()
  }
  return { sessions, thinnings, years: ask.sessionsPerYear > 0 ? sessions / ask.sessionsPerYear : Infinity }
}

/**
 * What is left of a blade: sessions until it is too low for its job, thinnings on the way, and when that
 * is, at the pace it has been sharpened so far, with a band.
 */
export function wearBudget(ask: WearAsk): WearBudget {
  assertPositive('perSessionMm', ask.perSessionMm.low)
  assertPositive('thinToMm', ask.thinToMm)
  const path: WearPoint[] = []
  const middle = wearDown(ask, ask.perSessionMm.middle, (point) => {
    path.push(point)
  })
  return {
    ...middle,
    path,
    early: wearDown(ask, ask.perSessionMm.high),
    late: wearDown(ask, ask.perSessionMm.low),
    costPerMonth:
      ask.price === null || middle.years === 0 || !Number.isFinite(middle.years)
        ? null
        : ask.price / (MONTHS * middle.years),
  }
}

/** What a blade that has become too low for its job is still good for (common practice: a narrow chef's knife slices). */
const GOES_ON_AS: Partial<Record<KnifeType, KnifeType>> = {
  chef: 'slicer',
  santoku: 'petty',
  nakiri: 'petty',
  breaking: 'slicer',
  slicer: 'fillet',
  petty: 'paring',
}

/** The job a knife can go on with when it is too low for its own; null where it is worn out for good. */
export function nextJob(type: KnifeType): KnifeType | null {
  const next = GOES_ON_AS[type]
  return next && minimumHeightMm(type) > minimumHeightMm(next) ? next : null
}

/**
 * The same life at another edge angle: a flatter edge takes longer to dull (hours to a blunt width go as
 * 1/tan θ), and loses more height each time its blunt apex is ground away (by 1/tan θ too). Thinner than its
 * work bears it rolls or chips, so there is an angle that lasts longest ({@link lastingDps}).
 */
export function atAngle(ask: WearAsk, dps: number): WearAsk {
  const share = Math.tan(radians(ask.dps)) / Math.tan(radians(dps))
  const strainAt = (angle: number): number =>
    ask.work ? strain({ hrc: ask.work.hrc, dps: angle }, ask.work.product) : 1
  const strained = strainAt(dps) / strainAt(ask.dps)
  const { low, middle, high } = ask.perSessionMm
  return {
    ...ask,
    dps,
    perSessionMm: { low: low * share, middle: middle * share, high: high * share },
    sessionsPerYear: (ask.sessionsPerYear / share) * strained,
  }
}

/** The angle at which an edge of this hardness lasts longest on its work, degrees per side: as flat as it bears. */
export const lastingDps = ({ hrc, product }: NonNullable<WearAsk['work']>): number => neededDps(hrc, product)
