import { describe, expect, it } from 'vitest'
import type { BladeSpec } from '../../knife/bladeSpec'
import { ZONES } from '../../knife/zones'
import { initialState } from '../log/state'
import { edgeForce } from '../model/force'
import { bluntWidth } from '../model/wear'
import { stateWhenDull } from './whenDull'

const spec: BladeSpec = {
  dps: 17,
  hrc: 57,
  carbides: { CrC: 2 },
  serrated: false,
  joined: { heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35, measured: { height: true, bte: true, spine: true } },
}
const now = initialState(spec, 0, 'in-use')

describe('a knife as it will be when it next comes to its limit', () => {
  it('reads its limit in every zone, however worn and chipped it is today', () => {
    const chipped = { ...now, defects: { ...now.defects, chip: { zone: 'tip' as const, depthMm: 0.5, rests: false } } }
    const then = stateWhenDull(chipped, spec, 350)
    for (const zone of ZONES) expect(edgeForce(then.zones[zone], spec.dps)).toBeCloseTo(350, 6)
    expect(then.defects.chip).toBeNull()
  })

  it('is blunter where the limit is higher, and never sharper than an edge worth a session', () => {
    const widthAt = (limitGf: number): number =>
      bluntWidth({ wornAreaUm2: stateWhenDull(now, spec, limitGf).zones.belly.wornAreaUm2, dps: spec.dps })
    expect(widthAt(420)).toBeGreaterThan(widthAt(350))
    expect(widthAt(100)).toBeCloseTo(2, 6)
  })
})
