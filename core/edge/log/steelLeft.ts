import { sessionRemoval } from '../../abrasive/sessionRemoval'
import { recede, recedingFaceDps } from '../../geometry/recession'
import { FACTORY_FINISH_MICRON, type BladeSpec, type JoiningMeasures } from '../../knife/bladeSpec'
import { clamp } from '../../measure'
import { combine, type Known } from '../../statistics/normal'
import type { EventPayloads } from '../model/events'

/** What is left of a blade: heel height and thickness behind the edge, and what a session takes. */
export interface SteelLeft {
  readonly heightMm: Known
  readonly bteMm: Known
  /** log of what a session really takes against the estimate */
  readonly takes: Known
  /** estimated height taken since it was last measured, mm */
  readonly takenMm: number
  /** sessions on the stone in the log, and the height they took by the reckoning, mm */
  readonly sessions: number
  readonly sessionsMm: number
  readonly spineMm: number
  readonly measured: { readonly height: boolean; readonly bte: boolean; readonly spine: boolean }
}

/** Blades of one type and length differ by so much when new, and again by what years of use did to them (assumed). */
const NEW_SHARE_SD = { height: 0.02, bte: 0.1 }
const USED_SHARE_SD = { height: 0.06, bte: 0.2 }
/** How near to its target a thinned edge comes out (assumed). */
const THINNED_SHARE_SD = 0.08
/** A caliper in a kitchen (assumed). */
const CALIPER_SD_MM = { height: 0.1, bte: 0.012 }
/** How far what a session takes differs from person to person, and from session to session (assumed). */
const TAKES_LOG_SD = 0.5
const SESSION_SHARE_SD = 0.4
/** What a rod takes of the height is known to about half of it (assumed). */
const ABRASION_SHARE_SD = 0.5
/** Nobody takes more than four times, or less than a quarter of, what the reckoning says: such a reading is of another knife. */
const MOST_LOG_TAKES = Math.log(4)

export function initialSteel(make: JoiningMeasures, condition: 'new' | 'in-use'): SteelLeft {
  const share = condition === 'new' ? NEW_SHARE_SD : USED_SHARE_SD
  return {
    heightMm: {
      mean: make.heelHeightMm,
      sd: make.measured.height ? CALIPER_SD_MM.height : share.height * make.heelHeightMm,
    },
    bteMm: { mean: make.bteMm, sd: make.measured.bte ? CALIPER_SD_MM.bte : share.bte * make.bteMm },
    takes: { mean: 0, sd: TAKES_LOG_SD },
    takenMm: 0,
    sessions: 0,
    sessionsMm: 0,
    spineMm: make.spineMm,
    measured: make.measured,
  }
}

/** Thickness behind the edge after losing height, for a blade of usual height and spine. */
export function thicknessAfterRecession(spec: BladeSpec, bteMm: number, recessionMm: number): number {
  return recede({ bteMm, dps: spec.dps, faceDps: recedingFaceDps(spec.joined, spec.dps), recessionMm }).bteMm
}

/** What a log says of a session on stones: how blunt the edge was, and the grains it went over, µm. */
export interface GroundSession {
  readonly bluntUm: number
  readonly grains: readonly number[]
  /** a chip that was ground past, mm deep */
  readonly chipMm?: number | undefined
  /** what its plan reckoned, mm */
  readonly estimateMm?: number | undefined
}

/** A session on nothing coarser than this tops an edge up, µm: JIS #2000 (common practice: #3000). */
const TOP_UP_MICRON = 7
/** An edge blunter than this is no estimate but a slip, µm. */
const BLUNTEST_UM = 200

/** Edge height a session takes by the removal model, mm: the same that its plan said. */
export function recessionOf(steel: SteelLeft, spec: BladeSpec, session: GroundSession): number {
  const { bluntUm, grains, chipMm, estimateMm } = session
  if (estimateMm !== undefined) return estimateMm
  const [first = FACTORY_FINISH_MICRON] = grains
  const { recessionUm } = sessionRemoval({
    blade: {
      // height does not depend on how long the edge is
      lengthMm: 1,
      heelHeightMm: Math.max(1, steel.heightMm.mean),
      spineMm: steel.spineMm,
      bteMm: Math.max(0.05, steel.bteMm.mean),
      dps: spec.dps,
      hrc: spec.hrc,
    },
    ...(chipMm === undefined || chipMm >= steel.heightMm.mean / 2 ? {} : { chip: { depthMm: chipMm } }),
    bluntUm: Math.min(BLUNTEST_UM, bluntUm),
    isTopUp: first <= TOP_UP_MICRON,
    grains: grains.length > 0 ? grains : [first],
  })
  return recessionUm / 1000
}

