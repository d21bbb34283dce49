import { setTimeout as pause } from 'node:timers/promises'
import pg from 'pg'
import { whoActs } from '../acting'
import { Fault } from '../faults'
import { hostsOf, leadingUrl } from './hosts'
import { refusedValue } from './violations'

pg.types.setTypeParser(pg.types.builtins.NUMERIC, Number)
pg.types.setTypeParser(pg.types.builtins.INT8, Number)
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text)

/** Anything that can run a query: the pool, or one client inside a transaction. */
export interface Queryable {
  query<R extends pg.QueryResultRow>(
    text: string,
    values?: readonly unknown[],
  ): Promise<{ rows: R[]; rowCount: number | null }>
  /**
   * The row of a query that always gives exactly one.
   *
   * @throws Error when it gives none or several: the code, or the schema, is wrong
   */
  one<R extends pg.QueryResultRow>(text: string, values?: readonly unknown[]): Promise<R>
  /**
   * The row of a query that gives one or none.
   *
   * @throws Error when it gives several
   */
  maybeOne<R extends pg.QueryResultRow>(text: string, values?: readonly unknown[]): Promise<R | null>
}

export interface Database extends Queryable {
  /**
   * Runs `work` in one transaction: all of it, or nothing. What the server rolled back through no fault of the
   * work (two transactions in each other's way, a connection lost before the commit was sent) is run again, a
   * bounded number of times; `work` may therefore run more than once and has to keep its effects to its client.
   *
   * @throws Fault `database-away` when the database cannot be reached, or did not say whether it committed
   */
  transaction<T>(work: (client: Queryable) => Promise<T>): Promise<T>
  readonly pool: pg.Pool
  close(): Promise<void>
}

const CONNECT_MS = 3000
const STATEMENT_MS = 30_000
/** A server that vanished without a word answers no statement, not even with a refusal. */
const SILENCE_MS = STATEMENT_MS + 5000
const MOST_ATTEMPTS = 4
const FIRST_PAUSE_MS = 25

const codeOf = (error: unknown): string => (error instanceof Error && 'code' in error ? String(error.code) : '')

/**
 * Codes that say the server is away, going or full, by PostgreSQL's appendix A: 08 connection, 53 insufficient resources
 * (slots, memory, disk), 57P operator intervention, 57014 a statement that took too long, 25006 a server that only reads
 * since another one leads.
 */
const AWAY_CODE = /^(08...|53...|57P..|57014|25006)$/
const TOOK_TOO_LONG = '57014'
/** What the system says of a host that is gone. */
const GONE = new Set([
  'ECONNREFUSED',
  'ECONNRESET',
  'EPIPE',
  'ETIMEDOUT',
  'ENOTFOUND',
  'EAI_AGAIN',
  'EHOSTUNREACH',
  'EHOSTDOWN',
  'ENETUNREACH',
])
const GONE_WORDS =
  /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error|Query read timeout/

/** Whether an error says that the database is away, full or about to go: kept and tried again, never unexpected. */
export function isDatabaseAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false
  const code = codeOf(error)
  return AWAY_CODE.test(code) || GONE.has(code) || GONE_WORDS.test(error.message)
}

/** Two transactions stood in each other's way and the server undid this one: serialization failure, deadlock. */
const wasRolledBack = (error: unknown): boolean => ['40001', '40P01'].includes(codeOf(error))

/** What a failed query tells the one who asked. */
function queryFault(error: unknown): unknown {
  if (isDatabaseAway(error)) return new Fault('unavailable', 'database-away')
  if (wasRolledBack(error)) return new Fault('unavailable', 'database-busy')
  return refusedValue(error) ?? error
}

function queryable(run: Queryable['query']): Queryable {
  const maybeOne: Queryable['maybeOne'] = async <R extends pg.QueryResultRow>(
    text: string,
    values?: readonly unknown[],
  ) => {
    const { rows } = await run<R>(text, values)
    if (rows.length > 1) throw new Error(`a query that gives one row gave ${rows.length}: ${text}`)
    return rows[0] ?? null
  }
  return {
    query: run,
    maybeOne,
    one: async <R extends pg.QueryResultRow>(text: string, values?: readonly unknown[]) => {
      const row = await maybeOne<R>(text, values)
      if (row === null) throw new Error(`a query that gives one row gave none: ${text}`)
      return row
    },
  }
}

/** Whom a connection serves just now. */
const serves = new WeakMap<pg.PoolClient, string>()

/** A pool, and how it finds the host that leads where there are several. */
interface Connections {
  readonly pool: pg.Pool
  /** looks for it anew; true where another host leads now */
  readonly aim: () => Promise<boolean>
  /** whether the host it goes to was found to lead no more */
  isStale: boolean
}

/** A connection to whoever leads: where the one that did is gone, the others are asked. */
async function connect(connections: Connections): Promise<pg.PoolClient> {
  const { pool, aim } = connections
  if (connections.isStale) await aim()
  connections.isStale = false
  try {
    return await pool.connect()
  } catch (error) {
    if (!isDatabaseAway(error) || !(await aim())) throw error
    return await pool.connect()
  }
}

