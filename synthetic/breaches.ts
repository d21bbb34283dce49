import type { WindowLayout } from '../core/plan/layout'
import type { Placement, PlanJob, PlanProblem } from '../core/plan/problem'

/*
 * A plan held against the rules of the house, written from the rules alone: nothing of the planner's own reckoning is
 * used, so that it cannot share its mistakes.
 */

const MINUTE = 60_000
/** A thousandth of a minute: sums of minutes are not exact. */
const SLACK = 60

interface Stretch {
  readonly from: number
  readonly to: number
  readonly what: string
}

const clashes = (stretches: readonly Stretch[], of: string): string[] => {
  const sorted = [...stretches].sort((a, b) => a.from - b.from)
  return sorted.flatMap((one, at) => {
    const before = sorted[at - 1]
    return before && before.to > one.from + SLACK ? [`${of}: ${before.what} and ${one.what} at once`] : []
  })
}

/**
 * Every rule that a plan in its minutes breaks, in words; none for a plan that can be carried out.
 *
 * @param jobs first and second sessions, as they were placed
 */
export function planBreaches(
  problem: PlanProblem,
  jobs: readonly PlanJob[],
  placements: readonly Placement[],
  laid: ReadonlyMap<string, WindowLayout>,
): string[] {
  const found: string[] = []
  const windowNumber = (windowId: string): number => problem.windows.findIndex(({ id }) => id === windowId)
  for (const [at, { jobId }] of placements.entries())
    if (placements.findIndex((one) => one.jobId === jobId) !== at) found.push(`${jobId} twice`)
  for (const { jobId, windowId } of placements) {
    const job = jobs.find(({ id }) => id === jobId)
    if (!job) found.push(`${jobId} is no job`)
    if (job?.follows) {
      const { jobId: firstId } = job.follows
      const first = placements.find((one) => one.jobId === firstId)
      if (!first || windowNumber(first.windowId) >= windowNumber(windowId)) found.push(`${jobId} before its first`)
    }
    if (!laid.get(windowId)?.sessions.some(({ placement }) => placement.jobId === jobId))
      found.push(`${jobId} has no minutes`)
  }
  for (const lock of problem.locks) {
    const now = placements.find(({ jobId }) => jobId === lock.jobId)
    if (now?.windowId !== lock.windowId || now.personId !== lock.personId || now.benchId !== lock.benchId)
      found.push(`${lock.jobId} was locked`)
  }
  for (const [windowId, layout] of laid) found.push(...windowBreaches(problem, jobs, windowId, layout))
  return found
}

