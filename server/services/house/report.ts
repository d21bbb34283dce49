import type { Report } from '../../../contract/report'
import { startOfDay } from '../../../core/house/serviceClock'
import { silences } from '../../../core/ledger/silence'
import { TYPE_TEMPLATES } from '../../../core/knife/knifeTypes'
import { DAY_MS } from '../../../core/time'
import type { Clock } from '../../clock'
import type { Database } from '../../db/database'
import { listStates } from '../../db/queries/fleet/states'
import {
  checksOf,
  countKinds,
  countsOf,
  incidentsIn,
  linesOf,
  recordedDays,
  washedSessions,
  type MonthLine,
} from '../../db/queries/house/report'
import { findMoney, ledgerEvents, stoneWorkBetween } from '../../db/queries/house/money'
import type { Caller } from '../../signIn/sessions'
import { houseOccurrences, loadHouseContext } from '../log/usageContext'
import { invoiceRate, labourOf, outsideOf } from './costs'
import { sharpServices } from './weeks'

/** The first instant of a month, YYYY-MM, and of the next, in a zone. */
function monthBounds(month: string, zone: string): readonly [number, number] {
  const from = startOfDay(Date.parse(`${month}-01T12:00:00Z`), zone)
  const LONGEST_DAYS = 32
  const next = new Date(Date.parse(`${month}-01T12:00:00Z`) + LONGEST_DAYS * DAY_MS).toISOString().slice(0, 7)
  return [from, startOfDay(Date.parse(`${next}-01T12:00:00Z`), zone)]
}

const asLine = <K extends string>({ kind, at, code, personName, words }: MonthLine) => ({
  kind: kind as K,
  at: at.toISOString(),
  code,
  personName,
  words,
})

/** What the month cost in labour and outside; null where the house has said nothing of its money. */
async function costOf(db: Database, houseId: string, from: Date, until: Date): Promise<Report['cost']> {
  const money = await findMoney(db, houseId)
  if (money === null) return null
  const events = (await ledgerEvents(db, houseId)).filter(({ at }) => at < until)
  return {
    currency: money.currency,
    labour: labourOf(await stoneWorkBetween(db, houseId, from, until), money),
    outside: outsideOf(events, money, await invoiceRate(db, houseId), from.getTime()),
  }
}

/** One month of the house as its log has it; what has yet to come of it is not there. */
export async function readReport(db: Database, clock: Clock, caller: Caller, month: string): Promise<Report> {
  const { house } = caller
  const [fromMs, untilMs] = monthBounds(month, house.zone)
  const [from, until] = [new Date(fromMs), new Date(untilMs)]
  const nowMs = clock().getTime()
  const kinds = await countKinds(db, house.id, from, until)
  const of = (kind: string): number => kinds.get(kind)?.count ?? 0
  const checks = await checksOf(db, house.id, from, until)
  const states = [...(await listStates(db, house.id)).values()]
  const withStatus = (status: string): number => states.filter((state) => state.status === status).length
  const lines = await linesOf(db, house.id, from, until, ['quarantined', 'released', 'retired', 'sent-out', 'returned'])
  const isOut = ({ kind }: MonthLine): boolean => kind === 'sent-out' || kind === 'returned'
  const incidents = await incidentsIn(db, house.id, from, until)
  const counts = await countsOf(db, house.id, from, until)
  const endMs = Math.max(fromMs, Math.min(untilMs, nowMs))
  const services = houseOccurrences(await loadHouseContext(db, house), 'service', fromMs, endMs)
  const recorded = (await recordedDays(db, house.id, house.zone, from, until)).map((at) =>
    startOfDay(at.getTime(), house.zone),
  )
  return {
    month,
    from: from.toISOString(),
    until: until.toISOString(),
    isEmpty: kinds.size === 0 && incidents.length === 0 && counts === 0,
    knives: {
      inService: withStatus('in-service'),
      quarantined: withStatus('quarantined'),
      away: withStatus('away'),
      missing: withStatus('missing'),
    },
    services: services.length,
    sharp: await sharpServices(db, house, fromMs, endMs),
    checks: {
      all: of('checked'),
      within: checks.filter(({ type, dullestGf }) => {
        const { role } = TYPE_TEMPLATES[type as keyof typeof TYPE_TEMPLATES]
        return dullestGf <= house.serviceLimits[role]
      }).length,
      measured: checks.length,
    },
    honings: of('honed'),
    sharpenings: of('sharpened'),
    minutes: Math.round(kinds.get('sharpened')?.minutes ?? 0),
    cost: await costOf(db, house.id, from, until),
    gaps: silences(services, new Set(recorded), house.zone).map(({ fromMs: first, lastMs, services: n }) => ({
      from: new Date(first).toISOString(),
      last: new Date(lastMs).toISOString(),
      services: n,
    })),
    washed: await washedSessions(db, house.id, from, until),
    counts: { all: counts, missing: of('missing'), found: of('found') },
    incidents,
    outOfService: lines.filter((line) => !isOut(line)).map(asLine<'quarantined' | 'released' | 'retired'>),
    sentOut: lines.filter(isOut).map(asLine<'sent-out' | 'returned'>),
  }
}
