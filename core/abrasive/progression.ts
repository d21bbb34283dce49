import { MeasureError, assertPositive } from '../measure'
import { pressingForce, removalRate, strokesPerMinute, wantsDiamond, type GroundSteel } from './removal'
import {
  burrUm,
  isOnFace,
  metalFor,
  scratchesAfter,
  sessionRemoval,
  type GrindingWork,
  type GroundBlade,
  type Metal,
  type StoneRemoval,
} from './sessionRemoval'

/** A stone as the planner sees it. */
export interface ProgressionStone {
  readonly id: string
  /** median grain, µm */
  readonly micron: number
  readonly diamond?: boolean
  /** removal against the table, learned from minutes to burr; 1 until anything was learned */
  readonly rate?: number
}

export interface ProgressionStage {
  readonly stone: ProgressionStone
  readonly minutes: number
  readonly strokesPerSide: number
  /** pressing force, N; falls from stone to stone */
  readonly newtons: number
  /** the first stone takes the metal, each later one the scratches of the one before */
  readonly takes: 'metal' | 'scratches'
  readonly removesMm3: number
}

export type ProgressionNote =
  | { readonly code: 'rounded-bevel'; readonly minutes: number }
  | { readonly code: 'nothing-coarse-enough'; readonly minutes: number; readonly wantedMicron: number }
  | { readonly code: 'coarser-finish'; readonly micron: number; readonly wantedMicron: number }

export interface Progression {
  readonly stages: readonly ProgressionStage[]
  /** on the stones, both sides, looking, feeling and changing stones included */
  readonly minutes: number
  /** steel that goes, mm³ */
  readonly removesMm3: number
  /** edge height that goes, µm */
  readonly recessionUm: number
  /** thickness behind the edge afterwards, mm; null where a section says it better */
  readonly bteMm: number | null
  readonly notes: readonly ProgressionNote[]
}

export interface ProgressionInput extends GrindingWork {
  readonly blade: GroundBlade
  /** median grain of the last stone wanted, µm */
  readonly finishMicron: number
  readonly stones: readonly ProgressionStone[]
  /** the person overrules: begin on this stone, whatever it costs */
  readonly startWith?: string
  /** a house that uses one stone a session: the butcher's #1000 and a polished steel */
  readonly oneStone?: boolean
}

/** Longer than this on the first stone and it is too fine: the bevel gets rounded meanwhile (common practice). */
export const LONGEST_FIRST_STAGE_MINUTES = 20
/** Longer than this nobody may begin on a stone while a coarser one lies there (assumed: three times too long). */
const REFUSED_FIRST_STAGE_MINUTES = 60
/** Rinsing the blade and taking up the next stone, which lies ready, minutes (assumed). */
export const CHANGE_MINUTES = 0.5
/** No stage is done before each side was seen and felt once, minutes (assumed). */
const SHORTEST_STAGE_MINUTES = 1
/** A last stone this much coarser than wanted still counts as that finish. */
const FINISH_TOLERANCE = 1.2
/** A top-up is done on a fine stone, or on none, µm: JIS #2000 and finer (common practice: #3000). */
const TOP_UP_MICRON = 7
/** What a µm of edge height weighs in minutes where two paths are compared (assumed). */
const MINUTES_PER_UM = 0.05

/** Steel a stone takes a minute at a pressing force, mm³, as learned for it. */
export const rateOn = (stone: ProgressionStone, newtons: number, { hrc, carbides }: GroundSteel): number =>
  removalRate({ micron: stone.micron, newtons, hrc, carbides, diamond: stone.diamond }) * (stone.rate ?? 1)

function stage(
  stone: ProgressionStone,
  { removesMm3, takes }: StoneRemoval,
  input: ProgressionInput,
): ProgressionStage {
  const part = isOnFace(input) ? 'face' : input.chip || input.section ? 'chip' : 'edge'
  const newtons = pressingForce({ micron: stone.micron, diamond: stone.diamond, part })
  const minutes = Math.max(SHORTEST_STAGE_MINUTES, removesMm3 / rateOn(stone, newtons, input.blade))
  const strokesPerSide = Math.ceil((minutes * strokesPerMinute(stone.micron)) / 2)
  return { stone, minutes, newtons, takes, removesMm3, strokesPerSide }
}

/** A stage with the edge height it costs, for comparing paths. */
interface Leg extends ProgressionStage {
  readonly recessionUm: number
}

/** What a first stone takes: the same for all coarse ones, and for all finer ones, since only the burr differs. */
function metals(input: ProgressionInput): (start: ProgressionStone) => Metal {
  const known = new Map<number, Metal>()
  return ({ micron }) => {
    const burr = burrUm(micron, input.isTopUp)
    const metal = known.get(burr) ?? metalFor(input.blade, input, micron)
    known.set(burr, metal)
    return metal
  }
}

