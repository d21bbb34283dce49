import type { Express } from 'express'
import type { Clock } from './clock'
import type { Database } from './db/database'
import type { Listener } from './db/listen'
import { CHANGES_CHANNEL } from './db/queries/house/houses'
import { Fault } from './faults'
import type { Doors } from './signIn/doors'
import { callerOf } from './signIn/sessions'

const HEARTBEAT_MS = 25_000

/** Server-sent events: a screen that is open hears that something in its house changed. */
export function mountChanges(app: Express, db: Database, clock: Clock, listener: Listener, doors: Doors): void {
  app.get('/api/changes', (request, response, next) => {
    const open = async (): Promise<void> => {
      const { cookie } = request.headers
      const caller = await callerOf(db, clock, cookie)
      if (!caller) throw new Fault('not-signed-in', 'not-signed-in')
      response.writeHead(200, {
        'Content-Type': 'text/event-stream',
        'Cache-Control': 'no-store',
        'X-Accel-Buffering': 'no',
      })
      response.write(': open\n\n')
      const forget = listener.on(CHANGES_CHANNEL, (houseId) => {
        if (houseId === caller.house.id) response.write('event: changed\ndata: {}\n\n')
      })
      const heartbeat = setInterval(() => {
        response.write(': still here\n\n')
      }, HEARTBEAT_MS)
      const forgetDoor = doors.watch({
        houseId: caller.house.id,
        stillMay: async () => (await callerOf(db, clock, cookie))?.person.id === caller.person.id,
        end: () => response.end(),
      })
      response.on('close', () => {
        clearInterval(heartbeat)
        forgetDoor()
        forget()
      })
    }
    open().catch(next)
  })
}
