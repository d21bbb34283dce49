import pg from 'pg'
import { describe, expect, it } from 'vitest'
import { newDatabase } from '../testing/harness'
import { openDatabase } from './database'
import { hostsOf, leadingUrl } from './hosts'

describe('an address with several hosts', () => {
  it('is read as libpq reads it', () => {
    // PostgreSQL 15 manual, 34.1.1.3 Specifying Multiple Hosts
    expect(
      hostsOf('postgresql://me:pw@one:5432,two:5433/house?target_session_attrs=read-write&sslmode=require'),
    ).toEqual([
      'postgresql://me:pw@one:5432/house?sslmode=require',
      'postgresql://me:pw@two:5433/house?sslmode=require',
    ])
    expect(hostsOf('postgres://one/house')).toEqual(['postgres://one/house'])
    expect(hostsOf('not an address, at all')).toEqual(['not an address, at all'])
  })

  it('leads to the one that takes writes: not to who is gone, nor to who only reads', async () => {
    const url = new URL(await newDatabase())
    const address = `127.0.0.1:1,${url.host},127.0.0.1:2`
    const several = url.href.replace(url.host, address)
    expect(new URL(await leadingUrl(several)).host).toBe(url.host)

    const db = openDatabase(several, () => undefined)
    expect((await db.query('select 1 as one')).rows).toEqual([{ one: 1 }])

    const admin = new pg.Client({ connectionString: url.href })
    await admin.connect()
    await admin.query(`alter database ${url.pathname.slice(1)} set default_transaction_read_only = on`)
    await expect(leadingUrl(several)).rejects.toMatchObject({ code: '57P03' })
    // connections that were opened before go on; one that finds itself reading only is let go, and the leader looked for
    await admin.query(
      `select pg_terminate_backend(pid) from pg_stat_activity where pid <> pg_backend_pid() and datname = current_database()`,
    )
    await expect(db.query('create table nowhere (id int)')).rejects.toMatchObject({ key: 'database-away' })
    await admin.query('set default_transaction_read_only = off')
    await admin.query(`alter database ${url.pathname.slice(1)} set default_transaction_read_only = off`)
    await admin.end()
    await db.query('create table somewhere (id int)')
    await db.close()
  })
})
