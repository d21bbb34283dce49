import pg from 'pg'

const ASK_MS = 2000
const URL_PARTS = /^(?<scheme>postgres(?:ql)?:\/\/)(?<who>[^@/]*@)?(?<hosts>[^/?]*)(?<rest>.*)$/

/**
 * One address for each host of a connection string that names several, as libpq writes them
 * (`postgres://me@one:5432,two:5432/yorvik?target_session_attrs=read-write`).
 */
export function hostsOf(url: string): string[] {
  const { scheme, who = '', hosts = '', rest = '' } = URL_PARTS.exec(url)?.groups ?? {}
  const names = hosts.split(',')
  if (scheme === undefined || names.length < 2) return [url]
  // which of them is wanted is asked of each, and means nothing to the driver
  const [path = '', query = ''] = rest.split('?')
  const left = new URLSearchParams(query)
  left.delete('target_session_attrs')
  const asked = left.size > 0 ? `?${left.toString()}` : ''
  return names.map((name) => `${scheme}${who}${name}${path}${asked}`)
}

/** @throws Error where it does not answer, or only reads */
async function takesWrites(url: string): Promise<string> {
  const client = new pg.Client({ connectionString: url, connectionTimeoutMillis: ASK_MS, query_timeout: ASK_MS })
  client.on('error', () => undefined)
  try {
    await client.connect()
    const { rows } = await client.query<{ reads: boolean }>(
      `select pg_is_in_recovery() or current_setting('transaction_read_only') = 'on' as reads`,
    )
    if (rows[0]?.reads !== false) throw new Error('it only reads')
    return url
  } finally {
    await client.end().catch(() => undefined)
  }
}

/** No host of several takes writes: a new one is being chosen, or none is there. */
class NobodyLeads extends Error {
  readonly code = '57P03'
}

/**
 * The address of whichever host takes writes now; the address itself where it names one.
 *
 * @throws Error of class 57P (the database is away) where none does
 */
export async function leadingUrl(url: string): Promise<string> {
  const hosts = hostsOf(url)
  if (hosts.length < 2) return url
  try {
    return await Promise.any(hosts.map(takesWrites))
  } catch (error) {
    throw new NobodyLeads('none of the hosts takes writes', { cause: error })
  }
}