function firstLeg(stone: ProgressionStone, metal: Metal, input: ProgressionInput): Leg {
  const { removesMm3, recessionUm } = metal
  return { ...stage(stone, { micron: stone.micron, takes: 'metal', removesMm3, recessionUm }, input), recessionUm }
}

/** A later stage: what the stone before has scratched. */
function nextLeg(before: ProgressionStone, stone: ProgressionStone, metal: Metal, input: ProgressionInput): Leg {
  const scratches = scratchesAfter(input.blade, input, metal, before.micron)
  return { ...stage(stone, scratches, input), recessionUm: scratches.recessionUm }
}

function legsAlong(path: readonly ProgressionStone[], input: ProgressionInput, metalOf = metals(input)): Leg[] {
  const [start] = path
  if (!start) return []
  const metal = metalOf(start)
  return path.map((stone, at) => {
    const before = path[at - 1]
    return before ? nextLeg(before, stone, metal, input) : firstLeg(stone, metal, input)
  })
}

/** A path through given stones, coarse to fine, with everything it costs. */
export const pathThrough = (input: ProgressionInput, path: readonly ProgressionStone[]): readonly ProgressionStage[] =>
  legsAlong(path, input)

export const pathMinutes = (stages: readonly Pick<ProgressionStage, 'minutes'>[]): number =>
  stages.reduce((sum, { minutes }) => sum + minutes, 0) + CHANGE_MINUTES * Math.max(0, stages.length - 1)

const legWeight = ({ minutes, recessionUm }: Leg): number => minutes + MINUTES_PER_UM * recessionUm + CHANGE_MINUTES

/** What a path weighs where it is compared with another: its minutes and the steel. */
export const pathWeight = (input: ProgressionInput, path: readonly ProgressionStone[]): number =>
  legsAlong(path, input).reduce((sum, leg) => sum + legWeight(leg), 0)

/** Stones the path may end on: those as fine as wanted, or else the finest on the shelf. */
export function finishers(stones: readonly ProgressionStone[], finishMicron: number): ProgressionStone[] {
  const fine = stones.filter((stone) => stone.micron <= finishMicron * FINISH_TOLERANCE)
  const finest = Math.min(...stones.map((stone) => stone.micron))
  return fine.length > 0 ? fine : stones.filter((stone) => stone.micron === finest)
}

/**
 * Stones the path may begin on: none that would take over twenty minutes while a coarser one lies on the shelf; diamond
 * where hard carbides want it; for a top-up only a fine one, so that it never turns into a coarse session.
 */
export function starters(input: ProgressionInput): ProgressionStone[] {
  if (input.isTopUp) {
    const fine = input.stones.filter(({ micron }) => micron <= TOP_UP_MICRON)
    return fine.length > 0 ? fine : finishers(input.stones, 0)
  }
  const metalOf = metals(input)
  const inTime = input.stones.filter(
    (stone) => firstLeg(stone, metalOf(stone), input).minutes <= LONGEST_FIRST_STAGE_MINUTES,
  )
  const diamonds = inTime.filter(({ diamond }) => diamond === true)
  if (wantsDiamond(input.blade) && diamonds.length > 0) return diamonds
  if (inTime.length > 0) return inTime
  const coarsest = Math.max(...input.stones.map((stone) => stone.micron))
  return input.stones.filter((stone) => stone.micron === coarsest)
}

/** A way on from a stone to a finish, weighed after that stone is done. */
interface WayOn {
  readonly weight: number
  readonly path: readonly ProgressionStone[]
}

/** The lightest ways from every stone to a finisher, worked out from the finest stone back (Bellman 1957). */
function waysOn(metal: Metal, ends: readonly ProgressionStone[], input: ProgressionInput): ReadonlyMap<string, WayOn> {
  const fineFirst = [...input.stones].sort((a, b) => a.micron - b.micron)
  const best = new Map<string, WayOn>()
  for (const stone of fineFirst) {
    let lightest: WayOn | null = ends.includes(stone) ? { weight: 0, path: [stone] } : null
    for (const next of fineFirst) {
      if (next.micron >= stone.micron) break
      const rest = best.get(next.id)
      if (!rest) continue
      const weight = legWeight(nextLeg(stone, next, metal, input)) + rest.weight
      if (!lightest || weight < lightest.weight) lightest = { weight, path: [stone, ...rest.path] }
    }
    if (lightest) best.set(stone.id, lightest)
  }
  return best
}

