import { v4 as newId } from 'uuid'
import type { TimelineEvent } from '../../../contract/events'
import type { KnifePatch, KnifeView, NewKnife } from '../../../contract/knives'
import { faceAngle } from '../../../core/geometry/stack'
import { knownBlade } from '../../../core/knife/blade'
import { knifeDefaults, meanDps } from '../../../core/knife/knifeTypes'
import { isStainless, steelByEn } from '../../../core/knife/steels'
import type { KnifeState } from '../../../core/edge/log/state'
import type { Caller } from '../../signIn/sessions'
import type { Clock } from '../../clock'
import type { Database, Queryable } from '../../db/database'
import { insertEvents, timelinePage, type EventWrite } from '../../db/queries/log/events'
import { touchHouse } from '../../db/queries/house/houses'
import {
  codesLike,
  findKnife,
  insertKnives,
  lockKnife,
  updateKnife,
  type StoredKnife,
} from '../../db/queries/fleet/knives'
import { findPerson } from '../../db/queries/house/people'
import { Fault, notFound } from '../../faults'
import { viewKnives } from './fleet'
import { refold } from '../log/knifeState'
import { applyPatch } from '../../patch'
import { loadHouseContext, type HouseContext } from '../log/usageContext'

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

const isDuplicateCode = (error: unknown): boolean =>
  error instanceof Error && 'constraint' in error && error.constraint === 'knives_code'

const duplicateCode = (code: string): Fault =>
  new Fault('conflict', 'duplicate-code', { code }, [{ path: 'code', key: 'duplicate-code', values: { code } }])

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

export async function addKnife(db: Database, clock: Clock, caller: Caller, input: NewKnife): Promise<KnifeView> {
  const now = clock()
  const code = input.code ?? (await nextCode(db, caller.house.id, knifeDefaults(input.type, input.lengthMm).codePrefix))
  const knife = describeKnife(input, code)
  assertPlausible(knife)
  try {
    return await db.transaction(async (client) => {
      const context = await loadHouseContext(client, caller.house)
      if (!context.stations.some((station) => station.id === input.stationId)) throw notFound('station')
      if (input.holderId && !(await findPerson(client, caller.house.id, input.holderId))) throw notFound('person')
      const again = await lockKnife(client, caller.house.id, input.id)
      const state = again
        ? await refold(client, context, again)
        : await joinFleet(client, context, knife, {
            id: newId(),
            knifeId: knife.id,
            kind: 'added',
            at: now,
            personId: caller.person.id,
            deviceId: caller.deviceId,
            payload: { condition: input.condition, stationId: input.stationId, holderId: input.holderId },
          })
      if (!again) await touchHouse(client, caller.house.id)
      const [view] = await viewKnives(client, caller.house, now, [{ knife: again ?? knife, state }])
      if (!view) throw notFound('knife')
      return view
    })
  } catch (error) {
    throw isDuplicateCode(error) ? duplicateCode(code) : error
  }
}

export async function editKnife(
  db: Database,
  clock: Clock,
  caller: Caller,
  knifeId: string,
  patch: KnifePatch,
): Promise<KnifeView> {
  try {
    return await db.transaction(async (client) => {
      const before = await lockKnife(client, caller.house.id, knifeId)
      if (!before) throw notFound('knife')
      const knife = applyPatch<StoredKnife>(before, patch)
      assertPlausible(knife)
      await updateKnife(client, caller.house.id, knife)
      const context = await loadHouseContext(client, caller.house)
      const stored = await asStored(client, context, knife)
      const state = await refold(client, context, stored)
      await touchHouse(client, caller.house.id)
      const [view] = await viewKnives(client, caller.house, clock(), [{ knife: stored, state }])
      if (!view) throw notFound('knife')
      return view
    })
  } catch (error) {
    throw isDuplicateCode(error) ? duplicateCode(patch.code ?? '') : error
  }
}

/** A page of a knife's history, with the worst force before and after each event that moved it. */
export async function knifeTimeline(
  db: Database,
  caller: Caller,
  knifeId: string,
  page: { readonly before: Date | null; readonly most: number },
): Promise<TimelineEvent[]> {
  if (!(await findKnife(db, caller.house.id, knifeId))) throw notFound('knife')
  const rows = await timelinePage(db, caller.house.id, knifeId, page)
  return rows.map((row) => ({
    id: row.id,
    kind: row.kind,
    at: row.at.toISOString(),
    recordedAt: row.recorded_at.toISOString(),
    personId: row.person_id,
    personName: row.person_name,
    deviceName: row.device_name,
    payload: row.payload,
    voided:
      row.void_at === null
        ? null
        : { at: row.void_at.toISOString(), personName: row.void_person_name, reason: row.void_reason ?? '' },
    effect: row.before_gf === null || row.after_gf === null ? null : { beforeGf: row.before_gf, afterGf: row.after_gf },
  }))
}
