import type { KnifeView } from '../../contract/knives'
import { handleKind } from '../../core/geometry/handle'
import type { Point } from '../../core/geometry/point'
import { profile } from '../../core/geometry/profile'
import type { ByZone } from '../../core/knife/zones'

type Outlined = Pick<KnifeView, 'type' | 'lengthMm' | 'heelHeightMm' | 'serrated' | 'grind' | 'hrc'>

interface Round {
  readonly x: number
  readonly y: number
  readonly radius: number
}

/** A silhouette ready to draw: SVG paths in mm, spine up, with the frame they need. */
export interface Silhouette {
  readonly viewBox: string
  readonly widthMm: number
  readonly heightMm: number
  readonly blade: string
  readonly handle: string
  readonly collar: string
  readonly neck: string
  /** the line where a ground face ends */
  readonly shoulder: string
  readonly rivets: readonly Round[]
  readonly hole: Round | null
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
  const shape = [
    knife.type,
    knife.lengthMm,
    knife.heelHeightMm,
    knife.serrated,
    knife.grind,
    handleKind(knife.type, knife.hrc),
    edgeDropMm,
    samples,
  ].join(' ')
  const known = drawn.get(shape) ?? draw(knife, edgeDropMm, samples)
  drawn.set(shape, known)
  return known
}

function draw(knife: Outlined, edgeDropMm: number, samples: number): Silhouette {
  const { blade, handle, edge, shoulder, hole, bounds } = profile({ ...knife, samples, bold: samples < LARGE_SAMPLES })
  const top = bounds.top + MARGIN_MM
  const widthMm = bounds.right - bounds.left + 2 * MARGIN_MM
  const heightMm = bounds.top - bounds.bottom + 2 * MARGIN_MM + edgeDropMm
  const path = (points: readonly Point[], drop = 0): string =>
    points
      .map((point, index) => `${index === 0 ? 'M' : 'L'}${point.x.toFixed(2)} ${(top - point.y + drop).toFixed(2)}`)
      .join('')
  /** a part that a knife of this kind does not have is no path */
  const closed = (points: readonly Point[]): string => (points.length > 0 ? `${path(points)}Z` : '')
  const placed = (round: Round): Round => ({ ...round, y: top - round.y })
  return {
    viewBox: `${bounds.left - MARGIN_MM} 0 ${widthMm} ${heightMm}`,
    widthMm,
    heightMm,
    blade: closed(blade),
    handle: closed(handle.grip),
    collar: closed(handle.collar),
    neck: closed(handle.neck),
    shoulder: path(shoulder),
    rivets: handle.rivets.map(placed),
    hole: hole && placed(hole),
    edge: { heel: path(edge.heel, edgeDropMm), belly: path(edge.belly, edgeDropMm), tip: path(edge.tip, edgeDropMm) },
  }
}