function windowBreaches(
  problem: PlanProblem,
  jobs: readonly PlanJob[],
  windowId: string,
  { sessions, soaking }: WindowLayout,
): string[] {
  const window = problem.windows.find(({ id }) => id === windowId)
  if (!window) return [`${windowId} is no window`]
  const found: string[] = []
  const { beforeMinutes, afterMinutes } = problem.sitting
  const atBench = new Map<string, Stretch[]>()
  const inHands = new Map<string, Stretch[]>()
  const onStone = new Map<string, Stretch[]>()
  const onPlate: Stretch[] = []
  const away = new Map<string, number>()
  const push = (map: Map<string, Stretch[]>, key: string, stretch: Stretch): void => {
    map.set(key, [...(map.get(key) ?? []), stretch])
  }
  for (const { placement, startMs, endMs, stages, flattening } of sessions) {
    const { jobId, personId, benchId } = placement
    const job = jobs.find(({ id }) => id === jobId)
    const person = problem.people.find(({ id }) => id === personId)
    const route = job?.routes.find((one) => one.benchId === benchId)
    const there = person?.present[windowId]
    if (!job || !person || !route || !there) {
      found.push(`${jobId} where it cannot be`)
      continue
    }
    if (!person.skills.includes(job.skill)) found.push(`${jobId} in hands without the skill`)
    if (job.onlyHands !== null && job.onlyHands !== personId) found.push(`${jobId} in somebody else’s hands`)
    if (startMs - beforeMinutes * MINUTE < Math.max(window.startMs, there.fromMs) - SLACK)
      found.push(`${jobId} too early`)
    if (endMs + afterMinutes * MINUTE > Math.min(window.endMs, there.toMs) + SLACK) found.push(`${jobId} too late`)
    push(inHands, personId, { from: startMs, to: endMs, what: jobId })
    push(atBench, benchId, { from: startMs, to: endMs, what: jobId })
    away.set(job.group, (away.get(job.group) ?? 0) + 1)
    const flat = flattening.reduce((sum, { fromMs, toMs }) => sum + toMs - fromMs, 0)
    const work = route.openingMinutes + route.closingMinutes + route.stages.reduce((sum, one) => sum + one.minutes, 0)
    if (Math.abs(endMs - startMs - flat - work * person.pace * MINUTE) > SLACK)
      found.push(`${jobId} takes another time`)
    if (stages.map(({ stoneId }) => stoneId).join() !== route.stages.map(({ stoneId }) => stoneId).join())
      found.push(`${jobId} on other stones`)
    const steps = [...flattening, ...stages]
    for (const [at, { fromMs, toMs, stoneId }] of steps.entries()) {
      const before = steps[at - 1]
      if (fromMs < startMs - SLACK || toMs > endMs + SLACK || (before && before.toMs > fromMs + SLACK))
        found.push(`${jobId} out of order`)
      push(onStone, stoneId, { from: fromMs, to: toMs, what: at < flattening.length ? 'flattening' : jobId })
    }
    for (const { fromMs, toMs, stoneId } of flattening) onPlate.push({ from: fromMs, to: toMs, what: stoneId })
  }
  // a sitting takes its bench and its person from setting up to clearing away, whatever lies between its knives
  const sittings = new Map<string, Stretch & { readonly bench: string; readonly person: string }>()
  for (const { placement, startMs, endMs } of sessions) {
    const what = `${placement.personId} at ${placement.benchId}`
    const had = sittings.get(what)
    sittings.set(what, {
      what,
      bench: placement.benchId,
      person: placement.personId,
      from: Math.min(had?.from ?? Infinity, startMs - beforeMinutes * MINUTE),
      to: Math.max(had?.to ?? -Infinity, endMs + afterMinutes * MINUTE),
    })
  }
  const all = [...sittings.values()]
  for (const { id } of problem.benches)
    found.push(
      ...clashes(
        all.filter(({ bench }) => bench === id),
        id,
      ),
      ...clashes(atBench.get(id) ?? [], id),
    )
  for (const { id } of problem.people)
    found.push(
      ...clashes(
        all.filter(({ person }) => person === id),
        id,
      ),
      ...clashes(inHands.get(id) ?? [], id),
    )
  found.push(...clashes(onPlate, 'plate'))
  for (const stone of problem.stones) {
    const used = [...(onStone.get(stone.id) ?? [])].sort((a, b) => a.from - b.from)
    if (used.length === 0) continue
    found.push(...clashes(used, stone.id))
    let knives = Infinity
    for (const { what } of used) {
      knives = what === 'flattening' ? 0 : knives + 1
      if (stone.flattenMinutes > 0 && knives > stone.knivesBetween) found.push(`${stone.id} not flattened for ${what}`)
    }
    if (stone.soakMinutes === 0) continue
    const soak = soaking.find(({ stoneId }) => stoneId === stone.id)
    if (
      !soak ||
      soak.toMs - soak.fromMs < stone.soakMinutes * MINUTE - SLACK ||
      soak.fromMs < window.soakFromMs - SLACK
    )
      found.push(`${stone.id} not soaked`)
    if (soak && (used[0]?.from ?? 0) < soak.toMs - SLACK) found.push(`${stone.id} out of the water too early`)
  }
  if (window.overlapsService)
    for (const [group, count] of away)
      if (count > Math.min(...jobs.filter((job) => job.group === group).map(({ mayBeAway }) => mayBeAway)))
        found.push(`${group}: ${count} away from a service`)
  return found
}
