import type { JobRoute, NextSession, PlanJob, PlanPerson, PlanProblem } from './problem'

/** The coarsest stone of a plan that more than one bench goes over; null where no two benches share a coarse stone. */
export function sharedCoarseStone({ jobs, stones }: PlanProblem, coarseMicron: number): string | null {
  const benchesOf = new Map<string, Set<string>>()
  for (const { routes } of jobs)
    for (const { benchId, stages } of routes)
      for (const { stoneId } of stages) benchesOf.set(stoneId, (benchesOf.get(stoneId) ?? new Set()).add(benchId))
  const shared = stones.filter(({ id, micron }) => micron >= coarseMicron && (benchesOf.get(id)?.size ?? 0) > 1)
  return [...shared].sort((a, b) => b.micron - a.micron)[0]?.id ?? null
}

/** The same week with one more of a stone: every bench but the first has one of its own. */
export function withAnotherStone(problem: PlanProblem, stoneId: string): PlanProblem {
  const stone = problem.stones.find(({ id }) => id === stoneId)
  const [first] = problem.benches
  if (!stone || !first) return problem
  const another = `${stoneId}+1`
  const moved = (route: JobRoute): JobRoute =>
    route.benchId === first.id
      ? route
      : {
          ...route,
          stages: route.stages.map((stage) => (stage.stoneId === stoneId ? { ...stage, stoneId: another } : stage)),
        }
  const rerouted = <T extends PlanJob | NextSession>(job: T): T => ({ ...job, routes: job.routes.map(moved) })
  return {
    ...problem,
    stones: [...problem.stones, { ...stone, id: another }],
    jobs: problem.jobs.map((job) => ({ ...rerouted(job), next: job.next && rerouted(job.next) })),
  }
}

/** Who knows most; of those who know as much, whoever is there longest. */
function mostSkilled(people: readonly PlanPerson[]): PlanPerson | null {
  const there = ({ present }: PlanPerson): number =>
    Object.values(present).reduce((sum, { fromMs, toMs }) => sum + toMs - fromMs, 0)
  return [...people].sort((a, b) => b.skills.length - a.skills.length || there(b) - there(a))[0] ?? null
}

/** The same week with one more trained hand: there when the most skilled of the house is, at the table's pace. */
export function withAnotherHand(problem: PlanProblem): PlanProblem {
  const model = mostSkilled(problem.people)
  return model ? { ...problem, people: [...problem.people, { ...model, id: `${model.id}+1`, pace: 1 }] } : problem
}
