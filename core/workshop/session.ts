import { CHANGE_MINUTES, type ProgressionStage } from '../abrasive/progression'
import { strokesPerMinute } from '../abrasive/removal'
import type { Rung } from '../abrasive/strokeLadder'
import { FINISHING_MINUTES } from '../edge/verdict/cost'
import type { Hand, SessionPlan, SessionStep } from '../session/plan'
import type { Caution, Check, StepKind } from '../session/recipe'
import { FACE_CUTS } from './operation'
import type { WorkshopCut, WorkshopPlan } from './plan'

/** Minutes of steps that are not counted in strokes (assumed), as in every session: looking is part of what is worked. */
const MINUTES = {
  look: 0,
  fetch: 3,
  soak: 0,
  flatten: 1.5,
  angle: 0,
  ends: 0,
  deburr: 0,
  strop: FINISHING_MINUTES,
  test: 0,
  clean: 4,
  stow: 1.5,
} as const
const OF_SITTING: ReadonlySet<StepKind> = new Set(['fetch', 'soak', 'flatten', 'clean', 'stow'])
const STROP: readonly Rung[] = [
  { strokes: 5, newtons: 3 },
  { strokes: 3, newtons: 3 },
]
const STROP_STROKES = 8
/** Falling counts, heavier first: three sets a cut. */
const SHARES = [0.5, 0.3, 0.2]

const rungsOf = (strokes: number, newtons: number): Rung[] =>
  SHARES.map((share, at) => ({
    strokes: Math.max(1, Math.round(share * strokes)),
    newtons: Math.max(3, Math.round(newtons * (1 - 0.25 * at))),
  }))

type Uncounted = keyof typeof MINUTES
const withoutDetail = (kind: Uncounted, more: Partial<SessionStep> = {}): SessionStep => ({
  id: kind,
  recipeStep: kind,
  kind,
  work: null,
  side: null,
  hand: null,
  stage: null,
  stoneId: null,
  tool: kind === 'strop' ? 'strop' : null,
  minutes: MINUTES[kind],
  ofSitting: OF_SITTING.has(kind),
  rungs: [],
  newtons: null,
  dps: null,
  liftMm: null,
  lift: null,
  strokes: 0,
  owed: 0,
  only: null,
  checks: [],
  ifNot: null,
  ways: [],
  cautions: [],
  words: null,
  ...more,
})

/** The right side is worked first in the workshop, whichever hand the blade is for: its counts are written by side. */
const HAND: Readonly<Record<'first' | 'second', Hand>> = { first: 'right', second: 'left' }

const FACE_CHECKS: readonly Check[] = ['even-bevels', 'scratches-gone']
const EDGE_CHECKS: readonly Check[] = ['burr-all-along']
const STONE_CAUTIONS: readonly Caution[] = ['fingers-off-the-end', 'edge-away', 'slurry-slips']

/** Strokes a side that make the bevel anew on a tip whose edge was ground away (assumed). */
const TIP_BEVEL_STROKES = 20

interface OnStone {
  readonly stage: number
  readonly stoneId: string
  readonly cautions: readonly Caution[]
}
const onStone = ({ stone }: ProgressionStage, stage: number): OnStone => ({
  stage,
  stoneId: stone.id,
  cautions: STONE_CAUTIONS,
})

/** A tip has no angle and no strokes until its edge is made anew: it is ground by eye, little and often. */
function tipSteps({ cuts, done }: WorkshopPlan, stage: ProgressionStage, index: number): SessionStep[] {
  const here = onStone(stage, index)
  return cuts
    .filter((cut) => cut.stage === index)
    .flatMap(({ name, minutes }) => {
      const ground = withoutDetail('ends', {
        ...here,
        id: name,
        recipeStep: `cut-${name}`,
        minutes,
        checks: ['heel-and-tip'],
      })
      const bevel = (side: 'first' | 'second', dps: number): SessionStep =>
        withoutDetail('angle', {
          ...here,
          id: `tip-bevel-${side}`,
          recipeStep: 'tip-bevel',
          kind: 'side',
          work: 'edge',
          side,
          hand: HAND[side],
          dps,
          minutes: TIP_BEVEL_STROKES / strokesPerMinute(stage.stone.micron),
          strokes: TIP_BEVEL_STROKES,
          rungs: rungsOf(TIP_BEVEL_STROKES, stage.newtons),
          checks: EDGE_CHECKS,
        })
      return name === 'tip-edge' ? [ground, bevel('first', done.dpsRight), bevel('second', done.dpsLeft)] : [ground]
    })
}

