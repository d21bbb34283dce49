import { recede, recedingFaceDps } from '../geometry/recession'
import { assertPositive, assertWithin, MeasureError } from '../measure'
import { BURR_ALLOWANCE_UM, removalRate, STROKES_PER_MINUTE } from './removal'

/** A stone as the planner sees it. */
export interface ProgressionStone {
  readonly id: string
  /** median grain, µm */
  readonly micron: number
  readonly diamond?: boolean
  /** removal against the table, learned from minutes to burr; 1 until anything was learned */
  readonly rate?: number
}

/** A blade on the stone. Lengths in mm, angle in degrees per side. */
export interface ProgressionBlade {
  readonly lengthMm: number
  readonly heelHeightMm: number
  readonly spineMm: number
  readonly bteMm: number
  readonly dps: number
  readonly hrc: number
}

/** How much steel has to go: edge height, a chip to grind past, or thickness behind the edge to lose. */
export interface ProgressionWork {
  readonly recessionMm?: number
  readonly chip?: { readonly depthMm: number }
  readonly thinning?: { readonly byMm: number }
  /** worked out from the section: area that goes and width of what is scratched, per mm of edge, and whether it is face work */
  readonly section?: { readonly areaMm2: number; readonly workedMm: number; readonly onFace: boolean }
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
  readonly minutes: number
  /** steel that goes, mm³ */
  readonly removesMm3: number
  readonly notes: readonly ProgressionNote[]
}

export interface ProgressionInput extends ProgressionWork {
  readonly blade: ProgressionBlade
  /** median grain of the last stone wanted, µm */
  readonly finishMicron: number
  readonly stones: readonly ProgressionStone[]
  /** the person overrules: begin on this stone, whatever it costs */
  readonly startWith?: string
}

/** Longer than this on the first stone and it is too fine: the bevel gets rounded meanwhile (common practice). */
export const LONGEST_FIRST_STAGE_MINUTES = 20
/** Depth of scratches a grain leaves, as a share of its size (assumed). */
const SCRATCH_SHARE = 0.25
/** Deburring, rinsing and setting the next stone, minutes (assumed). */
const CHANGE_MINUTES = 1.5
/** No stage is done before each side was seen and felt once, minutes (assumed). */
const SHORTEST_STAGE_MINUTES = 1
/** A last stone this much coarser than wanted still counts as that finish. */
const FINISH_TOLERANCE = 1.2
/** Thinning works the lowest third of the face (assumed). */
const THINNED_FACE_SHARE = 1 / 3
const THINNING_NEWTONS = 20
/** Never heavy on diamond (common practice). */
const DIAMOND_NEWTONS = 12

/** Pressing force by grain, N: 4–6 lbf coarse, falling to almost nothing on the finish (common practice). */
export function pressingForce(micron: number): number {
  if (micron >= 20) return 12
  if (micron >= 8) return 10
  return micron > 2.5 ? 6 : 4
}

interface Job {
  readonly metalMm3: number
  /** face or bevel that is scratched and has to be refined, mm² both sides */
  readonly workedMm2: number
  readonly thinning: boolean
  /** both hands press on a whole face, on every stone */
  readonly wholeFace: boolean
}

function metalToRemove({ blade, recessionMm, chip, thinning, section }: ProgressionInput): Job {
  assertPositive('lengthMm', blade.lengthMm)
  if (section) {
    assertPositive('areaMm2', section.areaMm2)
    return {
      metalMm3: section.areaMm2 * blade.lengthMm,
      workedMm2: section.workedMm * blade.lengthMm,
      thinning: section.onFace,
      wholeFace: section.onFace,
    }
  }
  if (thinning) {
    assertPositive('thinning', thinning.byMm)
    if (thinning.byMm >= blade.bteMm)
      throw new MeasureError('out-of-range', 'thinning', { value: thinning.byMm, low: 0, high: blade.bteMm })
    const heightMm = blade.heelHeightMm * THINNED_FACE_SHARE
    return {
      metalMm3: (thinning.byMm * heightMm * blade.lengthMm) / 2,
      workedMm2: 2 * heightMm * blade.lengthMm,
      thinning: true,
      wholeFace: false,
    }
  }
  const lossMm = chip ? chip.depthMm + BURR_ALLOWANCE_UM / 1000 : (recessionMm ?? 0)
  assertWithin('recessionMm', lossMm, 0, blade.heelHeightMm / 2)
  const gone = recede({
    bteMm: blade.bteMm,
    dps: blade.dps,
    faceDps: recedingFaceDps(blade, blade.dps),
    recessionMm: lossMm,
  })
  return {
    metalMm3: gone.removedAreaMm2 * blade.lengthMm,
    workedMm2: 2 * gone.bevelWidthMm * blade.lengthMm,
    thinning: false,
    wholeFace: false,
  }
}

/** Steel a stone takes a minute at a pressing force, mm³, as learned for it. */
export const rateOn = (stone: ProgressionStone, newtons: number, hrc: number): number =>
  removalRate({
    micron: stone.micron,
    newtons,
    hrc,
    ...(stone.diamond === undefined ? {} : { diamond: stone.diamond }),
  }) * (stone.rate ?? 1)

function stage(
  stone: ProgressionStone,
  removesMm3: number,
  job: Job,
  hrc: number,
  takes: ProgressionStage['takes'],
): ProgressionStage {
  const onFace = job.thinning && (takes === 'metal' || job.wholeFace)
  const newtons = onFace ? (stone.diamond ? DIAMOND_NEWTONS : THINNING_NEWTONS) : pressingForce(stone.micron)
  const minutes = Math.max(SHORTEST_STAGE_MINUTES, removesMm3 / rateOn(stone, newtons, hrc))
  return { stone, minutes, newtons, takes, removesMm3, strokesPerSide: Math.ceil((minutes * STROKES_PER_MINUTE) / 2) }
}

