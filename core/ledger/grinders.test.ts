import { describe, expect, it } from 'vitest'
import { DAY_MS } from '../time'
import { grindings, type GroundEvent } from './grinders'

const LIMIT_GF = 350
const nowhere = { stations: new Map(), services: [] }
const of = (...events: readonly (readonly [kind: string, payload?: object])[]) =>
  grindings(
    events.map(([kind, payload], day): GroundEvent => ({ kind, atMs: day * DAY_MS, payload: { ...payload } })),
    [],
    nowhere,
    LIMIT_GF,
  )
const readings = (...forces: readonly number[]) => ({
  readings: forces.map((force, at) => ({ zone: ['heel', 'belly', 'tip'][at], forcesGf: [force] })),
})

describe('a grinding outside', () => {
  it('is told by what was measured before it left and after it came back', () => {
    const [one, ...more] = of(
      ['measured', { heelHeightMm: 48, bteMm: 0.34 }],
      ['checked', readings(400, 520, 470)],
      ['sent-out', { to: 'The mill' }],
      ['returned', { ground: true, dps: 20, price: 9 }],
      ['measured', { heelHeightMm: 47.1, bteMm: 0.42 }],
    )
    expect(more).toEqual([])
    expect(one).toMatchObject({ by: 'The mill', before: 'dull', days: 1, dps: 20, price: 9 })
    expect(one?.heightMm).toBeCloseTo(0.9, 9)
    // a blade that lost height is thicker at its new edge
    expect(one?.thickerMm).toBeCloseTo(0.08, 9)
  })
  it('leaves open what nobody measured, and counts none that came back as it was', () => {
    const [one] = of(['sent-out', { to: 'The mill' }], ['returned', { ground: true }], ['measured', { bteMm: 0.3 }])
    expect(one).toMatchObject({ before: 'unknown', heightMm: null, thickerMm: null, freshGf: null, price: null })
    expect(of(['sent-out', { to: 'The mill' }], ['returned', { ground: false }])).toEqual([])
  })
})

describe('work of the house', () => {
  it('says itself how thick it left the blade, and the next is told from there', () => {
    const [thinned, after] = of(
      ['measured', { bteMm: 0.5 }],
      ['sharpened', { bteMm: 0.3, minutes: 40 }],
      ['sharpened', {}],
      ['measured', { bteMm: 0.32 }],
    )
    expect(thinned?.thickerMm).toBeCloseTo(-0.2, 9)
    expect(after?.thickerMm).toBeCloseTo(0.02, 9)
  })
})
