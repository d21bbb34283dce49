import pg from 'pg'
import type { Logger } from 'pino'
import { leadingUrl } from './hosts'

type Hear = (payload: string) => void

/** Hears what any server of the same database says on a channel. */
export interface Listener {
  on(channel: string, hear: Hear): () => void
  /** whether the line stands now */
  isListening(): boolean
  close(): Promise<void>
}

const RETRY_MS = 1000
/** How often the line is tried, and how long it may be silent: a host that vanished says nothing at all. */
const HEARTBEAT_MS = 15_000
const SILENCE_MS = 5000

/** Listens on its own connection and opens it again when it breaks. */
export function openListener(
  url: string,
  channels: readonly string[],
  log: Logger,
  { heartbeatMs = HEARTBEAT_MS, silenceMs = SILENCE_MS } = {},
): Listener {
  const ears = new Map<string, Set<Hear>>(channels.map((channel) => [channel, new Set()]))
  let client: pg.Client | null = null
  let retry: NodeJS.Timeout | null = null
  let closed = false
  let isLost = false

  const later = (): void => {
    if (closed || retry) return
    retry = setTimeout(() => {
      retry = null
      void connect()
    }, RETRY_MS)
  }
  /** One line at loss and one at return, however often it is tried in between. */
  const lost = (error?: unknown): void => {
    if (!isLost && !closed) log.warn({ err: error }, 'the line that tells of changes is lost; trying again')
    isLost = true
    later()
  }
  const connect = async (): Promise<void> => {
    let leading: string
    try {
      leading = await leadingUrl(url)
    } catch (error) {
      lost(error)
      return
    }
    if (closed) return
    const next = new pg.Client({
      connectionString: leading,
      connectionTimeoutMillis: silenceMs,
      query_timeout: silenceMs,
      keepAlive: true,
      application_name: 'yorvik-listener',
    })
    let beating: NodeJS.Timeout | undefined
    const end = (error?: unknown): void => {
      clearInterval(beating)
      if (client === next) client = null
      lost(error)
    }
    next.on('error', end)
    next.on('end', () => {
      end()
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
      if (isLost) log.info('the line that tells of changes stands again')
      isLost = false
      let isAsking = false
      beating = setInterval(() => {
        if (isAsking) return
        isAsking = true
        next.query('select 1').then(
          () => {
            isAsking = false
          },
          (error: unknown) => {
            end(error)
            void next.end().catch(() => undefined)
          },
        )
      }, heartbeatMs)
      beating.unref()
    } catch (error) {
      void next.end().catch(() => undefined)
      lost(error)
    }
  }
  void connect()
  return {
    on: (channel, hear) => {
      const set = ears.get(channel)
      set?.add(hear)
      return () => set?.delete(hear)
    },
    isListening: () => client !== null,
    close: async () => {
      closed = true
      if (retry) clearTimeout(retry)
      await client?.end()
    },
  }
}
