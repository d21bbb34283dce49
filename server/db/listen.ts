import pg from 'pg'
import type { Logger } from 'pino'

type Hear = (payload: string) => void

/** Hears what any server of the same database says on a channel. */
export interface Listener {
  on(channel: string, hear: Hear): () => void
  close(): Promise<void>
}

const RETRY_MS = 1000

/** Listens on its own connection and opens it again when it breaks. */
export function openListener(url: string, channels: readonly string[], log: Logger): Listener {
  const ears = new Map<string, Set<Hear>>(channels.map((channel) => [channel, new Set()]))
  let client: pg.Client | null = null
  let retry: NodeJS.Timeout | null = null
  let closed = false

  const later = (): void => {
    if (closed || retry) return
    retry = setTimeout(() => {
      retry = null
      void connect()
    }, RETRY_MS)
  }
  const connect = async (): Promise<void> => {
    const next = new pg.Client({ connectionString: url })
    next.on('error', () => {
      client = null
      later()
    })
    next.on('end', () => {
      client = null
      later()
    })
    next.on('notification', ({ channel, payload }) => {
      ears.get(channel)?.forEach((hear) => {
        hear(payload ?? '')
      })
    })
    try {
      await next.connect()
      for (const channel of channels) await next.query(`listen ${next.escapeIdentifier(channel)}`)
      client = next
    } catch (error) {
      if (closed) return
      log.warn({ err: error }, 'cannot listen for changes; trying again')
      await next.end().catch(() => undefined)
      later()
    }
  }
  void connect()
  return {
    on: (channel, hear) => {
      const set = ears.get(channel)
      set?.add(hear)
      return () => set?.delete(hear)
    },
    close: async () => {
      closed = true
      if (retry) clearTimeout(retry)
      await client?.end()
    },
  }
}
