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
const PLATE = 'plate'

const NOBODY = -1

/**
 * A window filling up: until when each bench, person, stone and the plate are taken, and who sits where. A sitting
 * is not broken off: while it has knives left, nobody else comes to its bench and its person goes to no other.
 */
class Filling {
  // plain lists: a search fills a hundred thousand windows, and small typed arrays are slow to make
  private readonly bench: number[]
  private readonly sitter: number[]
  private readonly person: number[]
  private readonly seat: number[]
  /** knives still to come, by bench and person */
  private readonly waiting: number[]
  private readonly beforeMs: number
  private readonly afterMs: number
  private readonly stone: number[]
  /** uses since a stone was last flattened; −1 for one that was not touched yet */
  private readonly uses: number[]
  private plateMs = 0
  private limit: LayoutLimit['limit'] = 'window'
  private limitId = ''
  constructor(
    private readonly problem: PlanProblem,
    private readonly window: PlanWindow,
    pieces: readonly Piece[],
  ) {
    const [benches, people] = [problem.benches.length, problem.people.length]
    this.bench = new Array<number>(benches).fill(0)
    this.sitter = new Array<number>(benches).fill(NOBODY)
    this.person = new Array<number>(people).fill(0)
    this.seat = new Array<number>(people).fill(NOBODY)
    this.waiting = new Array<number>(benches * people).fill(0)
    for (const piece of pieces) this.await(piece, 1)
    this.beforeMs = problem.sitting.beforeMinutes * MINUTE_MS
    this.afterMs = problem.sitting.afterMinutes * MINUTE_MS
    this.stone = new Array<number>(problem.stones.length).fill(0)
    this.uses = new Array<number>(problem.stones.length).fill(-1)
  }

  private place(bench: number, person: number): number {
    return bench * this.problem.people.length + person
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

  private isDueFlat(stone: PlanStone, at: number): boolean {
    const uses = this.uses[at] ?? -1
    // flattened before its first knife, and again after every few
    return stone.flattenMinutes > 0 && (uses < 0 || uses >= stone.knivesBetween)
  }

  private flatMs(piece: Piece): number {
    let sum = 0
    for (const at of piece.stones) {
      const stone = this.problem.stones[at]
      if (stone && this.isDueFlat(stone, at)) sum += stone.flattenMinutes * MINUTE_MS
    }
    return sum
  }

  private wait(startMs: number, untilMs: number, limit: LayoutLimit['limit'], id: string): number {
    if (untilMs <= startMs) return startMs
    this.limit = limit
    this.limitId = id
    return untilMs
  }

  private stoneFreeMs(at: number, stone: PlanStone): number {
    return Math.max(this.stone[at] ?? 0, readyMs(this.window, stone))
  }

  /** When a session could start: as soon as its bench, hands, stones and the plate are free when it comes to them. */
  startMs(piece: Piece): number {
    const { window, problem } = this
    const { placement } = piece
    this.limit = 'window'
    this.limitId = window.id
    let startMs = this.wait(window.startMs, piece.fromMs, 'person', placement.personId)
    const goesOn = this.goesOn(piece)
    const benchMs = (this.bench[piece.bench] ?? 0) + (goesOn || this.sitter[piece.bench] === NOBODY ? 0 : this.afterMs)
    const handsMs = (this.person[piece.person] ?? 0) + (goesOn || this.seat[piece.person] === NOBODY ? 0 : this.afterMs)
    startMs = this.wait(startMs, benchMs, 'bench', placement.benchId)
    startMs = this.wait(startMs, handsMs, 'person', placement.personId)
    if (!goesOn) startMs += this.beforeMs
    let offset = 0
    for (const at of piece.stones) {
      const stone = problem.stones[at]
      if (!stone || !this.isDueFlat(stone, at)) continue
      startMs = this.wait(startMs, this.plateMs - offset, 'plate', PLATE)
      startMs = this.wait(startMs, this.stoneFreeMs(at, stone) - offset, 'stone', stone.id)
      offset += stone.flattenMinutes * MINUTE_MS
    }
    offset += piece.openingMs
    for (let stage = 0; stage < piece.stones.length; stage++) {
      const at = piece.stones[stage] ?? 0
      const stone = problem.stones[at]
      if (stone) startMs = this.wait(startMs, this.stoneFreeMs(at, stone) - offset, 'stone', stone.id)
      offset += piece.stageMs[stage] ?? 0
    }
    return startMs
  }

  /** Puts a session where it can start; what stops it when it would run over. */
  put(piece: Piece, record: SessionSlot[] | null): LayoutLimit | null {
    const { window, problem } = this
    const startMs = this.startMs(piece)
    const endMs = startMs + this.flatMs(piece) + piece.wholeMs
    const latest = Math.min(window.endMs, piece.toMs) - this.afterMs
    if (endMs > latest + 1) {
      const overMinutes = (endMs - latest) / MINUTE_MS
      const leaves = piece.toMs < window.endMs && this.limit === 'window'
      return leaves
        ? { limit: 'person', id: piece.placement.personId, overMinutes }
        : { limit: this.limit, id: this.limitId, overMinutes }
    }
    const seat = this.seat[piece.person] ?? NOBODY
    // a bench that was left is cleared away, though nobody sits there any more
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
    let at = startMs
    const flattening: StoneSpan[] = []
    const stages: StoneSpan[] = []
    for (const number of piece.stones) {
      const stone = problem.stones[number]
      if (!stone || !this.isDueFlat(stone, number)) continue
      const toMs = at + stone.flattenMinutes * MINUTE_MS
      if (record) flattening.push({ stoneId: stone.id, fromMs: at, toMs })
      this.uses[number] = 0
      this.plateMs = toMs
      at = toMs
    }
    at += piece.openingMs
    for (let stage = 0; stage < piece.stones.length; stage++) {
      const number = piece.stones[stage] ?? 0
      const toMs = at + (piece.stageMs[stage] ?? 0)
      if (record) stages.push({ stoneId: problem.stones[number]?.id ?? '', fromMs: at, toMs })
      this.stone[number] = toMs
      this.uses[number] = Math.max(0, this.uses[number] ?? 0) + 1
      at = toMs
    }
    record?.push({ placement: piece.placement, startMs, endMs, flattening, stages })
    return null
  }
}

/** Lays sessions out in the order given, as far as sittings are not broken off by it. */
export function layOutInOrder(
  { problem }: PlanIndex,
  window: PlanWindow,
  pieces: readonly Piece[],
  record: SessionSlot[] | null,
): LayoutLimit | null {
  const filling = new Filling(problem, window, pieces)
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
  const filling = new Filling(problem, window, pieces)
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
