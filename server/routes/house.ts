import { v4 as newId } from 'uuid'
import { HOUR_MS } from '../../core/time'
import type { BackupKeeper } from '../backup/keepBackups'
import { endpoints } from '../../contract/endpoints'
import type { Clock } from '../clock'
import { changeHouse } from '../db/changeHouse'
import type { Database } from '../db/database'
import { askCancel, listJobs, openRebuild } from '../db/queries/house/jobs'
import { currentSpans, listAllSpans } from '../db/queries/week/weeklySpans'
import { notFound } from '../faults'
import type { Job } from '../../contract/learning'
import type { Caller } from '../signIn/sessions'
import type { Queue } from '../jobs/queue'
import type { Mount } from '../mount'
import { recordWalks, setHoneTool } from '../services/house/honing'
import { addPerson, addStation, editHouse, editPerson, editStation, setWeek } from '../services/house/houses'
import { readLedger, setMoney } from '../services/house/ledger'
import { readReport } from '../services/house/report'
import { readSafetyFile } from '../services/house/safetyFile'
import { countSupply, readStock, setSupply } from '../services/house/stock'
import { readHouseWeeks } from '../services/house/weeks'
import { readTrail } from '../services/house/trail'
import { readMissing } from '../services/house/missing'
import { pinKey, type Tries } from '../signIn/tries'

export function houseRoutes(
  mount: Mount,
  db: Database,
  clock: Clock,
  tries: Tries,
  queue: Queue,
  backups: BackupKeeper | null,
): void {
  const rebuild = async (caller: Caller): Promise<Job> => {
    const houseId = caller.house.id
    const job = await changeHouse(db, houseId, (change) =>
      openRebuild(change, houseId, { id: newId(), askedBy: caller.person.id }),
    )
    await queue.send({ houseId, jobId: job.id })
    return job
  }
  mount(endpoints.ledger, ({ caller }) => readLedger(db, clock, caller))
  mount(endpoints.report, ({ caller, params }) => readReport(db, clock, caller, params.month))
  mount(endpoints.setMoney, ({ caller, body }) => setMoney(db, clock, caller, body))
  mount(endpoints.houseWeeks, ({ caller, query }) => readHouseWeeks(db, clock, caller, query.weeks))
  mount(endpoints.safetyFile, ({ caller, query }) => readSafetyFile(db, caller, query))
  mount(endpoints.stock, ({ caller }) => readStock(db, clock, caller))
  mount(endpoints.setSupply, ({ caller, params, body }) => setSupply(db, clock, caller, params.id, body))
  mount(endpoints.countSupply, ({ caller, params, body }) => countSupply(db, clock, caller, params.id, body))
  mount(endpoints.editHouse, async ({ caller, body }) => {
    const house = await editHouse(db, caller, body)
    // services lie at other moments now: what edges went through is reckoned anew
    if (house.zone !== caller.house.zone) await rebuild(caller)
    return house
  })
  mount(endpoints.missing, ({ caller }) => readMissing(db, clock, caller))
  mount(endpoints.backups, async () => {
    if (!backups) return { kept: null }
    const all = await backups.list()
    return {
      kept: { newestAt: all[0]?.at.toISOString() ?? null, count: all.length, everyHours: backups.everyMs / HOUR_MS },
    }
  })
  mount(endpoints.trail, ({ caller, query }) => readTrail(db, caller, query.before ?? null))
  mount(endpoints.addPerson, ({ caller, body }) => addPerson(db, caller, body))
  mount(endpoints.editPerson, async ({ caller, params, body }) => {
    const person = await editPerson(db, clock, caller, params.id, body)
    // a new PIN ends the lockout that guessing at the old one brought
    if (body.pin) await tries.succeeded(pinKey(caller.house.id, params.id))
    return person
  })
  mount(endpoints.recordWalks, ({ caller, body }) => recordWalks(db, clock, caller, body.walks))
  mount(endpoints.setHoneTool, ({ caller, params, body }) => setHoneTool(db, caller, params.id, body.tool))
  mount(endpoints.addStation, ({ caller, body }) => addStation(db, caller, body))
  mount(endpoints.editStation, ({ caller, params, body }) => editStation(db, clock, caller, params.id, body))
  mount(endpoints.week, async ({ caller }) => currentSpans(await listAllSpans(db, caller.house.id)))
  mount(endpoints.setWeek, ({ caller, body }) => setWeek(db, clock, caller, body))
  mount(endpoints.jobs, ({ caller }) => listJobs(db, caller.house.id))
  mount(endpoints.rebuild, ({ caller }) => rebuild(caller))
  // not as a change of the house: what is to be stopped may hold the house itself
  mount(endpoints.cancelJob, async ({ caller, params }) => {
    const job = await askCancel(db, caller.house.id, params.id)
    if (!job) throw notFound('job')
    return job
  })
}
