import fc from 'fast-check'
import polygonClipping from 'polygon-clipping'
import { describe, expect, it } from 'vitest'
import { GRINDS } from '../knife/knifeTypes'
import {
  areaOf,
  edgeHeight,
  facesAt,
  grind,
  grindEdgeDown,
  section,
  thicknessAbove,
  type Grinding,
  type Section,
  type SectionBlade,
} from './section'

const BLADE: SectionBlade = {
  heelHeightMm: 45,
  spineMm: 2.2,
  bteMm: 0.3,
  dpsLeft: 15,
  dpsRight: 15,
  grind: 'flat',
  ratioRight: 50,
}
const blades = fc.record({
  heelHeightMm: fc.double({ min: 18, max: 60, noNaN: true }),
  spineMm: fc.double({ min: 1.4, max: 4, noNaN: true }),
  bteMm: fc.double({ min: 0.15, max: 0.7, noNaN: true }),
  dpsLeft: fc.double({ min: 9, max: 28, noNaN: true }),
  dpsRight: fc.double({ min: 9, max: 28, noNaN: true }),
  grind: fc.constantFrom(...GRINDS),
  ratioRight: fc.oneof(fc.integer({ min: 10, max: 90 }), fc.constantFrom(0, 100)),
})
/** On a grid of tenths and hundredths: the library overflows its stack on lines that all but coincide. */
const on = (low: number, high: number, steps: number): fc.Arbitrary<number> =>
  fc.integer({ min: low * steps, max: high * steps }).map((value) => value / steps)
const grindings = fc.record({
  side: fc.constantFrom('left', 'right'),
  dps: on(1, 35, 10),
  through: fc.record({ x: on(-1, 1, 97), y: on(0, 12, 89) }),
})

const ring = ({ outline }: Section): [number, number][] => outline.map(({ x, y }) => [x, y])
/** The stone as a polygon large enough to hold everything that is left. */
function halfPlane({ side, dps, through }: Grinding): [number, number][] {
  const slope = Math.tan((dps * Math.PI) / 180)
  const sign = side === 'right' ? 1 : -1
  const FAR = 200
  const at = (y: number): [number, number] => [through.x + sign * (y - through.y) * slope, y]
  return [at(-FAR), at(FAR), [-sign * 4 * FAR, FAR], [-sign * 4 * FAR, -FAR]]
}
const ringArea = (points: readonly (readonly [number, number])[]): number =>
  Math.abs(
    points.reduce((sum, [x, y], index) => {
      const [nextX, nextY] = points[(index + 1) % points.length] ?? [0, 0]
      return sum + x * nextY - nextX * y
    }, 0),
  ) / 2

describe('a section', () => {
  it('has the thickness, height and spine it was given', () => {
    const one = section(BLADE)
    expect(edgeHeight(one)).toBe(0)
    expect(Math.max(...one.outline.map(({ y }) => y))).toBe(45)
    // the shoulder lies where the bevel triangle of 0.30 mm at 15 dps ends: 0.560 mm up
    expect(thicknessAbove(one, 0.15 / Math.tan(Math.PI / 12))).toBeCloseTo(0.3, 9)
    expect(thicknessAbove(one, 44.999)).toBeCloseTo(2.2, 3)
  })

  it('is a bevel triangle under a trapezoid where the grind is flat', () => {
    const shoulder = 0.15 / Math.tan(Math.PI / 12)
    expect(areaOf(section(BLADE))).toBeCloseTo((0.3 * shoulder) / 2 + ((0.3 + 2.2) / 2) * (45 - shoulder), 9)
  })

  it('is fuller when convex and leaner when hollow', () => {
    const flat = areaOf(section(BLADE))
    expect(areaOf(section({ ...BLADE, grind: 'convex' }))).toBeGreaterThan(flat)
    expect(areaOf(section({ ...BLADE, grind: 'hollow' }))).toBeLessThan(flat)
  })

  it('of a 70/30 edge has its apex off the middle, and the wide bevel on the right', () => {
    const [apex] = section({ ...BLADE, ratioRight: 70 }).outline
    expect(apex?.x).toBeLessThan(0)
  })

  it('of a single bevel has a back that is flat at edge and spine and hollow between (common practice)', () => {
    const one = section({ ...BLADE, grind: 'single', ratioRight: 100, dpsLeft: 2, spineMm: 3.4, heelHeightMm: 34 })
    const back = (mm: number): number => facesAt(one, mm)?.left ?? NaN
    for (const mm of [0.5, 1, 1.9, 32.5]) expect(back(mm)).toBeCloseTo(back(34), 9)
    expect(back(17) - back(34)).toBeCloseTo(0.07 * 3.4, 2)
    // a stone laid flat on the back touches its rims only, and takes nothing from a back that is true
    expect(areaOf(grind(one, { side: 'left', dps: 0, through: { x: back(34), y: 0 } }))).toBeCloseTo(areaOf(one), 9)
    const left = section({
      ...BLADE,
      grind: 'single',
      ratioRight: 0,
      dpsLeft: BLADE.dpsRight,
      dpsRight: 2,
      spineMm: 3.4,
      heelHeightMm: 34,
    })
    expect(areaOf(left)).toBeCloseTo(areaOf(one), 9)
    expect(thicknessAbove(one, 33)).toBeCloseTo(3.4, 6)
  })

  it('runs through the thicknesses somebody measured', () => {
    const one = section({
      ...BLADE,
      thicknessAt: [
        { heightMm: 5, thicknessMm: 0.7 },
        { heightMm: 10, thicknessMm: 1.1 },
      ],
    })
    expect(thicknessAbove(one, 5)).toBeCloseTo(0.7, 9)
    expect(thicknessAbove(one, 10)).toBeCloseTo(1.1, 9)
  })

  it('refuses what no blade is: an edge as thick as its spine, no height, no angle', () => {
    for (const wrong of [
      { bteMm: 2.2 },
      { heelHeightMm: 0 },
      { spineMm: -1 },
      { dpsRight: 0 },
      { heelHeightMm: 0.4 },
    ]) {
      expect(() => section({ ...BLADE, ...wrong })).toThrow()
    }
  })
})

