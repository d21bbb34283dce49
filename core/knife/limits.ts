import type { KnifeRole, KnifeType } from './knifeTypes'
import { TYPE_TEMPLATES } from './knifeTypes'

/** Force above which a knife of a role has no place in service, gf (assumed, house editable). */
export const DEFAULT_SERVICE_LIMITS: Readonly<Record<KnifeRole, number>> = {
  fine: 260,
  general: 350,
  butchery: 420,
  bread: 600,
}
export type ServiceLimits = Readonly<Record<KnifeRole, number>>

/** Share of the limit at which an edge counts as tiring. */
export const AMBER_SHARE = 0.8

/** Thickness behind the edge above which a knife of a role wedges, mm (assumed). */
export const THICKNESS_LIMIT_MM: Readonly<Record<KnifeRole, number>> = {
  fine: 0.4,
  general: 0.5,
  butchery: 0.65,
  bread: 0.7,
}
/** A type that is thick by nature wedges only well above its usual thickness. */
const THICK_BY_NATURE = 1.5

export function thicknessLimitMm(type: KnifeType): number {
  const { role, bteMm } = TYPE_TEMPLATES[type]
  return Math.max(THICKNESS_LIMIT_MM[role], THICK_BY_NATURE * bteMm)
}

/** Thinning is also due when thickness has grown by more than this since new. */
export const THICKNESS_GROWTH_LIMIT = 0.5

/** A blade below this share of its template height no longer does its job (assumed). */
const MIN_HEIGHT_SHARE = 0.72

export function minimumHeightMm(type: KnifeType): number {
  return Math.round(TYPE_TEMPLATES[type].typicalHeightMm * MIN_HEIGHT_SHARE * 2) / 2
}
