import type { Express } from 'express'
import { Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { endpoints } from '../../contract/endpoints'
import { TableName } from '../../contract/exchange'
import type { Say } from '../../words/say'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import { importTable } from '../exchange/importTable'
import { writeTable } from '../exchange/writeTable'
import { Fault } from '../faults'
import type { Mount } from '../mount'
import { assertMay, callerOf } from '../signIn/sessions'

export function exchangeRoutes(app: Express, mount: Mount, db: Database, clock: Clock, say: Say): void {
  mount(endpoints.importTable, ({ caller, params, body }) => importTable(db, clock, say, caller, params.table, body))
  app.get('/api/exchange/:file.csv', (request, response, next) => {
    const send = async (): Promise<void> => {
      const caller = await callerOf(db, clock, request.headers.cookie)
      if (!caller) throw new Fault('not-signed-in', 'not-signed-in')
      assertMay(caller, 'import')
      const table = TableName.parse(request.params.file)
      response.type('text/csv; charset=utf-8').attachment(`yorvik-${table}.csv`)
      await pipeline(Readable.from(writeTable(db, caller, table)), response)
    }
    send().catch(next)
  })
}
