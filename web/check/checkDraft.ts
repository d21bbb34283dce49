import { useLocalStorage, type RemovableRef } from '@vueuse/core'
import type { NewEvent } from '../../contract/events'
import { Measure } from '../../contract/scalars'
import type { Defects } from '../../core/edge/model/events'
import type { LadderRung } from '../../core/edge/model/ladder'
import { ZONES, type Zone } from '../../core/knife/zones'

/** What somebody has found so far; it stays on this device until it is recorded. */
export interface CheckDraft {
  readonly forces: Readonly<Record<Zone, readonly number[]>>
  readonly rungs: Readonly<Partial<Record<Zone, LadderRung>>>
  readonly typed: string
  readonly zone: Zone
  /** null until somebody has said anything about defects */
  readonly defects: Defects | null
  /** the tester that read, by the name it gives itself; null where forces were typed */
  readonly tester: string | null
}

export const EMPTY_DRAFT: CheckDraft = {
  forces: { heel: [], belly: [], tip: [] },
  rungs: {},
  typed: '',
  zone: 'heel',
  defects: null,
  tester: null,
}
const MOST_REPEATS = 10

/** One draft a knife, kept on this device so that a dying tablet loses nothing. */
export const checkDraft = (knifeId: string): RemovableRef<CheckDraft> =>
  useLocalStorage<CheckDraft>(`yorvik.check.${knifeId}`, EMPTY_DRAFT, { mergeDefaults: true })

export type CheckPayload = Extract<NewEvent, { kind: 'checked' }>['payload']

export const isPlausibleForce = (forceGf: number): boolean => Measure.forceGf.safeParse(forceGf).success

/** The draft with one more reading at its zone; the zone moves on once it has its first. */
export function withReading(draft: CheckDraft, forceGf: number): CheckDraft {
  const known = draft.forces[draft.zone]
  if (known.length >= MOST_REPEATS) return { ...draft, typed: '' }
  const forces = { ...draft.forces, [draft.zone]: [...known, forceGf] }
  const next = ZONES.find((zone) => forces[zone].length === 0) ?? draft.zone
  return { ...draft, forces, typed: '', zone: known.length === 0 ? next : draft.zone }
}

export const withoutLast = (draft: CheckDraft, zone: Zone): CheckDraft => ({
  ...draft,
  zone,
  forces: { ...draft.forces, [zone]: draft.forces[zone].slice(0, -1) },
})

export const defectsOf = (draft: CheckDraft, known: Defects): Defects => draft.defects ?? known

export const isEmpty = (draft: CheckDraft): boolean =>
  ZONES.every((zone) => draft.forces[zone].length === 0 && draft.rungs[zone] === undefined) && draft.defects === null

/** Mean of repeats, and how far apart they lie. */
export function spread(forces: readonly number[]): { mean: number; halfRange: number } | null {
  if (forces.length === 0) return null
  const mean = forces.reduce((sum, force) => sum + force, 0) / forces.length
  return { mean, halfRange: (Math.max(...forces) - Math.min(...forces)) / 2 }
}

/** What is recorded of a draft. @param whole a sign the whole edge shows, beside those of single spots */
export function checkPayload(draft: CheckDraft, whole?: LadderRung): CheckPayload {
  return {
    readings: ZONES.flatMap((zone) =>
      draft.forces[zone].length === 0 ? [] : [{ zone, forcesGf: [...draft.forces[zone]] }],
    ),
    ladder: [
      ...(whole === undefined ? [] : [{ zone: 'whole' as const, rung: whole }]),
      ...ZONES.flatMap((zone) => {
        const rung = draft.rungs[zone]
        return rung === undefined ? [] : [{ zone, rung }]
      }),
    ],
    ...(draft.tester === null || ZONES.every((zone) => draft.forces[zone].length === 0)
      ? {}
      : { tester: draft.tester }),
    ...(draft.defects === null ? {} : { defects: { ...draft.defects, glint: [...draft.defects.glint] } }),
  }
}