/** One cut on its stone: the angle found, then each side that has strokes. */
function cutSteps(cut: WorkshopCut, at: number, stage: ProgressionStage): SessionStep[] {
  const isFace = FACE_CUTS.has(cut.name)
  const checks = isFace ? FACE_CHECKS : EDGE_CHECKS
  const here = {
    ...onStone(stage, cut.stage),
    recipeStep: `cut-${cut.name}`,
    dps: Math.round(cut.dps * 10) / 10,
    liftMm: Math.round(cut.liftMm * 10) / 10,
  }
  const side = (which: 'first' | 'second', strokes: number): SessionStep[] =>
    strokes === 0
      ? []
      : [
          {
            ...withoutDetail('angle'),
            ...here,
            id: `cut-${at + 1}-${which}`,
            kind: 'side',
            work: isFace ? 'face' : 'edge',
            side: which,
            hand: HAND[which],
            minutes: (cut.minutes * strokes) / Math.max(1, cut.strokes.left + cut.strokes.right),
            strokes,
            rungs: rungsOf(strokes, stage.newtons),
            checks,
            ifNot: isFace ? 'stop-here' : 'more-there',
          },
        ]
  const straight =
    cut.downToMm === undefined
      ? []
      : [
          withoutDetail('ends', {
            ...here,
            id: `cut-${at + 1}-straight`,
            minutes: cut.minutes,
            checks: ['heel-and-tip'],
          }),
        ]
  return [
    withoutDetail('angle', { ...here, cautions: [], id: `cut-${at + 1}-angle`, checks: ['no-wobble'] }),
    ...straight,
    ...side('first', cut.strokes.right),
    ...side('second', cut.strokes.left),
  ]
}

/** A later stone: across the scratches of the one before, until they are gone. */
function refiningStages(plan: WorkshopPlan, stage: ProgressionStage, index: number): SessionStep[] {
  const here = onStone(stage, index)
  if (plan.tip)
    return [
      withoutDetail('ends', {
        ...here,
        id: `refine-${index}-tip`,
        recipeStep: 'refine-tip',
        minutes: stage.minutes,
        checks: ['scratches-gone'],
      }),
    ]
  const side = (which: 'first' | 'second'): SessionStep => ({
    ...withoutDetail('angle'),
    ...here,
    id: `refine-${index}-${which}`,
    recipeStep: 'refine',
    kind: 'side',
    work: plan.cuts.every(({ name }) => FACE_CUTS.has(name)) ? 'face' : 'edge',
    side: which,
    hand: HAND[which],
    minutes: stage.minutes / 2 + (which === 'first' ? CHANGE_MINUTES : 0),
    strokes: stage.strokesPerSide,
    rungs: rungsOf(stage.strokesPerSide, stage.newtons),
    checks: ['scratches-gone'],
    ifNot: 'more-there',
  })
  return [
    side('first'),
    side('second'),
    withoutDetail('deburr', { ...here, cautions: [], id: `deburr-${index + 1}`, checks: ['no-burr-left'] }),
  ]
}

/**
 * A workshop plan as a bench session: every cut on its stone with its angle and its strokes by side, the
 * later stones in turn, and the same first look and last test as any session.
 */
export function workshopSession(plan: WorkshopPlan, finishMicron: number): SessionPlan {
  const onStones = plan.stages.flatMap((stage, index): SessionStep[] => {
    const flat = withoutDetail('flatten', {
      stage: index,
      stoneId: stage.stone.id,
      id: `flatten-${index + 1}`,
      checks: index === 0 ? ['stone-flat', 'stone-steady'] : ['stone-flat'],
    })
    const cuts = plan.tip
      ? tipSteps(plan, stage, index)
      : plan.cuts.flatMap((cut, at) => (cut.stage === index ? cutSteps(cut, at, stage) : []))
    return [flat, ...cuts, ...(index === 0 ? [] : refiningStages(plan, stage, index))]
  })
  const steps: SessionStep[] = [
    withoutDetail('look', { cautions: ['dull-is-dangerous'] }),
    withoutDetail('fetch', { checks: ['dry-hands'], cautions: ['not-your-skill', 'glove-for-learners'] }),
    withoutDetail('soak', { checks: ['bubbles-stopped'] }),
    ...onStones,
    // faces leave no burr to strop off
    ...(plan.cuts.every(({ name }) => FACE_CUTS.has(name))
      ? []
      : [withoutDetail('strop', { rungs: STROP, strokes: STROP_STROKES, checks: ['no-burr-left'] })]),
    withoutDetail('test', { cautions: ['fresh-edge-bites'] }),
    withoutDetail('clean', { cautions: ['filings', 'wash-alone'] }),
    withoutDetail('stow', { cautions: ['fresh-edge-bites'] }),
  ]
  return {
    recipeId: 'workshop',
    recipeName: null,
    records: { kind: 'sharpened' },
    stages: plan.stages,
    notes: plan.notes,
    finishMicron: plan.stages.at(-1)?.stone.micron ?? finishMicron,
    choices: {},
    firstSide: 'right',
    takesUm: 1000 * plan.done.lossMm,
    leavesBteMm: plan.done.measures.after.bteMm,
    steps,
    minutes: Math.max(1, Math.ceil(minutesOf(steps, false))),
    setUpMinutes: Math.ceil(minutesOf(steps, true)),
  }
}

const minutesOf = (steps: readonly SessionStep[], ofSitting: boolean): number =>
  steps.reduce((sum, step) => sum + (step.ofSitting === ofSitting ? step.minutes : 0), 0)

/** What the work takes of a sitting that is set up, minutes: the same figure as on every other screen. */
export const jobMinutes = (plan: WorkshopPlan): number => workshopSession(plan, 0).minutes
