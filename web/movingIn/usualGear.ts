import type { GearView } from '../../contract/bench'
import type { Gear } from '../../contract/bench'
import { bathFor, usualSoakMinutes, type GearKind } from '../../core/abrasive/gear'
import { grainMicrons } from '../../core/abrasive/grain'
import { capital } from '../../words/format'
import { say } from '../i18n'

/** Something a shelf usually holds, with what it takes to draw it. */
export interface UsualGear {
  readonly group: 'water' | 'other' | 'rods'
  readonly kind: GearKind
  readonly scale: Gear['scale']
  readonly grit: number | null
  readonly drawn: GearView
}

const usual = (
  group: UsualGear['group'],
  kind: GearKind,
  scale: Gear['scale'] = null,
  grit: number | null = null,
): UsualGear => {
  const micron = scale === null || grit === null ? null : grainMicrons({ scale, value: grit })
  return {
    group,
    kind,
    scale,
    grit,
    drawn: {
      id: '',
      name: '',
      kind,
      scale,
      grit,
      micron,
      twoSidedWith: null,
      soakMinutes: usualSoakMinutes(kind, micron ?? 0),
      bath: bathFor(kind, micron ?? 0),
      // a usual stone of a usual thickness: tapped, it is not said to be measured
      thicknessMm: 25,
      dishMm: null,
      flattenedAt: null,
      knivesSince: 0,
      compound: '',
      benchId: null,
      active: true,
      flatten: { due: false, share: 0, because: null },
      warnings: [],
    },
  }
}

/** What kitchens and butchers usually have (common practice); anything else is described under House. */
export const USUAL_GEAR: readonly UsualGear[] = [
  ...[220, 400, 800, 1000, 2000, 3000, 4000, 6000, 8000].map((grit) =>
    usual('water', grit <= 1000 ? 'soaking-stone' : 'splash-stone', 'JIS', grit),
  ),
  usual('water', 'flattening-plate'),
  usual('other', 'oil-stone', 'FEPA-F', 120),
  usual('other', 'oil-stone', 'FEPA-F', 320),
  ...[300, 600, 1200].map((grit) => usual('other', 'diamond-plate', 'FEPA-P', grit)),
  usual('rods', 'smooth-steel'),
  usual('rods', 'grooved-steel'),
  usual('rods', 'polished-steel'),
  usual('rods', 'ceramic-rod'),
  usual('rods', 'diamond-rod'),
  usual('rods', 'strop'),
]

/** What it is called on the shelf until somebody gives it a better name. */
export const usualGearName = ({ kind, scale, grit }: Pick<UsualGear, 'kind' | 'scale' | 'grit'>): string =>
  capital(say(`gear.kind.${kind}`)) +
  (scale === null || grit === null ? '' : ` ${say(`gear.scaleName.${scale}`)}${grit}`)
