import { assertPositive, assertWithin, MeasureError, radians } from '../measure'
import { bevelWidth } from './bevel'
import { faceAngle, type FlatSection } from './stack'

export interface Recession {
  /** thickness behind the edge after the loss, mm */
  readonly bteMm: number
  readonly bevelWidthMm: number
  /** section area gone, mm² (times edge length is the volume) */
  readonly removedAreaMm2: number
}

/** Faces of blunt angles run nearly parallel to a flat bevel; recession is never reckoned beyond this share of the edge angle. */
const STEEPEST_FACE_SHARE = 0.9

/** Face angle that recession is reckoned with, degrees per side: the blade's own, kept clear of its edge angle. */
export const recedingFaceDps = (section: FlatSection, dps: number): number =>
  Math.min(faceAngle(section), STEEPEST_FACE_SHARE * dps)

/**
 * What losing edge height does when the edge angle is kept: the edge moves up into thicker steel.
 *
 * T′ = T + 2Δ·tanθ·tanφ / (tanθ − tanφ). The removed area (T′² − T²)/4·(cot φ − cot θ) equals
 * Δ·(T + T′)/2, the form used here because it stays exact as the face angle goes to zero.
 *
 * @param input.bteMm thickness behind the edge, mm, above 0
 * @param input.dps edge angle θ, degrees per side
 * @param input.faceDps face angle φ near the edge, degrees per side, 0 ≤ φ < θ
 * @param input.recessionMm edge height lost Δ, mm, ≥ 0
 * @throws MeasureError when the edge would be flatter than the face
 */
export function recede(input: {
  readonly bteMm: number
  readonly dps: number
  readonly faceDps: number
  readonly recessionMm: number
}): Recession {
  assertPositive('bteMm', input.bteMm)
  assertWithin('dps', input.dps, 0.1, 60)
  assertWithin('faceDps', input.faceDps, 0, 60)
  assertWithin('recessionMm', input.recessionMm, 0, 100)
  if (input.faceDps >= input.dps) {
    throw new MeasureError('angle-below-face', 'dps', { dps: input.dps, faceDps: input.faceDps })
  }
  const edge = Math.tan(radians(input.dps))
  const face = Math.tan(radians(input.faceDps))
  const bteMm = input.bteMm + (2 * input.recessionMm * edge * face) / (edge - face)
  return {
    bteMm,
    bevelWidthMm: bevelWidth({ bteMm, dps: input.dps }),
    removedAreaMm2: (input.recessionMm * (input.bteMm + bteMm)) / 2,
  }
}
