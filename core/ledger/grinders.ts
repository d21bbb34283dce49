import type { StationPeriod, UsageContext } from '../edge/log/usage'
import { JUDGED_FROM_HOURS, JUDGED_UNTIL_HOURS, OFF_STONE_HOURS } from '../edge/log/judgeHand'
import { hoursOfService } from '../edge/log/usage'
import { DAY_MS } from '../time'

/** What of a knife's log tells how it was ground, oldest first. */
export interface GroundEvent {
  readonly kind: string
  readonly atMs: number
  readonly payload: Readonly<Record<string, unknown>>
}

/** One time that an edge was ground, outside or in the house. */
export interface Grinding {
  /** whoever it was sent to; null for the house's own hands */
  readonly by: string | null
  readonly before: GroundFrom
  readonly days: number | null
  readonly heightMm: number | null
  /** how much thicker the blade came back behind the edge, mm; below nothing where it was thinned */
  readonly thickerMm: number | null
  readonly freshGf: number | null
  readonly usedGf: number | null
  readonly dps: number | null
  readonly price: number | null
}

/** How an edge was before it was ground. */
export const GROUND_FROM = ['chipped', 'dull', 'worn', 'unknown'] as const
export type GroundFrom = (typeof GROUND_FROM)[number]

/** What the last check before told: a chip, a spot over its limit, or an edge that was only worn. */
export function groundFrom(check: Pick<GroundEvent, 'payload'> | undefined, limitGf: number): GroundFrom {
  const defects = check?.payload['defects'] as { readonly chip: unknown } | undefined
  if (defects && defects.chip !== null) return 'chipped'
  const force = check ? dullest(check) : null
  return force === null ? 'unknown' : force > limitGf ? 'dull' : 'worn'
}

const number = (value: unknown): number | null => (typeof value === 'number' ? value : null)

/** Dullest spot of a check, gf; null where nothing was measured. */
export function dullest({ payload }: Pick<GroundEvent, 'payload'>): number | null {
  const readings = (payload['readings'] ?? []) as readonly { readonly forcesGf: readonly number[] }[]
  const forces = readings.map(
    ({ forcesGf }) => forcesGf.reduce((sum, one) => sum + one, 0) / Math.max(1, forcesGf.length),
  )
  return forces.length === 0 ? null : Math.max(...forces)
}

/**
 * Every grinding of one knife, with what was measured around it: height and thickness before and after, force off the
 * stone and after the hours at which a sharpening is judged.
 */
export function grindings(
  events: readonly GroundEvent[],
  periods: readonly StationPeriod[],
  { services }: UsageContext,
  limitGf: number,
): Grinding[] {
  const found: Grinding[] = []
  let heightMm: number | null = null
  let bteMm: number | null = null
  let out: GroundEvent | null = null
  events.forEach((event, at) => {
    if (event.kind === 'measured') {
      heightMm = number(event.payload['heelHeightMm']) ?? heightMm
      bteMm = number(event.payload['bteMm']) ?? bteMm
    }
    if (event.kind === 'sent-out') out = event
    const isBack = event.kind === 'returned'
    if (event.kind !== 'sharpened' && !(isBack && event.payload['ground'] === true)) return
    const until = events.findIndex((later, place) => place > at && ['sharpened', 'returned'].includes(later.kind))
    const after = events.slice(at + 1, until === -1 ? undefined : until)
    const forceWithin = (fromHours: number, untilHours: number): number | null => {
      const forces = after.flatMap((one) => {
        if (one.kind !== 'checked') return []
        const hours = hoursOfService(periods, services, event.atMs, one.atMs)
        return hours >= fromHours && hours <= untilHours ? (dullest(one) ?? []) : []
      })
      return forces[0] ?? null
    }
    const measuredAfter = (name: 'heelHeightMm' | 'bteMm'): number | null =>
      after.flatMap(({ kind, payload }) => (kind === 'measured' ? (number(payload[name]) ?? []) : []))[0] ?? null
    const heightAfter = measuredAfter('heelHeightMm')
    const bteAfter = number(event.payload['bteMm']) ?? measuredAfter('bteMm')
    const lost = heightMm !== null && heightAfter !== null ? Math.max(0, heightMm - heightAfter) : null
    found.push({
      by: isBack ? String(out?.payload['to'] ?? '') : null,
      before: groundFrom(
        events.slice(0, at).findLast(({ kind }) => kind === 'checked'),
        limitGf,
      ),
      days: isBack && out ? (event.atMs - out.atMs) / DAY_MS : null,
      heightMm: isBack ? lost : (number(event.payload['recessionMm']) ?? number(event.payload['estimateMm']) ?? lost),
      thickerMm: bteMm !== null && bteAfter !== null ? bteAfter - bteMm : null,
      freshGf: forceWithin(0, OFF_STONE_HOURS),
      usedGf: forceWithin(JUDGED_FROM_HOURS, JUDGED_UNTIL_HOURS),
      dps: number(event.payload['dps']),
      price: number(event.payload['price']),
    })
    // work on the faces says itself what it left
    bteMm = number(event.payload['bteMm']) ?? bteMm
  })
  return found
}

/** Mean of what is known; null where nothing is. */
export function meanKnown(values: readonly (number | null)[]): number | null {
  const known = values.filter((value) => value !== null)
  return known.length === 0 ? null : known.reduce((sum, value) => sum + value, 0) / known.length
}
