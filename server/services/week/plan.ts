import { isDeepStrictEqual } from 'node:util'
import { v4 as newId } from 'uuid'
import { z } from 'zod'
import { ImproveAsk, Improvement, type AcceptedPlan, type NewPlan, type PlanView } from '../../../contract/week'
import { changedFoundations, planFoundations } from '../../../core/plan/changes'
import { violationOf } from '../../../core/plan/explain'
import { indexPlan, isLimit, layOutPlan, type PlanIndex } from '../../../core/plan/layout'
import { planCost } from '../../../core/plan/objective'
import { mayDo, isAllowedIn, samePlace, type Placement, type PlanProblem } from '../../../core/plan/problem'
import type { Round } from '../../../core/plan/rounds'
import { knifeOfJob, renumberSessions, withSeconds } from '../../../core/plan/secondSessions'
import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database } from '../../db/database'
import { findKnife } from '../../db/queries/fleet/knives'
import { findJob, openImprovement } from '../../db/queries/house/jobs'
import { currentPlan, keepPlan, type KeptPlan } from '../../db/queries/week/plans'
import { Fault, notFound } from '../../faults'
import type { Queue } from '../../jobs/queue'
import type { Caller } from '../../signIn/sessions'
import { standingSessions } from '../fleet/standingSessions'
import { daysAhead, QUARTER_MS, type DaysAhead } from './planProblem'

/** A plan reaches this far. */
export const PLAN_DAYS = 7

const instant = (ms: number): string => new Date(ms).toISOString()
const acceptedView = ({ foundations: _, ...plan }: KeptPlan): AcceptedPlan => plan
/** Windows of an accepted plan that are over: what happened in them is in the log. */
const passedWindows = (plan: KeptPlan, problem: PlanProblem, nowMs: number): Set<string> => {
  const here = new Set(problem.windows.map(({ id }) => id))
  return new Set(
    plan.foundations.flatMap((one) => {
      const [kind, windowId = ''] = one.split(' ')
      return kind === 'window' && !here.has(windowId) && Number(windowId.split('@')[1] ?? 0) < nowMs ? [windowId] : []
    }),
  )
}

/** What there is to plan, the plan that holds, and what has moved since it was accepted. */
export async function planView(db: Database, clock: Clock, caller: Caller): Promise<PlanView> {
  const now = clock()
  const ahead = await daysAhead(db, caller.house, now, PLAN_DAYS)
  const kept = await currentPlan(db, caller.house.id)
  const left = await standingSessions(db, kept, ahead.snapshot)
  const locks = (kept?.locks ?? []).filter((lock) => left.some((session) => samePlace(session, lock)))
  const problem: PlanProblem = kept
    ? { ...ahead.problem, weights: kept.weights, locks: standingLocks(ahead.problem, locks) }
    : ahead.problem
  // a week later there are other windows at the far end: only what the plan reached for can fail it
  const moved = kept
    ? changedFoundations(kept.foundations, planFoundations(problem), passedWindows(kept, problem, now.getTime()))
    : { gone: [], fresh: [] }
  // work that was done as planned has not fallen away, and what a later session of the plan will do is no news
  const wasDone = new Set(kept?.sessions.filter((session) => !left.includes(session)).map(({ knifeId }) => knifeId))
  const comesAgain = new Set(left.filter(({ knifeId }) => wasDone.has(knifeId)).map(({ knifeId }) => knifeId))
  const isJobOf =
    (knives: ReadonlySet<string>) =>
    (one: string): boolean =>
      one.startsWith('job ') && knives.has(one.split(' ')[1] ?? '')
  return {
    now: now.toISOString(),
    problem,
    accepted: kept && { ...acceptedView(kept), sessions: left },
    moved: {
      gone: moved.gone.filter((one) => !isJobOf(wasDone)(one)),
      fresh: moved.fresh.filter((one) => one.startsWith('job ') && !isJobOf(comesAgain)(one)),
    },
    services: ahead.services.map(({ name, startMs, endMs }) => ({
      name,
      startsAt: instant(startMs),
      endsAt: instant(endMs),
    })),
    chances: ahead.chances.map(({ jobId, left, fresh }) => ({ jobId, left: [...left], fresh: [...fresh] })),
    byRule: [...ahead.byRule],
    rounds: ahead.rounds.map(({ startMs, ...round }) => ({ ...round, startsAt: instant(startMs) })),
    unheld: ahead.unheld.map(({ startMs, ...one }) => ({ ...one, startsAt: instant(startMs) })),
  }
}

/** Locks whose job, window, bench and person are still there, numbered as the knives' sessions now stand. */
function standingLocks(problem: PlanProblem, kept: readonly Placement[]): Placement[] {
  const locks = renumberSessions(problem, kept)
  const all = withSeconds(problem, locks)
  return locks.filter((lock) => violationOf(all, [], lock) === null)
}

/**
 * Makes a plan the one the house goes by, after checking it anew on what is known now.
 *
 * @throws Fault `plan-moved` when somebody accepted another one meanwhile, `plan-broken` when something in it cannot be done any more
 */
