import pg from 'pg'
import { Fault } from '../faults'

pg.types.setTypeParser(pg.types.builtins.NUMERIC, Number)
pg.types.setTypeParser(pg.types.builtins.INT8, Number)
pg.types.setTypeParser(pg.types.builtins.DATE, (text) => text)

/** Anything that can run a query: the pool, or one client inside a transaction. */
export interface Queryable {
  query<R extends pg.QueryResultRow>(
    text: string,
    values?: readonly unknown[],
  ): Promise<{ rows: R[]; rowCount: number | null }>
}

export interface Database extends Queryable {
  /** Runs `work` in one transaction: all of it, or nothing. */
  transaction<T>(work: (client: Queryable) => Promise<T>): Promise<T>
  readonly pool: pg.Pool
  close(): Promise<void>
}

const CONNECT_MS = 3000
const STATEMENT_MS = 30_000

/** Codes that say the server is away or going: 08 connection, 57 operator intervention. */
export function isDatabaseAway(error: unknown): boolean {
  if (!(error instanceof Error)) return false
  const code = 'code' in error ? String(error.code) : ''
  return (
    /^(08|57P)/.test(code) ||
    ['ECONNREFUSED', 'ECONNRESET', 'EPIPE', 'ETIMEDOUT', 'ENOTFOUND'].includes(code) ||
    /Connection terminated|timeout exceeded when trying to connect|Client has encountered a connection error/.test(
      error.message,
    )
  )
}

export function openDatabase(url: string, onIdleError: (error: Error) => void): Database {
  const pool = new pg.Pool({
    connectionString: url,
    max: 12,
    connectionTimeoutMillis: CONNECT_MS,
    statement_timeout: STATEMENT_MS,
  })
  // an idle connection that breaks is replaced by the pool at the next query
  pool.on('error', onIdleError)
  const query: Database['query'] = async (text, values) => {
    try {
      return await pool.query(text, values ? [...values] : [])
    } catch (error) {
      throw isDatabaseAway(error) ? new Fault('unavailable', 'database-away') : error
    }
  }
  return {
    pool,
    query,
    close: () => pool.end(),
    transaction: async (work) => {
      let client: pg.PoolClient
      try {
        client = await pool.connect()
      } catch (error) {
        throw isDatabaseAway(error) ? new Fault('unavailable', 'database-away') : error
      }
      let broken: Error | undefined
      const onBreak = (error: Error): void => {
        broken = error
      }
      client.on('error', onBreak)
      try {
        await client.query('begin')
        const result = await work({ query: (text, values) => client.query(text, values ? [...values] : []) })
        await client.query('commit')
        return result
      } catch (error) {
        await client.query('rollback').catch((failure: Error) => {
          broken = failure
        })
        throw isDatabaseAway(error) || broken ? new Fault('unavailable', 'database-away') : error
      } finally {
        client.off('error', onBreak)
        client.release(broken)
      }
    },
  }
}
