import { DAY_MS } from '../../core/time'
import type { KeptBackup } from './backup'

/** Newest of each of the last days that have one, and of each of the last weeks. */
export const KEPT = { days: 7, weeks: 8 } as const
export const EVERY_MS = DAY_MS

const dayOf = ({ at }: KeptBackup): string => at.toISOString().slice(0, 10)
/** Weeks are counted from a Monday long ago. */
const weekOf = ({ at }: KeptBackup): string => String(Math.floor((at.getTime() / DAY_MS + 3) / 7))

/** The newest of each group, of as many groups as are kept. */
function newestOf(backups: readonly KeptBackup[], group: (one: KeptBackup) => string, most: number): KeptBackup[] {
  const found = new Map<string, KeptBackup>()
  for (const one of backups) if (!found.has(group(one))) found.set(group(one), one)
  return [...found.values()].slice(0, most)
}

/** Backups that the rule lets go of. @param backups newest first */
export function letGo(backups: readonly KeptBackup[]): KeptBackup[] {
  const kept = new Set([...newestOf(backups, dayOf, KEPT.days), ...newestOf(backups, weekOf, KEPT.weeks)])
  return backups.filter((one) => !kept.has(one))
}

/** Whether it is time for another. */
export const isDue = (backups: readonly KeptBackup[], now: Date): boolean =>
  backups[0] === undefined || now.getTime() - backups[0].at.getTime() >= EVERY_MS
