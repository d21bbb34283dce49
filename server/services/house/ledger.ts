import type { KnifeView } from '../../../contract/knives'
import type { Ledger, Money, Purchase } from '../../../contract/ledger'
import type { PersonRole } from '../../../core/house/rights'
import { dullest, grindings, meanKnown, type Grinding } from '../../../core/ledger/grinders'
import { chanceBefore, expectedCost } from '../../../core/ledger/purchases'
import { yearlyRate } from '../../../core/ledger/rate'
import { medianLife, survival, type Lifetime } from '../../../core/ledger/survival'
import { toldByWeek, type WeekEvent } from '../../../core/ledger/weeks'
import { yearlyCost } from '../../../core/ledger/writeOff'
import { DAY_MS } from '../../../core/time'
import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database } from '../../db/database'
import {
  convertPrices,
  findMoney,
  ledgerEvents,
  saveMoney,
  stoneSessions,
  stoneWorkSince,
  type LedgerEvent,
  type StoneWork,
} from '../../db/queries/house/money'
import { listGear } from '../../db/queries/shelf/gear'
import { Fault } from '../../faults'
import type { Caller } from '../../signIn/sessions'
import { allViews, loadFleetSnapshot } from '../fleet/fleet'
import { houseOccurrences, usageContext } from '../log/usageContext'

const YEAR_MS = 365 * DAY_MS
const MONTHS = 12
const HOUR_MINUTES = 60

/** A stone wears out so many knives after it was new, where nobody has measured it twice (assumed). */
const KNIVES_A_STONE = 400
const WEEKS_TOLD = 26
/** A stone thinner than this is done with, mm (common practice). */
const LEAST_STONE_MM = 4

const groupedByKnife = (events: readonly LedgerEvent[]): Map<string, LedgerEvent[]> => {
  const grouped = new Map<string, LedgerEvent[]>()
  for (const event of events) grouped.set(event.knifeId, [...(grouped.get(event.knifeId) ?? []), event])
  return grouped
}

const msOf = (day: string | null): number | null => (day === null ? null : Date.parse(`${day}T12:00:00Z`))

/** When a knife was new: bought, or brought in as new; null where it came used and nobody has said how old. */
function newAt({ boughtOn }: Pick<KnifeView, 'boughtOn'>, events: readonly LedgerEvent[]): number | null {
  const bought = msOf(boughtOn)
  if (bought !== null) return bought
  const added = events.find(({ kind }) => kind === 'added')
  return added?.payload['condition'] === 'new' ? added.at.getTime() : null
}

/** What labour on a knife cost; null while somebody's wage is unknown. */
function labourOf(work: readonly StoneWork[], money: Money | null): number | null {
  let sum = 0
  for (const { role, minutes } of work) {
    const hour = role === null ? null : (money?.hourly[role as PersonRole] ?? null)
    if (hour === null && minutes > 0) return null
    sum += ((hour ?? 0) * minutes) / HOUR_MINUTES
  }
  return sum
}

/** What grinding outside cost since an instant, by invoice or else by list; null where one time has neither. */
function outsideOf(events: readonly LedgerEvent[], money: Money | null, sinceMs: number): number | null {
  let sum = 0
  for (const { kind, at, payload } of events) {
    if (kind !== 'returned' || payload['ground'] !== true || at.getTime() < sinceMs) continue
    const price = typeof payload['price'] === 'number' ? payload['price'] : (money?.grinder ?? null)
    if (price === null) return null
    sum += price
  }
  return sum
}

/** Price of one knife's turn on each stone, and when the stone will be used up. */
async function stonesOf(
  db: Database,
  houseId: string,
  money: Money | null,
  nowMs: number,
): Promise<{ readonly costOf: ReadonlyMap<string, number | null>; readonly purchases: readonly Purchase[] }> {
  const sessions = new Map(
    (await stoneSessions(db, houseId, new Date(nowMs - YEAR_MS))).map((one) => [one.stoneId, one]),
  )
  const costOf = new Map<string, number | null>()
  const purchases: Purchase[] = []
  for (const stone of await listGear(db, houseId)) {
    const used = sessions.get(stone.id)
    if (!used || !stone.active) continue
    const { price = null, newMm = null } = money?.gear[stone.id] ?? {}
    const isMeasured = newMm !== null && stone.thicknessMm !== null && newMm > stone.thicknessMm
    const perKnifeMm = isMeasured ? (newMm - (stone.thicknessMm ?? 0)) / Math.max(1, used.all) : null
    const life = perKnifeMm !== null && newMm !== null ? (newMm - LEAST_STONE_MM) / perKnifeMm : KNIVES_A_STONE
    for (const knifeId of used.knifeIds) {
      const before = costOf.get(knifeId)
      costOf.set(knifeId, price === null || before === null ? null : (before ?? 0) + price / life)
    }
    const left = Math.max(0, life - used.all)
    if (used.lately === 0) continue
    const aheadMs = (left / used.lately) * YEAR_MS
    // a measured stone is known to a quarter, one that nobody measured to no better than a factor of two (assumed)
    const spread = isMeasured ? 1.25 : 2
    const band = {
      earlyMs: nowMs + aheadMs / spread,
      middleMs: nowMs + aheadMs,
      lateMs: nowMs + aheadMs * spread,
    }
    purchases.push(asPurchase('stone', stone.id, stone.name, band, price, nowMs))
  }
  return { costOf, purchases }
}

