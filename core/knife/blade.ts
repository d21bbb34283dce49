import type { BladeGeometry } from './bladeGeometry'
import type { BladeSpec } from './bladeSpec'
import { knifeDefaults, meanDps, type Grind, type KnifeRole, type KnifeType } from './knifeTypes'
import { minimumHeightMm } from './limits'
import { isStainless, steelByEn } from './steels'

/** A knife as somebody described it; null where nobody has measured. */
export interface DescribedBlade {
  readonly type: KnifeType
  readonly lengthMm: number
  readonly heelHeightMm: number | null
  readonly spineMm: number | null
  readonly bteMm: number | null
  readonly bteNewMm: number | null
  readonly dpsLeft: number | null
  readonly dpsRight: number | null
  readonly serrated: boolean
  readonly steelEn: string | null
  readonly hrc: number | null
  /** rusts unless wiped and oiled; by its steel where nobody says */
  readonly reactive?: boolean | undefined
}

export const MEASURABLE = ['heelHeightMm', 'spineMm', 'bteMm', 'bteNewMm', 'dpsLeft', 'dpsRight', 'hrc'] as const
export type Measurable = (typeof MEASURABLE)[number]

/** Hardness taken where neither the knife nor its steel says (assumed: a mid kitchen stainless). */
export const USUAL_HRC = 57

export interface KnownBlade {
  readonly role: KnifeRole
  readonly measures: Readonly<Record<Measurable, number>>
  /** which of the measures are the type's usual figure, not this knife's own */
  readonly assumed: readonly Measurable[]
  readonly spec: BladeSpec
  readonly geometry: BladeGeometry
}

/** Butchers' blades meet bone; heavy single bevels only fish, whose bones they bear at less. */
const isForBone = ({ role, grind }: { readonly role: KnifeRole; readonly grind: Grind }): boolean =>
  role === 'butchery' && grind !== 'single'

/** Fills what nobody has measured with the usual figure of the type, and says which those are. */
export function knownBlade(knife: DescribedBlade): KnownBlade {
  const usual = knifeDefaults(knife.type, knife.lengthMm)
  const steel = knife.steelEn === null ? undefined : steelByEn(knife.steelEn)
  const fallback: Readonly<Record<Measurable, number>> = {
    heelHeightMm: usual.heelHeightMm,
    spineMm: usual.spineMm,
    bteMm: usual.bteMm,
    bteNewMm: usual.bteMm,
    dpsLeft: usual.dpsLeft,
    dpsRight: usual.dpsRight,
    hrc: steel?.typicalHrc ?? USUAL_HRC,
  }
  const measured = (field: Measurable): number => knife[field] ?? fallback[field]
  const measures = {
    heelHeightMm: measured('heelHeightMm'),
    spineMm: measured('spineMm'),
    bteMm: measured('bteMm'),
    bteNewMm: measured('bteNewMm'),
    dpsLeft: measured('dpsLeft'),
    dpsRight: measured('dpsRight'),
    hrc: measured('hrc'),
  }
  const dps = meanDps(measures)
  return {
    role: usual.role,
    measures,
    assumed: MEASURABLE.filter((field) => knife[field] === null),
    spec: {
      dps,
      hrc: measures.hrc,
      carbides: steel?.carbides ?? {},
      serrated: knife.serrated,
      onBone: isForBone(usual),
      countedOnly: usual.countedOnly,
      joined: {
        heelHeightMm: measures.heelHeightMm,
        spineMm: measures.spineMm,
        bteMm: measures.bteMm,
        measured: { height: knife.heelHeightMm !== null, bte: knife.bteMm !== null, spine: knife.spineMm !== null },
      },
    },
    geometry: {
      lengthMm: knife.lengthMm,
      heelHeightMm: measures.heelHeightMm,
      spineMm: measures.spineMm,
      bteMm: measures.bteMm,
      bteWhenNewMm: measures.bteNewMm,
      dps,
      hrc: measures.hrc,
      carbides: steel?.carbides ?? {},
      minimumHeightMm: minimumHeightMm(knife.type),
      reactive: knife.reactive ?? (steel !== undefined && !isStainless(steel)),
      onBone: isForBone(usual),
    },
  }
}