const firstStage = (stone: ProgressionStone, job: Job, hrc: number): ProgressionStage =>
  stage(stone, job.metalMm3, job, hrc, 'metal')
/** A later stage: what the stone before has scratched. */
const nextStage = (before: ProgressionStone, stone: ProgressionStone, job: Job, hrc: number): ProgressionStage =>
  stage(stone, SCRATCH_SHARE * (before.micron / 1000) * job.workedMm2, job, hrc, 'scratches')

const stagesAlong = (path: readonly ProgressionStone[], job: Job, hrc: number): ProgressionStage[] =>
  path.map((stone, index) => {
    const before = path[index - 1]
    return before ? nextStage(before, stone, job, hrc) : firstStage(stone, job, hrc)
  })

/** A path through given stones, coarse to fine, with everything it costs. */
export const pathThrough = (input: ProgressionInput, path: readonly ProgressionStone[]): readonly ProgressionStage[] =>
  stagesAlong(path, metalToRemove(input), input.blade.hrc)

export const pathMinutes = (stages: readonly ProgressionStage[]): number =>
  stages.reduce((sum, one) => sum + one.minutes, 0) + CHANGE_MINUTES * Math.max(0, stages.length - 1)

/** Stones the path may end on: those as fine as wanted, or else the finest on the shelf. */
export function finishers(stones: readonly ProgressionStone[], finishMicron: number): ProgressionStone[] {
  const fine = stones.filter((stone) => stone.micron <= finishMicron * FINISH_TOLERANCE)
  const finest = Math.min(...stones.map((stone) => stone.micron))
  return fine.length > 0 ? fine : stones.filter((stone) => stone.micron === finest)
}

/** Stones the path may begin on: none that would take over twenty minutes while a coarser one lies on the shelf. */
export function starters(input: ProgressionInput): ProgressionStone[] {
  const job = metalToRemove(input)
  const inTime = input.stones.filter(
    (stone) => firstStage(stone, job, input.blade.hrc).minutes <= LONGEST_FIRST_STAGE_MINUTES,
  )
  if (inTime.length > 0) return inTime
  const coarsest = Math.max(...input.stones.map((stone) => stone.micron))
  return input.stones.filter((stone) => stone.micron === coarsest)
}

/** A way on from a stone to a finish, in minutes after that stone is done. */
interface WayOn {
  readonly minutes: number
  readonly path: readonly ProgressionStone[]
}

/** The cheapest ways from every stone to a finisher, worked out from the finest stone back (Bellman 1957). */
function waysOn(
  stones: readonly ProgressionStone[],
  ends: readonly ProgressionStone[],
  job: Job,
  hrc: number,
): ReadonlyMap<string, WayOn> {
  const fineFirst = [...stones].sort((a, b) => a.micron - b.micron)
  const best = new Map<string, WayOn>()
  for (const stone of fineFirst) {
    let cheapest: WayOn | null = ends.includes(stone) ? { minutes: 0, path: [stone] } : null
    for (const next of fineFirst) {
      if (next.micron >= stone.micron) break
      const rest = best.get(next.id)
      if (!rest) continue
      const minutes = CHANGE_MINUTES + nextStage(stone, next, job, hrc).minutes + rest.minutes
      if (!cheapest || minutes < cheapest.minutes) cheapest = { minutes, path: [stone, ...rest.path] }
    }
    if (cheapest) best.set(stone.id, cheapest)
  }
  return best
}

function notesOf(input: ProgressionInput, stages: readonly ProgressionStage[]): ProgressionNote[] {
  const [first] = stages
  const last = stages.at(-1)
  if (!first || !last) return []
  const coarserOwned = input.stones.some((stone) => stone.micron > first.stone.micron)
  const tooLong = first.minutes > LONGEST_FIRST_STAGE_MINUTES
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

/**
 * The cheapest way through the stones on the shelf: the first takes the metal (Preston 1927), each next
 * one the scratches of the one before, 0.25 of its grain deep; no first stone over twenty minutes while
 * a coarser one is there.
 *
 * @param input.finishMicron median grain of the finish wanted, µm
 * @param input.startWith id of a stone to begin on in spite of the cost
 * @throws MeasureError `no-stones` for an empty shelf, `out-of-range` for work the blade cannot give
 * @example planProgression({ blade, recessionMm: 0.1, finishMicron: 4, stones }).stages.map((s) => s.stone.id)
 */
export function planProgression(input: ProgressionInput): Progression {
  if (input.stones.length === 0) throw new MeasureError('no-stones', 'stones')
  for (const stone of input.stones) assertPositive('micron', stone.micron)
  const ends = finishers(input.stones, input.finishMicron)
  const begins =
    input.startWith === undefined ? starters(input) : input.stones.filter(({ id }) => id === input.startWith)
  const job = metalToRemove(input)
  const ways = waysOn(input.stones, ends, job, input.blade.hrc)
  const paths = begins.map((start) => {
    // a start finer than the finish asked for is its own finish
    const stages = stagesAlong(ways.get(start.id)?.path ?? [start], job, input.blade.hrc)
    return { stages, minutes: pathMinutes(stages) }
  })
  const [best] = paths.sort((a, b) => a.minutes - b.minutes || a.stages.length - b.stages.length)
  if (!best) throw new MeasureError('no-stones', 'stones')
  return { ...best, removesMm3: job.metalMm3, notes: notesOf(input, best.stages) }
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
  return { minutesToBurr, minutes, roundsBevel: minutesToBurr > LONGEST_FIRST_STAGE_MINUTES }
}
