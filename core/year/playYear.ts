import { NO_ROD_WORK, honeEffect, isAbrasive, nextHoning, type HoneTool, type RodWork } from '../edge/model/hone'
import { edgeForce, ROLL_FORCE_GF, wornForce } from '../edge/model/force'
import { bluntWidth, wearBy, wornAreaFromBluntWidth } from '../edge/model/wear'
import { recede, recedingFaceDps } from '../geometry/recession'
import { USUAL_SITTING, sittingMinutes } from '../plan/problem'
import { daysBetween, policyFor, type Policy } from '../policy/policy'
import { chance, type Chance } from '../statistics/random'
import type { SessionCost, SessionTable } from './sessionTable'
import type { WhatIf, YearHouse, YearKnife, YearTotals, YearWay } from './yearHouse'

const DAYS = 365
const WEEK = 7
/** Scatter of the work a service brings, and of what a look at an edge tells, as log standard deviations (assumed). */
const SERVICE_LOG_SD = 0.2
const LOOK_LOG_SD = 0.1
/**
 * By its edge a knife goes to the stone when the coming service would bring it to so much of its limit (assumed): tried
 * from 0.85 to 1.15 on the sample house, dull hours, work and steel together cost least from 0.85 to 0.92.
 */
const NEAR_LIMIT = 0.9
/** Each time it is drawn means so many honings in a service (assumed). */
const DRAWS_A_SERVICE = 2
/** Roll that a stone leaves (assumed, as in the edge model). */
const FRESH_ROLL = 0.02
/** A top-up takes half the width of a blunt apex (common practice: it keeps an edge, it does not make one). */
const TOP_UP_WIDTH = 0.5
/** Days a knife is at a grinder, collected and brought (assumed). */
const GRINDER_DAYS = 3
/** Edge height an outside grinder takes, µm (assumed: a wheel takes a few sessions' worth). */
const GRINDER_UM = 150

/** How one knife's year goes: the rules of a house come down to one policy for each. */
type OwnWay = Exclude<YearWay, { kind: 'rules' }>

/** One knife in the middle of its year. */
interface Running {
  readonly knife: YearKnife
  readonly way: OwnWay
  readonly table: SessionTable
  readonly dps: number
  readonly luck: Chance
  readonly rate: number
  readonly factor: number
  roll: number
  worn: number
  rod: RodWork
  freshGf: number
  bte: number
  height: number
  daysSince: number
  workedSince: boolean
  /** days until it is back from a grinder */
  away: number
}

interface Tally {
  serviceHours: number
  dullHours: number
  minutes: number
  sessions: number
  steelUm: number
  thinnings: number
  retirements: number
  sentOut: number
  daysAway: number
}

/** What a knife is honed with: a rod that takes steel for those who go to it first, a strop for those who strop. */
function toolUnder(policy: Policy | null, own: HoneTool): HoneTool {
  if (policy?.school === 'strop-weekly') return 'strop'
  return policy?.school === 'rod-first' && !isAbrasive(own) ? 'ceramic-rod' : own
}

/** Roll at the end of the coming service, as far as honing can be counted on. */
function rollAhead({ knife, roll, factor }: Running): number {
  const honed = roll * (1 - knife.efficiency * knife.habit)
  return wearBy({ roll: honed, wornAreaUm2: 0 }, { hours: knife.hoursPerService, factor, wearRateUm2PerHour: 0 }).roll
}

/** Whether a knife's turn has come, and how pressing it is; 0 where it has not. */
function pressing(one: Running, look: number): number {
  const { way } = one
  if (way.kind === 'sent-out') return one.daysSince >= WEEK * way.weeks ? one.daysSince : 0
  const days = daysBetween(way.policy)
  if (days !== null) return one.daysSince >= days && one.workedSince ? one.daysSince / days : 0
  if (way.policy.school === 'every-job') return 0
  // what a rod cannot help, and for who does not go to the rod first what the coming service will bend
  const isRodFirst = way.policy.school === 'rod-first'
  const seen =
    look * wornForce({ roll: 0, wornAreaUm2: one.worn, freshForceGf: one.freshGf }, one.dps) +
    (isRodFirst ? 0 : ROLL_FORCE_GF * rollAhead(one))
  const near = isRodFirst ? 1 : NEAR_LIMIT
  return seen >= near * one.knife.limitGf ? seen / one.knife.limitGf : 0
}

