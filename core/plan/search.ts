import { fairShares, leavingCost } from './objective'
import { Draft, optionsOf, type Option } from './draft'
import { indexPlan } from './layout'
import { samePlace, type Placement, type PlanProblem } from './problem'

/** A place a job had before: leaving it is worth something, so that re-planning disturbs little. */
export interface Anchors {
  readonly placements: readonly Placement[]
  /** minutes of work that moving one job is worth */
  readonly cost: number
}

export interface SearchAsk {
  readonly problem: PlanProblem
  /** numbers in [0, 1) in a fixed sequence */
  readonly random: () => number
  /** share of the time there is that has gone, 0–1, asked between steps: the search cools with it and ends at 1 */
  readonly spent: (step: number) => number
  readonly startFrom?: readonly Placement[]
  readonly anchors?: Anchors
}

const costWith = (draft: Draft, option: Option): number => option.cost + draft.addingCost(option)

/** Cheapest place for a job in the plan as it stands, or null where leaving it costs less or nothing fits. */
function cheapest(draft: Draft, options: readonly Option[], leaving: number): Option | null {
  let best: Option | null = null
  let bestCost = leaving
  for (const option of options) {
    // options are in order of their own cost, and what comes on top is never negative
    if (option.cost >= bestCost) break
    const cost = costWith(draft, option)
    if (cost < bestCost && draft.fitsWith(option)) {
      best = option
      bestCost = cost
    }
  }
  return best
}

/** How much a job loses when it does not get its cheapest window: those with most to lose choose first. */
function regret(options: readonly Option[], leaving: number): number {
  const [best] = options
  if (!best) return 0
  const elsewhere = options.find(({ placement }) => placement.windowId !== best.placement.windowId)
  return Math.min(leaving, elsewhere?.cost ?? leaving) - best.cost + (leaving - best.cost) / 10
}

const START_HEAT = 8
const END_HEAT = 0.2

/**
 * A good plan quickly: jobs with most to lose choose their place first (regret insertion), then single
 * moves, ejections and swaps under falling temperature (simulated annealing, Kirkpatrick et al. 1983).
 * The same problem, start and random sequence give the same plan.
 */
export function searchPlan({ problem, random, spent, startFrom, anchors }: SearchAsk): Placement[] {
  const index = indexPlan(problem)
  const draft = new Draft(index, fairShares(problem))
  const locked = new Set(problem.locks.map(({ jobId }) => jobId))
  const anchorOf = new Map((anchors?.placements ?? []).map((placement) => [placement.jobId, placement]))
  const jobs = problem.jobs.map((job) => {
    const anchor = anchorOf.get(job.id)
    const leaving = leavingCost(job, problem.weights) + (anchor ? (anchors?.cost ?? 0) : 0)
    return { job, options: optionsOf(index, job, anchor, anchors?.cost ?? 0, leaving), leaving }
  })
  const optionAt = (placement: Placement): Option | undefined => jobs.find(({ job }) => job.id === placement.jobId)?.options.find((option) => samePlace(option.placement, placement))
  for (const lock of problem.locks) {
    const option = optionAt(lock)
    if (option && draft.fitsWith(option)) draft.put(option)
  }
  for (const placement of startFrom ?? []) {
    const option = locked.has(placement.jobId) ? undefined : optionAt(placement)
    if (option && draft.fitsWith(option)) draft.put(option)
  }
  const free = jobs.filter(({ job }) => !locked.has(job.id))
  for (const { options, leaving } of free.filter(({ job }) => !draft.placed.has(job.id)).sort((a, b) => regret(b.options, b.leaving) - regret(a.options, a.leaving))) {
    const option = cheapest(draft, options, leaving)
    if (option) draft.put(option)
  }

  const leavingOf = new Map(jobs.map(({ job, leaving }) => [job.id, leaving]))
  const optionsById = new Map(jobs.map(({ job, options }) => [job.id, options]))
  let change = 0
  let best = [...draft.placed.values()]
  let bestChange = 0
  const movable = free.filter(({ options }) => options.length > 0)
  for (let step = 0, share = spent(0); movable.length > 0 && share < 1; share = spent(++step)) {
    const heat = START_HEAT * (END_HEAT / START_HEAT) ** share
    const accepts = (delta: number): boolean => delta < 0 || random() < Math.exp(-delta / heat)
    const chosen = movable[Math.floor(random() * movable.length)]
    if (!chosen) break
    const { job, options, leaving } = chosen
    const had = draft.take(job.id)
    const before = had ? costWith(draft, had) : leaving
    // near the cheap end more often than not
    const wanted = options[Math.floor(random() ** 3 * options.length)]
    const restore = (): void => { if (had) draft.put(had) }
    if (random() < 0.04) {
      if (had && accepts(leaving - before)) change += leaving - before
      else restore()
    } else if (!wanted || wanted.cost - before > 6 * heat) {
      restore()
    } else if (draft.fitsWith(wanted)) {
      const delta = costWith(draft, wanted) - before
      if (accepts(delta)) {
        draft.put(wanted)
        change += delta
      } else restore()
    } else {
      change += eject(draft, { wanted, before, restore, accepts, random, locked, leavingOf, optionsById })
    }
    if (change < bestChange - 1e-9 && draft.isSound()) {
      bestChange = change
      best = [...draft.placed.values()]
    }
  }
  return best.map(({ placement }) => placement)
}

interface Ejection {
  readonly wanted: Option
  readonly before: number
  readonly restore: () => void
  readonly accepts: (delta: number) => boolean
  readonly random: () => number
  readonly locked: ReadonlySet<string>
  readonly leavingOf: ReadonlyMap<string, number>
  readonly optionsById: ReadonlyMap<string, readonly Option[]>
}

/** Takes a place by sending one other job of the window to the cheapest place left for it; the change in cost, 0 when refused. */
function eject(draft: Draft, { wanted, before, restore, accepts, random, locked, leavingOf, optionsById }: Ejection): number {
  const others = draft.in(wanted.placement.windowId).filter(({ placement }) => !locked.has(placement.jobId))
  const victim = others[Math.floor(random() * others.length)]?.placement
  if (!victim || !draft.fitsWith(wanted, victim.jobId)) {
    restore()
    return 0
  }
  const out = draft.take(victim.jobId)
  if (!out) {
    restore()
    return 0
  }
  const outBefore = costWith(draft, out)
  const gain = costWith(draft, wanted)
  draft.put(wanted)
  const leaving = leavingOf.get(victim.jobId) ?? 0
  const next = cheapest(draft, optionsById.get(victim.jobId) ?? [], leaving)
  const delta = gain - before + (next ? costWith(draft, next) : leaving) - outBefore
  if (accepts(delta)) {
    if (next) draft.put(next)
    return delta
  }
  draft.take(wanted.placement.jobId)
  draft.put(out)
  restore()
  return 0
}
