import type { KnownBlade, Measurable } from '../../knife/blade'
import type { SteelLeft } from './steelLeft'

/** The blade as it is by now: what sessions took and calipers found since it joined. */
export function presentBlade(blade: KnownBlade, steel: SteelLeft): KnownBlade {
  const now = { heelHeightMm: steel.heightMm.mean, bteMm: steel.bteMm.mean, spineMm: steel.spineMm }
  const found: Partial<Record<Measurable, boolean>> = {
    heelHeightMm: steel.measured.height,
    bteMm: steel.measured.bte,
    spineMm: steel.measured.spine,
  }
  return {
    ...blade,
    measures: { ...blade.measures, ...now },
    assumed: blade.assumed.filter((field) => !found[field]),
    geometry: { ...blade.geometry, ...now },
  }
}
