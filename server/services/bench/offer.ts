import type { BenchOffer, Gear } from '../../../contract/bench'
import { gearWarnings, type GearKind } from '../../../core/abrasive/gear'
import { angleFromStack } from '../../../core/geometry/stack'
import { costOfStartingOn, type ProgressionInput } from '../../../core/abrasive/progression'
import { MeasureError } from '../../../core/measure'
import type { SessionPlan } from '../../../core/session/plan'
import type { StepTool } from '../../../core/session/recipe'
import type { Clock } from '../../clock'
import type { Database } from '../../db/database'
import { openSessions } from '../../db/queries/bench/sessions'
import { listPieces } from '../../db/queries/shelf/gear'
import { listWorkOrders } from '../../db/queries/fleet/workOrders'
import type { Caller } from '../../signIn/sessions'
import { workOrderFor } from '../fleet/workOrders'
import { gearView, micronOf } from '../shelf/gear'
import { paceOf } from '../shelf/ways'
import { fittingRecipes, layOutSession, type Bench, type BenchWish } from '../shelf/layOutSession'
import { bringToBench, type AtBench } from './bringToBench'
import { nameOf, planView, tenth } from './planView'
import { skillAsked, startRights } from './mayStart'
import { seal } from './seals'

/** The stones a session could begin on, coarsest first, and what each would cost; not those that are refused. */
const startsOn = ({ gear }: Bench, plan: SessionPlan, input: ProgressionInput): BenchOffer['starts'] =>
  [...input.stones]
    .sort((a, b) => b.micron - a.micron)
    .flatMap((stone) => {
      try {
        const { minutes, minutesToBurr, roundsBevel } = costOfStartingOn(input, stone.id)
        return [
          {
            stoneId: stone.id,
            stoneName: nameOf(gear, stone.id),
            planned: stone.id === plan.stages[0]?.stone.id,
            roundsBevel,
            minutes: tenth(minutes),
            minutesToBurr: tenth(minutesToBurr),
          },
        ]
      } catch (error) {
        if (error instanceof MeasureError && error.code === 'first-stone-too-fine') return []
        throw error
      }
    })

/** What the gear of a session could do to the blade, or the hands, if it were used as the session says. */
function warningsFor(
  used: readonly Gear[],
  { present }: AtBench,
  { records, choices, stages }: SessionPlan,
): BenchOffer['warnings'] {
  const ofStones = used.flatMap((gear) =>
    gearWarnings({
      kind: gear.kind,
      micron: micronOf(gear),
      thicknessLeftMm: gear.thicknessMm,
      soaking: gear.soakMinutes > 0,
      ...(choices['liquid'] === 'oil' || choices['liquid'] === 'water' ? { liquid: choices['liquid'] } : {}),
      newtons: stages.find(({ stone }) => stone.id === gear.id)?.newtons ?? 0,
    }),
  )
  const ofSteel =
    records.kind === 'honed' && (records.tool === 'smooth-steel' || records.tool === 'grooved-steel')
      ? gearWarnings({ kind: records.tool, micron: null, hrc: present.blade.spec.hrc })
      : []
  return [...new Set([...ofStones, ...ofSteel])]
}

/** Gear that a tool of a recipe can be; a cork, a loupe and a paper towel are in every kitchen. */
const TOOL_GEAR: Partial<Record<StepTool, readonly GearKind[]>> = {
  'ceramic-rod': ['ceramic-rod'],
  'diamond-rod': ['diamond-rod'],
  'fine-diamond': ['diamond-rod', 'diamond-plate', 'diamond-resin'],
  'smooth-steel': ['smooth-steel', 'grooved-steel', 'polished-steel'],
  'polished-steel': ['polished-steel', 'smooth-steel'],
  strop: ['strop'],
  'strop-rough': ['strop'],
  'strop-smooth': ['strop'],
  'paste-film': ['paste'],
}
const missingFor = ({ gear }: Bench, { steps }: SessionPlan): StepTool[] => [
  ...new Set(
    steps.flatMap(({ tool }) => {
      const kinds = tool && TOOL_GEAR[tool]
      return kinds && !gear.some(({ kind }) => kinds.includes(kind)) ? [tool] : []
    }),
  ),
]

/** Coins as people stack them: one, two and three of each, and what that is under this blade. */
const MOST_COINS = 3
const TALLEST_SHARE = 0.45
function coinsUnder(
  { present }: AtBench,
  pieces: readonly { readonly name: string; readonly mm: number }[],
): BenchOffer['coins'] {
  const { heelHeightMm, spineMm } = present.blade.measures
  return pieces.flatMap(({ name, mm }) =>
    Array.from({ length: MOST_COINS }, (_, at) => at + 1).flatMap((count) => {
      const stackMm = count * mm
      if (stackMm > TALLEST_SHARE * heelHeightMm) return []
      return [{ name, count, dps: tenth(angleFromStack({ heelHeightMm, spineMm, stackMm })) }]
    }),
  )
}

/** What could be done to a knife now, how, and what stands in the way. */
export async function benchOffer(
  db: Database,
  clock: Clock,
  caller: Caller,
  knifeId: string,
  wish: BenchWish,
): Promise<BenchOffer> {
  const one = await bringToBench(db, caller, knifeId, clock())
  const { bench } = one.snapshot
  const laid = layOutSession(bench, one, wish, one.hands)
  const { plan, input } = laid
  const used = bench.gear.filter(({ id }) => plan.stages.some(({ stone }) => stone.id === id))
  const fitting = new Set(fittingRecipes(bench, one).map(({ id }) => id))
  const skill = skillAsked({ ...laid, action: one.action, knife: one.knife })
  const view = planView(laid, bench.gear, { asked: wish })
  const open = (await openSessions(db, caller.house.id)).find((session) => session.knifeId === knifeId)
  return {
    recipes: bench.recipes.map(({ id, name, choices }) => ({
      id,
      name: name ?? null,
      fits: fitting.has(id),
      choices,
    })),
    plan: view,
    seal: await seal(db, caller, { knifeId, plan: view, skill }, clock()),
    starts:
      input === null || laid.recipe.stones === 'last' || laid.recipe.operation ? [] : startsOn(bench, plan, input),
    soak: used
      .filter(({ soakMinutes }) => soakMinutes > 0)
      .map(({ id, name, soakMinutes, bath }) => ({ stoneId: id, stoneName: name, minutes: soakMinutes, bath })),
    flatten: used.flatMap((gear) => {
      const { because } = gearView(gear).flatten
      return because === null ? [] : [{ stoneId: gear.id, stoneName: gear.name, because }]
    }),
    warnings: warningsFor(used, one, plan),
    saved: workOrderFor(await listWorkOrders(db, caller.house.id), knifeId, one.present.state),
    missing: missingFor(bench, plan),
    coins: coinsUnder(one, await listPieces(db, caller.house.id)),
    start: await startRights(db, caller, {
      skill,
      present: one.present,
    }),
    pace: paceOf(one.hands.ways),
    open: open
      ? {
          sessionId: open.id,
          personName: one.snapshot.people.find(({ id }) => id === open.startedBy)?.name ?? '',
          startedAt: open.startedAt.toISOString(),
        }
      : null,
  }
}
