import { Draft, type Option } from './draft'
import { fairShares } from './objective'
import { samePlace, type Placement, type PlanProblem } from './problem'
import { searchTurns, type Anchors, type Places, type Turn } from './turns'

export type { Anchors } from './turns'

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

/** Cheapest place for a session in the plan as it stands, or null where leaving it, or what is given, costs less or nothing fits. */
function cheapest(draft: Draft, { options, leaving }: Places, most = leaving): Option | null {
  let best: Option | null = null
  let bestCost = Math.min(leaving, most)
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

/** What a session costs at least, wherever it goes. */
const leastOf = ({ options, leaving }: Places): number => Math.min(leaving, options[0]?.cost ?? leaving)

/** How much a session loses when it does not get its cheapest window: those with most to lose choose first. */
function regret({ options, leaving }: Places): number {
  const [best] = options
  if (!best) return 0
  const elsewhere = options.find(({ window }) => window !== best.window)
  return Math.min(leaving, elsewhere?.cost ?? leaving) - best.cost + (leaving - best.cost) / 10
}

const NOWHERE: Places = { options: [], leaving: 0 }

/** A plan in the making: sessions in their places, and where each could go as the others stand. */
class Making {
  readonly turnOf: ReadonlyMap<string, Turn>
  constructor(
    readonly draft: Draft,
    turns: readonly Turn[],
  ) {
    this.turnOf = new Map(turns.map((turn) => [turn.jobId, turn]))
  }

  /** Where a session could go; a second one nowhere before its first has a place. */
  places(turn: Turn): Places {
    if (turn.first === null) return turn.places(0)
    const first = this.draft.placed.get(turn.first.jobId)
    return first ? turn.places(first.window) : NOWHERE
  }

  isPlaced = ({ jobId }: Turn): boolean => this.draft.placed.has(jobId)
  /** First sessions whose second hangs on them stay where they are while others move. */
  isHeld = ({ second }: Turn): boolean => second !== null && this.isPlaced(second)

  /** Puts a session where it was, or where somebody wants it, if that still goes. */
  putAt(turn: Turn, placement: Placement | undefined): void {
    const option =
      placement && !this.isPlaced(turn)
        ? this.places(turn).options.find((one) => samePlace(one.placement, placement))
        : undefined
    if (option && this.draft.fitsWith(option)) this.draft.put(option)
  }

  /** Gives every session without a place the cheapest that pays, those with most to lose first. */
  fill(turns: readonly Turn[]): void {
    const waiting = turns.filter((turn) => !turn.locked && !this.isPlaced(turn)).map((turn) => this.places(turn))
    for (const places of waiting.sort((a, b) => regret(b) - regret(a))) {
      const option = cheapest(this.draft, places)
      if (option) this.draft.put(option)
    }
  }

  /** What a first session's move means for the second: what that changes in cost, and how to do it; null where it may not be. */
  relink({ second }: Turn, wanted: Option): { readonly cost: number; readonly apply: () => void } | null {
    const had = second && this.draft.placed.get(second.jobId)
    if (!had) return { cost: 0, apply: () => undefined }
    const now =
      had.window > wanted.window
        ? second.places(wanted.window).options.find((one) => samePlace(one.placement, had.placement))
        : undefined
    return now
      ? {
          cost: now.cost - had.cost,
          apply: () => {
            this.draft.take(second.jobId)
            this.draft.put(now)
          },
        }
      : null
  }
}

const START_HEAT = 8
const END_HEAT = 0.2
/** How often a session is tried without. */
const TAKEN_OFF = 0.04
/** How often a first session is moved together with its second. */
const AS_PAIR = 0.08
/** How often a whole sitting is given to other hands or another bench. */
const WHOLE_SITTING = 0.05

/**
 * A good plan quickly: sessions with most to lose choose their place first (regret insertion), first ones and
 * then second ones, then single moves, ejections and swaps under falling temperature (simulated annealing,
 * Kirkpatrick et al. 1983). The same problem, start and random sequence give the same plan.
 */
export function searchPlan({ problem, random, spent, startFrom = [], anchors }: SearchAsk): Placement[] {
  const { index, turns } = searchTurns(problem, anchors)
  const draft = new Draft(index, fairShares(problem))
  const making = new Making(draft, turns)
  const [firsts, seconds] = [turns.filter(({ first }) => first === null), turns.filter(({ first }) => first !== null)]
  const put = (own: readonly Turn[], where: readonly Placement[]): void => {
    for (const turn of own)
      making.putAt(
        turn,
        where.find(({ jobId }) => jobId === turn.jobId),
      )
  }
  const moving = startFrom.filter(({ jobId }) => !problem.locks.some((lock) => lock.jobId === jobId))
  put(firsts, problem.locks)
  put(seconds, problem.locks)
  put(firsts, moving)
  put(seconds, moving)
  making.fill(firsts)
  // a lock on a second session alone has to wait for its first
  put(seconds, problem.locks)
  making.fill(seconds)

  let change = 0
  let best = draft.placements()
  let bestChange = 0
  const better = (now: number): [Placement[], number] =>
    now < bestChange - 1e-9 && draft.isSound() ? [draft.placements(), now] : [best, bestChange]
  const movable = turns.filter((turn) => !turn.locked && (turn.first !== null || turn.places(0).options.length > 0))
  for (let step = 0, share = spent(0); movable.length > 0 && share < 1; share = spent(++step)) {
    const heat = START_HEAT * (END_HEAT / START_HEAT) ** share
    // drawn before the move: what would cost more than that is not looked at further (Metropolis et al. 1953, turned round)
    const allowed = -heat * Math.log(1 - random())
    const turn = movable[Math.floor(random() * movable.length)]
    if (!turn) break
    if (random() < WHOLE_SITTING) {
      change += moveSitting(making, { turn, allowed, random })
      ;[best, bestChange] = better(change)
      continue
    }
    const { options, leaving } = making.places(turn)
    const had = draft.take(turn.jobId)
    const before = had ? costWith(draft, had) : leaving
    // near the cheap end more often than not
    const wanted = options[Math.floor(random() ** 3 * options.length)]
    const restore = (): void => {
      if (had) draft.put(had)
    }
    if (random() < TAKEN_OFF) {
      if (had && !making.isHeld(turn) && leaving - before <= allowed) change += leaving - before
      else restore()
      continue
    }
    if (wanted && turn.second && !turn.second.locked && random() < AS_PAIR) {
      change += movePair(making, { turn, second: turn.second, wanted, before, restore, allowed })
      ;[best, bestChange] = better(change)
      continue
    }
    const link = wanted ? making.relink(turn, wanted) : null
    const delta = wanted && link ? costWith(draft, wanted) + link.cost - before : Infinity
    // sums are quick and laying out is slow: what would be refused for its cost is never laid out
    if (!wanted || !link || delta > allowed) {
      restore()
    } else if (draft.fitsWith(wanted)) {
      draft.put(wanted)
      link.apply()
      change += delta
    } else {
      change += eject(making, { wanted, link, before, restore, allowed, random })
    }
    ;[best, bestChange] = better(change)
  }
  return best
}

interface PairMove {
  readonly turn: Turn
  readonly second: Turn
  readonly wanted: Option
  readonly before: number
  readonly restore: () => void
  /** what the move may cost, minutes of work */
  readonly allowed: number
}

/**
 * Puts a first session where it is wanted and gives its second the cheapest place after it; the change in cost, 0 when
 * refused. A first session early enough for a second may be dear by itself: only both together pay.
 */
function movePair(making: Making, { turn, second, wanted, before, restore, allowed }: PairMove): number {
  const { draft } = making
  const had = draft.take(second.jobId)
  const secondBefore = had ? costWith(draft, had) : 0
  const back = (): number => {
    restore()
    if (had) draft.put(had)
    return 0
  }
  const places = turn.second?.places(wanted.window) ?? NOWHERE
  const gain = costWith(draft, wanted) - before - secondBefore
  if (gain + leastOf(places) > allowed || !draft.fitsWith(wanted)) return back()
  draft.put(wanted)
  const next = cheapest(draft, places, allowed - gain)
  const delta = gain + (next ? costWith(draft, next) : places.leaving)
  if (delta <= allowed) {
    if (next) draft.put(next)
    return delta
  }
  draft.take(turn.jobId)
  return back()
}

interface SittingMove {
  readonly turn: Turn
  /** what the move may cost, minutes of work */
  readonly allowed: number
  readonly random: () => number
}

/**
 * Gives the sitting a session is in to whoever and whichever bench another of its places in the window has: knives
 * moved one by one would each begin a sitting of their own. The change in cost, 0 when refused.
 */
function moveSitting(making: Making, { turn, allowed, random }: SittingMove): number {
  const { draft } = making
  const had = draft.placed.get(turn.jobId)
  if (!had) return 0
  const { windowId, benchId, personId } = had.placement
  const elsewhere = making.places(turn).options.filter(({ window }) => window === had.window)
  const to = elsewhere[Math.floor(random() * elsewhere.length)]?.placement
  if (!to || (to.benchId === benchId && to.personId === personId)) return 0
  const own = draft
    .in(windowId)
    .filter(({ placement }) => placement.benchId === benchId && placement.personId === personId)
  const wanted = own.map(({ placement }) => {
    const one = making.turnOf.get(placement.jobId)
    return one && !one.locked
      ? making
          .places(one)
          .options.find(
            (option) =>
              option.window === had.window &&
              option.placement.benchId === to.benchId &&
              option.placement.personId === to.personId,
          )
      : undefined
  })
  if (wanted.includes(undefined)) return 0
  let delta = 0
  for (const option of own) {
    draft.take(option.placement.jobId)
    delta -= costWith(draft, option)
  }
  let fits = true
  const put: Option[] = []
  for (const option of wanted) {
    if (!option || !(fits = draft.fitsWith(option))) break
    delta += costWith(draft, option)
    draft.put(option)
    put.push(option)
  }
  if (fits && delta <= allowed) return delta
  for (const { placement } of put) draft.take(placement.jobId)
  for (const option of own) draft.put(option)
  return 0
}

interface Ejection {
  readonly wanted: Option
  readonly link: { readonly cost: number; readonly apply: () => void }
  readonly before: number
  readonly restore: () => void
  /** what the move may cost, minutes of work */
  readonly allowed: number
  readonly random: () => number
}

/** Takes a place by sending one other session of the window to the cheapest place left for it; the change in cost, 0 when refused. */
function eject(making: Making, { wanted, link, before, restore, allowed, random }: Ejection): number {
  const { draft } = making
  const others = draft
    .in(wanted.placement.windowId)
    .flatMap(({ placement }) => making.turnOf.get(placement.jobId) ?? [])
    .filter((turn) => !turn.locked && !making.isHeld(turn))
  const victim = others[Math.floor(random() * others.length)]
  const out = victim && draft.take(victim.jobId)
  if (!victim || !out) {
    restore()
    return 0
  }
  const places = making.places(victim)
  const gain = costWith(draft, wanted) + link.cost - before - costWith(draft, out)
  if (gain + leastOf(places) <= allowed && draft.fitsWith(wanted)) {
    draft.put(wanted)
    const next = cheapest(draft, places, allowed - gain)
    const delta = gain + (next ? costWith(draft, next) : places.leaving)
    if (delta <= allowed) {
      if (next) draft.put(next)
      link.apply()
      return delta
    }
    draft.take(wanted.placement.jobId)
  }
  draft.put(out)
  restore()
  return 0
}
