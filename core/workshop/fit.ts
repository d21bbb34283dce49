import { angleFromBevel } from '../geometry/bevel'
import type { SectionBlade } from '../geometry/section'

/** What somebody measured at one spot. */
export interface Measured {
  readonly bteMm?: number | undefined
  readonly thicknessAt?: readonly { readonly heightMm: number; readonly thicknessMm: number }[] | undefined
  readonly bevelLeftMm?: number | undefined
  readonly bevelRightMm?: number | undefined
  readonly faceDps?: number | undefined
}

/** Something the measurements say twice and differently, or cannot mean at all. */
export interface Contradiction {
  readonly code: 'bevel-too-narrow' | 'angle-differs' | 'thinner-higher' | 'face-differs' | 'thicker-than-spine'
  readonly values: Readonly<Record<string, number>>
}

export interface Fitted {
  readonly blade: SectionBlade
  readonly contradictions: readonly Contradiction[]
  /** what is taken from the knife's type because nobody measured it */
  readonly assumed: readonly ('bteMm' | 'thicknessAt' | 'bevels')[]
}

/** An angle off by more than this is another angle, degrees (assumed: what a caliper on a bevel can tell). */
const ANGLE_TOLERANCE = 2
const FACE_TOLERANCE = 0.75

/** A section that the measurements describe, and what in them cannot be. */
export function fitSection(blade: SectionBlade, found: Measured): Fitted {
  const contradictions: Contradiction[] = []
  const bteMm = found.bteMm ?? blade.bteMm
  const places = [...(found.thicknessAt ?? [])].sort((a, b) => a.heightMm - b.heightMm)
  let below = { heightMm: 0, thicknessMm: 0 }
  for (const place of places) {
    if (place.thicknessMm < below.thicknessMm)
      contradictions.push({ code: 'thinner-higher', values: { lowMm: below.heightMm, highMm: place.heightMm } })
    if (place.thicknessMm > blade.spineMm)
      contradictions.push({ code: 'thicker-than-spine', values: { heightMm: place.heightMm, spineMm: blade.spineMm } })
    below = place
  }
  const widths = [found.bevelLeftMm, found.bevelRightMm].filter((width) => width !== undefined)
  const [first, second] = widths
  let ratioRight = blade.ratioRight
  if (first !== undefined && second !== undefined && first + second > 0) {
    ratioRight = Math.round((100 * (found.bevelRightMm ?? 0)) / (first + second))
    const mean = (first + second) / 2
    if (bteMm / (2 * mean) > 1) contradictions.push({ code: 'bevel-too-narrow', values: { widthMm: mean, bteMm } })
    else {
      const dps = angleFromBevel({ bteMm, widthMm: mean })
      const said = (blade.dpsLeft + blade.dpsRight) / 2
      if (Math.abs(dps - said) > ANGLE_TOLERANCE)
        contradictions.push({ code: 'angle-differs', values: { dps: Math.round(dps * 10) / 10, saidDps: said } })
    }
  }
  const [low, high] = [places[0], places.at(-1)]
  if (found.faceDps !== undefined && low && high && high.heightMm > low.heightMm) {
    const slope = (Math.atan((high.thicknessMm - low.thicknessMm) / 2 / (high.heightMm - low.heightMm)) * 180) / Math.PI
    if (Math.abs(slope - found.faceDps) > FACE_TOLERANCE)
      contradictions.push({
        code: 'face-differs',
        values: { dps: found.faceDps, slopeDps: Math.round(slope * 10) / 10 },
      })
  }
  const usable = contradictions.some(({ code }) => code === 'thinner-higher' || code === 'thicker-than-spine')
    ? []
    : places
  return {
    blade: { ...blade, bteMm, ratioRight, ...(usable.length > 0 ? { thicknessAt: usable } : {}) },
    contradictions,
    assumed: [
      ...(found.bteMm === undefined ? ['bteMm' as const] : []),
      ...(places.length === 0 ? ['thicknessAt' as const] : []),
      ...(widths.length === 0 ? ['bevels' as const] : []),
    ],
  }
}
