import type { KnifeView } from '../../contract/knives'
import { profile, type Point } from '../../core/geometry/profile'
import type { ByZone } from '../../core/edge/zones'

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
const drawn = new Map<string, Silhouette>()

/**
 * A knife's silhouette; a fleet has many knives of few shapes, and each shape is worked out once.
 *
 * @param edgeDropMm how far below the steel the edge line lies, so that its pattern is seen
 */
export function silhouette(knife: Outlined, edgeDropMm: number): Silhouette {
  const shape = [knife.type, knife.lengthMm, knife.heelHeightMm, knife.serrated, edgeDropMm].join(' ')
  const known = drawn.get(shape) ?? draw(knife, edgeDropMm)
  drawn.set(shape, known)
  return known
}

function draw(knife: Outlined, edgeDropMm: number): Silhouette {
  const { blade, handle, edge, bounds } = profile(knife)
  const top = bounds.top + MARGIN_MM
  const widthMm = bounds.right - bounds.left + 2 * MARGIN_MM
  const heightMm = bounds.top - bounds.bottom + 2 * MARGIN_MM + edgeDropMm
  const path = (points: readonly Point[], drop = 0): string =>
    points.map((point, index) => `${index === 0 ? 'M' : 'L'}${point.x.toFixed(2)} ${(top - point.y + drop).toFixed(2)}`).join('')
  return {
    viewBox: `${bounds.left - MARGIN_MM} 0 ${widthMm} ${heightMm}`,
    widthMm,
    heightMm,
    blade: `${path(blade)}Z`,
    handle: `${path(handle)}Z`,
    edge: { heel: path(edge.heel, edgeDropMm), belly: path(edge.belly, edgeDropMm), tip: path(edge.tip, edgeDropMm) },
  }
}
