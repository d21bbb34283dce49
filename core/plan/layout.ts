import { MINUTE_MS } from '../time'
import {
  layOutInOrder,
  PLATE,
  readyMs,
  soonestFirst,
  type LayoutLimit,
  type SessionSlot,
  type WindowLayout,
} from './filling'
import { pieceOf, type Piece, type PlanIndex } from './pieces'
import { sittingMinutes, type Placement, type PlanWindow } from './problem'
import { gatherSittings } from './sittings'

export type { LayoutLimit, SessionSlot, StoneSpan, WindowLayout } from './filling'
export { indexPlan, pieceOf, type Piece, type PlanIndex } from './pieces'

/** Every order of so many sessions is tried; of more only those that practice suggests. */
const EVERY_ORDER_UP_TO = 4
const ORDERS: readonly (readonly number[])[] = [
  [0, 1, 2, 3],
  [0, 1, 2],
  [0, 1],
].flatMap(ordersOf)

function ordersOf(list: readonly number[]): number[][] {
  if (list.length <= 1) return [[...list]]
  return list.flatMap((first, at) =>
    ordersOf([...list.slice(0, at), ...list.slice(at + 1)]).map((rest) => [first, ...rest]),
  )
}

/** Orders worth trying: coarse knives first, so that the fine stones stay clean; who leaves first; the longest first. */
function* orders(pieces: readonly Piece[]): Generator<readonly Piece[]> {
  const coarseFirst = [...pieces].sort(
    (a, b) =>
      b.coarseMicron - a.coarseMicron || b.wholeMs - a.wholeMs || (a.placement.jobId < b.placement.jobId ? -1 : 1),
  )
  yield coarseFirst
  if (pieces.length === 1) return
  yield [...coarseFirst].sort((a, b) => a.toMs - b.toMs || a.fromMs - b.fromMs)
  yield [...coarseFirst].sort((a, b) => b.wholeMs - a.wholeMs)
  if (pieces.length > EVERY_ORDER_UP_TO) return
  for (const order of ORDERS) {
    if (order.length === pieces.length) yield order.flatMap((at) => coarseFirst[at] ?? [])
  }
}

export const isLimit = (laid: WindowLayout | LayoutLimit): laid is LayoutLimit => 'limit' in laid

/** All uses of a stone in a window lie at one bench, or with one person, or not. */
const SEVERAL = -2
const NONE = -1
const onlyOne = (had: number, now: number): number => (had === NONE || had === now ? now : SEVERAL)

/**
 * Sums that no order can mend: more minutes than a bench, a person, a stone or the plate has, flattening counted.
 * Cheap, and settles most of what does not fit.
 */
function isOverfull({ problem }: PlanIndex, window: PlanWindow, pieces: readonly Piece[]): LayoutLimit | null {
  const bench = new Array<number>(problem.benches.length).fill(0)
  const person = new Array<number>(problem.people.length).fill(0)
  const leftBy = new Array<number>(problem.people.length).fill(0)
  const stones = problem.stones.map(() => ({ uses: 0, ms: 0, bench: NONE, person: NONE }))
  const sittings = new Set<number>()
  const aroundMs = sittingMinutes(problem.sitting) * MINUTE_MS
  const over = (limit: LayoutLimit['limit'], id: string, ms: number): LayoutLimit => ({
    limit,
    id,
    overMinutes: ms / MINUTE_MS,
  })
  const lengthMs = window.endMs - window.startMs
  for (const piece of pieces) {
    const sitting = piece.bench * problem.people.length + piece.person
    const addedMs = piece.wholeMs + (sittings.has(sitting) ? 0 : aroundMs)
    sittings.add(sitting)
    const benchMs = (bench[piece.bench] ?? 0) + addedMs
    const personMs = (person[piece.person] ?? 0) + addedMs
    if (benchMs > lengthMs + 1) return over('bench', piece.placement.benchId, benchMs - lengthMs)
    const hereMs = piece.toMs - piece.fromMs
    if (personMs > hereMs + 1) return over('person', piece.placement.personId, personMs - hereMs)
    bench[piece.bench] = benchMs
    person[piece.person] = personMs
    leftBy[piece.person] = hereMs
    for (let stage = 0; stage < piece.stones.length; stage++) {
      const stone = stones[piece.stones[stage] ?? 0]
      if (!stone) continue
      stone.uses++
      stone.ms += piece.stageMs[stage] ?? 0
      stone.bench = onlyOne(stone.bench, piece.bench)
      stone.person = onlyOne(stone.person, piece.person)
    }
  }
  let plateMs = 0
  for (const [at, { uses, ms, bench: benchOf, person: personOf }] of stones.entries()) {
    const stone = problem.stones[at]
    if (uses === 0 || !stone) continue
    const flatMs =
      stone.flattenMinutes > 0 ? Math.ceil(uses / stone.knivesBetween) * stone.flattenMinutes * MINUTE_MS : 0
    const fromMs = Math.max(readyMs(window, stone), window.startMs + problem.sitting.beforeMinutes * MINUTE_MS)
    const stoneOver = ms + flatMs - (window.endMs - problem.sitting.afterMinutes * MINUTE_MS - fromMs)
    if (stoneOver > 1) return over('stone', stone.id, stoneOver)
    plateMs += flatMs
    const benchMs = benchOf >= 0 ? (bench[benchOf] = (bench[benchOf] ?? 0) + flatMs) : 0
    if (benchMs > lengthMs + 1) return over('bench', problem.benches[benchOf]?.id ?? '', benchMs - lengthMs)
    const personMs = personOf >= 0 ? (person[personOf] = (person[personOf] ?? 0) + flatMs) : 0
    const hereMs = leftBy[personOf] ?? Infinity
    if (personMs > hereMs + 1) return over('person', problem.people[personOf]?.id ?? '', personMs - hereMs)
  }
  return plateMs > lengthMs + 1 ? over('plate', PLATE, plateMs - lengthMs) : null
}

