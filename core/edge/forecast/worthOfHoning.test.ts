import { describe, expect, it } from 'vitest'
import type { BladeSpec } from '../../knife/bladeSpec'
import { initialState } from '../log/state'
import { worthOfHoning, type KnifeInUse } from './worthOfHoning'

const spec: BladeSpec = {
  dps: 17,
  hrc: 57,
  carbides: { CrC: 2 },
  serrated: false,
  joined: { heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35, measured: { height: true, bte: true, spine: true } },
}
const knife: KnifeInUse = {
  state: initialState(spec, 0, 'new'),
  spec,
  limitGf: 350,
  hoursADay: 4,
  factor: 1,
}

describe('what honing is worth', () => {
  it('an edge lasts longer honed before each service, and half as many days in twice the hours', () => {
    const { daysHoned, daysUnhoned } = worthOfHoning(knife)
    expect(daysHoned).toBeGreaterThan(daysUnhoned)
    const busy = worthOfHoning({ ...knife, hoursADay: 8 })
    expect(busy.daysUnhoned / daysUnhoned).toBeGreaterThan(0.4)
    expect(busy.daysUnhoned / daysUnhoned).toBeLessThan(0.6)
  })
})
