import { assertPositive, assertWithin, degrees, MeasureError, radians } from '../measure'

/**
 * Width of one edge bevel on a symmetric edge: T / (2 sin θ).
 *
 * @param input.bteMm thickness behind the edge at the shoulder, mm, above 0
 * @param input.dps edge angle, degrees per side, above 0 and up to 60
 * @returns bevel width, mm
 * @example bevelWidth({ bteMm: 0.3, dps: 15 }) // 0.580
 */
export function bevelWidth(input: { readonly bteMm: number; readonly dps: number }): number {
  assertPositive('bteMm', input.bteMm)
  assertWithin('dps', input.dps, 0.1, 60)
  return input.bteMm / (2 * Math.sin(radians(input.dps)))
}

/**
 * Edge angle that a measured thickness and bevel width imply; inverse of {@link bevelWidth}.
 *
 * @returns degrees per side
 * @throws MeasureError when the bevel is narrower than half the thickness: no angle explains it
 */
export function angleFromBevel(input: { readonly bteMm: number; readonly widthMm: number }): number {
  assertPositive('bteMm', input.bteMm)
  assertPositive('widthMm', input.widthMm)
  const sine = input.bteMm / (2 * input.widthMm)
  if (sine > 1) throw new MeasureError('out-of-range', 'widthMm', { value: input.widthMm, low: input.bteMm / 2 })
  return degrees(Math.asin(sine))
}

/**
 * Thickness behind the edge of an asymmetric edge: T = w_L sin θ_L + w_R sin θ_R.
 *
 * @param input widths in mm (0 is allowed on the flat side of a single bevel), angles in dps
 */
export function thicknessFromBevels(input: {
  readonly leftWidthMm: number
  readonly leftDps: number
  readonly rightWidthMm: number
  readonly rightDps: number
}): number {
  const { leftWidthMm, leftDps, rightWidthMm, rightDps } = input
  if (leftWidthMm < 0 || rightWidthMm < 0) throw new MeasureError('not-positive', 'widthMm')
  return leftWidthMm * Math.sin(radians(leftDps)) + rightWidthMm * Math.sin(radians(rightDps))
}

/**
 * Share of the sharpening strokes that belongs to the right side, 0–1, from the bevel widths.
 * A 70/30 knife (right-handed) has 0.7 here.
 */
export function rightShare(input: { readonly leftWidthMm: number; readonly rightWidthMm: number }): number {
  assertPositive('bevel widths', input.leftWidthMm + input.rightWidthMm)
  return input.rightWidthMm / (input.leftWidthMm + input.rightWidthMm)
}