function asPurchase(
  what: Purchase['what'],
  id: string,
  name: string,
  band: { readonly earlyMs: number; readonly middleMs: number; readonly lateMs: number },
  price: number | null,
  nowMs: number,
): Purchase {
  const iso = (ms: number): string => new Date(ms).toISOString()
  return {
    what,
    id,
    name,
    price,
    when: { earlyAt: iso(band.earlyMs), middleAt: iso(band.middleMs), lateAt: iso(band.lateMs) },
    chance: chanceBefore(band, nowMs + YEAR_MS, nowMs),
  }
}

function grindersOf(all: readonly { readonly knifeId: string; readonly one: Grinding }[]): Ledger['grinders'] {
  const names = [...new Set(all.map(({ one }) => one.by))]
  return names
    .map((by) => {
      const own = all.filter(({ one }) => one.by === by)
      const of = (pick: (one: Grinding) => number | null): number | null => meanKnown(own.map(({ one }) => pick(one)))
      return {
        name: by ?? '',
        isHouse: by === null,
        times: own.length,
        knives: new Set(own.map(({ knifeId }) => knifeId)).size,
        days: of(({ days }) => days),
        heightMm: of(({ heightMm }) => heightMm),
        freshGf: of(({ freshGf }) => freshGf),
        usedGf: of(({ usedGf }) => usedGf),
        dps: of(({ dps }) => dps),
        price: of(({ price }) => price),
      }
    })
    .sort((a, b) => b.times - a.times)
}

/** Chips that were found: a check that names one after one that named none. */
function chipsFound(events: readonly LedgerEvent[], sinceMs: number): number {
  let [count, had] = [0, false]
  for (const { kind, at, payload } of events) {
    if (kind === 'sharpened' || kind === 'returned') had = false
    const defects = payload['defects'] as { readonly chip: unknown } | undefined
    if (kind !== 'checked' || defects === undefined) continue
    if (defects.chip !== null && !had && at.getTime() >= sinceMs) count++
    had = defects.chip !== null
  }
  return count
}

/** Half a year, week by week, of the house and of each station. */
function weeksOf(
  knives: readonly KnifeView[],
  events: ReadonlyMap<string, readonly LedgerEvent[]>,
  nowMs: number,
): Ledger['weeks'] {
  const told = knives.flatMap(({ id, stationId, limitGf }) =>
    (events.get(id) ?? []).flatMap(({ kind, at, payload }): WeekEvent[] => {
      if (kind !== 'checked' && kind !== 'sharpened') return []
      const minutes = kind === 'sharpened' ? Number(payload['minutes'] ?? 0) : null
      const dullestGf = kind === 'checked' ? dullest({ payload }) : null
      return [{ atMs: at.getTime(), knifeId: id, stationId, dullestGf, limitGf, minutes }]
    }),
  )
  const stationIds = ['', ...new Set(knives.map(({ stationId }) => stationId))]
  return stationIds.map((stationId) => ({
    stationId,
    weeks: toldByWeek(
      stationId === '' ? told : told.filter((one) => one.stationId === stationId),
      nowMs,
      WEEKS_TOLD,
    ).map(({ fromMs, knifeIds, ...week }) => ({
      ...week,
      from: new Date(fromMs).toISOString(),
      knifeIds: [...knifeIds],
    })),
  }))
}