/** The blade after a session that took its edge down, by the height written down or else the estimated one. */
export function applyGrinding(
  steel: SteelLeft,
  spec: BladeSpec,
  session: GroundSession,
  writtenMm: number | undefined,
): SteelLeft {
  const usualMm = recessionOf(steel, spec, session)
  // half a blade in one session is a slip of the pen, not a session
  const lossMm = Math.min(writtenMm ?? usualMm * Math.exp(steel.takes.mean), steel.heightMm.mean / 2)
  const lossSd = lossMm * (writtenMm === undefined ? SESSION_SHARE_SD : 0.1)
  const bteMm = thicknessAfterRecession(spec, steel.bteMm.mean, lossMm)
  const slope = lossMm > 0 ? (bteMm - steel.bteMm.mean) / lossMm : 0
  // what all sessions take alike is one doubt, not many: it adds straight, not squared
  const shared = writtenMm === undefined ? lossMm * steel.takes.sd : 0
  const sharedVariance = (sd: number, share: number): number =>
    sd ** 2 + 2 * shared * share * Math.min(sd, steel.takenMm * steel.takes.sd * share) + (shared * share) ** 2
  return {
    ...steel,
    heightMm: {
      mean: Math.max(1, steel.heightMm.mean - lossMm),
      sd: Math.sqrt(sharedVariance(steel.heightMm.sd, 1) + lossSd ** 2),
    },
    bteMm: { mean: bteMm, sd: Math.sqrt(sharedVariance(steel.bteMm.sd, slope) + (slope * lossSd) ** 2) },
    takenMm: steel.takenMm + (writtenMm === undefined ? lossMm : 0),
    sessions: steel.sessions + 1,
    sessionsMm: steel.sessionsMm + lossMm,
  }
}

/** The blade after a rod or strop took a little height off its edge, µm. */
export function applyAbrasion(steel: SteelLeft, spec: BladeSpec, heightUm: number): SteelLeft {
  if (heightUm <= 0) return steel
  const lossMm = heightUm / 1000
  return {
    ...steel,
    // how much a rod takes is one doubt for all honings: it adds straight
    heightMm: { mean: Math.max(1, steel.heightMm.mean - lossMm), sd: steel.heightMm.sd + ABRASION_SHARE_SD * lossMm },
    bteMm: { mean: thicknessAfterRecession(spec, steel.bteMm.mean, lossMm), sd: steel.bteMm.sd },
  }
}

/** The blade after workshop work that was to leave it a certain thickness: as sure as a hand at a stone is, not as a caliper. */
export const applyThinning = (steel: SteelLeft, bteMm: number | undefined): SteelLeft =>
  bteMm === undefined
    ? steel
    : { ...steel, bteMm: { mean: bteMm, sd: Math.max(CALIPER_SD_MM.bte, THINNED_SHARE_SD * bteMm) } }

/** The blade after a caliper was laid on it: a measured height also tells what the sessions since the last one took. */
export function updateOnMeasurement(steel: SteelLeft, found: EventPayloads['measured']): SteelLeft {
  const withSpine =
    found.spineMm === undefined
      ? steel
      : { ...steel, spineMm: found.spineMm, measured: { ...steel.measured, spine: true } }
  const withHeight = found.heelHeightMm === undefined ? withSpine : updateOnHeight(withSpine, found.heelHeightMm)
  if (found.bteMm === undefined) return withHeight
  return {
    ...withHeight,
    bteMm: combine(withHeight.bteMm, { mean: found.bteMm, sd: CALIPER_SD_MM.bte }),
    measured: { ...withHeight.measured, bte: true },
  }
}

/** The blade with its height read: what was estimated since the last reading is now known. */
function updateOnHeight(steel: SteelLeft, heightMm: number): SteelLeft {
  const reading = { mean: heightMm, sd: CALIPER_SD_MM.height }
  const spread = steel.heightMm.sd ** 2 + reading.sd ** 2
  const gain = -(steel.takenMm * steel.takes.sd ** 2) / spread
  return {
    ...steel,
    // what was measured is what is shown: the reckoning since the last caliper is no second caliper
    heightMm: reading,
    takes: {
      mean: clamp(steel.takes.mean + gain * (heightMm - steel.heightMm.mean), -MOST_LOG_TAKES, MOST_LOG_TAKES),
      sd: Math.sqrt(Math.max(0.05 ** 2, steel.takes.sd ** 2 + gain * steel.takenMm * steel.takes.sd ** 2)),
    },
    takenMm: 0,
    measured: { ...steel.measured, height: true },
  }
}
