import type { Operation, SectionMeasure, WorkOrder, WorkshopResult, WorkshopView } from '../../../contract/workshop'
import { steelAhead } from '../../../core/edge/forecast/steelAhead'
import { workAt } from '../../../core/edge/log/usage'
import { standingEvents, type KnifeEvent } from '../../../core/edge/model/events'
import type { SectionBlade } from '../../../core/geometry/section'
import type { Product } from '../../../core/house/stations'
import { MeasureError } from '../../../core/measure'
import type { SessionPlan } from '../../../core/session/plan'
import { Z_80 } from '../../../core/statistics/normal'
import { fitSection } from '../../../core/workshop/fit'
import { WORKS_FACES, type OperationDone } from '../../../core/workshop/operate'
import { FACE_FINISH_MICRON, planWorkshop } from '../../../core/workshop/plan'
import { restOf } from '../../../core/workshop/series'
import { workshopSession } from '../../../core/workshop/session'
import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database } from '../../db/database'
import { burrTimesOf } from '../../db/queries/bench/burrTimes'
import { findKnife, type StoredKnife } from '../../db/queries/fleet/knives'
import { deleteWorkOrder, listWorkOrders, saveWorkOrder } from '../../db/queries/fleet/workOrders'
import { knifeLog } from '../../db/queries/log/events'
import { Fault, notFound } from '../../faults'
import type { Caller } from '../../signIn/sessions'
import { loadFleetSnapshot, type FleetSnapshot } from '../fleet/fleet'
import { presentKnife, type PresentKnife } from '../fleet/knifeView'
import { workOrderFor } from '../fleet/workOrders'
import { nameOf } from './planView'
import { NOBODY_YET, stonesAt, type Bench, type BenchKnife, type Hands } from '../shelf/layOutSession'

type Present = BenchKnife['present']

/** The section of a knife as its description and its log have it now. */
function bladeOf(knife: StoredKnife, { blade }: Present): SectionBlade {
  const { heelHeightMm, spineMm, bteMm, dpsLeft, dpsRight } = blade.measures
  return { heelHeightMm, spineMm, bteMm, dpsLeft, dpsRight, grind: knife.grind, ratioRight: knife.ratioRight }
}

/** The section work is laid out on: through what was measured at the belly, or else wherever somebody measured. */
const asMeasured = (blade: SectionBlade, measured: readonly SectionMeasure[]): SectionBlade =>
  fitSection(blade, measured.find(({ zone }) => zone === 'belly') ?? measured[0] ?? {}).blade

/** Workshop work finishes where its edge does: fine roles on the fine stone, butchers at a thousand (common practice). */
const finishOf = ({ blade }: Present): number => (blade.role === 'butchery' || blade.role === 'bread' ? 11.5 : 4)

/**
 * An operation laid out for one knife on this house's stones, and what it is to leave.
 *
 * @throws Fault `operation-impossible` with what is wrong and the nearest that goes, `no-stones` for an empty bench
 */
export function layOutOperation(
  bench: Bench,
  one: BenchKnife,
  operation: Operation,
  hands: Hands,
  measured: readonly SectionMeasure[],
): { readonly plan: SessionPlan; readonly result: WorkshopResult } {
  const blade = asMeasured(bladeOf(one.knife, one.present), measured)
  const finishMicron = finishOf(one.present)
  const plan = refuseInWords(() =>
    planWorkshop({
      blade,
      type: one.knife.type,
      operation,
      lengthMm: one.knife.lengthMm,
      hrc: one.present.blade.spec.hrc,
      carbides: one.present.blade.spec.carbides,
      stones: stonesAt(bench, hands),
      finishMicron,
    }),
  )
  const { done, tip } = plan
  return {
    plan: workshopSession(plan, finishMicron),
    result: {
      thicknessAt: facesLeft(operation, blade, done, measured.length > 0),
      operation,
      lossMm: done.lossMm,
      bteMm: done.measures.after.bteMm,
      dpsLeft: done.dpsLeft,
      dpsRight: done.dpsRight,
      ratioRight: done.ratioRight,
      areaMm2: tip?.areaMm2 ?? done.areaMm2,
      grams: plan.grams,
      lengthLossMm: tip?.lengthLossMm ?? 0,
      rest: restOf(operation),
    },
  }
}

const thousandth = (mm: number): number => Math.round(1000 * mm) / 1000

/** The faces work leaves, where it ground them, or where what was measured of them stands elsewhere above the new edge. */
function facesLeft(
  { kind }: Operation,
  blade: SectionBlade,
  { measures: { after } }: OperationDone,
  wasMeasured: boolean,
): WorkshopResult['thicknessAt'] {
  if (kind === 'tip' || (!WORKS_FACES.has(kind) && !wasMeasured)) return []
  const found: readonly (readonly [number, number])[] = [
    [1, after.at1Mm],
    [3, after.at3Mm],
    [5, after.at5Mm],
    [10, after.at10Mm],
  ]
  return found.flatMap(([heightMm, thicknessMm]) =>
    thicknessMm > 0 && heightMm < blade.heelHeightMm / 2 ? [{ heightMm, thicknessMm: thousandth(thicknessMm) }] : [],
  )
}

