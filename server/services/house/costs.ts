import type { KnifeView } from '../../../contract/knives'
import type { Money } from '../../../contract/ledger'
import type { StoneStock } from '../../../contract/stock'
import type { PersonRole } from '../../../core/house/rights'
import { DAY_MS } from '../../../core/time'
import type { Queryable } from '../../db/database'
import { currencyChanges, type LedgerEvent, type StoneWork } from '../../db/queries/house/money'

const HOUR_MINUTES = 60
/** A stone takes so many knives where nobody has measured it (assumed). */
const KNIVES_A_STONE = 400

/** When a knife was new: bought, or brought in as new; null where it came used and nobody has said how old. */
export function newAt({ boughtOn }: Pick<KnifeView, 'boughtOn'>, events: readonly LedgerEvent[]): number | null {
  if (boughtOn !== null) return Date.parse(`${boughtOn}T12:00:00Z`)
  const added = events.find(({ kind }) => kind === 'added')
  return added?.payload['condition'] === 'new' ? added.at.getTime() : null
}

/** What labour on a knife cost; null while somebody's wage is unknown. */
export function labourOf(
  work: readonly Pick<StoneWork, 'role' | 'minutes'>[],
  money: Pick<Money, 'hourly'> | null,
): number | null {
  let sum = 0
  for (const { role, minutes } of work) {
    const hour = role === null ? null : (money?.hourly[role as PersonRole] ?? null)
    if (hour === null && minutes > 0) return null
    sum += ((hour ?? 0) * minutes) / HOUR_MINUTES
  }
  return sum
}

/** What an amount of an instant is worth in the currency of now. */
export type InvoiceRate = (atMs: number) => number

export async function invoiceRate(db: Queryable, houseId: string): Promise<InvoiceRate> {
  const changes = await currencyChanges(db, houseId)
  return (atMs) => changes.filter(({ at }) => at.getTime() >= atMs).reduce((worth, { rate }) => worth * Number(rate), 1)
}

/** What one time outside cost, by invoice or else by list; null where it has neither. */
export function invoiceOf(
  event: Pick<LedgerEvent, 'at' | 'payload'>,
  money: Money | null,
  rate: InvoiceRate,
): number | null {
  const { price } = event.payload
  return typeof price === 'number' ? price * rate(event.at.getTime()) : (money?.grinder ?? null)
}

const cameBackGround = ({ kind, payload }: LedgerEvent): boolean => kind === 'returned' && payload['ground'] === true

/** What grinding outside cost since an instant; null where one time has neither invoice nor list price. */
export function outsideOf(
  events: readonly LedgerEvent[],
  money: Money | null,
  rate: InvoiceRate,
  sinceMs: number,
): number | null {
  let sum = 0
  for (const event of events) {
    if (!cameBackGround(event) || event.at.getTime() < sinceMs) continue
    const price = invoiceOf(event, money, rate)
    if (price === null) return null
    sum += price
  }
  return sum
}

/** What stones wore away on each knife since an instant: each turn costs a stone's price over the knives that it takes. */
export function stonesOf(
  stones: readonly StoneStock[],
  turns: readonly { readonly stoneId: string; readonly knifeId: string; readonly at: Date }[],
  money: Money | null,
  sinceMs: number,
): ReadonlyMap<string, { readonly cost: number | null; readonly mm: number }> {
  const byId = new Map(stones.map((stone) => [stone.id, stone]))
  const found = new Map<string, { cost: number | null; mm: number }>()
  for (const { stoneId, knifeId, at } of turns) {
    const stone = byId.get(stoneId)
    if (!stone || at.getTime() < sinceMs) continue
    const { price = null, newMm = null } = money?.gear[stoneId] ?? {}
    const life = newMm !== null && stone.mmAKnife !== null ? Math.max(1, newMm / stone.mmAKnife) : KNIVES_A_STONE
    const before = found.get(knifeId) ?? { cost: 0, mm: 0 }
    found.set(knifeId, {
      cost: price === null || before.cost === null ? null : before.cost + price / life,
      mm: before.mm + (stone.mmAKnife ?? 0),
    })
  }
  return found
}

export const YEAR_MS = 365 * DAY_MS
const MONTH_MS = YEAR_MS / 12

/**
 * What was spent since an instant, as a year of it: by the time that a knife's log covers, a month at least, so that a
 * short log makes no cheap knife.
 */
export function asAYear(spent: number, firstMs: number, sinceMs: number, nowMs: number): number {
  return (spent * YEAR_MS) / Math.max(MONTH_MS, nowMs - Math.max(sinceMs, firstMs))
}
