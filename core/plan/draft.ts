import { MINUTE_MS } from '../time'
import { fittingOrder, pieceOf, type Piece, type PlanIndex } from './layout'
import { placementCost, WORTH } from './objective'
import { mayDo, isAllowedIn, routeMinutes, samePlace, sittingMinutes, type Placement, type PlanJob } from './problem'

/** Somewhere a job could go, and what that costs by itself. */
export interface Option {
  readonly placement: Placement
  /** number of its window */
  readonly window: number
  readonly piece: Piece
  readonly minutes: number
  readonly cost: number
  /** a number of its own for job, bench and person, for remembering what fitted together */
  readonly mark: number
}

export interface OptionsAsk {
  readonly job: PlanJob
  /** a place it had before, and what leaving that is worth, minutes of work */
  readonly anchor: Placement | undefined
  readonly anchorCost: number
  /** places that cost so much are not worth having */
  readonly most: number
  /** what comes on top in a window, minutes of work */
  readonly onTop: (window: number) => number
}

/** Marks of a window's sessions are summed up exactly, and two different sums are alike once in 10¹² (assumed). */
const MARK_BITS = 46
const HASH_PRIME = 16777619
const HASH_START = 2166136261

/** A number for job, bench and person, scattered so that sums tell sets apart (FNV-1a, Fowler, Noll and Vo, 1991). */
function markOf({ placement: { jobId, benchId, personId } }: Piece): number {
  const hash = (text: string, start: number): number => {
    let value = start
    for (let at = 0; at < text.length; at++) value = Math.imul(value ^ text.charCodeAt(at), HASH_PRIME)
    return value >>> 0
  }
  const name = `${jobId}|${benchId}|${personId}`
  const high = hash(name, hash(name, HASH_START)) % 2 ** (MARK_BITS - 32)
  return high * 2 ** 32 + hash(name, HASH_START)
}

/** Every place a job could go by skill, presence and length alone, cheapest first. */
export function optionsOf(index: PlanIndex, { job, anchor, anchorCost, most, onTop }: OptionsAsk): Option[] {
  const { problem } = index
  const found: Option[] = []
  for (const [at, window] of problem.windows.entries()) {
    if (!isAllowedIn(job, at)) continue
    const more = onTop(at)
    const around = sittingMinutes(problem.sitting)
    for (const person of problem.people) {
      const present = person.present[window.id]
      if (!present || !mayDo(person, job)) continue
      for (const route of job.routes) {
        const minutes = routeMinutes(route) * person.pace
        if ((minutes + around) * MINUTE_MS > present.toMs - present.fromMs) continue
        const placement = { jobId: job.id, windowId: window.id, benchId: route.benchId, personId: person.id }
        const moved = anchor && !samePlace(anchor, placement) ? anchorCost : 0
        const cost = placementCost(job, at, minutes, person.id, problem.weights) + moved + more
        // dearer than leaving it out: only worth having when somebody has locked it there
        if (cost >= most && !problem.locks.some((lock) => samePlace(lock, placement))) continue
        const piece = pieceOf(index, placement)
        if (piece) found.push({ placement, window: at, piece, minutes, cost, mark: markOf(piece) })
      }
    }
  }
  return found.sort((a, b) => a.cost - b.cost)
}

/** The plan as the search holds it: what is where, and what the windows and people carry. */
export class Draft {
  readonly placed = new Map<string, Option>()
  private readonly byWindow = new Map<string, Option[]>()
  private readonly load = new Map<string, number>()
  /** by window and the sum of its sessions’ marks: an order in which they fit, or null where none was found */
  private readonly orders = new Map<string, Map<number, readonly string[] | null>>()
  constructor(
    readonly index: PlanIndex,
    private readonly fair: ReadonlyMap<string, number>,
  ) {}

  in(windowId: string): readonly Option[] {
    return this.byWindow.get(windowId) ?? []
  }

  /** Whether a window still lays out with one job more and, if given, another less. */
  fitsWith(option: Option, without?: string): boolean {
    const { windowId, jobId } = option.placement
    const wanted = this.in(windowId).filter((one) => one.placement.jobId !== without && one.placement.jobId !== jobId)
    wanted.push(option)
    return this.orderOf(windowId, wanted) !== null
  }

  private orderOf(windowId: string, wanted: readonly Option[]): Option[] | null {
    const known = this.orders.get(windowId) ?? new Map<number, readonly string[] | null>()
    if (!this.orders.has(windowId)) this.orders.set(windowId, known)
    // the same sessions in whatever order have the same sum
    const sum = wanted.reduce((all, { mark }) => all + mark, 0)
    let names = known.get(sum)
    if (names === undefined) {
      const window = this.index.windows.get(windowId)
      const laid =
        window &&
        fittingOrder(
          this.index,
          window,
          wanted.map(({ piece }) => piece),
        )
      names = laid && !('limit' in laid) ? laid.map(({ job }) => job.id) : null
      known.set(sum, names)
    }
    return names && names.flatMap((jobId) => wanted.find(({ placement }) => placement.jobId === jobId) ?? [])
  }

  /** Every placement, those of a window in an order in which they fit. */
  placements(): Placement[] {
    return [...this.byWindow.values()].flatMap((options) => options.map(({ placement }) => placement))
  }

  /** Whether every window lays out: taking a session away can, rarely, leave no order that practice suggests. */
  isSound(): boolean {
    return [...this.byWindow].every(
      ([windowId, options]) => options.length === 0 || this.orderOf(windowId, options) !== null,
    )
  }

  private unfair(personId: string, minutes: number): number {
    return Math.max(0, minutes - (this.fair.get(personId) ?? 0)) * WORTH.unfairMinute * this.index.problem.weights.fair
  }

  /** What adding a placement costs beyond its own cost: the sitting it begins, the share it makes unfair. */
  addingCost({ placement, minutes, piece }: Option): number {
    const { weights, sitting } = this.index.problem
    const goesOn = this.in(placement.windowId).some(
      (one) =>
        one.piece.bench === piece.bench && one.piece.person === piece.person && one.placement.jobId !== placement.jobId,
    )
    const opens = goesOn ? 0 : weights.labour * sittingMinutes(sitting)
    const before = this.load.get(placement.personId) ?? 0
    return opens + this.unfair(placement.personId, before + minutes) - this.unfair(placement.personId, before)
  }

  put(option: Option): void {
    const { jobId, windowId, personId } = option.placement
    this.placed.set(jobId, option)
    const here = [...this.in(windowId), option]
    // in the order that fits, so that the next one tried finds its place among them
    this.byWindow.set(windowId, this.orderOf(windowId, here) ?? here)
    this.load.set(personId, (this.load.get(personId) ?? 0) + option.minutes)
  }

  take(jobId: string): Option | undefined {
    const option = this.placed.get(jobId)
    if (!option) return undefined
    const { windowId, personId } = option.placement
    this.placed.delete(jobId)
    this.byWindow.set(
      windowId,
      this.in(windowId).filter((one) => one.placement.jobId !== jobId),
    )
    this.load.set(personId, (this.load.get(personId) ?? 0) - option.minutes)
    return option
  }
}