/** Work the core refuses, refused in words. */
function refuseInWords<T>(work: () => T): T {
  try {
    return work()
  } catch (error) {
    if (!(error instanceof MeasureError)) throw error
    if (error.code === 'no-stones') throw new Fault('conflict', 'no-stones')
    throw new Fault('conflict', 'operation-impossible', { code: error.code, quantity: error.quantity })
  }
}

/** What is known of the section at each spot by a knife's log: the latest standing measurement, or what workshop work has left since. */
export function measuredSections(log: readonly KnifeEvent[]): SectionMeasure[] {
  const measured = new Map<string, SectionMeasure>()
  for (const event of standingEvents(log)) {
    const sections =
      event.kind === 'measured' ? (event.payload as { sections?: readonly SectionMeasure[] }).sections : undefined
    for (const one of sections ?? []) measured.set(one.zone, one)
    if (event.kind !== 'sharpened') continue
    const left = event.payload.thicknessAt
    if (!left) {
      // the edge has moved up into thicker steel: what is tracked knows better than the old reading
      for (const [zone, { bteMm: _, ...rest }] of measured) measured.set(zone, rest)
      continue
    }
    // work goes along the whole edge: what was measured before it holds no more
    measured.clear()
    measured.set('belly', { zone: 'belly', thicknessAt: left.map((place) => ({ ...place })), worked: true })
  }
  return [...measured.values()]
}

/** What its edge has to stand: bone for a knife made for it, otherwise what is cut at its station. */
function hardestFood({ usage, nowMs }: FleetSnapshot, { blade, state }: PresentKnife): Product {
  const periods = state.stationId === null ? undefined : usage.stations.get(state.stationId)
  return blade.spec.onBone ? 'meat-on-bone' : ((periods && workAt(periods, nowMs)?.product) ?? 'mixed')
}

/** Everything the workshop's screen works on. */
export async function workshopView(db: Database, clock: Clock, caller: Caller, knifeId: string): Promise<WorkshopView> {
  const knife = await findKnife(db, caller.house.id, knifeId)
  if (!knife) throw notFound('knife')
  const snapshot = await loadFleetSnapshot(db, caller.house, clock())
  const stored = snapshot.states.get(knifeId)
  if (!stored) throw notFound('knife')
  const present = presentKnife(knife, stored, snapshot, 'until-dull')
  const { blade, rules, state } = present
  const thickestMm = Math.min(rules.thicknessLimitMm, blade.measures.bteNewMm * (1 + rules.thicknessGrowth))
  const { sessionsPerYear, perSessionMm } = steelAhead(state, blade.spec, blade.geometry, thickestMm)
  const burrTimes = await burrTimesOf(db, caller.house.id, caller.person.id)
  const spread = Math.exp(Z_80 * state.steel.takes.sd)
  return {
    knifeId,
    type: knife.type,
    blade: bladeOf(knife, present),
    lengthMm: knife.lengthMm,
    hrc: blade.spec.hrc,
    carbides: blade.spec.carbides,
    serrated: knife.serrated,
    chipMm: state.defects.chip?.depthMm ?? null,
    tipHurt: state.defects.tipBent || state.defects.tipGone,
    saved: workOrderFor(await listWorkOrders(db, caller.house.id), knifeId, state),
    stones: stonesAt(snapshot.bench, { ...NOBODY_YET, burrTimes }).map(({ id, micron, diamond = false, rate = 1 }) => ({
      id,
      name: nameOf(snapshot.bench.gear, id),
      micron,
      diamond,
      rate,
    })),
    measured: measuredSections(await knifeLog(db, caller.house.id, knifeId)),
    life: {
      work: { hrc: blade.spec.hrc, product: hardestFood(snapshot, present) },
      minimumHeightMm: blade.geometry.minimumHeightMm,
      thickestMm,
      thinToMm: Math.min(thickestMm, blade.measures.bteNewMm),
      perSessionMm: { low: perSessionMm.mean / spread, middle: perSessionMm.mean, high: perSessionMm.mean * spread },
      sessionsPerYear: sessionsPerYear.mean,
      price: knife.price,
    },
  }
}

/**
 * Saves work for a knife, or with null drops what is saved for it next. The week plans saved work in place of the verdict's.
 *
 * @throws Fault `operation-impossible` for work this blade cannot give
 */
export async function setWorkOrder(
  db: Database,
  clock: Clock,
  caller: Caller,
  knifeId: string,
  operation: Operation | null,
): Promise<WorkshopView> {
  const view = await workshopView(db, clock, caller, knifeId)
  const { type, lengthMm, hrc, carbides, stones } = view
  const blade = asMeasured(view.blade, view.measured)
  if (operation)
    refuseInWords(() =>
      planWorkshop({ blade, type, operation, lengthMm, hrc, carbides, stones, finishMicron: FACE_FINISH_MICRON }),
    )
  const saved: WorkOrder | null = operation && { operation, waits: false }
  await changeHouse(db, caller.house.id, async (change) => {
    if (saved) await saveWorkOrder(change, caller.house.id, knifeId, saved, { personId: caller.person.id, at: clock() })
    else if (view.saved) await deleteWorkOrder(change, caller.house.id, knifeId, view.saved.operation.kind)
  })
  return operation ? { ...view, saved } : await workshopView(db, clock, caller, knifeId)
}
