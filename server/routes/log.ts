import { v4 as newId } from 'uuid'
import { endpoints } from '../../contract/endpoints'
import type { Clock } from '../clock'
import type { Database } from '../db/database'
import { askCancel, listJobs, openJob } from '../db/queries/house/jobs'
import { notFound } from '../faults'
import type { Queue } from '../jobs/queue'
import type { Mount } from '../mount'
import { edgeStory } from '../services/fleet/edgeStory'
import { houseLearning } from '../services/fleet/learning'

export function logRoutes(mount: Mount, db: Database, clock: Clock, queue: Queue): void {
  mount(endpoints.edgeStory, ({ caller, params }) => edgeStory(db, caller, params.id, clock()))
  mount(endpoints.learning, ({ caller }) => houseLearning(db, caller, clock()))
  mount(endpoints.jobs, ({ caller }) => listJobs(db, caller.house.id))
  mount(endpoints.rebuild, async ({ caller }) => {
    const job = await openJob(db, caller.house.id, { id: newId(), kind: 'rebuild', askedBy: caller.person.id })
    await queue.send({ houseId: caller.house.id, jobId: job.id })
    return job
  })
  mount(endpoints.cancelJob, async ({ caller, params }) => {
    const job = await askCancel(db, caller.house.id, params.id)
    if (!job) throw notFound('job')
    return job
  })
}
