import type { z } from 'zod'
import type { Gear, GearPatch, GearView, NewGear, StackPiece } from '../../../contract/bench'
import { bathFor, flatteningState, gearWarnings, usualSoakMinutes } from '../../../core/abrasive/gear'
import { grainMicrons } from '../../../core/abrasive/grain'
import { MeasureError } from '../../../core/measure'
import type { Caller } from '../../signIn/sessions'
import type { Database } from '../../db/database'
import { listGear, replacePieces, saveGear } from '../../db/queries/shelf/gear'
import { touchHouse } from '../../db/queries/house/houses'
import { Fault, notFound } from '../../faults'
import { applyPatch } from '../../patch'

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

async function keep(db: Database, caller: Caller, gear: Gear): Promise<GearView> {
  assertGrain(gear)
  try {
    return await db.transaction(async (client) => {
      await saveGear(client, caller.house.id, gear)
      await touchHouse(client, caller.house.id)
      return gearView(gear)
    })
  } catch (error) {
    if (error instanceof Error && 'constraint' in error && error.constraint === 'gear_name')
      throw new Fault('conflict', 'duplicate-name', { name: gear.name })
    throw error
  }
}

/** Fills new gear with what its kind and grain usually need. */
export function describeGear(input: z.infer<typeof NewGear>): Gear {
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

export async function addGear(db: Database, caller: Caller, input: z.infer<typeof NewGear>): Promise<GearView> {
  assertGrain({
    ...describeGear({ id: input.id, name: input.name, kind: input.kind }),
    scale: input.scale ?? null,
    grit: input.grit ?? null,
  })
  return await keep(db, caller, describeGear(input))
}

/** @throws Fault when the house has no such gear */
export async function editGear(
  db: Database,
  caller: Caller,
  gearId: string,
  patch: z.infer<typeof GearPatch>,
): Promise<GearView> {
  const before = (await listGear(db, caller.house.id)).find(({ id }) => id === gearId)
  if (!before) throw notFound('gear')
  return await keep(db, caller, applyPatch<Gear>(before, patch))
}

export async function setPieces(db: Database, caller: Caller, pieces: readonly StackPiece[]): Promise<StackPiece[]> {
  await db.transaction(async (client) => {
    await replacePieces(client, caller.house.id, pieces)
    await touchHouse(client, caller.house.id)
  })
  return [...pieces]
}
