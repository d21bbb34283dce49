import type { BenchOffer, Gear } from '../../../contract/bench'
import { gearWarnings, isDiamond } from '../../../core/abrasive/gear'
import { costOfStartingOn, type ProgressionInput } from '../../../core/abrasive/progression'
import { pressingForce } from '../../../core/abrasive/removal'
import type { SessionPlan } from '../../../core/session/session'
import type { Clock } from '../../clock'
import type { Database, Queryable } from '../../db/database'
import { listActions, openSessions, sessionsOfKnife } from '../../db/queries/bench/sessions'
import { listWorkOrders } from '../../db/queries/fleet/workOrders'
import type { Caller } from '../../signIn/sessions'
import { workOrderFor } from '../fleet/workOrders'
import { gearView, micronOf } from '../shelf/gear'
import { fittingRecipes, layOutSession, type Bench, type BenchWish } from '../shelf/layOutSession'
import { bringToBench, type AtBench } from './bringToBench'
import { nameOf, planView, tenth } from './planView'
import { stateOf } from './sessions'

const LATEST_SESSIONS = 5

/** What the last session on a knife left for the next. */
async function carryOverFor(db: Queryable, houseId: string, knifeId: string): Promise<BenchOffer['carriedOver']> {
  const last = (await sessionsOfKnife(db, houseId, knifeId, LATEST_SESSIONS)).find(
    ({ outcome }) => outcome === 'finished',
  )
  return last ? stateOf(last, await listActions(db, houseId, last.id)).carryOver : []
}

/** The stones a session could begin on, coarsest first, and what each would cost. */
const startsOn = ({ gear }: Bench, plan: SessionPlan, input: ProgressionInput): BenchOffer['starts'] =>
  [...input.stones]
    .sort((a, b) => b.micron - a.micron)
    .map((stone) => {
      const { minutes, minutesToBurr, ...cost } = costOfStartingOn(input, stone.id)
      return {
        stoneId: stone.id,
        stoneName: nameOf(gear, stone.id),
        planned: stone.id === plan.stages[0]?.stone.id,
        ...cost,
        minutes: tenth(minutes),
        minutesToBurr: tenth(minutesToBurr),
      }
    })

/** What the gear of a session could do to the blade, or the hands, if it were used wrongly. */
function warningsFor(used: readonly Gear[], { present }: AtBench, { records }: SessionPlan): BenchOffer['warnings'] {
  const ofStones = used.flatMap((gear) =>
    gearWarnings({
      kind: gear.kind,
      micron: micronOf(gear),
      thicknessLeftMm: gear.thicknessMm,
      newtons: pressingForce({ micron: micronOf(gear) ?? 1, diamond: isDiamond(gear.kind) }),
    }),
  )
  const ofSteel =
    records.kind === 'honed' && records.tool === 'smooth-steel'
      ? gearWarnings({ kind: 'smooth-steel', micron: null, hrc: present.blade.spec.hrc })
      : []
  return [...new Set([...ofStones, ...ofSteel])]
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
  const laid = layOutSession(bench, one, wish, one.burrTimes)
  const { plan, input } = laid
  const used = bench.gear.filter(({ id }) => plan.stages.some(({ stone }) => stone.id === id))
  const fitting = new Set(fittingRecipes(bench, one).map(({ id }) => id))
  const open = (await openSessions(db, caller.house.id)).find((session) => session.knifeId === knifeId)
  return {
    recipes: bench.recipes.map(({ id, name, choices }) => ({
      id,
      name: name ?? null,
      fits: fitting.has(id),
      choices,
    })),
    plan: planView(laid, bench.gear),
    starts: input === null || laid.recipe.stones === 'last' ? [] : startsOn(bench, plan, input),
    soak: used
      .filter(({ soakMinutes }) => soakMinutes > 0)
      .map(({ id, name, soakMinutes, bath }) => ({ stoneId: id, stoneName: name, minutes: soakMinutes, bath })),
    flatten: used.flatMap((gear) => {
      const { because } = gearView(gear).flatten
      return because === null ? [] : [{ stoneId: gear.id, stoneName: gear.name, because }]
    }),
    warnings: warningsFor(used, one, plan),
    saved: workOrderFor(await listWorkOrders(db, caller.house.id), knifeId, one.present.state),
    carriedOver: await carryOverFor(db, caller.house.id, knifeId),
    open: open
      ? {
          sessionId: open.id,
          personName: one.snapshot.people.find(({ id }) => id === open.startedBy)?.name ?? '',
          startedAt: open.startedAt.toISOString(),
        }
      : null,
  }
}
