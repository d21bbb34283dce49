import type { Gear, GearView, StackPiece } from '../../../contract/bench'
import type { BodyOf } from '../../../contract/endpoint'
import type { endpoints } from '../../../contract/endpoints'
import { bathFor, flatteningState, gearWarnings, usualSoakMinutes } from '../../../core/abrasive/gear'
import { grainMicrons } from '../../../core/abrasive/grain'
import { MeasureError } from '../../../core/measure'
import type { Clock } from '../../clock'
import { changeHouse, type HouseChange } from '../../db/changeHouse'
import type { Database } from '../../db/database'
import { listGear, replacePieces, saveGear } from '../../db/queries/shelf/gear'
import { Fault, notFound } from '../../faults'
import { applyPatch } from '../../patch'
import type { Caller } from '../../signIn/sessions'

/** Median grain of gear, µm; null for gear without one. */
export function micronOf({ scale, grit }: Pick<Gear, 'scale' | 'grit'>): number | null {
  return scale === null || grit === null ? null : grainMicrons({ scale, value: grit })
}

export function gearView(gear: Gear): GearView {
  const micron = micronOf(gear)
  return {
    ...gear,
    micron: micron === null ? null : Math.round(micron * 100) / 100,
    flatten: flatteningState(gear),
    warnings: gearWarnings({
      kind: gear.kind,
      micron,
      soaking: gear.soakMinutes > 0,
      thicknessLeftMm: gear.thicknessMm,
    }),
  }
}

function assertGrain(gear: Gear): void {
  try {
    micronOf(gear)
  } catch (error) {
    if (!(error instanceof MeasureError)) throw error
    throw new Fault('invalid', 'grit-outside-standard', { ...error.values }, [
      { path: 'grit', key: 'grit-outside-standard', values: { ...error.values } },
    ])
  }
}

/** Fills new gear with what its kind and grain usually need. */
export function describeGear(input: BodyOf<typeof endpoints.addGear>): Gear {
  const scale = input.scale ?? null
  const grit = input.grit ?? null
  const micron = scale === null || grit === null ? 0 : (micronOf({ scale, grit }) ?? 0)
  return {
    id: input.id,
    name: input.name,
    kind: input.kind,
    scale,
    grit,
    twoSidedWith: input.twoSidedWith ?? null,
    soakMinutes: input.soakMinutes ?? usualSoakMinutes(input.kind, micron),
    bath: input.bath ?? bathFor(input.kind, micron),
    thicknessMm: input.thicknessMm ?? null,
    dishMm: input.dishMm ?? null,
    flattenedAt: null,
    knivesSince: 0,
    compound: input.compound ?? '',
    benchId: input.benchId ?? null,
    active: input.active ?? true,
  }
}

/** Keeps gear, checked, in an open change. */
async function keepGear(change: HouseChange, houseId: string, gear: Gear, at: Date): Promise<GearView> {
  assertGrain(gear)
  await saveGear(change, houseId, gear, at)
  return gearView(gear)
}

export async function addGear(
  db: Database,
  clock: Clock,
  caller: Caller,
  input: BodyOf<typeof endpoints.addGear>,
): Promise<GearView> {
  const plain = describeGear({ id: input.id, name: input.name, kind: input.kind })
  assertGrain({ ...plain, scale: input.scale ?? null, grit: input.grit ?? null })
  const { id: houseId } = caller.house
  return await changeHouse(db, houseId, (change) => keepGear(change, houseId, describeGear(input), clock()), {
    name: input.name,
  })
}

/** @throws Fault when the house has no such gear */
export async function editGear(
  db: Database,
  clock: Clock,
  caller: Caller,
  gearId: string,
  patch: BodyOf<typeof endpoints.editGear>,
): Promise<GearView> {
  const { id: houseId } = caller.house
  return await changeHouse(
    db,
    houseId,
    async (change) => {
      // read under the lock, so that knives counted on it meanwhile stay counted
      const before = (await listGear(change, houseId)).find(({ id }) => id === gearId)
      if (!before) throw notFound('gear')
      return await keepGear(change, houseId, applyPatch<Gear>(before, patch), clock())
    },
    { name: patch.name ?? '' },
  )
}

export async function setPieces(
  db: Database,
  caller: Caller,
  pieces: readonly StackPiece[],
): Promise<readonly StackPiece[]> {
  await changeHouse(db, caller.house.id, (change) => replacePieces(change, caller.house.id, pieces))
  return pieces
}
