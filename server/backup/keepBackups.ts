import type { Logger } from 'pino'
import { MINUTE_MS } from '../../core/time'
import { listBackups, makeBackup, removeBackup, type BackupAsk, type KeptBackup } from './backup'
import { EVERY_MS, isDue, letGo } from './keepRule'

/** Backups that a server makes of itself. */
export interface BackupKeeper {
  list(): Promise<KeptBackup[]>
  readonly everyMs: number
  close(): Promise<void>
}

export interface KeeperOptions extends Omit<BackupAsk, 'now'> {
  readonly log: Logger
  readonly now: () => Date
  readonly lookMs?: number
}

const LOOK_MS = 10 * MINUTE_MS

/** Makes a backup when one is due, and lets go of those that the rule does not keep. What fails is said once, and tried again. */
export function keepBackups({ log, now, lookMs = LOOK_MS, ...ask }: KeeperOptions): BackupKeeper {
  let work: Promise<void> | null = null
  let isFailing = false
  const look = async (): Promise<void> => {
    try {
      if (!isDue(await listBackups(ask.directory), now())) return
      await makeBackup({ ...ask, now: now() })
      for (const one of letGo(await listBackups(ask.directory))) await removeBackup(one)
      if (isFailing) log.info('backups are made again')
      isFailing = false
    } catch (error) {
      if (!isFailing) log.error({ err: error }, 'a backup could not be made; it is tried again')
      isFailing = true
    }
  }
  const start = (): void => {
    work ??= look().finally(() => {
      work = null
    })
  }
  start()
  const looking = setInterval(start, lookMs)
  looking.unref()
  return {
    list: () => listBackups(ask.directory),
    everyMs: EVERY_MS,
    close: async () => {
      clearInterval(looking)
      await work
    },
  }
}
