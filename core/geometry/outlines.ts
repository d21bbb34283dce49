import type { KnifeType } from '../knife/knifeTypes'
import type { Point } from './point'

/** What a house counts that has no blade: drawn by its outline alone. */
export const BLADELESS = ['plate', 'glove'] as const satisfies readonly KnifeType[]
export type Bladeless = (typeof BLADELESS)[number]

export const isBladeless = (type: KnifeType): type is Bladeless => BLADELESS.some((one) => one === type)

const BORE_SHARE = 0.07

/** A mincer's plate from its face: a disc, with the bore that it sits on its pin by. */
export function plateOutline(
  acrossMm: number,
  steps: number,
): { readonly disc: readonly Point[]; readonly bore: Point & { readonly radius: number } } {
  const middle = acrossMm / 2
  const disc = Array.from({ length: 2 * steps }, (_, index) => {
    const turn = (Math.PI * index) / steps
    return { x: middle + middle * Math.cos(turn), y: middle + middle * Math.sin(turn) }
  })
  return { disc, bore: { x: middle, y: middle, radius: BORE_SHARE * acrossMm } }
}

/** Fingers of a glove from the little one up: middle line and half width as shares of its height, reach as one of its length. */
const FINGERS = [
  { at: 0.19, half: 0.08, reach: 0.86 },
  { at: 0.355, half: 0.08, reach: 0.97 },
  { at: 0.52, half: 0.08, reach: 1 },
  { at: 0.685, half: 0.08, reach: 0.94 },
] as const
/** Where fingers part from the palm, and the thumb from the cuff, as shares of the length. */
const WEB = 0.6
const CUFF = 0.24
const TIP_STEPS = 6
/** The thumb from its root on the palm's upper side, shares of length and height. */
const THUMB = [
  [0.54, 0.785],
  [0.68, 0.89],
  [0.7, 0.94],
  [0.68, 0.98],
  [0.63, 1],
  [0.56, 0.98],
  [0.36, 0.8],
] as const

/** A glove lying flat, cuff at 0, fingers towards its length, thumb up. */
export function gloveOutline(lengthMm: number, heightMm: number): Point[] {
  const at = (x: number, y: number): Point => ({ x: x * lengthMm, y: y * heightMm })
  const fingers = FINGERS.flatMap(({ at: middle, half, reach }) => {
    const roundX = (half * heightMm) / lengthMm
    const tip = Array.from({ length: TIP_STEPS + 1 }, (_, index) => {
      const turn = Math.PI * (index / TIP_STEPS - 0.5)
      return at(reach - roundX + roundX * Math.cos(turn), middle + half * Math.sin(turn))
    })
    return [at(WEB, middle - half), ...tip, at(WEB, middle + half)]
  })
  return [
    at(0, 0.18),
    at(CUFF, 0.2),
    at(0.34, 0.12),
    ...fingers,
    ...THUMB.map(([x, y]) => at(x, y)),
    at(CUFF, 0.7),
    at(0, 0.72),
  ]
}
