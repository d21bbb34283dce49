import type { KnifeView } from '../../../contract/knives'
import type { Ledger, Money, Purchase } from '../../../contract/ledger'
import { grouped } from '../../../core/group'
import { GROUND_FROM, grindings, meanKnown, type Grinding } from '../../../core/ledger/grinders'
import { chipsFound, ratesBy } from '../../../core/ledger/harms'
import { chanceBefore, expectedCost } from '../../../core/ledger/purchases'
import { yearlyRate } from '../../../core/ledger/rate'
import { medianLife, survival, type Lifetime } from '../../../core/ledger/survival'
import { yearlyCost } from '../../../core/ledger/writeOff'
import type { KnifeType } from '../../../core/knife/knifeTypes'
import { DAY_MS } from '../../../core/time'
import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database } from '../../db/database'
import { harmsSince } from '../../db/queries/bench/incidents'
import {
  convertPrices,
  findMoney,
  ledgerEvents,
  saveMoney,
  stoneWorkBetween,
  type LedgerEvent,
} from '../../db/queries/house/money'
import { stoneTurns } from '../../db/queries/shelf/supplies'
import { Fault } from '../../faults'
import type { Caller } from '../../signIn/sessions'
import { allViews, loadFleetSnapshot } from '../fleet/fleet'
import { houseOccurrences, usageContext } from '../log/usageContext'
import { asAYear, invoiceOf, invoiceRate, labourOf, newAt, outsideOf, stonesOf, YEAR_MS } from './costs'
import { stonesInStock, suppliesInStock } from './stock'

const MONTHS = 12
/** What is less likely than this within the year is no plan (assumed). */
const LEAST_CHANCE = 0.02

function asPurchase(
  what: Purchase['what'],
  one: Pick<Purchase, 'id' | 'name' | 'price' | 'when'>,
  nowMs: number,
): Purchase {
  const band = {
    earlyMs: Date.parse(one.when.earlyAt),
    middleMs: Date.parse(one.when.middleAt),
    lateMs: Date.parse(one.when.lateAt),
  }
  return { what, ...one, chance: chanceBefore(band, nowMs + YEAR_MS, nowMs) }
}

interface OneGrinding {
  readonly knifeId: string
  readonly type: KnifeType
  readonly standIns: number
  readonly one: Grinding
}

/**
 * Each hand beside the others, and of each hand what it did with edges of one condition: like beside like. Where anything
 * went outside, the house's own work counts on knives of those kinds alone.
 */
function grindersOf(all: readonly OneGrinding[]): Ledger['grinders'] {
  const sentOut = new Set(all.filter(({ one }) => one.by !== null).map(({ type }) => type))
  const alike = all.filter(({ one, type }) => one.by !== null || sentOut.size === 0 || sentOut.has(type))
  return [...grouped(alike, ({ one }) => JSON.stringify([one.by, one.before])).values()]
    .flatMap((own) => {
      const [first] = own
      if (!first) return []
      const of = (pick: (one: Grinding) => number | null): number | null => meanKnown(own.map(({ one }) => pick(one)))
      const { by, before } = first.one
      return {
        name: by ?? '',
        isHouse: by === null,
        before,
        times: own.length,
        knives: new Set(own.map(({ knifeId }) => knifeId)).size,
        days: of(({ days }) => days),
        standIns: by === null ? null : meanKnown(own.map(({ standIns }) => standIns)),
        heightMm: of(({ heightMm }) => heightMm),
        thickerMm: of(({ thickerMm }) => thickerMm),
        freshGf: of(({ freshGf }) => freshGf),
        usedGf: of(({ usedGf }) => usedGf),
        dps: of(({ dps }) => dps),
        price: of(({ price }) => price),
      }
    })
    .sort((a, b) => GROUND_FROM.indexOf(a.before) - GROUND_FROM.indexOf(b.before) || b.times - a.times)
}

