import type { HarmCause } from '../edge/model/events'
import { DAY_MS } from '../time'
import { yearlyRate, type Rate } from './rate'

/** What of a knife's log tells of chips, oldest first. */
export interface ChipEvent {
  readonly kind: string
  readonly atMs: number
  readonly payload: Readonly<Record<string, unknown>>
}

/** Something that was told to have hurt this knife. */
export interface ToldHarm {
  readonly atMs: number
  readonly cause: HarmCause | null
}

export interface FoundChip {
  readonly atMs: number
  readonly cause: HarmCause | null
}

/** A chip that nobody gave a cause has that of an accident told of its knife in the days before (assumed). */
const TOLD_REACH_MS = 7 * DAY_MS

/** Chips that were found: a check that names one after checks that named none; a session on the stones takes it away. */
export function chipsFound(events: readonly ChipEvent[], told: readonly ToldHarm[]): FoundChip[] {
  const found: FoundChip[] = []
  let had = false
  for (const { kind, atMs, payload } of events) {
    if (kind === 'sharpened' || kind === 'returned') had = false
    const defects = payload['defects'] as { readonly chip: { readonly cause?: HarmCause } | null } | undefined
    if (kind !== 'checked' || defects === undefined) continue
    if (defects.chip !== null && !had) {
      const before = told.findLast((harm) => harm.atMs <= atMs && harm.atMs >= atMs - TOLD_REACH_MS)
      found.push({ atMs, cause: defects.chip.cause ?? before?.cause ?? null })
    }
    had = defects.chip !== null
  }
  return found
}

/** Rates are told up to so many a year; beyond it an interval says nothing that the count does not. */
const MOST_COUNTED = 500

/** Counts by a key, most first, each with its rate over so many years. */
export function ratesBy<K>(keys: readonly K[], years: number): (Rate & { readonly key: K })[] {
  const counts = new Map<K, number>()
  for (const key of keys) counts.set(key, (counts.get(key) ?? 0) + 1)
  return [...counts]
    .sort(([, a], [, b]) => b - a)
    .map(([key, count]) => ({ key, ...yearlyRate(Math.min(MOST_COUNTED, count), years) }))
}