const isLittle = ({ school }: Policy): boolean =>
  school === 'weekly' || school === 'strop-weekly' || school === 'every-job'

/** Takes steel off: the edge moves up into thicker steel, and a blade that is too low is replaced. */
function takeSteel(one: Running, steelUm: number, tally: Tally): void {
  tally.steelUm += steelUm
  const { blade, newHeightMm } = one.knife
  one.height -= steelUm / 1000
  one.bte = recede({
    bteMm: one.bte,
    dps: one.dps,
    faceDps: recedingFaceDps({ heelHeightMm: one.height, spineMm: blade.spineMm }, one.dps),
    recessionMm: steelUm / 1000,
  }).bteMm
  if (one.height < blade.minimumHeightMm) {
    tally.retirements++
    one.height = newHeightMm
    one.bte = blade.bteWhenNewMm
  }
}

const isThick = ({ bte, knife }: Running): boolean => bte > knife.thickestMm

function thin(one: Running, minutes: number, tally: Tally): void {
  tally.thinnings++
  tally.minutes += minutes
  one.bte = Math.min(one.knife.blade.bteWhenNewMm, one.knife.thickestMm)
}

function renew(one: Running, cost: SessionCost, isTopUp: boolean, tally: Tally): void {
  tally.sessions++
  tally.minutes += cost.minutes
  one.worn = isTopUp ? one.worn * TOP_UP_WIDTH ** 2 : 0
  one.roll = FRESH_ROLL
  one.rod = NO_ROD_WORK
  one.freshGf = one.knife.freshGf
  one.daysSince = 0
  one.workedSince = false
  takeSteel(one, cost.steelUm, tally)
}

const bluntOf = (one: Running): number => bluntWidth({ wornAreaUm2: one.worn, dps: one.dps })

/** A knife goes to the grinder, who thins it as well where it has grown thick. */
function sendOut(one: Running, tally: Tally): void {
  tally.sentOut++
  tally.daysAway += GRINDER_DAYS
  one.away = GRINDER_DAYS
  renew(one, { minutes: 0, steelUm: GRINDER_UM }, false, tally)
  if (isThick(one)) thin(one, 0, tally)
}

/** Knives whose turn it is, and how pressing; one that is only thick comes after all that are blunt. */
interface Due {
  readonly one: Running
  readonly press: number
}

/** Sessions of a day: the most pressing first, as far as the minutes at the benches go. */
function benchDay(due: readonly Due[], minutes: number, tally: Tally): void {
  const around = sittingMinutes(USUAL_SITTING)
  let left = minutes - around
  let sat = false
  const takes = (needed: number): boolean => {
    if (needed > left) return false
    left -= needed
    sat = true
    return true
  }
  for (const { one, press } of [...due].sort((a, b) => b.press - a.press)) {
    const { way, table } = one
    if (way.kind === 'sent-out') {
      sendOut(one, tally)
      continue
    }
    const isTopUp = isLittle(way.policy)
    const session = table[isTopUp ? 'topUp' : 'stone'](bluntOf(one))
    if (press > 0 && takes(session.minutes)) renew(one, session, isTopUp, tally)
    if (isThick(one) && takes(table.thinning.minutes)) thin(one, table.thinning.minutes, tally)
  }
  if (sat) tally.minutes += around
}

function hone(one: Running, policy: Policy | null, tally: Tally): void {
  const tool = toolUnder(policy, one.knife.tool)
  const effect = honeEffect({ tool, hrc: one.knife.blade.hrc })
  one.roll *= 1 - (tool === one.knife.tool ? one.knife.efficiency : effect.efficiency)
  const step = nextHoning(one.rod, effect, one.dps)
  one.rod = step.rod
  if (step.abradedUm2 <= 0) return
  const least = Math.min(one.worn, wornAreaFromBluntWidth({ bluntWidthUm: step.keenestUm, dps: one.dps }))
  const after = Math.max(least, one.worn - step.abradedUm2)
  const share = (one.worn - after) / step.abradedUm2
  one.worn = after
  takeSteel(one, share * step.heightUm, tally)
}

