import {
  planProgression,
  rateOn,
  type ProgressionNote,
  type ProgressionStage,
  type ProgressionStone,
} from '../abrasive/progression'
import { COARSE_MICRON, strokesPerMinute, type GroundSteel } from '../abrasive/removal'
import { burrUm, type GrindingWork, type GroundBlade } from '../abrasive/sessionRemoval'
import { FACE_FINISH_MICRON } from '../edge/verdict/grindingStep'
import { lengthOnLine } from '../geometry/polygon'
import { outsideOf, type Section, type SectionBlade } from '../geometry/section'
import type { KnifeType } from '../knife/knifeTypes'
import type { CarbideShares } from '../knife/steels'
import { MeasureError } from '../measure'
import { chipLossMm } from './edgeCuts'
import type { Side } from './landmarks'
import { operate, WORKS_FACES, type CutDone, type Operation, type OperationDone } from './operate'
import { repairTip, type TipDone, type TipRepair } from './tip'

/** Density of steel, g/mm³. */
const GRAMS_PER_MM3 = 7.75e-3
const SHORTEST_CUT_MINUTES = 0.5

/** A cut on its stone, with what it costs. */
export interface WorkshopCut extends CutDone {
  /** place of its stone among the plan's stages */
  readonly stage: number
  readonly minutes: number
  readonly strokes: { readonly left: number; readonly right: number }
  readonly volumeMm3: number
  readonly grams: number
}

export interface WorkshopPlan {
  readonly done: OperationDone
  /** the blade from the side, where the work is on its tip */
  readonly tip: TipDone | null
  readonly cuts: readonly WorkshopCut[]
  /** stones in order; the first takes the metal, the later ones its scratches and what is blended there */
  readonly stages: readonly ProgressionStage[]
  readonly notes: readonly ProgressionNote[]
  /** what the stones are reckoned with, for whoever lays out a session of its own */
  readonly work: GrindingWork
  readonly minutes: number
  readonly volumeMm3: number
  readonly grams: number
}

export interface WorkshopAsk {
  readonly blade: SectionBlade
  readonly type: KnifeType
  readonly operation: Operation
  /** edge length that is worked, mm */
  readonly lengthMm: number
  readonly hrc: number
  readonly carbides?: CarbideShares | undefined
  readonly stones: readonly ProgressionStone[]
  /** median grain of the last stone wanted, µm */
  readonly finishMicron: number
}

const SAME_MM = 1e-6

/** Length of new surface a cut leaves on the section, mm: what later stones have to refine. */
const newSurface = (cut: CutDone, { outline }: Section): number =>
  cut.grindings.reduce((sum, grinding) => sum + lengthOnLine(outline, outsideOf(grinding)), 0)

export { FACE_FINISH_MICRON }
/** Where nothing has to go a bevel still gets so many strokes, to turn the burr back or to keep a shoulder crisp (assumed). */
const BURR_STROKES = 5
const EDGE_CUTS: ReadonlySet<CutDone['name']> = new Set(['bevel', 'edge', 'micro', 'shoulder'])
/** Cuts for the second stone: a shoulder is blended away a stone finer than it was cut (common practice: cut on #400, blended on #800). */
const BLENDED: ReadonlySet<CutDone['name']> = new Set(['blend'])

/**
 * An operation planned in stages: sections before and after each cut, and on which stones, for how long and
 * with how many strokes each side, by the same removal rates as every session (Preston 1927).
 *
 * @throws MeasureError as {@link operate} does, `no-stones` for an empty shelf, and where nothing would go
 */
