import { statfs } from 'node:fs/promises'
import type { Express } from 'express'
import type { Database } from './db/database'
import type { Listener } from './db/listen'
import { takesChanges } from './db/queries/house/houses'
import type { Queue } from './jobs/queue'
import { Fault } from './faults'

/** Free room below which a database soon stops writing, bytes (assumed: a day of a large house with its backups). */
const LITTLE_ROOM = 500 * 1024 ** 2

/** What a server says of itself, part by part, so that whoever looks after it knows where to look. */
export interface Health {
  /** `well` when everything below is */
  readonly status: 'well' | 'limping'
  /** whether the database takes changes, or only answers questions since another one leads */
  readonly writing: boolean
  /** whether changes made on other servers are heard */
  readonly listening: boolean
  /** whether long work is taken up; `idle` where there was none yet */
  readonly queue: 'idle' | 'open' | 'stumbled'
  /** free room where the data lives, bytes; null where the data lives elsewhere */
  readonly freeBytes: number | null
}

export interface HealthParts {
  readonly db: Database
  readonly listener: Listener
  readonly queue: Queue
  readonly dataDirectory: string | undefined
}

/** @throws Fault `database-away` when the database does not answer at all */
export async function healthOf({ db, listener, queue, dataDirectory }: HealthParts): Promise<Health> {
  const disk = dataDirectory ? await statfs(dataDirectory).catch(() => null) : null
  const freeBytes = disk && disk.bavail * disk.bsize
  const parts = { writing: await takesChanges(db), listening: listener.isListening(), queue: queue.state(), freeBytes }
  const isWell =
    parts.writing && parts.listening && parts.queue !== 'stumbled' && (freeBytes === null || freeBytes > LITTLE_ROOM)
  return { status: isWell ? 'well' : 'limping', ...parts }
}

/** `/api/health` for people and machines that look; `/api/ready` for whoever sends requests here, or elsewhere. */
export function mountHealth(app: Express, parts: HealthParts): void {
  app.get('/api/health', (_request, response, next) => {
    healthOf(parts).then((health) => response.json(health), next)
  })
  app.get('/api/ready', (_request, response, next) => {
    healthOf(parts)
      .then(({ writing, listening }) => {
        if (!writing || !listening) throw new Fault('unavailable', 'not-ready')
        response.json({ status: 'ready' })
      })
      .catch(next)
  })
}
