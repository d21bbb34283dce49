import type { Express, RequestHandler } from 'express'
import { collectDefaultMetrics, Gauge, Histogram, Registry } from 'prom-client'
import type { Database } from './db/database'
import type { Listener } from './db/listen'
import { Fault } from './faults'
import { sameCode } from './signIn/secrets'

export interface MetricsParts {
  readonly db: Database
  readonly listener: Listener
  /** what whoever collects them has to bring as a bearer token; none are given without one */
  readonly token: string | undefined
}

/** Seconds a request may take, from a read that stands to a plan laid out. */
const SECONDS = [0.01, 0.03, 0.1, 0.3, 1, 3, 10]

/** Figures for Prometheus: requests by address and answer, the database's connections, whether changes are heard, the process. */
export function mountMetrics(app: Express, { db, listener, token }: MetricsParts): void {
  if (!token) return
  const registry = new Registry()
  collectDefaultMetrics({ register: registry })
  const requests = new Histogram({
    name: 'yorvik_request_seconds',
    help: 'Time from a request to its answer',
    labelNames: ['method', 'route', 'status'] as const,
    buckets: SECONDS,
    registers: [registry],
  })
  new Gauge({
    name: 'yorvik_database_connections',
    help: 'Connections to the database, by what they do',
    labelNames: ['state'] as const,
    registers: [registry],
    collect() {
      const { totalCount, idleCount, waitingCount } = db.pool
      this.set({ state: 'busy' }, totalCount - idleCount)
      this.set({ state: 'idle' }, idleCount)
      this.set({ state: 'waited_for' }, waitingCount)
    },
  })
  new Gauge({
    name: 'yorvik_listening',
    help: '1 while changes made on other servers are heard',
    registers: [registry],
    collect() {
      this.set(listener.isListening() ? 1 : 0)
    },
  })
  const measure: RequestHandler = (request, response, next) => {
    const end = requests.startTimer()
    response.on('finish', () => {
      // the address as the contract writes it: no ids, and nothing that somebody made up
      const route = typeof request.route?.path === 'string' ? request.route.path : 'other'
      end({ method: request.method, route, status: String(response.statusCode) })
    })
    next()
  }
  app.use(measure)
  app.get('/api/metrics', (request, response, next) => {
    const [, given = ''] = /^Bearer (\S{1,200})$/.exec(request.headers.authorization ?? '') ?? []
    if (!sameCode(given, token.toLowerCase())) {
      next(new Fault('not-found', 'no-address'))
      return
    }
    registry.metrics().then((text) => response.type(registry.contentType).send(text), next)
  })
}
