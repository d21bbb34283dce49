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

/** Puts a job on the list, or gives the one of its kind that is open already. */
export async function openJob(
  db: Queryable,
  houseId: string,
  job: { readonly id: string; readonly kind: Job['kind']; readonly askedBy: string; readonly input?: unknown },
): Promise<Job> {
  await db.query(
    `insert into jobs (house_id, id, kind, asked_by, input)
     values ($1, $2, $3, $4, $5)
     on conflict (house_id, kind) where status in ('waiting', 'running') do nothing`,
    [houseId, job.id, job.kind, job.askedBy, job.input === undefined ? null : JSON.stringify(job.input)],
  )
  const { rows } = await db.query<JobRow>(
    `select ${COLUMNS} from jobs where house_id = $1 and kind = $2 and status in ('waiting', 'running')`,
    [houseId, job.kind],
  )
  const [row] = rows
  if (!row) throw new Error('a job that was just opened is gone')
  return toJob(row)
}

export async function listJobs(db: Queryable, houseId: string): Promise<Job[]> {
  const { rows } = await db.query<JobRow>(
    `select ${COLUMNS} from jobs where house_id = $1 order by asked_at desc limit 20`,
    [houseId],
  )
  return rows.map(toJob)
}

/** Every job that nobody has ended, of all houses: what a server that starts takes up again. */
export async function openJobs(db: Queryable): Promise<{ houseId: string; id: string }[]> {
  const { rows } = await db.query<{ house_id: string; id: string }>(
    `select house_id, id from jobs where status in ('waiting', 'running')`,
  )
  return rows.map((row) => ({ houseId: row.house_id, id: row.id }))
}

export async function askCancel(db: Queryable, houseId: string, jobId: string): Promise<Job | null> {
  const { rows } = await db.query<JobRow>(
    `update jobs
     set cancel_asked = true
     where house_id = $1 and id = $2
     returning ${COLUMNS}`,
    [houseId, jobId],
  )
  return rows[0] ? toJob(rows[0]) : null
}

/** Says that a job has begun, or begun again, and how much there is of it. */
export async function startJob(db: Queryable, houseId: string, jobId: string, total: number): Promise<void> {
  await db.query(
    `update jobs
     set status = 'running', done = 0, total = $3
     where house_id = $1 and id = $2`,
    [houseId, jobId, total],
  )
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
  const { rows } = await db.query<JobWork>(
    `select kind, status, cancel_asked as "cancelAsked", input, output
     from jobs
     where house_id = $1 and id = $2`,
    [houseId, jobId],
  )
  return rows[0] ?? null
}

/** Keeps what a job has found so far. @returns whether somebody asked it to stop */
export async function noteOutput(db: Queryable, houseId: string, jobId: string, output: unknown): Promise<boolean> {
  const { rows } = await db.query<{ cancel_asked: boolean }>(
    `update jobs
     set output = coalesce($3, output)
     where house_id = $1 and id = $2
     returning cancel_asked`,
    [houseId, jobId, output === null ? null : JSON.stringify(output)],
  )
  return rows[0]?.cancel_asked ?? true
}

/** Adds to what a job has done. @returns whether somebody asked it to stop */
export async function noteProgress(db: Queryable, houseId: string, jobId: string, more: number): Promise<boolean> {
  const { rows } = await db.query<{ cancel_asked: boolean }>(
    `update jobs
     set done = done + $3
     where house_id = $1 and id = $2
     returning cancel_asked`,
    [houseId, jobId, more],
  )
  return rows[0]?.cancel_asked ?? true
}

export async function endJob(
  db: Queryable,
  houseId: string,
  jobId: string,
  status: 'done' | 'cancelled' | 'failed',
): Promise<void> {
  await db.query('update jobs set status = $3, ended_at = now() where house_id = $1 and id = $2', [
    houseId,
    jobId,
    status,
  ])
}
