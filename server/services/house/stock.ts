import type { NewStockCount, StoneStock, Stock, Supply, SupplyView } from '../../../contract/stock'
import { isStone, THINNEST_STONE_MM } from '../../../core/abrasive/gear'
import { grouped } from '../../../core/group'
import type { WearsOut } from '../../../core/ledger/purchases'
import { stockAhead, stoneEnds, stoneWear, type StoneMeasure, type SupplyKind } from '../../../core/ledger/stock'
import { DAY_MS } from '../../../core/time'
import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database, Queryable } from '../../db/database'
import { listGear } from '../../db/queries/shelf/gear'
import {
  insertStockCount,
  listStockCounts,
  listStoneMeasures,
  listSupplies,
  saveSupply,
  stoneTurns,
  usesSince,
} from '../../db/queries/shelf/supplies'
import { Fault, notFound } from '../../faults'
import type { Caller } from '../../signIn/sessions'
import { CLOCK_SLACK_MS } from '../log/recordEvents'

/** How often something is used is told from the last quarter. */
const SEEN_DAYS = 91
const MONTH_DAYS = 365 / 12

const asBand = (band: WearsOut | null): StoneStock['runsOut'] =>
  band && {
    earlyAt: new Date(band.earlyMs).toISOString(),
    middleAt: new Date(band.middleMs).toISOString(),
    lateAt: new Date(band.lateMs).toISOString(),
  }

/** What of the log uses up a kind of supply. */
const usesOf = (kind: SupplyKind, uses: Awaited<ReturnType<typeof usesSince>>): number =>
  ({ paste: uses.stropped, oil: uses.sharpened, label: uses.added, 'test-line': uses.readings, other: 0 })[kind]

/** Stones by what was measured of them and how many knives have been over them. */
export async function stonesInStock(db: Queryable, houseId: string, nowMs: number): Promise<StoneStock[]> {
  const turns = grouped(await stoneTurns(db, houseId), ({ stoneId }) => stoneId)
  const measured = grouped(await listStoneMeasures(db, houseId), ({ gearId }) => gearId)
  return (await listGear(db, houseId))
    .filter(({ active, kind }) => active && isStone(kind))
    .map(({ id, name, kind }) => {
      const own = turns.get(id) ?? []
      const measures = measured.get(id) ?? []
      const knivesBy = (atMs: number): number => own.filter(({ at }) => at.getTime() <= atMs).length
      const known = measures.map(({ at, mm }): StoneMeasure => ({ mm, knives: knivesBy(at.getTime()) }))
      // a plate loses its grains and not its thickness
      const wear = kind === 'diamond-plate' ? null : stoneWear(known, own.length, THINNEST_STONE_MM)
      const perDay = (own.length - knivesBy(nowMs - SEEN_DAYS * DAY_MS)) / SEEN_DAYS
      return {
        id,
        name,
        kind,
        measures: measures.map(({ at, mm }) => ({ at: at.toISOString(), mm })),
        nowMm: wear?.nowMm ?? null,
        mmAKnife: wear?.mmAKnife ?? null,
        measured: wear?.measured ?? false,
        knivesLeft: wear ? Math.round(wear.knivesLeft) : null,
        knivesPerMonth: perDay * MONTH_DAYS,
        runsOut: asBand(wear && stoneEnds(wear, perDay, nowMs)),
      }
    })
}

/** Supplies by their counts, or by what the log says was done with them. */
export async function suppliesInStock(db: Queryable, houseId: string, nowMs: number): Promise<SupplyView[]> {
  const counts = grouped(await listStockCounts(db, houseId), ({ supplyId }) => supplyId)
  const uses = await usesSince(db, houseId, new Date(nowMs - SEEN_DAYS * DAY_MS))
  return (await listSupplies(db, houseId)).map((supply) => {
    const own = counts.get(supply.id) ?? []
    const ahead = stockAhead(
      own.map(({ at, left, added }) => ({ atMs: at.getTime(), left, added })),
      nowMs,
      usesOf(supply.kind, uses) / SEEN_DAYS,
      supply.usesEach,
    )
    return {
      ...supply,
      counts: own.map(({ id, at, left, added }) => ({ id, at: at.toISOString(), left, added })),
      left: ahead?.left ?? null,
      perMonth: ahead?.perDay ? ahead.perDay * MONTH_DAYS : null,
      by: ahead?.by ?? 'nothing',
      runsOut: asBand(ahead?.runsOut ?? null),
    }
  })
}

export async function readStock(db: Queryable, clock: Clock, { house }: Caller): Promise<Stock> {
  const nowMs = clock().getTime()
  return {
    supplies: await suppliesInStock(db, house.id, nowMs),
    stones: await stonesInStock(db, house.id, nowMs),
  }
}

/** Adds something to keep a stock of, or changes what is said of it. */
export async function setSupply(
  db: Database,
  clock: Clock,
  caller: Caller,
  id: string,
  supply: Supply,
): Promise<Stock> {
  const houseId = caller.house.id
  return await changeHouse(
    db,
    houseId,
    async (change) => {
      change.nothingNew()
      await saveSupply(change, houseId, { ...supply, id })
      return await readStock(change, clock, caller)
    },
    { name: supply.name },
  )
}

/** @throws Fault for a supply of no house, or a look that has yet to come or lies before the last one */
export async function countSupply(
  db: Database,
  clock: Clock,
  caller: Caller,
  id: string,
  count: NewStockCount,
): Promise<Stock> {
  const houseId = caller.house.id
  if (Date.parse(count.at) > clock().getTime() + CLOCK_SLACK_MS)
    throw new Fault('invalid', 'future-event', { at: count.at })
  return await changeHouse(db, houseId, async (change) => {
    change.nothingNew()
    if (!(await listSupplies(change, houseId)).some((supply) => supply.id === id)) throw notFound('supply')
    await insertStockCount(change, houseId, id, count)
    return await readStock(change, clock, caller)
  })
}
