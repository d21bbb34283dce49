import { MINUTE_MS } from '../time'
import type { Piece, PlanIndex } from './pieces'
import type { Placement, PlanProblem, PlanStone, PlanWindow } from './problem'
import type { SittingOf } from './sittings'

/** Something a stone does at a time: lying under water, being flattened, or being worked on. */
export interface StoneSpan {
  readonly stoneId: string
  readonly fromMs: number
  readonly toMs: number
}

/** A session in its minutes: flattening first, then stone after stone, coarse before fine. */
export interface SessionSlot {
  readonly placement: Placement
  readonly startMs: number
  readonly endMs: number
  readonly flattening: readonly StoneSpan[]
  readonly stages: readonly StoneSpan[]
}

export interface WindowLayout {
  readonly sessions: readonly SessionSlot[]
  readonly sittings: readonly SittingOf<SessionSlot>[]
  /** stones that go under water, most of them before the window opens */
  readonly soaking: readonly StoneSpan[]
}

/** What stopped a set of sessions from fitting into a window. */
export interface LayoutLimit {
  readonly limit: 'window' | 'bench' | 'person' | 'stone' | 'plate' | 'away'
  readonly id: string
  /** minutes by which the first session that did not fit runs over */
  readonly overMinutes: number
}

/** When a soaked stone is ready: put under water in time before the window, if anybody is in the house to do it. */
export const readyMs = (window: PlanWindow, stone: PlanStone): number =>
  stone.soakMinutes === 0
    ? window.startMs
    : Math.max(window.soakFromMs, window.startMs - stone.soakMinutes * MINUTE_MS) + stone.soakMinutes * MINUTE_MS

/** The one flattening plate of the house; it serves one stone at a time. */
export const PLATE = 'plate'

const NOBODY = -1

/**
 * A window filling up: until when each bench, person, stone and the plate are taken, and who sits where. A sitting
 * is not broken off: while it has knives left, nobody else comes to its bench and its person goes to no other.
 * One is kept for a problem and begun anew for each order: a search fills a hundred thousand windows.
 */
class Filling {
  private readonly bench: Float64Array
  private readonly sitter: Int32Array
  private readonly person: Float64Array
  private readonly seat: Int32Array
  /** knives still to come, by bench and person */
  private readonly waiting: Int32Array
  private readonly beforeMs: number
  private readonly afterMs: number
  /** when each stone is free, soaked */
  private readonly stone: Float64Array
  private readonly flattenMs: Float64Array
  private readonly knivesBetween: Int32Array
  /** uses since a stone was last flattened; −1 for one that was not touched yet */
  private readonly uses: Int32Array
  private plateMs = 0
  private window: PlanWindow | null = null
  private limit: LayoutLimit['limit'] = 'window'
  private limitAt = 0
  constructor(private readonly problem: PlanProblem) {
    const [benches, people, stones] = [problem.benches.length, problem.people.length, problem.stones.length]
    this.bench = new Float64Array(benches)
    this.sitter = new Int32Array(benches)
    this.person = new Float64Array(people)
    this.seat = new Int32Array(people)
    this.waiting = new Int32Array(benches * people)
    this.beforeMs = problem.sitting.beforeMinutes * MINUTE_MS
    this.afterMs = problem.sitting.afterMinutes * MINUTE_MS
    this.stone = new Float64Array(stones)
    this.uses = new Int32Array(stones)
    this.flattenMs = Float64Array.from(problem.stones, ({ flattenMinutes }) => flattenMinutes * MINUTE_MS)
    this.knivesBetween = Int32Array.from(problem.stones, ({ knivesBetween }) => knivesBetween)
  }

  /** Everything free, nobody seated, these knives to come. */
  begin(window: PlanWindow, pieces: readonly Piece[]): this {
    this.window = window
    this.bench.fill(0)
    this.sitter.fill(NOBODY)
    this.person.fill(0)
    this.seat.fill(NOBODY)
    this.waiting.fill(0)
    this.uses.fill(-1)
    this.plateMs = 0
    for (let at = 0; at < this.stone.length; at++) {
      const stone = this.problem.stones[at]
      this.stone[at] = stone ? readyMs(window, stone) : 0
    }
    for (const piece of pieces) this.await(piece, 1)
    return this
  }