/** A blade that a nearly upright cut leaves in two pieces. */
const CUT_IN_TWO: [SectionBlade, Grinding[]] = [
  {
    heelHeightMm: 18,
    spineMm: 1.9198161665191251,
    bteMm: 0.15,
    dpsLeft: 9,
    dpsRight: 9,
    grind: 'single',
    ratioRight: 100,
  },
  [{ side: 'right', dps: 1, through: { x: 0, y: 4.022471910112359 } }],
]

describe('grinding', () => {
  it('leaves the area that a published polygon-clipping library leaves (polygon-clipping, after Martínez, Rueda & Feito 2009)', () => {
    fc.assert(
      fc.property(blades, fc.array(grindings, { minLength: 1, maxLength: 4 }), (blade, planes) => {
        let one: Section
        try {
          one = section(blade)
        } catch {
          return
        }
        let theirs: polygonClipping.MultiPolygon = [[ring(one)]]
        for (const plane of planes) {
          one = grind(one, plane)
          // a flat cut across a face that is not straight may leave several pieces
          theirs = polygonClipping.intersection(theirs, [halfPlane(plane)])
          const area = theirs.reduce((sum, [outline = []]) => sum + ringArea(outline.slice(0, -1)), 0)
          expect(areaOf(one)).toBeCloseTo(area, 6)
          if (area < 1e-3) return
        }
      }),
      { numRuns: 300, examples: [CUT_IN_TWO] },
    )
  })

  it('leaves the thicknesses that library leaves, read off as the area of a thin band at 1, 3, 5 and 10 mm', () => {
    const BAND_MM = 0.02
    fc.assert(
      fc.property(blades, fc.array(grindings, { minLength: 1, maxLength: 3 }), (blade, planes) => {
        let one: Section
        try {
          one = section(blade)
        } catch {
          return
        }
        const after = planes.reduce(grind, one)
        const edge = edgeHeight(after)
        for (const mm of [1, 3, 5, 10]) {
          const low = edge + mm - BAND_MM / 2
          if (!Number.isFinite(low) || low + BAND_MM >= blade.heelHeightMm) continue
          const band: [number, number][] = [
            [-50, low],
            [50, low],
            [50, low + BAND_MM],
            [-50, low + BAND_MM],
          ]
          const theirs = planes.reduce<[number, number][][]>(
            (rings, plane) =>
              rings.flatMap((own) =>
                polygonClipping
                  .intersection([own], [halfPlane(plane)])
                  .map(([outer]) => outer?.slice(0, -1) as [number, number][]),
              ),
            [ring(one)],
          )
          const area = theirs
            .flatMap((own) => polygonClipping.intersection([own], [band]))
            .reduce((sum, [outer]) => sum + ringArea(outer ?? []), 0)
          expect(thicknessAbove(after, mm)).toBeCloseTo(area / BAND_MM, 2)
        }
      }),
      { numRuns: 80 },
    )
  })

  it('never adds steel, and a second pass of the same stone takes nothing', () => {
    fc.assert(
      fc.property(blades, grindings, (blade, plane) => {
        let one: Section
        try {
          one = section(blade)
        } catch {
          return
        }
        const after = grind(one, plane)
        expect(areaOf(after)).toBeLessThanOrEqual(areaOf(one) + 1e-9)
        expect(areaOf(grind(after, plane))).toBeCloseTo(areaOf(after), 8)
      }),
    )
  })

  it('comes to the same whichever side is done first', () => {
    fc.assert(
      fc.property(blades, grindings, grindings, (blade, a, b) => {
        let one: Section
        try {
          one = section(blade)
        } catch {
          return
        }
        expect(areaOf(grind(grind(one, a), b))).toBeCloseTo(areaOf(grind(grind(one, b), a)), 7)
      }),
    )
  })

  it('takes T·Δ, nearly, when a thin edge is ground down straight', () => {
    const one = section(BLADE)
    const lower = grindEdgeDown(one, 2)
    expect(edgeHeight(lower)).toBe(2)
    expect(thicknessAbove(lower, 0)).toBeCloseTo(thicknessAbove(one, 2), 9)
  })
})
