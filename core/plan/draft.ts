import { MINUTE_MS } from '../time'
import { pieceOf, piecesFit, type Piece, type PlanIndex } from './layout'
import { placementCost, WORTH } from './objective'
import { isAllowedIn, routeMinutes, samePlace, type Placement, type PlanJob } from './problem'

/** Somewhere a job could go, and what that costs by itself. */
export interface Option {
  readonly placement: Placement
  /** number of its window */
  readonly window: number
  readonly piece: Piece
  readonly minutes: number
  readonly cost: number
  /** short name, for remembering what fitted */
  readonly key: string
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

/** Every place a job could go by skill, presence and length alone, cheapest first. */
export function optionsOf(index: PlanIndex, { job, anchor, anchorCost, most, onTop }: OptionsAsk): Option[] {
  const { problem } = index
  const found: Option[] = []
  for (const [at, window] of problem.windows.entries()) {
    if (!isAllowedIn(job, at)) continue
    const more = onTop(at)
    for (const person of problem.people) {
      const present = person.present[window.id]
      if (!present || !person.skills.includes(job.skill)) continue
      for (const route of job.routes) {
        const minutes = routeMinutes(route) * person.pace
        if (minutes * MINUTE_MS > present.toMs - present.fromMs) continue
        const placement = { jobId: job.id, windowId: window.id, benchId: route.benchId, personId: person.id }
        const moved = anchor && !samePlace(anchor, placement) ? anchorCost : 0
        const cost = placementCost(job, at, minutes, person.id, problem.weights) + moved + more
        // dearer than leaving it out: only worth having when somebody has locked it there
        if (cost >= most && !problem.locks.some((lock) => samePlace(lock, placement))) continue
        const piece = pieceOf(index, placement)
        if (piece)
          found.push({ placement, window: at, piece, minutes, cost, key: `${job.id}|${piece.bench}|${piece.person}` })
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
  private readonly fits = new Map<string, boolean>()
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
    return this.fitsAll(windowId, wanted)
  }

  private fitsAll(windowId: string, wanted: readonly Option[]): boolean {
    const key =
      windowId +
      wanted
        .map((one) => one.key)
        .sort()
        .join(';')
    const known = this.fits.get(key)
    if (known !== undefined) return known
    const window = this.index.windows.get(windowId)
    const fits =
      window !== undefined &&
      piecesFit(
        this.index,
        window,
        wanted.map(({ piece }) => piece),
      )
    this.fits.set(key, fits)
    return fits
  }

  /** Whether every window lays out: taking a session away can, rarely, leave no order that practice suggests. */
  isSound(): boolean {
    return [...this.byWindow].every(([windowId, options]) => options.length === 0 || this.fitsAll(windowId, options))
  }

  private unfair(personId: string, minutes: number): number {
    return Math.max(0, minutes - (this.fair.get(personId) ?? 0)) * WORTH.unfairMinute * this.index.problem.weights.fair
  }

  /** What adding a placement costs beyond its own cost: the bench it opens, the share it makes unfair. */
  addingCost({ placement, minutes, piece }: Option): number {
    const opens = this.in(placement.windowId).some(
      (one) => one.piece.bench === piece.bench && one.placement.jobId !== placement.jobId,
    )
      ? 0
      : WORTH.setUp
    const before = this.load.get(placement.personId) ?? 0
    return opens + this.unfair(placement.personId, before + minutes) - this.unfair(placement.personId, before)
  }

  put(option: Option): void {
    const { jobId, windowId, personId } = option.placement
    this.placed.set(jobId, option)
    const here = this.byWindow.get(windowId)
    if (here) here.push(option)
    else this.byWindow.set(windowId, [option])
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