  private place(bench: number, person: number): number {
    return bench * this.person.length + person
  }

  private await({ bench, person }: Piece, knives: number): void {
    const place = this.place(bench, person)
    this.waiting[place] = (this.waiting[place] ?? 0) + knives
  }

  private goesOn({ bench, person }: Piece): boolean {
    return this.sitter[bench] === person && this.seat[person] === bench
  }

  /** Whether a sitting may begin or go on with this knife now. */
  mayStart(piece: Piece): boolean {
    if (this.goesOn(piece)) return true
    const [sitter = NOBODY, seat = NOBODY] = [this.sitter[piece.bench], this.seat[piece.person]]
    const isTaken = sitter !== NOBODY && (this.waiting[this.place(piece.bench, sitter)] ?? 0) > 0
    const isBusy = seat !== NOBODY && (this.waiting[this.place(seat, piece.person)] ?? 0) > 0
    return !isTaken && !isBusy
  }

  /** Time a stone's flattening takes before its next knife: before the first, and again after every few. */
  private dueMs(at: number): number {
    const uses = this.uses[at] ?? -1
    return uses < 0 || uses >= (this.knivesBetween[at] ?? 0) ? (this.flattenMs[at] ?? 0) : 0
  }

  private wait(startMs: number, untilMs: number, limit: LayoutLimit['limit'], at: number): number {
    if (untilMs <= startMs) return startMs
    this.limit = limit
    this.limitAt = at
    return untilMs
  }

  /** When a session could start: as soon as its bench, hands, stones and the plate are free when it comes to them. */
  startMs(piece: Piece): number {
    const goesOn = this.goesOn(piece)
    this.limit = 'window'
    let startMs = this.wait(this.window?.startMs ?? 0, piece.fromMs, 'person', piece.person)
    const benchMs = (this.bench[piece.bench] ?? 0) + (goesOn || this.sitter[piece.bench] === NOBODY ? 0 : this.afterMs)
    const handsMs = (this.person[piece.person] ?? 0) + (goesOn || this.seat[piece.person] === NOBODY ? 0 : this.afterMs)
    startMs = this.wait(startMs, benchMs, 'bench', piece.bench)
    startMs = this.wait(startMs, handsMs, 'person', piece.person)
    if (!goesOn) startMs += this.beforeMs
    let offset = 0
    for (const at of piece.stones) {
      const dueMs = this.dueMs(at)
      if (dueMs === 0) continue
      startMs = this.wait(startMs, this.plateMs - offset, 'plate', 0)
      startMs = this.wait(startMs, (this.stone[at] ?? 0) - offset, 'stone', at)
      offset += dueMs
    }
    offset += piece.openingMs
    for (let stage = 0; stage < piece.stones.length; stage++) {
      const at = piece.stones[stage] ?? 0
      startMs = this.wait(startMs, (this.stone[at] ?? 0) - offset, 'stone', at)
      offset += piece.stageMs[stage] ?? 0
    }
    return startMs
  }

  /** What stops a session that would run over by so much: what it waited for last. */
  private stops(piece: Piece, overMs: number): LayoutLimit {
    const { limit, limitAt, problem, window } = this
    const overMinutes = overMs / MINUTE_MS
    const leaves = piece.toMs < (window?.endMs ?? 0)
    if (limit === 'window' && leaves) return { limit: 'person', id: piece.placement.personId, overMinutes }
    const names = { person: problem.people, bench: problem.benches, stone: problem.stones }
    const id =
      limit === 'person' || limit === 'bench' || limit === 'stone'
        ? names[limit][limitAt]?.id
        : limit === 'plate'
          ? PLATE
          : window?.id
    return { limit, id: id ?? '', overMinutes }
  }

