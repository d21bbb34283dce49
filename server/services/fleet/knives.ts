import { v4 as newId } from 'uuid'
import type { KnifePatch, KnifeView, NewKnife } from '../../../contract/knives'
import type { KnifeState } from '../../../core/edge/log/state'
import { faceAngle } from '../../../core/geometry/stack'
import { knownBlade } from '../../../core/knife/blade'
import { knifeDefaults, meanDps } from '../../../core/knife/knifeTypes'
import { isStainless, steelByEn } from '../../../core/knife/steels'
import type { Clock } from '../../clock'
import { changeHouse } from '../../db/changeHouse'
import type { Database, Queryable } from '../../db/database'
import {
  codesLike,
  findKnife,
  insertKnives,
  lockKnife,
  updateKnife,
  type StoredKnife,
} from '../../db/queries/fleet/knives'
import { findPerson } from '../../db/queries/house/people'
import { insertEvents, type EventWrite } from '../../db/queries/log/events'
import { Fault, notFound } from '../../faults'
import { applyPatch } from '../../patch'
import type { Caller } from '../../signIn/sessions'
import { refold } from '../log/knifeState'
import { loadHouseContext, type HouseContext } from '../log/usageContext'
import { viewKnives } from './fleet'

/** Fills a new knife with the usual figures of its type; measurements stay open until measured. */
export function describeKnife(input: NewKnife, code: string): StoredKnife {
  const usual = knifeDefaults(input.type, input.lengthMm)
  const steel = input.steelEn ? steelByEn(input.steelEn) : undefined
  return {
    id: input.id,
    code,
    name: input.name ?? '',
    type: input.type,
    lengthMm: input.lengthMm,
    heelHeightMm: input.heelHeightMm ?? null,
    spineMm: input.spineMm ?? null,
    bteMm: input.bteMm ?? null,
    bteNewMm: input.bteNewMm ?? (input.condition === 'new' ? (input.bteMm ?? null) : null),
    dpsLeft: input.dpsLeft ?? null,
    dpsRight: input.dpsRight ?? null,
    grind: input.grind ?? usual.grind,
    ratioRight: input.ratioRight ?? usual.ratioRight,
    serrated: input.serrated ?? usual.serrated,
    steelEn: input.steelEn ?? null,
    hrc: input.hrc ?? null,
    reactive: input.reactive ?? (steel ? !isStainless(steel) : false),
    price: input.price ?? null,
    boughtOn: input.boughtOn ?? null,
  }
}

/** @throws Fault when the measurements contradict each other */
export function assertPlausible(knife: StoredKnife): void {
  const { measures } = knownBlade(knife)
  if (measures.bteMm > measures.spineMm) {
    throw new Fault('invalid', 'edge-thicker-than-spine', { bte: measures.bteMm, spine: measures.spineMm }, [
      { path: 'bteMm', key: 'edge-thicker-than-spine', values: { bte: measures.bteMm, spine: measures.spineMm } },
    ])
  }
  const face = Math.round(faceAngle(measures) * 10) / 10
  if (meanDps(measures) <= face) {
    throw new Fault('invalid', 'edge-flatter-than-face', { face }, [
      { path: 'dpsRight', key: 'edge-flatter-than-face', values: { face } },
    ])
  }
}

/** The next code of a type in this house: CH-01, CH-02 … */
export async function nextCode(db: Queryable, houseId: string, prefix: string): Promise<string> {
  const taken = new Set(await codesLike(db, houseId, prefix))
  for (let number = 1; ; number++) {
    const code = `${prefix}-${String(number).padStart(2, '0')}`
    if (!taken.has(code)) return code
  }
}

/** A knife as the database keeps it, its measures rounded to its columns: what a later rebuild will read too. */
async function asStored(db: Queryable, context: HouseContext, knife: StoredKnife): Promise<StoredKnife> {
  return (await findKnife(db, context.house.id, knife.id)) ?? knife
}

/** Puts a described knife and the event of its joining into an open transaction. */
export async function joinFleet(
  db: Queryable,
  context: HouseContext,
  knife: StoredKnife,
  added: EventWrite,
): Promise<KnifeState> {
  await insertKnives(db, context.house.id, [knife])
  await insertEvents(db, context.house.id, [added])
  return await refold(db, context, await asStored(db, context, knife))
}

/** The view of one knife, read after the change that made it what it is. */
async function viewAfter(
  db: Database,
  clock: Clock,
  caller: Caller,
  changed: { readonly knife: StoredKnife; readonly state: KnifeState },
): Promise<KnifeView> {
  const [view] = await viewKnives(db, caller.house, clock(), [changed])
  if (!view) throw notFound('knife')
  return view
}

/** @throws Fault when a station or holder is not of this house, or a code is taken */
export async function addKnife(db: Database, clock: Clock, caller: Caller, input: NewKnife): Promise<KnifeView> {
  const houseId = caller.house.id
  const added = await changeHouse(
    db,
    houseId,
    async (change) => {
      const again = await lockKnife(change, houseId, input.id)
      if (again) {
        change.nothingNew()
        return { knife: again, state: await refold(change, await loadHouseContext(change, caller.house), again) }
      }
      const context = await loadHouseContext(change, caller.house)
      if (!context.stations.some((station) => station.id === input.stationId)) throw notFound('station')
      if (input.holderId && !(await findPerson(change, houseId, input.holderId))) throw notFound('person')
      const { codePrefix } = knifeDefaults(input.type, input.lengthMm)
      const knife = describeKnife(input, input.code ?? (await nextCode(change, houseId, codePrefix)))
      assertPlausible(knife)
      const state = await joinFleet(change, context, knife, {
        id: newId(),
        knifeId: knife.id,
        kind: 'added',
        at: clock(),
        personId: caller.person.id,
        deviceId: caller.deviceId,
        payload: { condition: input.condition, stationId: input.stationId, holderId: input.holderId },
      })
      return { knife, state }
    },
    { code: input.code ?? '' },
  )
  return await viewAfter(db, clock, caller, added)
}

/** @throws Fault when there is no such knife, its measures contradict each other, or its code is taken */
export async function editKnife(
  db: Database,
  clock: Clock,
  caller: Caller,
  knifeId: string,
  patch: KnifePatch,
): Promise<KnifeView> {
  const houseId = caller.house.id
  const edited = await changeHouse(
    db,
    houseId,
    async (change) => {
      const before = await lockKnife(change, houseId, knifeId)
      if (!before) throw notFound('knife')
      const knife = applyPatch<StoredKnife>(before, patch)
      assertPlausible(knife)
      await updateKnife(change, houseId, knife)
      const context = await loadHouseContext(change, caller.house)
      const stored = await asStored(change, context, knife)
      return { knife: stored, state: await refold(change, context, stored) }
    },
    { code: patch.code ?? '' },
  )
  return await viewAfter(db, clock, caller, edited)
}
