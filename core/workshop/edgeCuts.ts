import { COARSE_MICRON } from '../abrasive/removal'
import { burrUm } from '../abrasive/sessionRemoval'
import { angleBetween, section, type Section, type SectionBlade } from '../geometry/section'
import { MeasureError, radians } from '../measure'
import { apexOf, dpsOf, faceX, shoulder, SIDES, sidesOf, signOf, THINNED_SHARE, type Side } from './landmarks'
import type { ChipRepair, Cut, Operation } from './operation'

/** What serrated work takes of the ground side, and of the flat back, mm (assumed): teeth keep their height. */
const SERRATED_MM = { ground: 0.02, back: 0.006 }

/** The edge at another angle. Flatter keeps the height; steeper moves the apex up until the new bevel is as wide as the old. */
export function cutNewBevel(
  blade: SectionBlade,
  before: Section,
  { dps }: Extract<Operation, { kind: 're-bevel' }>,
): Cut[] {
  const apex = apexOf(before)
  const steepest = Math.min(...sidesOf(blade).map((side) => dpsOf(blade, side)))
  const high = THINNED_SHARE * blade.heelHeightMm
  for (const side of sidesOf(blade)) {
    const face = angleBetween(shoulder(blade, apex, side, blade.bteMm), { x: faceX(before, side, high), y: high })
    if (dps <= face + 0.5)
      throw new MeasureError('angle-below-face', 'dps', { dps, faceDps: Math.round(10 * (face + 1)) / 10 })
  }
  const half = blade.bteMm / 2
  // the shoulder stays where it is: a steeper bevel from it reaches the middle higher up
  const rise = dps > steepest ? half / Math.tan(radians(steepest)) - half / Math.tan(radians(dps)) : 0
  return [
    {
      name: 'bevel',
      grindings: sidesOf(blade).map((side) => ({ side, dps, through: { x: apex.x, y: apex.y + rise } })),
    },
  ]
}

/** A narrow steeper bevel at the very edge, as wide as asked. */
export function cutMicroBevel(
  blade: SectionBlade,
  before: Section,
  { dps, widthMm }: Extract<Operation, { kind: 'micro-bevel' }>,
): Cut[] {
  const apex = apexOf(before)
  const edge = Math.max(...sidesOf(blade).map((side) => dpsOf(blade, side)))
  if (dps <= edge) throw new MeasureError('out-of-range', 'dps', { value: dps, low: edge + 1, high: 45 })
  const [tanNew, tanOld] = [Math.tan(radians(dps)), Math.tan(radians(edge))]
  const rise = (widthMm * Math.cos(radians(dps)) * (tanNew - tanOld)) / tanOld
  return [
    {
      name: 'micro',
      grindings: sidesOf(blade).map((side) => ({ side, dps, through: { x: apex.x, y: apex.y + rise } })),
    },
  ]
}

function assertSessions(sessions: number): void {
  if (!Number.isInteger(sessions) || sessions < 1)
    throw new MeasureError('out-of-range', 'sessions', { value: sessions, low: 1, high: 20 })
}

/** The apex moved towards another bevel ratio by one session of several: the lost height is what the narrow side needs. */
export function cutRatio(
  blade: SectionBlade,
  before: Section,
  { toRight, sessions }: Extract<Operation, { kind: 'ratio' }>,
): { cuts: Cut[]; ratioRight: number } {
  assertSessions(sessions)
  const ratioRight = blade.ratioRight + (toRight - blade.ratioRight) / sessions
  const was = apexOf(before)
  const next = apexOf(section({ ...blade, ratioRight }))
  const shift = next.x - was.x
  const [tanLeft, tanRight] = [Math.tan(radians(blade.dpsLeft)), Math.tan(radians(blade.dpsRight))]
  const rise = shift < 0 ? -shift / tanLeft : shift / tanRight
  const through = { x: was.x + shift, y: was.y + rise }
  return {
    ratioRight,
    cuts: [{ name: 'bevel', grindings: SIDES.map((side) => ({ side, dps: dpsOf(blade, side), through })) }],
  }
}

/** Edge height this session grinds off a chip, mm: past its deepest point, or half of it where others follow. */
export const chipLossMm = ({ depthMm, sessions }: Pick<ChipRepair, 'depthMm' | 'sessions'>): number =>
  sessions === 1 ? depthMm + burrUm(COARSE_MICRON) / 1000 : depthMm / 2

/** Past the deepest point of a chip, or half way there, and bevels at the old angle. */
export function cutChipOut(blade: SectionBlade, before: Section, { depthMm, sessions }: ChipRepair): Cut[] {
  assertSessions(sessions)
  if (depthMm <= 0) throw new MeasureError('not-positive', 'depthMm', { value: depthMm })
  if (depthMm >= 0.5 * blade.heelHeightMm)
    throw new MeasureError('out-of-range', 'depthMm', {
      value: depthMm,
      low: 0,
      high: Math.round(0.5 * blade.heelHeightMm),
    })
  const lossMm = chipLossMm({ depthMm, sessions })
  const apex = apexOf(before)
  const through = { x: apex.x, y: apex.y + lossMm }
  return [
    { name: 'straight', grindings: [], downToMm: apex.y + lossMm },
    { name: 'bevel', grindings: sidesOf(blade).map((side) => ({ side, dps: dpsOf(blade, side), through })) },
  ]
}

/** Both schools leave the teeth their height: along the ground side and nearly flat on the back, or from the back and through the gullets. */
export function cutSerrated(
  blade: SectionBlade,
  before: Section,
  { school, dps }: Extract<Operation, { kind: 'serrated' }>,
): Cut[] {
  const ground: Side = blade.ratioRight >= 50 ? 'right' : 'left'
  const back: Side = ground === 'right' ? 'left' : 'right'
  const apex = apexOf(before)
  const offBack = { side: back, dps: 0, through: { x: apex.x + signOf(back) * -SERRATED_MM.back, y: apex.y } }
  if (school === 'flat-back')
    return [
      { name: 'back', grindings: [offBack] },
      { name: 'burr', grindings: [{ side: ground, dps, through: { x: apex.x, y: apex.y + SERRATED_MM.back } }] },
    ]
  return [
    { name: 'ground-side', grindings: [{ side: ground, dps, through: { x: apex.x, y: apex.y + SERRATED_MM.ground } }] },
    { name: 'back', grindings: [offBack] },
  ]
}
