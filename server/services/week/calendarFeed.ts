import { MINUTE_MS } from '../../../core/time'

/** Something that stands in a person's calendar. */
export interface FeedItem {
  readonly uid: string
  readonly startMs: number
  readonly endMs: number
  readonly summary: string
  readonly description: string
  readonly location: string
}

/** What one accepted plan put into it. */
export interface FeedVersion {
  readonly version: number
  readonly acceptedMs: number
  readonly items: readonly FeedItem[]
}

export interface FeedEntry extends FeedItem {
  /** number of its revision (RFC 5545, 3.8.7.4): higher only where something of it changed */
  readonly sequence: number
  readonly stampMs: number
  readonly cancelled: boolean
}

/** Calendars show whole minutes; so do sessions in them. */
export const wholeMinute = (ms: number): number => Math.round(ms / MINUTE_MS) * MINUTE_MS

const isSame = (a: FeedItem | undefined, b: FeedItem): boolean =>
  a !== undefined && (Object.keys(b) as (keyof FeedItem)[]).every((key) => a[key] === b[key])

/**
 * A person's calendar as the plans accepted one after another make it. What stands is sent as it stands; what stood in
 * an earlier plan, or has been done before its time, is sent as cancelled until it would be over, since a calendar that
 * has taken it in goes on showing it otherwise.
 *
 * @param versions plans by version, oldest first
 * @param isStanding whether an item of the last plan still waits to be done
 */
export function feedOf(
  versions: readonly FeedVersion[],
  isStanding: (uid: string) => boolean,
  nowMs: number,
): FeedEntry[] {
  const byUid = versions.map(({ items }) => new Map(items.map((item) => [item.uid, item])))
  const last = versions.length - 1
  const uids = [...new Set(byUid.flatMap((items) => [...items.keys()]))]
  return uids.flatMap((uid): FeedEntry[] => {
    const latest = byUid.findLastIndex((items) => items.has(uid))
    const item = byUid[latest]?.get(uid)
    if (!item) return []
    let since = latest
    while (since > 0 && isSame(byUid[since - 1]?.get(uid), item)) since--
    const changed = versions[since]
    if (!changed) return []
    const cancelled = latest < last || !isStanding(uid)
    if (cancelled && item.endMs <= nowMs) return []
    // even numbers are of plans, the odd one after is of its being called off
    const sequence = 2 * changed.version + (cancelled ? 1 : 0)
    const stampMs = cancelled ? (versions[latest + 1] ?? changed).acceptedMs : changed.acceptedMs
    return [{ ...item, sequence, stampMs, cancelled }]
  })
}
