import type { Job } from '../../../../contract/learning'
import type { Queryable } from '../../database'

interface JobRow {
  id: string
  kind: Job['kind']
  status: Job['status']
  done: number
  total: number
  asked_at: Date
  ended_at: Date | null
}

const toJob = (row: JobRow): Job => ({
  id: row.id,
  kind: row.kind,
  status: row.status,
  done: row.done,
  total: row.total,
  askedAt: row.asked_at.toISOString(),
  endedAt: row.ended_at?.toISOString() ?? null,
})

const COLUMNS = 'id, kind, status, done, total, asked_at, ended_at'

/** Puts a rebuild on the list, or gives the one that is open already: one of a house at a time. */
export async function openRebuild(
  db: Queryable,
  houseId: string,
  job: { readonly id: string; readonly askedBy: string },
): Promise<Job> {
  await db.query(
    `insert into jobs (house_id, id, kind, asked_by)
     values ($1, $2, 'rebuild', $3)
     on conflict (house_id) where kind = 'rebuild' and status in ('waiting', 'running') do nothing`,
    [houseId, job.id, job.askedBy],
  )
  const row = await db.one<JobRow>(
    `select ${COLUMNS} from jobs where house_id = $1 and kind = 'rebuild' and status in ('waiting', 'running')`,
    [houseId],
  )
  return toJob(row)
}

/**
 * Puts an improvement of the plan on the list. Whoever asks the very same question while it is being answered
 * shares that answer; another question, such as one with other weights, is another job.
 */
export async function openImprovement(
  db: Queryable,
  houseId: string,
  job: { readonly id: string; readonly askedBy: string; readonly input: unknown },
): Promise<Job> {
  const input = JSON.stringify(job.input)
  const open = await db.query<JobRow>(
    `select ${COLUMNS}
     from jobs
     where house_id = $1 and kind = 'improve-plan' and status in ('waiting', 'running') and not cancel_asked
       and input = $2::jsonb
     limit 1`,
    [houseId, input],
  )
  if (open.rows[0]) return toJob(open.rows[0])
  const row = await db.one<JobRow>(
    `insert into jobs (house_id, id, kind, asked_by, input)
     values ($1, $2, 'improve-plan', $3, $4)
     returning ${COLUMNS}`,
    [houseId, job.id, job.askedBy, input],
  )
  return toJob(row)
}

/** Says that a file is being brought in by the server that is asked; it is nobody else's to take up. */
export async function openImport(
  db: Queryable,
  houseId: string,
  job: { readonly id: string; readonly askedBy: string; readonly total: number; readonly seconds: number },
): Promise<void> {
  await db.query(
    `insert into jobs (house_id, id, kind, status, total, asked_by, claimed_until)
     values ($1, $2, 'import', 'running', $3, $4, now() + make_interval(secs => $5))`,
    [houseId, job.id, job.total, job.askedBy, job.seconds],
  )
}

export async function listJobs(db: Queryable, houseId: string): Promise<Job[]> {
  const { rows } = await db.query<JobRow>(
    `select ${COLUMNS} from jobs where house_id = $1 order by asked_at desc limit 20`,
    [houseId],
  )
  return rows.map(toJob)
}

/** Jobs of all houses that nobody works on: waiting, or cut off with the server that had claimed them. */
export async function unclaimedJobs(db: Queryable): Promise<{ houseId: string; jobId: string }[]> {
  const { rows } = await db.query<{ houseId: string; jobId: string }>(
    `select house_id as "houseId", id as "jobId"
     from jobs
     where status = 'waiting' or (status = 'running' and coalesce(claimed_until, '-infinity') < now())
     order by asked_at`,
  )
  return rows
}

export async function askCancel(db: Queryable, houseId: string, jobId: string): Promise<Job | null> {
  const row = await db.maybeOne<JobRow>(
    `update jobs
     set cancel_asked = true
     where house_id = $1 and id = $2
     returning ${COLUMNS}`,
    [houseId, jobId],
  )
  return row && toJob(row)
}

/** What a job was asked, what it has found, and whether somebody asked it to stop. */
export interface JobWork {
  readonly kind: Job['kind']
  readonly status: Job['status']
  readonly cancelAsked: boolean
  readonly input: unknown
  readonly output: unknown
}

export async function findJob(db: Queryable, houseId: string, jobId: string): Promise<JobWork | null> {
  return await db.maybeOne<JobWork>(
    `select kind, status, cancel_asked as "cancelAsked", input, output
     from jobs
     where house_id = $1 and id = $2`,
    [houseId, jobId],
  )
}

/**
 * Claims a job for one server, for so many seconds at a time. @returns what there is to do; null when another server
 * is at it, or when it has ended
 */
export async function claimJob(
  db: Queryable,
  houseId: string,
  jobId: string,
  seconds: number,
): Promise<Pick<JobWork, 'kind' | 'cancelAsked'> | null> {
  return await db.maybeOne<Pick<JobWork, 'kind' | 'cancelAsked'>>(
    `update jobs
     set status = 'running', done = 0, total = 1, claimed_until = now() + make_interval(secs => $3)
     where house_id = $1 and id = $2
       and (status = 'waiting' or (status = 'running' and coalesce(claimed_until, '-infinity') < now()))
     returning kind, cancel_asked as "cancelAsked"`,
    [houseId, jobId, seconds],
  )
}

/** Says that the server is still at it. */
export async function renewClaim(db: Queryable, houseId: string, jobId: string, seconds: number): Promise<void> {
  await db.query(
    `update jobs
     set claimed_until = now() + make_interval(secs => $3)
     where house_id = $1 and id = $2 and status = 'running'`,
    [houseId, jobId, seconds],
  )
}

/** Says how much there is of a job. */
export async function noteTotal(db: Queryable, houseId: string, jobId: string, total: number): Promise<void> {
  await db.query('update jobs set total = $3 where house_id = $1 and id = $2', [houseId, jobId, total])
}

/** Keeps what a job has found so far. @returns whether somebody asked it to stop */
export async function noteOutput(db: Queryable, houseId: string, jobId: string, output: unknown): Promise<boolean> {
  const row = await db.maybeOne<{ cancel_asked: boolean }>(
    `update jobs
     set output = coalesce($3, output)
     where house_id = $1 and id = $2
     returning cancel_asked`,
    [houseId, jobId, output === null ? null : JSON.stringify(output)],
  )
  return row?.cancel_asked ?? true
}

/** Adds to what a job has done. @returns whether somebody asked it to stop */
export async function noteProgress(db: Queryable, houseId: string, jobId: string, more: number): Promise<boolean> {
  const row = await db.maybeOne<{ cancel_asked: boolean }>(
    `update jobs
     set done = done + $3
     where house_id = $1 and id = $2
     returning cancel_asked`,
    [houseId, jobId, more],
  )
  return row?.cancel_asked ?? true
}

export async function endJob(
  db: Queryable,
  houseId: string,
  jobId: string,
  status: 'done' | 'cancelled' | 'failed',
): Promise<void> {
  await db.query(
    'update jobs set status = $3, ended_at = now(), claimed_until = null where house_id = $1 and id = $2',
    [houseId, jobId, status],
  )
}

/** Forgets jobs that ended before an instant. */
export async function deleteEndedJobs(db: Queryable, before: Date): Promise<void> {
  await db.query('delete from jobs where ended_at < $1', [before])
}