export async function acceptPlan(db: Database, clock: Clock, caller: Caller, input: NewPlan): Promise<AcceptedPlan> {
  const now = clock()
  const { ahead, problem, index, laid, broken } = await layOutAsSeen(db, caller, now, input)
  if (broken) throw new Fault('conflict', 'plan-broken', { code: await codeOf(db, caller, knifeOfJob(broken.jobId)) })
  // window by window, each in the order that fits it: laid out again from that order, it has the same minutes
  const sessions = problem.windows
    .flatMap(({ id }) => laid.get(id) ?? [])
    .flatMap((window) => (isLimit(window) ? [] : window.sessions))
    .map(({ placement, startMs, endMs }) => ({
      ...placement,
      knifeId: knifeOfJob(placement.jobId),
      kind: index.jobs.get(placement.jobId)?.kind ?? ('stone' as const),
      startsAt: instant(startMs),
      endsAt: instant(endMs),
    }))
  const plan = {
    weights: input.weights,
    locks: problem.locks,
    sessions,
    cost: planCost(problem, input.placements),
    bound: await provenBound(db, caller, input.improvementId, problem),
    rounds: roundsByShift(ahead.rounds),
    foundations: planFoundations(problem),
  }
  await changeHouse(db, caller.house.id, async (change) => {
    const before = await currentPlan(change, caller.house.id)
    const by = { personId: caller.person.id, at: now }
    const isKept =
      (before?.version ?? 0) === input.basedOn && (await keepPlan(change, caller.house.id, input.basedOn + 1, by, plan))
    if (!isKept) throw new Fault('conflict', 'plan-moved')
  })
  const { foundations: _, ...told } = plan
  return { ...told, version: input.basedOn + 1, acceptedAt: now.toISOString(), acceptedBy: caller.person.id }
}

/** What the server proved of this very problem; what a screen says of a bound is nobody's proof. */
async function provenBound(
  db: Database,
  caller: Caller,
  improvementId: string | null,
  problem: PlanProblem,
): Promise<number | null> {
  const job = improvementId === null ? null : await findJob(db, caller.house.id, improvementId)
  if (job?.kind !== 'improve-plan') return null
  const { weights, locks } = ImproveAsk.parse(job.input)
  const { bound, foundations } = ImproveOutput.parse(job.output ?? {})
  const isSameQuestion =
    isDeepStrictEqual(weights, problem.weights) &&
    isDeepStrictEqual(locks, problem.locks) &&
    isDeepStrictEqual(foundations, planFoundations(problem))
  return isSameQuestion ? bound : null
}

interface PlanLayout {
  readonly ahead: DaysAhead
  readonly problem: PlanProblem
  readonly index: PlanIndex
  readonly laid: ReturnType<typeof layOutPlan>
  /** the first placement that cannot be */
  readonly broken: Placement | undefined
}

/** Lays a plan out on what is known now; where that fails, as it was a quarter of an hour ago, when it was drawn up. */
async function layOutAsSeen(db: Database, caller: Caller, now: Date, input: NewPlan): Promise<PlanLayout> {
  const lay = async (at: Date): Promise<PlanLayout> => {
    const ahead = await daysAhead(db, caller.house, at, PLAN_DAYS)
    const problem = { ...ahead.problem, weights: input.weights, locks: standingLocks(ahead.problem, input.locks) }
    const index = indexPlan(withSeconds(problem, input.placements))
    const laid = layOutPlan(index, input.placements)
    const doubled = input.placements.find(
      ({ jobId }, place) => input.placements.findIndex((one) => one.jobId === jobId) !== place,
    )
    const broken =
      doubled ??
      input.placements.find((placement) => {
        const window = laid.get(placement.windowId)
        const person = index.people.get(placement.personId)
        const job = index.jobs.get(placement.jobId)
        const at = problem.windows.findIndex(({ id }) => id === placement.windowId)
        return (
          !job || !isAllowedIn(job, at) || !person || !mayDo(person, job) || window === undefined || isLimit(window)
        )
      })
    return { ahead, problem, index, laid, broken }
  }
  const current = await lay(now)
  return current.broken ? await lay(new Date(now.getTime() - QUARTER_MS)) : current
}

/** Rounds of one person before one service, together. */
function roundsByShift(rounds: readonly Round[]): AcceptedPlan['rounds'] {
  const byShift = new Map<string, AcceptedPlan['rounds'][number]>()
  for (const { kind, knifeId, personId, service, startMs } of rounds) {
    const key = `${personId}@${startMs}`
    const shift = byShift.get(key) ?? { personId, service, startsAt: instant(startMs), hone: [], check: [], after: [] }
    byShift.set(key, { ...shift, [kind]: [...shift[kind], knifeId] })
  }
  return [...byShift.values()]
}

const codeOf = async (db: Database, caller: Caller, knifeId: string): Promise<string> =>
  (await findKnife(db, caller.house.id, knifeId))?.code ?? ''

/** What an improvement keeps for the server alone: the bound, and what the problem it was proven of stood on. */
const ImproveOutput = z.object({
  bound: z.number().nullable().default(null),
  foundations: z.array(z.string()).default([]),
})

const NOTHING_YET = { seconds: 0, bound: null, cost: null, placements: null, proven: false }

/** Asks for a better plan, and a bound, from a worker thread; one at a time in a house. */
export async function improvePlan(
  db: Database,
  queue: Queue,
  caller: Caller,
  ask: ImproveAsk,
): Promise<{ id: string }> {
  const houseId = caller.house.id
  const job = await changeHouse(db, houseId, async (change) => {
    change.nothingNew()
    return await openImprovement(change, houseId, { id: newId(), askedBy: caller.person.id, input: ask })
  })
  await queue.send({ houseId, jobId: job.id })
  return { id: job.id }
}

export async function readImprovement(db: Database, caller: Caller, jobId: string): Promise<Improvement> {
  const job = await findJob(db, caller.house.id, jobId)
  if (job?.kind !== 'improve-plan') throw notFound('job')
  return Improvement.parse({ ...NOTHING_YET, ...(job.output ?? {}), status: job.status })
}
