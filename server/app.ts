import compression from 'compression'
import express, { type Express } from 'express'
import { rateLimit } from 'express-rate-limit'
import helmet from 'helmet'
import { randomBytes } from 'node:crypto'
import { existsSync, readFileSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import { basename, join } from 'node:path'
import type { Logger } from 'pino'
import { pinoHttp } from 'pino-http'
import sirv from 'sirv'
import { HOUR_MS, MINUTE_MS } from '../core/time'
import { answerFault } from './answerFault'
import { mountChanges } from './changes'
import type { BackupKeeper } from './backup/keepBackups'
import { systemClock, type Clock } from './clock'
import { openDatabase, type Database } from './db/database'
import { openListener } from './db/listen'
import { CHANGES_CHANNEL } from './db/queries/house/houses'
import { Fault } from './faults'
import { mountHealth } from './health'
import { LINES_CHANNEL, openHub } from './instruments/hub'
import { openQueue } from './jobs/queue'
import { mountMetrics } from './metrics'
import { mounter } from './mount'
import { openApi } from './openapi'
import { allowedHostsOnly, ownOriginOnly } from './origin'
import { photoStore } from './photoStore'
import { benchRoutes } from './routes/bench'
import { chainRoutes } from './routes/chain'
import { exchangeRoutes } from './routes/exchange'
import { fleetRoutes } from './routes/fleet'
import { houseRoutes } from './routes/house'
import { logRoutes } from './routes/log'
import { photoRoutes } from './routes/photos'
import { practiceRoutes } from './routes/practice'
import { shelfRoutes } from './routes/shelf'
import { signInRoutes } from './routes/signIn'
import { weekRoutes } from './routes/week'
import type { DemoSignIn } from './services/house/signIn'
import { rebuildInThreads } from './services/log/rebuildInThreads'
import { improveInThread } from './services/week/improveInThread'
import { DOORS_CHANNEL, watchDoors } from './signIn/doors'
import { newCode } from './signIn/secrets'
import { hasSession } from './signIn/sessions'
import { signInTries } from './signIn/tries'
import { sweep } from './sweep'

export interface AppOptions {
  readonly databaseUrl: string
  /** the same database past a pooler, for what holds its connection: hearing of changes, the queue */
  readonly listenUrl?: string | undefined
  readonly log: Logger
  readonly clock?: Clock
  /** folder of the built interface; none in tests of the API alone */
  readonly webRoot?: string
  readonly demo?: DemoSignIn | null
  /** sign-in and first-run requests allowed from one address in a minute */
  readonly doorRequestsPerMinute?: number
  /** proxies between clients and this server that say who asks and whether by TLS; 0 believes nobody */
  readonly trustProxy?: number
  /** host names this server answers to; any where none are named */
  readonly allowedHosts?: readonly string[]
  /** where the database keeps its data, for its free room; none where it lives elsewhere */
  readonly dataDirectory?: string | undefined
  /** folder for the bytes of pictures; in the database without one */
  readonly photoDirectory?: string | undefined
  /** bearer token of whoever collects `/api/metrics`; without one there are none */
  readonly metricsToken?: string | undefined
  /** backups that are made beside it; none where somebody else looks after the database */
  readonly backups?: BackupKeeper | null
  /** what the first page asks for before it makes the house; a new one unless given */
  readonly setUpCode?: string
}

export interface RunningApp {
  readonly server: Server
  readonly db: Database
  readonly setUpCode: string
  close(): Promise<void>
}

const SWEEP_MS = HOUR_MS
/** How long a server that is asked to go answers what it has begun. */
const GRACE_MS = 5000
/** ms a connection may lie unused before it is closed */
const IDLE_CONNECTION_MS = 75_000
/** Asked every few seconds by whatever looks after a server: not worth a line each. */
const QUIET = new Set(['/api/health', '/api/ready', '/api/metrics'])

/** What the build writes where each page's own nonce belongs. */
const NONCE_PLACE = 'YORVIK_NONCE'
/** The one style element that the drag library puts in without a nonce: how a lifted thing lies over the page. */
const DRAG_STYLE = "'sha256-IGSN5iWLQXCIjzJGhXO5BS4UV1vNCSEQIjjiRNAmSv0='"

const nonces = new WeakMap<object, string>()

function nonceOf(response: object): string {
  const known = nonces.get(response) ?? randomBytes(16).toString('base64')
  nonces.set(response, known)
  return known
}

/** A browser that once came by TLS comes by nothing else for so long, seconds (RFC 6797). */
/** Screens that begin with the whole fleet. */
const FIRST_SCREENS: ReadonlySet<string> = new Set(['/', '/today', '/rack'])
const YEAR_S = 365 * 24 * 3600

function secure(app: Express, { trustProxy = 0, allowedHosts = [] }: AppOptions): void {
  app.disable('x-powered-by')
  app.set('trust proxy', trustProxy)
  app.use(allowedHostsOnly(allowedHosts))
  app.use(
    helmet({
      contentSecurityPolicy: {
        useDefaults: false,
        directives: {
          defaultSrc: ["'none'"],
          scriptSrc: ["'self'"],
          // the control library writes a few style elements of its own, under this page's nonce
          styleSrc: ["'self'", (_request, response) => `'nonce-${nonceOf(response)}'`, DRAG_STYLE],
          imgSrc: ["'self'", 'data:'],
          fontSrc: ["'self'"],
          connectSrc: ["'self'"],
          manifestSrc: ["'self'"],
          workerSrc: ["'self'"],
          baseUri: ["'none'"],
          formAction: ["'self'"],
          frameAncestors: ["'none'"],
        },
      },
      // said only where a proxy in front of it speaks TLS; by plain HTTP browsers do not listen to it
      strictTransportSecurity: trustProxy > 0 ? { maxAge: YEAR_S, includeSubDomains: false } : false,
      crossOriginEmbedderPolicy: false,
    }),
  )
  app.use(ownOriginOnly)
}

function serveWeb(app: Express, webRoot: string): void {
  // sirv knows the files of its start: one that a newer build took away meanwhile is not there, and ends no server
  app.use('/assets', (request, _response, next) => {
    const isThere = existsSync(join(webRoot, 'assets', basename(request.path)))
    next(isThere ? undefined : new Fault('not-found', 'no-address'))
  })
  // compressed when it was built, not with every request
  app.use('/assets', sirv(join(webRoot, 'assets'), { gzip: true, etag: true, immutable: true, maxAge: YEAR_S }))
  app.use(express.static(webRoot, { index: false, maxAge: 0 }))
  const page = readFileSync(join(webRoot, 'index.html'), 'utf8')
  // whoever is signed in will ask for these once the script runs: their browser may ask while it loads
  const ahead = ['/api/session', '/api/fleet'].map(
    (href) => `<link rel="preload" as="fetch" crossorigin href="${href}" />`,
  )
  const signedInPage = page.replace('</title>', `</title>${ahead.join('')}`)
  app.get(/^\/(?!api\/|assets\/).*/, (request, response) => {
    response.setHeader('Cache-Control', 'no-store')
    const isFirst = FIRST_SCREENS.has(request.path) && hasSession(request)
    response.type('html').send((isFirst ? signedInPage : page).replaceAll(NONCE_PLACE, nonceOf(response)))
  })
}

/** Assembles the whole server; it listens when the caller says so. */
export function makeApp(options: AppOptions): RunningApp {
  const {
    databaseUrl,
    log,
    dataDirectory,
    clock = systemClock,
    webRoot,
    demo = null,
    doorRequestsPerMinute = 60,
    setUpCode = newCode(),
  } = options
  const photos = photoStore(options.photoDirectory ?? null)
  const db = openDatabase(databaseUrl, (error) => {
    log.warn({ err: error }, 'an idle database connection was lost')
  })
  const listener = openListener(options.listenUrl ?? databaseUrl, [CHANGES_CHANNEL, LINES_CHANNEL, DOORS_CHANNEL], log)
  const doors = watchDoors(listener)
  const app = express()
  const server = createServer(app)
  // longer than proxies and browsers keep a connection they do not use: with Node's 5 s, one is closed under a request
  server.keepAliveTimeout = IDLE_CONNECTION_MS
  server.headersTimeout = IDLE_CONNECTION_MS + 1000
  const hub = openHub(server, db, clock, listener, doors, options.allowedHosts)
  const queue = openQueue({
    databaseUrl: options.listenUrl ?? databaseUrl,
    db,
    log,
    run: {
      rebuild: (task) => rebuildInThreads(databaseUrl, db, task),
      // its server went in the middle, and its change with it: nothing came of it
      import: () => Promise.resolve(false),
      'improve-plan': (task) => improveInThread({ ...task, databaseUrl, nowMs: clock().getTime() }, db),
    },
  })

  app.use(
    pinoHttp({
      logger: log,
      autoLogging: { ignore: (request) => !request.url?.startsWith('/api/') || QUIET.has(request.url) },
      serializers: { req: ({ id, method, url }) => ({ id, method, url }), res: ({ statusCode }) => ({ statusCode }) },
    }),
  )
  secure(app, options)
  mountMetrics(app, { db, listener, token: options.metricsToken })
  app.use(
    compression({
      filter: (request, response) => request.path !== '/api/changes' && compression.filter(request, response),
    }),
  )
  app.use('/api', (_request, response, next) => {
    // an answer that may be asked for again says so itself
    response.setHeader('Cache-Control', 'no-store')
    next()
  })
  app.post(
    ['/api/session', '/api/session/pin', '/api/session/code', '/api/me/houses', '/api/first-run'],
    rateLimit({
      windowMs: MINUTE_MS,
      limit: doorRequestsPerMinute,
      standardHeaders: 'draft-8',
      legacyHeaders: false,
      handler: (_request, _response, next) => {
        next(new Fault('too-many-tries', 'too-many-requests'))
      },
    }),
  )
  mountHealth(app, { db, listener, queue, dataDirectory })
  app.get('/api/openapi.json', (_request, response) => {
    response.json(openApi())
  })

  const mount = mounter(app, db, clock)
  const tries = signInTries(db)
  const door = { db, clock, tries, demo }
  signInRoutes(mount, door, setUpCode)
  chainRoutes(mount, door, options.backups ?? null)
  logRoutes(mount, db, clock)
  shelfRoutes(mount, db, clock)
  fleetRoutes(mount, db, clock)
  benchRoutes(mount, db, clock)
  photoRoutes(app, mount, db, clock, photos)
  practiceRoutes(mount, db, clock)
  weekRoutes(app, mount, db, clock, queue)
  houseRoutes(mount, db, clock, tries, queue, options.backups ?? null)
  exchangeRoutes(app, mount, db, clock, photos)
  mountChanges(app, db, clock, listener, doors)
  app.use('/api', (_request, _response, next) => {
    next(new Fault('not-found', 'no-address'))
  })
  if (webRoot && existsSync(webRoot)) serveWeb(app, webRoot)
  app.use(answerFault(log))

  const sweeping = setInterval(() => {
    sweep(db, clock(), photos).catch((error: unknown) => {
      log.warn({ err: error }, 'what has expired could not be swept away')
    })
  }, SWEEP_MS)
  sweeping.unref()
  return {
    server,
    db,
    setUpCode,
    close: async () => {
      clearInterval(sweeping)
      // nothing new comes in; streams end, and what is being answered is answered
      doors.close()
      hub.close()
      await new Promise<void>((settle) => {
        const patience = setTimeout(() => {
          server.closeAllConnections()
        }, GRACE_MS)
        server.close(() => {
          clearTimeout(patience)
          settle()
        })
        server.closeIdleConnections()
      })
      await queue.close()
      await listener.close()
      await db.close()
    },
  }
}
