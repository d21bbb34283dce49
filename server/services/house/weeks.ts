import type { HouseWeeks } from '../../../contract/papers'
import { standingEvents, type KnifeEvent } from '../../../core/edge/model/events'
import { grouped } from '../../../core/group'
import { knownBlade } from '../../../core/knife/blade'
import {
  knifeWeeks,
  serviceShares,
  weekAt,
  type KnifeWeek,
  type KnifeWeeks,
  type ServedKnife,
  type ServiceShare,
} from '../../../core/ledger/weeks'
import { WEEK_MS } from '../../../core/time'
import type { Clock } from '../../clock'
import type { Database } from '../../db/database'
import { listKnives, type StoredKnife } from '../../db/queries/fleet/knives'
import { listStates } from '../../db/queries/fleet/states'
import type { StoredHouse } from '../../db/queries/house/houses'
import { findMoney } from '../../db/queries/house/money'
import { listPeople } from '../../db/queries/house/people'
import { knifeLog } from '../../db/queries/log/events'
import type { Caller } from '../../signIn/sessions'
import { standAside } from '../../urgent'
import { loadHouseContext, usageContext, type HouseContext } from '../log/usageContext'
import { invoiceOf, invoiceRate, labourOf } from './costs'

/** Other requests get their turn after each knife that took so long, ms. */
const TURN_MS = 20

/** The log of each knife of the house week by week, but of those for practice; other requests get their turn between. */
async function* weeksOfKnives(
  db: Database,
  { house, context }: { readonly house: StoredHouse; readonly context: HouseContext },
  { fromMs, untilMs, weeks }: { readonly fromMs: number; readonly untilMs: number; readonly weeks: number },
): AsyncGenerator<{ knife: StoredKnife; events: readonly KnifeEvent[]; own: KnifeWeeks }> {
  let turnEndsMs = performance.now() + TURN_MS
  for (const knife of await listKnives(db, house.id)) {
    const events = standingEvents(await knifeLog(db, house.id, knife.id)).filter(({ atMs }) => atMs < untilMs)
    if (events.some(({ kind }) => kind === 'practice')) continue
    const { spec, role } = knownBlade(knife)
    const firstMs = Math.min(fromMs, ...events.map(({ atMs }) => atMs))
    const usage = usageContext(context, firstMs, untilMs)
    yield {
      knife,
      events,
      own: knifeWeeks({ spec, usage, events, untilMs, limitGf: house.serviceLimits[role] }, fromMs, weeks),
    }
    if (performance.now() < turnEndsMs) continue
    await standAside()
    turnEndsMs = performance.now() + TURN_MS
  }
}

/** How many services of a span every edge at work ended within its limit, and the hours that edges were over it. */
export async function sharpServices(
  db: Database,
  house: StoredHouse,
  fromMs: number,
  untilMs: number,
): Promise<ServiceShare & Pick<KnifeWeek, 'hours' | 'dullHours'>> {
  const context = await loadHouseContext(db, house)
  const weeks = Math.max(1, Math.ceil((untilMs - fromMs) / WEEK_MS))
  const served: ServedKnife[] = []
  let [hours, dullHours] = [0, 0]
  for await (const { own } of weeksOfKnives(db, { house, context }, { fromMs, untilMs, weeks })) {
    served.push(...own.served)
    for (const week of own.weeks) {
      hours += week.hours
      dullHours += week.dullHours
    }
  }
  const shares = serviceShares(served, fromMs, weeks).reduce((sum, week) => ({
    services: sum.services + week.services,
    within: sum.within + week.within,
  }))
  return { ...shares, hours, dullHours }
}

/** Week by week, what each knife did and cost, and how many services ended with every edge within its limit. */
export async function readHouseWeeks(
  db: Database,
  clock: Clock,
  { house }: Caller,
  weeks: number,
): Promise<HouseWeeks> {
  const nowMs = clock().getTime()
  const fromMs = nowMs - weeks * WEEK_MS
  const context = await loadHouseContext(db, house)
  const money = await findMoney(db, house.id)
  const rate = await invoiceRate(db, house.id)
  const states = await listStates(db, house.id)
  const roles = new Map((await listPeople(db, house.id)).map(({ id, role }) => [id, role]))
  /** What labour and grinding outside cost in each week that had any; null where a wage or a price is unknown. */
  function costsByWeek(
    events: readonly KnifeEvent[],
    weekOf: (atMs: number) => number | null,
  ): Map<number, number | null> {
    const costs = new Map<number, number | null>()
    for (const event of events) {
      const week = weekOf(event.atMs)
      const isWork = event.kind === 'sharpened'
      if (week === null || !(isWork || (event.kind === 'returned' && event.payload.ground))) continue
      const role = event.personId === null ? null : (roles.get(event.personId) ?? null)
      const cost = isWork
        ? labourOf([{ role, minutes: event.payload.minutes ?? 0 }], money)
        : invoiceOf({ at: new Date(event.atMs), payload: event.payload as { readonly price?: number } }, money, rate)
      const before = costs.has(week) ? (costs.get(week) ?? null) : 0
      costs.set(week, cost === null || before === null ? null : before + cost)
    }
    return costs
  }
  const served: ServedKnife[] = []
  const told: HouseWeeks['knives'][number][] = []
  for await (const { knife, events, own } of weeksOfKnives(db, { house, context }, { fromMs, untilMs: nowMs, weeks })) {
    served.push(...own.served)
    const costs = costsByWeek(events, (atMs) => weekAt(atMs, fromMs, weeks))
    const stationId = own.weeks.at(-1)?.stationId ?? states.get(knife.id)?.stationId
    // a week that was spent elsewhere has its invoice all the same
    const paidOnly = [...costs.keys()].filter((week) => !own.weeks.some((one) => one.week === week))
    const all = [
      ...own.weeks,
      ...(stationId
        ? paidOnly.map((week) => ({ week, stationId, hours: 0, dullHours: 0, sessions: 0, minutes: 0, steelMm: 0 }))
        : []),
    ]
    for (const week of all) {
      told.push({
        knifeId: knife.id,
        code: knife.code,
        ...week,
        cost: costs.has(week.week) ? (costs.get(week.week) ?? null) : 0,
      })
      // a knife that moved within the week has its cost once
      costs.delete(week.week)
    }
  }
  const byStation = grouped(served, ({ stationId }) => stationId)
  return {
    fromAt: new Date(fromMs).toISOString(),
    weeks,
    services: [['', served] as const, ...byStation].map(([stationId, own]) => ({
      stationId,
      weeks: serviceShares(own, fromMs, weeks),
    })),
    knives: told,
  }
}