/** A server that leads no more only reads: its connections are no use. */
const READS_ONLY = '25006'
const isUseless = (error: unknown): boolean => codeOf(error) === READS_ONLY || GONE_WORDS.test(String(error))

/** A connection that sees what whoever acts may see, one house, or everything for the server itself; and knows who it is. */
async function connectFor(connections: Connections): Promise<pg.PoolClient> {
  const client = await connect(connections)
  const who = whoActs()
  const [houseId, personId, deviceId] = [who?.houseId ?? '', who?.personId ?? '', who?.deviceId ?? '']
  const wanted = `${houseId}/${personId}/${deviceId}`
  if ((serves.get(client) ?? '//') === wanted) return client
  try {
    await client.query(
      `select set_config('role', $1, false), set_config('yorvik.house', $2, false),
              set_config('yorvik.person', $3, false), set_config('yorvik.device', $4, false)`,
      [houseId === '' ? 'none' : 'yorvik_house', houseId, personId, deviceId],
    )
    serves.set(client, wanted)
    return client
  } catch (error) {
    // nobody knows what it would show now
    client.release(true)
    throw error
  }
}

/** How one attempt at a transaction went; `again` says that it may be tried anew. */
type Attempt<T> = { readonly value: T } | { readonly error: unknown; readonly again: boolean }

async function attempt<T>(connections: Connections, work: (client: Queryable) => Promise<T>): Promise<Attempt<T>> {
  let client: pg.PoolClient
  try {
    client = await connectFor(connections)
  } catch (error) {
    return { error, again: false }
  }
  let broken: Error | undefined
  let committing = false
  const onBreak = (error: Error): void => {
    broken = error
  }
  client.on('error', onBreak)
  try {
    await client.query('begin')
    const value = await work(queryable((text, values) => client.query(text, values ? [...values] : [])))
    committing = true
    await client.query('commit')
    return { value }
  } catch (error) {
    // a server that fell silent would not answer this either
    connections.isStale ||= codeOf(error) === READS_ONLY
    if (isUseless(error)) broken ??= error instanceof Error ? error : undefined
    else
      await client.query('rollback').catch((failure: Error) => {
        broken = failure
      })
    const isAway = broken !== undefined || isDatabaseAway(error)
    // whether a commit that was sent went through nobody can say: only its sender's ids make sending it again safe
    return {
      error: isAway ? new Fault('unavailable', committing ? 'commit-unknown' : 'database-away') : error,
      again: wasRolledBack(error) || (isAway && !committing && codeOf(error) !== TOOK_TOO_LONG),
    }
  } finally {
    client.off('error', onBreak)
    client.release(broken)
  }
}

/** @param isPatient whether its statements may take as long as they need: for work that reads everything */
export function openDatabase(url: string, onIdleError: (error: Error) => void, { isPatient = false } = {}): Database {
  const hosts = hostsOf(url)
  const pool = new pg.Pool({
    connectionString: hosts[0],
    max: 12,
    connectionTimeoutMillis: CONNECT_MS,
    ...(isPatient
      ? {}
      : {
          statement_timeout: STATEMENT_MS,
          query_timeout: SILENCE_MS,
          idle_in_transaction_session_timeout: SILENCE_MS,
        }),
    keepAlive: true,
    keepAliveInitialDelayMillis: 10_000,
    application_name: 'yorvik',
  })
  // an idle connection that breaks is replaced by the pool at the next query
  pool.on('error', onIdleError)
  const connections: Connections = {
    pool,
    isStale: false,
    aim: async () => {
      if (hosts.length < 2) return false
      const leading = await leadingUrl(url)
      const isAnother = pool.options.connectionString !== leading
      pool.options.connectionString = leading
      return isAnother
    },
  }
  const run: Queryable['query'] = async (text, values) => {
    let broken: Error | undefined
    const onBreak = (error: Error): void => {
      broken = error
    }
    let client: pg.PoolClient | undefined
    try {
      client = await connectFor(connections)
      client.on('error', onBreak)
      return await client.query(text, values ? [...values] : [])
    } catch (error) {
      connections.isStale ||= codeOf(error) === READS_ONLY
      if (isUseless(error)) broken ??= error instanceof Error ? error : undefined
      throw queryFault(error)
    } finally {
      client?.off('error', onBreak)
      client?.release(broken)
    }
  }
  return {
    pool,
    ...queryable(run),
    close: () => pool.end(),
    transaction: async (work) => {
      for (let tried = 1; ; tried++) {
        const outcome = await attempt(connections, work)
        if ('value' in outcome) return outcome.value
        if (!outcome.again || tried === MOST_ATTEMPTS) throw queryFault(outcome.error)
        await pause(FIRST_PAUSE_MS * 2 ** (tried - 1))
      }
    },
  }
}