function notesOf(input: ProgressionInput, stages: readonly ProgressionStage[]): ProgressionNote[] {
  const [first] = stages
  const last = stages.at(-1)
  if (!first || !last) return []
  const coarserOwned = input.stones.some((stone) => stone.micron > first.stone.micron)
  // a face is worked as long as it takes: no bevel is rounded meanwhile
  const tooLong = first.minutes > LONGEST_FIRST_STAGE_MINUTES && !isOnFace(input)
  const wantedMicron = Math.ceil((first.stone.micron * first.minutes) / LONGEST_FIRST_STAGE_MINUTES)
  return [
    ...(tooLong && coarserOwned ? [{ code: 'rounded-bevel' as const, minutes: first.minutes }] : []),
    ...(tooLong && !coarserOwned
      ? [{ code: 'nothing-coarse-enough' as const, minutes: first.minutes, wantedMicron }]
      : []),
    ...(last.stone.micron > input.finishMicron * FINISH_TOLERANCE
      ? [{ code: 'coarser-finish' as const, micron: last.stone.micron, wantedMicron: input.finishMicron }]
      : []),
  ]
}

/** Where one stone does it all, it is one that gives the finish wanted, however long it takes. */
function usualStarts(input: ProgressionInput, ends: readonly ProgressionStone[]): ProgressionStone[] {
  if (input.oneStone !== true) return starters(input)
  const quick = starters(input).filter((stone) => ends.includes(stone))
  return quick.length > 0 ? quick : [...ends]
}

/** The stone somebody wants to begin on, unless it would be rubbed round for an hour beside a coarser one. */
function ownStart(input: ProgressionInput, startWith: string): ProgressionStone[] {
  const stones = input.stones.filter(({ id }) => id === startWith)
  for (const stone of stones) {
    const { minutes } = firstLeg(stone, metals(input)(stone), input)
    const coarserOwned = input.stones.some(({ micron }) => micron > stone.micron)
    if (minutes > REFUSED_FIRST_STAGE_MINUTES && coarserOwned)
      throw new MeasureError('first-stone-too-fine', 'startWith', { minutes: Math.round(minutes) })
  }
  return stones
}

/**
 * The best way through the stones on the shelf: the first takes the metal (Preston 1927), each next one the scratches of
 * the one before; no first stone over twenty minutes while a coarser one is there, whatever the minutes in all.
 *
 * @param input.finishMicron median grain of the finish wanted, µm
 * @param input.startWith id of a stone to begin on in spite of the cost
 * @throws MeasureError `no-stones` for an empty shelf, `out-of-range` for work the blade cannot give,
 *   `first-stone-too-fine` for a start of the person's own that would take over an hour beside a coarser stone
 * @example planProgression({ blade, bluntUm: 15, finishMicron: 4, stones }).stages.map((s) => s.stone.id)
 */
export function planProgression(input: ProgressionInput): Progression {
  if (input.stones.length === 0) throw new MeasureError('no-stones', 'stones')
  for (const stone of input.stones) assertPositive('micron', stone.micron)
  const ends = finishers(input.stones, input.finishMicron)
  const begins = input.startWith === undefined ? usualStarts(input, ends) : ownStart(input, input.startWith)
  const metalOf = metals(input)
  const waysFrom = new Map<Metal, ReadonlyMap<string, WayOn>>()
  const paths = begins.map((start) => {
    const metal = metalOf(start)
    const ways = waysFrom.get(metal) ?? waysOn(metal, ends, input)
    waysFrom.set(metal, ways)
    const isWhole = input.isTopUp === true || input.oneStone === true
    // a start finer than the finish asked for is its own finish
    const path = isWhole ? [start] : (ways.get(start.id)?.path ?? [start])
    return { path, weight: legsAlong(path, input, metalOf).reduce((sum, leg) => sum + legWeight(leg), 0) }
  })
  const [best] = paths.sort((a, b) => a.weight - b.weight || a.path.length - b.path.length)
  if (!best) throw new MeasureError('no-stones', 'stones')
  const stages = pathThrough(input, best.path)
  const { removesMm3, recessionUm, bteMm } = sessionRemoval({
    ...input,
    grains: best.path.map(({ micron }) => micron),
  })
  return { stages, minutes: pathMinutes(stages), removesMm3, recessionUm, bteMm, notes: notesOf(input, stages) }
}

/** What beginning on another stone would cost, beside the plan. */
export interface StartingStoneCost {
  readonly minutesToBurr: number
  readonly minutes: number
  readonly roundsBevel: boolean
}

/** What the person's own choice of first stone costs: minutes to the burr, minutes in all, and whether it rounds the bevel. */
export function costOfStartingOn(input: ProgressionInput, startWith: string): StartingStoneCost {
  const { stages, minutes } = planProgression({ ...input, startWith })
  const minutesToBurr = stages[0]?.minutes ?? 0
  return { minutesToBurr, minutes, roundsBevel: minutesToBurr > LONGEST_FIRST_STAGE_MINUTES && !isOnFace(input) }
}
