import type { Express, Request, Response } from 'express'
import { once } from 'node:events'
import { PassThrough, Readable } from 'node:stream'
import { pipeline } from 'node:stream/promises'
import { z } from 'zod'
import { endpoints } from '../../contract/endpoints'
import { AS_SPREADSHEET, TableName } from '../../contract/exchange'
import { speaker } from '../../words/say'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import { importTable } from '../exchange/importTable'
import type { PhotoStore } from '../photoStore'
import { bringWholeHouse, wholeHouseFolder, writeWholeHouse } from '../exchange/wholeHouse'
import { writeCsv, writeSpreadsheet, writeTemplate } from '../exchange/writeTable'
import { noteInTrail } from '../db/queries/house/trail'
import { Fault } from '../faults'
import type { Mount } from '../mount'
import { actAs, assertMay, callerOf, type Caller, languageOf } from '../signIn/sessions'

const SpreadsheetName = z.enum(AS_SPREADSHEET)
const XLSX = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet'

/** Files in and out of a house. */
export function exchangeRoutes(app: Express, mount: Mount, db: Database, clock: Clock, photos: PhotoStore): void {
  mount(endpoints.importTable, ({ caller, params, body }) =>
    importTable(db, clock, speaker(languageOf(caller)), caller, params.table, body),
  )

  /** A file for whoever may take the house's tables out. */
  const file = (path: string, send: (caller: Caller, name: string, response: Response) => Promise<void>): void => {
    app.get(path, (request: Request<{ file: string }>, response, next) => {
      const answer = async (): Promise<void> => {
        const caller = await callerOf(db, clock, request.headers.cookie)
        if (!caller) throw new Fault('not-signed-in', 'not-signed-in')
        assertMay(caller, 'import')
        const { file: name } = request.params
        await actAs(caller, async () => {
          await noteInTrail(db, caller.house.id, {
            personId: caller.person.id,
            deviceId: caller.deviceId,
            subject: 'files',
            subjectId: request.path.slice(0, 80),
            act: 'exported',
          })
          await send(caller, name, response)
        })
      }
      answer().catch(next)
    })
  }
  mount(endpoints.bringHouse, async ({ caller, body }) => {
    await bringWholeHouse(db, caller, body)
    return {}
  })
  file('/api/house/whole.json', async (caller, _name, response) => {
    response.type('application/json').attachment('yorvik-house.json')
    const text = new PassThrough()
    const writing = writeWholeHouse(db, caller, photos, async (part) => {
      if (!text.write(part)) await once(text, 'drain')
    }).then(
      () => text.end(),
      (error: unknown) => text.destroy(error instanceof Error ? error : new Error(String(error))),
    )
    // one that breaks ends the other
    await Promise.all([pipeline(text, response), writing])
  })
  file('/api/house/whole.zip', async (caller, _name, response) => {
    response
      .type('application/zip')
      .attachment('yorvik-house.zip')
      .end(await wholeHouseFolder(db, caller, photos))
  })
  file('/api/exchange/:file.csv', async (caller, name, response) => {
    const table = TableName.parse(name)
    response.type('text/csv; charset=utf-8').attachment(`yorvik-${table}.csv`)
    await pipeline(Readable.from(writeCsv(db, caller, table)), response)
  })
  file('/api/exchange/:file.xlsx', async (caller, name, response) => {
    const table = SpreadsheetName.parse(name)
    const bytes = await writeSpreadsheet(db, caller, table, speaker(languageOf(caller)))
    response.type(XLSX).attachment(`yorvik-${table}.xlsx`).end(bytes)
  })
  file('/api/exchange/template/:file.xlsx', (caller, name, response) => {
    const table = SpreadsheetName.parse(name)
    response
      .type(XLSX)
      .attachment(`yorvik-${table}-template.xlsx`)
      .end(writeTemplate(table, speaker(languageOf(caller))))
    return Promise.resolve()
  })
}
