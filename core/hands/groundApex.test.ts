import polygonClipping from 'polygon-clipping'
import { describe, expect, it } from 'vitest'
import { retentionTcc } from '../edge/model/wear'
import { areaOf, outsideOf, section, type SectionBlade } from '../geometry/section'
import { radians } from '../measure'
import { chance } from '../statistics/random'
import { groundApex, handOnApex } from './groundApex'
import { simulatedStroke, STEADY_HAND, type SimulatedHand } from './simulatedHand'

const BLADE: SectionBlade = {
  heelHeightMm: 45,
  spineMm: 2.2,
  bteMm: 0.3,
  dpsLeft: 15,
  dpsRight: 15,
  grind: 'flat',
  ratioRight: 50,
}
/** Some 2 mm³ over 240 mm of edge in forty strokes a side, as for a maintenance on the middle stone. */
const AREA_MM2 = 2 / 240 / 80

const strokesOf = (hand: Partial<SimulatedHand>, seed: number, strokes = 20): number[][] => {
  const luck = chance(seed)
  return Array.from({ length: strokes }, (_, stroke) =>
    simulatedStroke({ ...STEADY_HAND, ...hand, wantedDps: 15 }, luck, { stroke, strokes, angles: 8 }),
  )
}

describe('the section that strokes grind', () => {
  it('keeps the angle and its flat bevels where the hand held it', () => {
    const { effectiveDps, removedMm2, section: after } = groundApex(BLADE, Array(20).fill([15]), AREA_MM2)
    expect(effectiveDps).toBeCloseTo(15, 3)
    expect(removedMm2).toBeCloseTo(40 * AREA_MM2, 7)
    expect(after.outline).toHaveLength(section(BLADE).outline.length)
  })

  it('is what a published polygon library leaves of the blade under the same stones (polygon-clipping, after Martínez, Rueda & Feito 2009)', () => {
    const made = groundApex(BLADE, strokesOf({ rockDps: 2, guessDps: 2, tipLiftDps: 3 }, 5, 6), 20 * AREA_MM2)
    const ring = (points: readonly { x: number; y: number }[]): [number, number][] => points.map(({ x, y }) => [x, y])
    const far = 200
    let left: ReturnType<typeof polygonClipping.intersection> = [[ring(section(BLADE).outline)]]
    for (const { side, dps, through } of made.passes) {
      // the half-plane under the stone, as a quadrangle far larger than the blade
      const along = { x: (side === 'right' ? 1 : -1) * Math.sin(radians(dps)), y: Math.cos(radians(dps)) }
      const inward = { x: (side === 'right' ? -1 : 1) * Math.cos(radians(dps)), y: Math.sin(radians(dps)) }
      const corner = (a: number, b: number): [number, number] => [
        through.x + a * far * along.x + b * far * inward.x,
        through.y + a * far * along.y + b * far * inward.y,
      ]
      left = polygonClipping.intersection(left, [[corner(-1, 0), corner(1, 0), corner(1, 1), corner(-1, 1)]])
    }
    const [[outer = []] = []] = left
    const twice = outer.reduce((sum, [x, y], at) => {
      const [nextX, nextY] = outer[(at + 1) % outer.length] ?? [0, 0]
      return sum + x * nextY - nextX * y
    }, 0)
    expect(Math.abs(twice) / 2).toBeCloseTo(areaOf(made.section), 6)
    // and no point of it lies outside any of the stones
    for (const pass of made.passes)
      for (const point of made.section.outline) expect(outsideOf(pass)(point)).toBeLessThan(1e-9)
  })

  it('is rounder, blunter and shorter the more a hand wobbles', () => {
    const of = (spread: number): ReturnType<typeof handOnApex> =>
      handOnApex(BLADE, strokesOf({ rockDps: spread, guessDps: spread }, 11), 15, AREA_MM2)
    const [steady, some, much] = [of(0.3), of(1.5), of(3)]
    expect(steady.blunterDps).toBeLessThan(0.8)
    expect(some.blunterDps).toBeGreaterThan(steady.blunterDps)
    expect(much.blunterDps).toBeGreaterThan(some.blunterDps + 0.5)
    expect(much.made.heightLostMm).toBeGreaterThan(steady.made.heightLostMm)
    expect(much.made.section.outline.length).toBeGreaterThan(steady.meant.section.outline.length)
    // the bevel bulges: its middle stands outside the straight line from edge to shoulder
    expect(much.made.effectiveDps).toBeGreaterThan(15)
  })

  it('costs life: three degrees of wobble against the published retention regression (model.md, linear in the angle)', () => {
    const { made, meant } = handOnApex(BLADE, strokesOf({ rockDps: 3, guessDps: 3 }, 2), 15, AREA_MM2)
    const life = (dps: number): number => retentionTcc({ hrc: 61, dps, carbides: {} })
    const share = life(made.effectiveDps) / life(meant.effectiveDps)
    expect(share).toBeCloseTo(1 - (17.8 * (made.effectiveDps - meant.effectiveDps)) / life(meant.effectiveDps), 6)
    expect(share).toBeLessThan(0.95)
  })

  it('takes the steel a hand presses off, whichever way it wobbles', () => {
    for (const seed of [1, 2, 3]) {
      const strokes = strokesOf({ rockDps: 2, guessDps: 1 }, seed)
      expect(groundApex(BLADE, strokes, AREA_MM2).removedMm2).toBeCloseTo(2 * strokes.length * AREA_MM2, 6)
    }
  })
})