export function planWorkshop(ask: WorkshopAsk): WorkshopPlan {
  const { blade, operation, lengthMm, hrc, carbides, stones, finishMicron } = ask
  if (operation.kind === 'tip') return planTip(ask, operation)
  const done = operate(blade, operation)
  if (done.areaMm2 < SAME_MM) throw new MeasureError('out-of-range', 'areaMm2', { value: 0, low: 0.0001 })
  const edge = onTheStone(blade, lengthMm, { hrc, carbides })
  const workedMm = Math.max(
    0.2,
    done.cuts.reduce((sum, cut) => sum + newSurface(cut, done.after), 0),
  )
  const onFace = WORKS_FACES.has(operation.kind)
  const blendedMm2 = done.cuts.reduce((sum, { name, areaMm2 }) => sum + (BLENDED.has(name) ? areaMm2 : 0), 0)
  const firstMm2 = done.areaMm2 - blendedMm2
  const work = workOf(blade, operation, { areaMm2: firstMm2, workedMm, onFace })
  const { stages, notes, minutes } = planProgression({
    blade: edge,
    ...work,
    finishMicron: onFace ? Math.max(finishMicron, FACE_FINISH_MICRON) : finishMicron,
    stones,
  })
  const metalMinutes = stages[0]?.minutes ?? 0
  // where one stone does it all, it blends too
  const second = stages[1]
  const minutesOf = (cut: CutDone): number => {
    if (!BLENDED.has(cut.name)) return (cut.areaMm2 / firstMm2) * metalMinutes
    const stage = second ?? stages[0]
    return stage ? (cut.areaMm2 * lengthMm) / rateOn(stage.stone, stage.newtons, edge) : 0
  }
  const cuts = done.cuts.map((cut): WorkshopCut => {
    const own = Math.max(SHORTEST_CUT_MINUTES, minutesOf(cut))
    const sides = cut.byside.left + cut.byside.right
    const strokes = (side: Side): number => {
      const counted =
        sides === 0
          ? 0
          : Math.ceil(
              (own * strokesPerMinute(stages[0]?.stone.micron ?? FACE_FINISH_MICRON) * cut.byside[side]) / sides,
            )
      return EDGE_CUTS.has(cut.name) && cut.grindings.some((grinding) => grinding.side === side)
        ? Math.max(BURR_STROKES, counted)
        : counted
    }
    const volumeMm3 = cut.areaMm2 * lengthMm
    return {
      ...cut,
      stage: BLENDED.has(cut.name) && second ? 1 : 0,
      minutes: own,
      strokes: { left: strokes('left'), right: strokes('right') },
      volumeMm3,
      grams: volumeMm3 * GRAMS_PER_MM3,
    }
  })
  const volumeMm3 = done.areaMm2 * lengthMm
  const blending = cuts.reduce((sum, cut) => sum + (BLENDED.has(cut.name) ? cut.minutes : 0), 0)
  return {
    done,
    tip: null,
    cuts,
    stages,
    notes,
    work,
    minutes: minutes + blending,
    volumeMm3,
    grams: volumeMm3 * GRAMS_PER_MM3,
  }
}

/** What a session grinds, as every screen reckons it: by the section only where no plainer word says it. */
function workOf(
  blade: SectionBlade,
  operation: Operation,
  section: NonNullable<GrindingWork['section']>,
): GrindingWork {
  if (operation.kind === 'thin')
    return { thinning: { byMm: blade.bteMm - operation.targetBteMm, upToMm: operation.upToMm } }
  const depthMm = operation.kind === 'chip' ? chipLossMm(operation) - burrUm(COARSE_MICRON) / 1000 : 0
  return depthMm > 0 ? { chip: { depthMm } } : { section }
}

const onTheStone = (blade: SectionBlade, lengthMm: number, steel: GroundSteel): GroundBlade => ({
  lengthMm,
  heelHeightMm: blade.heelHeightMm,
  spineMm: blade.spineMm,
  bteMm: blade.bteMm,
  dps: Math.max(blade.dpsLeft, blade.dpsRight),
  ...steel,
})

/** A tip is worked in the plane of the blade: what is seen from the side goes, as deep as the blade is thick there. */
function planTip(
  { blade, type, operation, lengthMm, hrc, carbides, stones }: WorkshopAsk,
  repair: TipRepair,
): WorkshopPlan {
  const tip = repairTip(
    {
      type,
      lengthMm: lengthMm + (repair.groundShare ? repair.lostMm : 0),
      heelHeightMm: blade.heelHeightMm,
      spineMm: blade.spineMm,
      bteMm: blade.bteMm,
    },
    repair,
  )
  const done = operate(blade, operation)
  const work = { section: { areaMm2: tip.areaMm2, workedMm: tip.groundMm, onFace: false } }
  const { stages, notes, minutes } = planProgression({
    blade: onTheStone(blade, tip.thicknessMm, { hrc, carbides }),
    ...work,
    finishMicron: FACE_FINISH_MICRON,
    stones,
  })
  const grams = tip.volumeMm3 * GRAMS_PER_MM3
  const cut: WorkshopCut = {
    name: repair.from === 'spine' ? 'tip-spine' : 'tip-edge',
    stage: 0,
    grindings: [],
    dps: 0,
    offFaceDps: 0,
    liftMm: 0,
    areaMm2: tip.areaMm2,
    byside: { left: 0, right: 0 },
    after: done.after,
    minutes: Math.max(SHORTEST_CUT_MINUTES, stages[0]?.minutes ?? 0),
    strokes: { left: 0, right: 0 },
    volumeMm3: tip.volumeMm3,
    grams,
  }
  return { done, tip, cuts: [cut], stages, notes, work, minutes, volumeMm3: tip.volumeMm3, grams }
}
