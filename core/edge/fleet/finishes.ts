import type { Terms } from '../../statistics/regression'
import { FINISH_CLASSES, type FinishClass } from '../log/lessons'
import type { KnifeState } from '../log/state'
import type { StationWork } from '../log/usage'

export const finishTerm = (finish: FinishClass, product: string): string => `finish ${finish} ${product}`

/**
 * What a finish is expected to do on some food, as log factor on wear: a polished edge slides on peppers and feels
 * dull after a couple of hours, chilled meat wants the highest polish (order common practice, sizes assumed).
 */
const FINISH_EFFECT: Readonly<Record<string, number>> = {
  [finishTerm('polished', 'vegetables')]: 0.1,
  [finishTerm('toothy', 'vegetables')]: -0.05,
  [finishTerm('polished', 'meat')]: -0.1,
  [finishTerm('toothy', 'meat')]: 0.1,
}

/** Finishes a knife's work was done with, by what is cut at the station, as shares of all its work. */
export function finishTerms(
  { state }: { readonly state: KnifeState },
  stations: ReadonlyMap<string, StationWork>,
): Terms {
  const total = Object.values(state.lessons.workAt).reduce((sum, work) => sum + work, 0)
  if (total === 0) return []
  return Object.entries(state.lessons.workAfter).flatMap(([stationId, done]): Terms => {
    const product = stations.get(stationId)?.product
    return product ? FINISH_CLASSES.map((finish) => [finishTerm(finish, product), done[finish] / total] as const) : []
  })
}

/** What the table expects of a sum of terms beyond nothing. */
export const expectedOf = (terms: Terms): number =>
  terms.reduce((sum, [name, share]) => sum + share * (FINISH_EFFECT[name] ?? 0), 0)
