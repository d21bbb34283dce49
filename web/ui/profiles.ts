import type { KnifeView } from '../../contract/knives'
import { profile, type Point } from '../../core/geometry/profile'
import type { ByZone } from '../../core/knife/zones'

type Outlined = Pick<KnifeView, 'type' | 'lengthMm' | 'heelHeightMm' | 'serrated'>

/** A silhouette ready to draw: SVG paths in mm, spine up, with the frame they need. */
export interface Silhouette {
  readonly viewBox: string
  readonly widthMm: number
  readonly heightMm: number
  readonly blade: string
  readonly handle: string
  readonly edge: ByZone<string>
}

const MARGIN_MM = 3
const LARGE_SAMPLES = 60
/** Enough for a strip a hundred pixels long. */
export const LIST_SAMPLES = 24
const drawn = new Map<string, Silhouette>()

/**
 * A knife's silhouette; a fleet has many knives of few shapes, and each shape is worked out once.
 *
 * @param edgeDropMm how far below the steel the edge line lies, so that its pattern is seen
 * @param samples places along edge and spine
 */
export function silhouette(knife: Outlined, edgeDropMm: number, samples = LARGE_SAMPLES): Silhouette {
  const shape = [knife.type, knife.lengthMm, knife.heelHeightMm, knife.serrated, edgeDropMm, samples].join(' ')
  const known = drawn.get(shape) ?? draw(knife, edgeDropMm, samples)
  drawn.set(shape, known)
  return known
}

function draw(knife: Outlined, edgeDropMm: number, samples: number): Silhouette {
  const { blade, handle, edge, bounds } = profile({ ...knife, samples })
  const top = bounds.top + MARGIN_MM
  const widthMm = bounds.right - bounds.left + 2 * MARGIN_MM
  const heightMm = bounds.top - bounds.bottom + 2 * MARGIN_MM + edgeDropMm
  const path = (points: readonly Point[], drop = 0): string =>
    points
      .map((point, index) => `${index === 0 ? 'M' : 'L'}${point.x.toFixed(2)} ${(top - point.y + drop).toFixed(2)}`)
      .join('')
  return {
    viewBox: `${bounds.left - MARGIN_MM} 0 ${widthMm} ${heightMm}`,
    widthMm,
    heightMm,
    blade: `${path(blade)}Z`,
    handle: `${path(handle)}Z`,
    edge: { heel: path(edge.heel, edgeDropMm), belly: path(edge.belly, edgeDropMm), tip: path(edge.tip, edgeDropMm) },
  }
}
