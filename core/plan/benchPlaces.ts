import { routeMinutes, type PlanProblem } from './problem'

/** Benches that a bound need not tell apart. */
export interface Place {
  readonly benchIds: readonly string[]
}

/** Whether every session goes the same way, and as long, at every bench. */
const areAlike = ({ jobs, benches }: PlanProblem): boolean =>
  jobs
    .flatMap(({ routes, next }) => [routes, next?.routes ?? []])
    .every(
      (routes) =>
        routes.length === 0 ||
        (routes.length === benches.length &&
          routes.every(
            (route) =>
              routeMinutes(route) === routeMinutes(routes[0] ?? route) &&
              route.stages.every(
                ({ stoneId, minutes }, at) =>
                  routes[0]?.stages[at]?.stoneId === stoneId && routes[0].stages[at].minutes === minutes,
              ),
          )),
    )

/** Benches that are the same for every session stand as one place with room for as many people: half the columns. */
export const placesOf = (problem: PlanProblem): readonly Place[] =>
  areAlike(problem)
    ? [{ benchIds: problem.benches.map(({ id }) => id) }]
    : problem.benches.map(({ id }) => ({ benchIds: [id] }))