function serve(one: Running, tally: Tally): void {
  const { way } = one
  const policy = way.kind === 'policy' ? way.policy : null
  // drawn whether they are used or not: every way meets the same luck
  const [isHoned, again, work] = [one.luck.next(), one.luck.next(), Math.exp(SERVICE_LOG_SD * one.luck.normal())]
  // at the grinder: another knife does its work
  if (one.away > 0) return
  const rule = policy?.honing ?? 'before-service'
  if (rule !== 'never' && isHoned < one.knife.habit) hone(one, policy, tally)
  const { limitGf, hoursPerService } = one.knife
  const force = (): number => edgeForce({ roll: one.roll, wornAreaUm2: one.worn, freshForceGf: one.freshGf }, one.dps)
  const parts = rule === 'when-drawn' ? DRAWS_A_SERVICE : 1
  for (let part = 0; part < parts; part++) {
    if (part > 0 && again < one.knife.habit) hone(one, policy, tally)
    const before = force()
    const hours = (hoursPerService * work) / parts
    tally.serviceHours += hours
    const worn = wearBy(
      { roll: one.roll, wornAreaUm2: one.worn },
      { hours, factor: one.factor, wearRateUm2PerHour: one.rate },
    )
    one.roll = worn.roll
    one.worn = worn.wornAreaUm2
    const after = force()
    if (after > limitGf) tally.dullHours += hours * (before >= limitGf ? 1 : (after - limitGf) / (after - before))
  }
  one.workedSince = true
  if (policy?.school === 'every-job') {
    const cost = one.table.topUp(bluntOf(one))
    renew(one, cost, true, tally)
  }
}

/**
 * One year of a house under one way, service by service. The same seed brings the same luck to every way (common
 * random numbers), so that what differs between two ways is the way.
 *
 * @param tables of {@link sessionTable}, one a knife
 */
export function playYear(
  house: YearHouse,
  tables: readonly SessionTable[],
  way: YearWay,
  whatIf: WhatIf,
  seed: number,
): YearTotals {
  const running = house.knives.map((knife, at): Running => {
    const luck = chance(seed * 10_007 + at)
    const rate = knife.rateUm2PerHour * Math.exp(knife.rateLogSd * luck.normal())
    return {
      knife,
      way: way.kind === 'rules' ? { kind: 'policy', policy: policyFor(way.rules, knife) } : way,
      table: tables[at] ?? tables[0] ?? NO_TABLE,
      dps: knife.blade.dps + whatIf.addedDps,
      luck,
      rate,
      factor: whatIf.boardFactor === null ? knife.factor : Math.min(knife.factor, whatIf.boardFactor),
      roll: knife.roll,
      worn: knife.wornAreaUm2,
      rod: NO_ROD_WORK,
      freshGf: knife.freshGf,
      bte: knife.blade.bteMm,
      height: knife.blade.heelHeightMm,
      // nobody knows when it was: anywhere in its turn
      daysSince: knife.daysSinceStone ?? Math.floor(WEEK * 4 * luck.next()),
      workedSince: true,
      away: 0,
    }
  })
  const tally: Tally = {
    serviceHours: 0,
    dullHours: 0,
    minutes: 0,
    sessions: 0,
    steelUm: 0,
    thinnings: 0,
    retirements: 0,
    sentOut: 0,
    daysAway: 0,
  }
  const more = whatIf.oneMoreHand && house.hands > 0 ? Math.min(2, (house.hands + 1) / house.hands) : 1
  for (let day = 0; day < DAYS; day++) {
    const due = running.flatMap((one) => {
      const press = pressing(one, Math.exp(LOOK_LOG_SD * one.luck.normal()))
      return one.away === 0 && (press > 0 || (isThick(one) && one.way.kind !== 'sent-out')) ? [{ one, press }] : []
    })
    if (due.length > 0) benchDay(due, more * (house.benchMinutesByWeekday[day % WEEK] ?? 0), tally)
    const services = house.servicesByWeekday[day % WEEK] ?? 0
    for (let service = 0; service < services; service++) for (const one of running) serve(one, tally)
    for (const one of running) {
      one.daysSince++
      one.away = Math.max(0, one.away - 1)
    }
  }
  const { steelUm, ...rest } = tally
  return { ...rest, steelMm: running.length === 0 ? 0 : steelUm / 1000 / running.length }
}

const NOTHING: SessionCost = { minutes: 0, steelUm: 0 }
const NO_TABLE: SessionTable = { stone: () => NOTHING, topUp: () => NOTHING, thinning: NOTHING }