/** Everything the ledger tells, from the log, the forecast and what the house has said of its money. */
export async function readLedger(db: Database, clock: Clock, caller: Caller): Promise<Ledger> {
  const houseId = caller.house.id
  const now = clock()
  const nowMs = now.getTime()
  const since = nowMs - YEAR_MS
  const snapshot = await loadFleetSnapshot(db, caller.house, now)
  const views = await allViews(snapshot)
  const money = await findMoney(db, houseId)
  const events = groupedByKnife(await ledgerEvents(db, houseId))
  const work = await stoneWorkSince(db, houseId, new Date(since))
  const stones = await stonesOf(db, houseId, money, nowMs)
  const usage = usageContext(snapshot.context, since - YEAR_MS, nowMs + DAY_MS)
  const services = houseOccurrences(snapshot.context, 'service', since, nowMs).length

  const ofKnife = (view: KnifeView): Ledger['knives'][number] => {
    const own = events.get(view.id) ?? []
    const done = work.filter(({ knifeId }) => knifeId === view.id)
    const start = newAt(view, own)
    const endMs = view.wornOut ? Date.parse(view.wornOut.middleAt) : null
    const lifeYears = start === null || endMs === null ? null : Math.max(DAY_MS, endMs - start) / YEAR_MS
    const year = {
      purchase:
        view.price === null || lifeYears === null ? null : yearlyCost(view.price, lifeYears, money?.interest ?? 0),
      labour: labourOf(done, money),
      outside: outsideOf(own, money, since),
      stones: stones.costOf.has(view.id) ? (stones.costOf.get(view.id) ?? null) : 0,
    }
    const total = (year.purchase ?? 0) + (year.labour ?? 0) + (year.outside ?? 0) + (year.stones ?? 0)
    return {
      id: view.id,
      code: view.code,
      stationId: view.stationId,
      price: view.price,
      year,
      perMonth: total / MONTHS,
      perService: services === 0 ? null : total / services,
      sessions: done.reduce((sum, { sessions }) => sum + sessions, 0),
      minutes: Math.round(done.reduce((sum, { minutes }) => sum + minutes, 0)),
      wornOut: view.wornOut,
    }
  }
  const inUse = views.filter(({ status }) => !['retired', 'practice', 'counted'].includes(status))
  const purchases = [
    ...inUse.flatMap((view) =>
      view.wornOut
        ? [
            asPurchase(
              'knife',
              view.id,
              view.code,
              {
                earlyMs: Date.parse(view.wornOut.earlyAt),
                middleMs: Date.parse(view.wornOut.middleAt),
                lateMs: Date.parse(view.wornOut.lateAt),
              },
              view.price,
              nowMs,
            ),
          ]
        : [],
    ),
    ...stones.purchases,
  ]
  const due = purchases.filter(({ chance }) => chance >= LEAST_CHANCE).sort((a, b) => b.chance - a.chance)
  const lifetimes = views.flatMap((view): Lifetime[] => {
    const own = events.get(view.id) ?? []
    const start = newAt(view, own)
    const retired = own.findLast(({ kind }) => kind === 'retired')
    if (start === null) return []
    const ended = view.status === 'retired' && retired !== undefined
    return [{ time: Math.max(0, (ended ? retired.at.getTime() : nowMs) - start) / YEAR_MS, ended }]
  })
  const steps = survival(lifetimes)
  return {
    money,
    knives: inUse.map(ofKnife),
    purchases: due,
    expected: expectedCost(purchases),
    grinders: grindersOf(
      views.flatMap(({ id, stationId }) =>
        grindings(
          (events.get(id) ?? []).map(({ kind, at, payload }) => ({ kind, atMs: at.getTime(), payload })),
          usage.stations.get(stationId) ?? [],
          usage,
        ).map((one) => ({ knifeId: id, one })),
      ),
    ),
    away: views
      .filter(({ status }) => status === 'away')
      .map(({ id, code, statusReason, statusSince }) => {
        const out = (events.get(id) ?? []).findLast(({ kind }) => kind === 'sent-out')
        const dueOn = out?.payload['dueOn']
        return { id, code, to: statusReason ?? '', since: statusSince, dueOn: typeof dueOn === 'string' ? dueOn : null }
      }),
    survival: {
      steps: steps.map(({ time, share, error, atRisk }) => ({ years: time, share, error, atRisk })),
      median: medianLife(steps),
    },
    weeks: weeksOf(inUse, events, nowMs),
    chips: snapshot.context.stations
      .filter(({ active }) => active)
      .map(({ id }) => {
        const own = inUse.filter(({ stationId }) => stationId === id)
        const count = own.reduce((sum, view) => sum + chipsFound(events.get(view.id) ?? [], since), 0)
        return { stationId: id, ...yearlyRate(Math.min(500, count), 1) }
      }),
  }
}

/** What is less likely than this within the year is no plan (assumed). */
const LEAST_CHANCE = 0.02

/**
 * Keeps what the house says of its money. Where the currency changes every price goes with it, by the rate that is given.
 *
 * @throws Fault `needs-rate` for another currency without one
 */
export async function setMoney(
  db: Database,
  caller: Caller,
  { money, rate }: { readonly money: Money; readonly rate: number | null },
): Promise<Money> {
  const houseId = caller.house.id
  return await changeHouse(db, houseId, async (change) => {
    const before = await findMoney(change, houseId)
    const isOther = before !== null && before.currency !== money.currency
    if (isOther && rate === null)
      throw new Fault('conflict', 'needs-rate', { from: before.currency, to: money.currency })
    if (isOther && rate !== null) await convertPrices(change, houseId, rate)
    await saveMoney(change, houseId, money)
    return money
  })
}