/** The stand-in rule: knives of one kind at one station do not all leave it while a service runs. */
function exceedsAway(window: PlanWindow, pieces: readonly Piece[]): LayoutLimit | null {
  if (!window.overlapsService) return null
  const away = new Map<string, number>()
  for (const { job } of pieces) {
    const count = (away.get(job.group) ?? 0) + 1
    if (count > job.mayBeAway) return { limit: 'away', id: job.group, overMinutes: 0 }
    away.set(job.group, count)
  }
  return null
}

/** The order given, and those in which the last of them comes earlier: what fitted before with one more in it. */
function* withLastInserted(given: readonly Piece[]): Generator<readonly Piece[]> {
  yield given
  const [others, last] = [given.slice(0, -1), given.slice(-1)]
  for (let place = others.length - 1; place >= 0; place--)
    yield [...others.slice(0, place), ...last, ...others.slice(place)]
}

/**
 * The first order in which sessions fit, or what stopped the first of them: coarse before fine, as they are given with the
 * last one put in anywhere, and as practice suggests otherwise. As many as four fit or do not, in whatever order they are given.
 */
export function fittingOrder(
  index: PlanIndex,
  window: PlanWindow,
  given: readonly Piece[],
): readonly Piece[] | LayoutLimit {
  const pieces = [...given].sort((a, b) => (a.placement.jobId < b.placement.jobId ? -1 : 1))
  const never = exceedsAway(window, pieces) ?? isOverfull(index, window, pieces)
  if (never) return never
  const [coarseFirst = pieces] = orders(pieces)
  let first = layOutInOrder(index, window, coarseFirst, null)
  if (!first) return coarseFirst
  if (given.length > EVERY_ORDER_UP_TO) {
    for (const order of withLastInserted(given)) if (!layOutInOrder(index, window, order, null)) return order
  }
  // of several that could start, the coarse knife or the short one: other rules find an order once in five hundred more (measured)
  for (const rule of [coarseFirst, [...pieces].sort((a, b) => a.wholeMs - b.wholeMs)]) {
    const order = soonestFirst(index, window, rule)
    if (!('limit' in order)) return order
  }
  if (given.length > EVERY_ORDER_UP_TO) return first
  for (const order of orders(pieces)) {
    const limit = layOutInOrder(index, window, order, null)
    if (!limit) return order
    first ??= limit
  }
  return first ?? []
}

/**
 * The sessions of one window in their minutes, or what stops them: one bench, one pair of hands, one stone
 * in one place; flattened before first use and between knives; soaked before the window where somebody is
 * in the house; coarse knives first, so that the fine stones stay clean.
 *
 * @param placements sessions of this window only
 */
export function layOutWindow(
  index: PlanIndex,
  windowId: string,
  placements: readonly Placement[],
): WindowLayout | LayoutLimit {
  const window = index.windows.get(windowId)
  if (!window) return { limit: 'window', id: windowId, overMinutes: 0 }
  if (placements.length === 0) return { sessions: [], sittings: [], soaking: [] }
  const pieces = placements.map((placement) => pieceOf(index, placement))
  const absent = placements[pieces.findIndex((piece) => piece === null)]
  if (absent) return { limit: 'person', id: absent.personId, overMinutes: 0 }
  const order = fittingOrder(
    index,
    window,
    pieces.filter((piece) => piece !== null),
  )
  if ('limit' in order) return order
  const sessions: SessionSlot[] = []
  layOutInOrder(index, window, order, sessions)
  const used = new Set(sessions.flatMap(({ stages }) => stages.map(({ stoneId }) => stoneId)))
  const soaking = index.problem.stones
    .filter(({ id, soakMinutes }) => soakMinutes > 0 && used.has(id))
    .map((stone) => {
      const toMs = readyMs(window, stone)
      return { stoneId: stone.id, fromMs: toMs - stone.soakMinutes * MINUTE_MS, toMs }
    })
  const sittings = gatherSittings(sessions, index.problem.sitting, ({ placement, startMs, endMs }) => ({
    ...placement,
    startMs,
    endMs,
  }))
  return { sessions, sittings, soaking }
}

/** Every window of a plan laid out; windows whose sessions do not fit come with their limit. */
export function layOutPlan(
  index: PlanIndex,
  placements: readonly Placement[],
): ReadonlyMap<string, WindowLayout | LayoutLimit> {
  const byWindow = new Map<string, Placement[]>()
  for (const placement of placements)
    byWindow.set(placement.windowId, [...(byWindow.get(placement.windowId) ?? []), placement])
  return new Map([...byWindow].map(([windowId, own]) => [windowId, layOutWindow(index, windowId, own)]))
}