/** What hurts blades: chips that checks found, accidents that were told, and knives that counts missed. */
function harmsOf(
  knives: readonly KnifeView[],
  events: ReadonlyMap<string, readonly LedgerEvent[]>,
  told: Awaited<ReturnType<typeof harmsSince>>,
  sinceMs: number,
): Ledger['harms'] {
  const toldOf = grouped(told, ({ knifeId }) => knifeId)
  const chips = knives.flatMap(({ id, stationId }) => {
    const own = (events.get(id) ?? []).map(({ kind, at, payload }) => ({ kind, atMs: at.getTime(), payload }))
    const harms = (toldOf.get(id) ?? []).map(({ at, cause }) => ({ atMs: at.getTime(), cause: cause || null }))
    return chipsFound(own, harms)
      .filter(({ atMs }) => atMs >= sinceMs)
      .map(({ cause }) => ({ stationId, cause }))
  })
  const missed = [...events.values()].flat().filter(({ kind, at }) => kind === 'missing' && at.getTime() >= sinceMs)
  return {
    byStation: ratesBy(
      chips.map(({ stationId }) => stationId),
      1,
    ).map(({ key, ...rate }) => ({ stationId: key, ...rate })),
    byCause: ratesBy(
      chips.map(({ cause }) => cause),
      1,
    ).map(({ key, ...rate }) => ({ cause: key, ...rate })),
    cells: [...grouped(chips, ({ stationId, cause }) => `${stationId} ${cause ?? ''}`).values()].flatMap((own) =>
      own[0] ? [{ ...own[0], count: own.length }] : [],
    ),
    told: [...grouped(told, ({ cause, place }) => `${cause} ${place}`).values()]
      .flatMap((own) =>
        own[0]
          ? [{ cause: own[0].cause || null, place: own[0].place, ...yearlyRate(Math.min(500, own.length), 1) }]
          : [],
      )
      .sort((a, b) => b.count - a.count),
    lost: yearlyRate(Math.min(500, missed.length), 1),
  }
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
  const events = grouped(await ledgerEvents(db, houseId), ({ knifeId }) => knifeId)
  const work = grouped(
    await stoneWorkBetween(db, houseId, new Date(since), new Date(nowMs + DAY_MS)),
    ({ knifeId }) => knifeId,
  )
  const rate = await invoiceRate(db, houseId)
  const stones = await stonesInStock(db, houseId, nowMs)
  const worn = stonesOf(stones, await stoneTurns(db, houseId), money, since)
  const usage = usageContext(snapshot.context, since - YEAR_MS, nowMs + DAY_MS)
  const services = houseOccurrences(snapshot.context, 'service', since, nowMs).length

  const ofKnife = (view: KnifeView): Ledger['knives'][number] => {
    const own = events.get(view.id) ?? []
    const done = work.get(view.id) ?? []
    const start = newAt(view, own)
    const endMs = view.wornOut ? Date.parse(view.wornOut.middleAt) : null
    const lifeYears = start === null || endMs === null ? null : Math.max(DAY_MS, endMs - start) / YEAR_MS
    const year = {
      purchase:
        view.price === null || lifeYears === null ? null : yearlyCost(view.price, lifeYears, money?.interest ?? 0),
      labour: labourOf(done, money),
      outside: outsideOf(own, money, rate, since),
      stones: (worn.get(view.id) ?? { cost: 0 }).cost,
    }
    const spent = (year.labour ?? 0) + (year.outside ?? 0) + (year.stones ?? 0)
    const total = (year.purchase ?? 0) + asAYear(spent, own[0]?.at.getTime() ?? nowMs, since, nowMs)
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
      stoneMm: worn.get(view.id)?.mm ?? 0,
      wornOut: view.wornOut,
    }
  }
  /** what a grinding cost: the invoice or list price, or the labour of whoever did it here */
  const priceOf = (event: LedgerEvent): number | null => {
    const { minutes } = event.payload
    if (event.kind === 'returned') return invoiceOf(event, money, rate)
    return typeof minutes === 'number' ? labourOf([{ role: event.role, minutes }], money) : null
  }
  const inUse = views.filter(({ status }) => !['retired', 'practice', 'counted'].includes(status))
  const asked = (
    what: Purchase['what'],
    all: readonly { id: string; name: string; price: number | null; when: KnifeView['wornOut'] }[],
  ): Purchase[] => all.flatMap(({ when, ...one }) => (when ? [asPurchase(what, { ...one, when }, nowMs)] : []))
  const purchases = [
    ...asked(
      'knife',
      inUse.map(({ id, code, price, wornOut }) => ({ id, name: code, price, when: wornOut })),
    ),
    ...asked(
      'stone',
      stones.map(({ id, name, runsOut }) => ({ id, name, price: money?.gear[id]?.price ?? null, when: runsOut })),
    ),
    ...asked(
      'supply',
      (await suppliesInStock(db, houseId, nowMs))
        .filter(({ active }) => active)
        .map(({ id, name, price, runsOut }) => ({ id, name, price, when: runsOut })),
    ),
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
  const firstMs = Math.min(nowMs, ...[...events.values()].flatMap(([first]) => first?.at.getTime() ?? []))
  return {
    money,
    since: firstMs > since ? new Date(firstMs).toISOString() : null,
    knives: inUse.map(ofKnife),
    purchases: due,
    expected: expectedCost(purchases),
    grinders: grindersOf(
      views.flatMap(({ id, stationId, type, limitGf }) =>
        grindings(
          (events.get(id) ?? []).map((event) => ({
            kind: event.kind,
            atMs: event.at.getTime(),
            payload: { ...event.payload, price: priceOf(event) },
          })),
          usage.stations.get(stationId) ?? [],
          usage,
          limitGf,
        ).map((one) => ({
          knifeId: id,
          type,
          standIns: inUse.filter((other) => other.id !== id && other.type === type && other.stationId === stationId)
            .length,
          one,
        })),
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
    harms: harmsOf(inUse, events, await harmsSince(db, houseId, new Date(since)), since),
  }
}

/** An amount that nobody touched goes by the rate; one that was written anew is in the new currency already. */
const carried = (before: number | null | undefined, now: number | null, rate: number): number | null =>
  now === null || before !== now ? now : Math.round(100 * now * rate) / 100

function inNewCurrency(before: Money, now: Money, rate: number): Money {
  return {
    ...now,
    hourly: mapValues(now.hourly, (amount, role) => carried(before.hourly[role], amount, rate)),
    grinder: carried(before.grinder, now.grinder, rate),
    dullHour: carried(before.dullHour, now.dullHour, rate),
    gear: mapValues(now.gear, ({ price, newMm }, id) => ({
      price: carried(before.gear[id]?.price, price, rate),
      newMm,
    })),
  }
}

const mapValues = <K extends string, V>(record: Record<K, V>, change: (value: V, key: K) => V): Record<K, V> =>
  Object.fromEntries(Object.entries<V>(record).map(([key, value]) => [key, change(value, key as K)])) as Record<K, V>

/**
 * Keeps what the house says of its money. Where the currency changes every price goes with it, by the rate that is given.
 *
 * @throws Fault `needs-rate` for another currency without one
 */
export async function setMoney(
  db: Database,
  clock: Clock,
  caller: Caller,
  { money, rate }: { readonly money: Money; readonly rate: number | null },
): Promise<Money> {
  const houseId = caller.house.id
  return await changeHouse(db, houseId, async (change) => {
    const before = await findMoney(change, houseId)
    const isOther = before !== null && before.currency !== money.currency
    if (isOther && rate === null)
      throw new Fault('conflict', 'needs-rate', { from: before.currency, to: money.currency })
    const kept = isOther && rate !== null ? inNewCurrency(before, money, rate) : money
    if (isOther && rate !== null) await convertPrices(change, houseId, rate, clock())
    await saveMoney(change, houseId, kept)
    return kept
  })
}