  /** Puts a session where it can start; what stops it when it would run over. */
  put(piece: Piece, record: SessionSlot[] | null): LayoutLimit | null {
    const startMs = this.startMs(piece)
    let flatMs = 0
    for (const at of piece.stones) flatMs += this.dueMs(at)
    const endMs = startMs + flatMs + piece.wholeMs
    const latest = Math.min(this.window?.endMs ?? 0, piece.toMs) - this.afterMs
    if (endMs > latest + 1) return this.stops(piece, endMs - latest)
    // a bench that was left is cleared away, though nobody sits there any more
    const seat = this.seat[piece.person] ?? NOBODY
    if (seat !== NOBODY && seat !== piece.bench && this.sitter[seat] === piece.person) {
      this.sitter[seat] = NOBODY
      this.bench[seat] = (this.bench[seat] ?? 0) + this.afterMs
    }
    const sitter = this.sitter[piece.bench] ?? NOBODY
    if (sitter !== NOBODY && sitter !== piece.person && this.seat[sitter] === piece.bench) {
      this.seat[sitter] = NOBODY
      this.person[sitter] = (this.person[sitter] ?? 0) + this.afterMs
    }
    this.sitter[piece.bench] = piece.person
    this.seat[piece.person] = piece.bench
    this.await(piece, -1)
    this.bench[piece.bench] = endMs
    this.person[piece.person] = endMs
    const flattening = this.flatten(piece, startMs, record !== null)
    const stages = this.grind(piece, startMs + flatMs + piece.openingMs, record !== null)
    record?.push({ placement: piece.placement, startMs, endMs, flattening, stages })
    return null
  }

  private flatten({ stones }: Piece, startMs: number, recorded: boolean): StoneSpan[] {
    const spans: StoneSpan[] = []
    let at = startMs
    for (const number of stones) {
      const dueMs = this.dueMs(number)
      if (dueMs === 0) continue
      const toMs = at + dueMs
      if (recorded) spans.push({ stoneId: this.problem.stones[number]?.id ?? '', fromMs: at, toMs })
      this.uses[number] = 0
      this.plateMs = toMs
      at = toMs
    }
    return spans
  }

  private grind({ stones, stageMs }: Piece, startMs: number, recorded: boolean): StoneSpan[] {
    const spans: StoneSpan[] = []
    let at = startMs
    for (let stage = 0; stage < stones.length; stage++) {
      const number = stones[stage] ?? 0
      const toMs = at + (stageMs[stage] ?? 0)
      if (recorded) spans.push({ stoneId: this.problem.stones[number]?.id ?? '', fromMs: at, toMs })
      this.stone[number] = toMs
      this.uses[number] = Math.max(0, this.uses[number] ?? 0) + 1
      at = toMs
    }
    return spans
  }
}

const fillings = new WeakMap<PlanProblem, Filling>()
function beginFilling(problem: PlanProblem, window: PlanWindow, pieces: readonly Piece[]): Filling {
  const filling = fillings.get(problem) ?? new Filling(problem)
  fillings.set(problem, filling)
  return filling.begin(window, pieces)
}

/** Lays sessions out in the order given, as far as sittings are not broken off by it. */
export function layOutInOrder(
  { problem }: PlanIndex,
  window: PlanWindow,
  pieces: readonly Piece[],
  record: SessionSlot[] | null,
): LayoutLimit | null {
  const filling = beginFilling(problem, window, pieces)
  const left = [...pieces]
  while (left.length > 0) {
    const [piece] = left.splice(
      left.findIndex((one) => filling.mayStart(one)),
      1,
    )
    const limit = piece ? filling.put(piece, record) : null
    if (limit) return limit
  }
  return null
}

/** The order that comes of always starting the session that can start first; of those that can, the one earlier in the list. */
export function soonestFirst(
  { problem }: PlanIndex,
  window: PlanWindow,
  pieces: readonly Piece[],
): readonly Piece[] | LayoutLimit {
  const filling = beginFilling(problem, window, pieces)
  const left = [...pieces]
  const order: Piece[] = []
  while (left.length > 0) {
    let best = 0
    let bestMs = Infinity
    for (let at = 0; at < left.length; at++) {
      const piece = left[at]
      const startMs = piece && filling.mayStart(piece) ? filling.startMs(piece) : Infinity
      if (startMs < bestMs - 1) {
        best = at
        bestMs = startMs
      }
    }
    const [piece] = left.splice(best, 1)
    if (!piece) break
    const limit = filling.put(piece, null)
    if (limit) return limit
    order.push(piece)
  }
  return order
}
