import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { bathFor, flatteningState, gearWarnings, usualSoakMinutes } from './gear'
import { grainMicrons } from './grain'
import {
  costOfStartingOn,
  finishers,
  LONGEST_FIRST_STAGE_MINUTES,
  pathWeight,
  pathThrough,
  planProgression,
  starters,
  type ProgressionInput,
  type ProgressionStone,
} from './progression'
import { strokeLadder, strokesBySide } from './strokeLadder'

const stone = (grit: number): ProgressionStone => ({
  id: `#${grit}`,
  micron: grainMicrons({ scale: 'JIS', value: grit }),
})
const SHELF = [220, 320, 400, 1000, 3000, 6000].map(stone)
const chef = { lengthMm: 240, heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35, dps: 17, hrc: 57 }
const plan = (work: Partial<ProgressionInput>): ReturnType<typeof planProgression> =>
  planProgression({ blade: chef, finishMicron: 4, stones: SHELF, ...work })
const names = (work: Partial<ProgressionInput>): string[] => plan(work).stages.map(({ stone: { id } }) => id)

describe('a progression through the shelf', () => {
  it('goes on to #6000 where that is wanted, with #1000 before it', () => {
    const path = names({ bluntUm: 15, finishMicron: 2 })
    expect(path[0]).toMatch(/#320|#400/)
    expect(path[1]).toBe('#1000')
    expect(path.at(-1)).toBe('#6000')
  })

  it('stops at #1000 where a house does (common practice: many butchers), on that stone alone if it wants', () => {
    expect(names({ bluntUm: 7, finishMicron: 11.5 })).toEqual(['#1000'])
    expect(names({ bluntUm: 14, finishMicron: 11.5, oneStone: true })).toEqual(['#1000'])
  })

  it('has macro grits for deep chips', () => {
    const macro = [...SHELF, stone(120)]
    const [first] = plan({ chip: { depthMm: 1 }, stones: macro }).stages
    expect(first?.stone.id).toBe('#120')
    expect(first?.minutes).toBeLessThanOrEqual(LONGEST_FIRST_STAGE_MINUTES)
  })
})

describe('every plan', () => {
  const work = fc.record({
    recessionMm: fc.double({ min: 0.005, max: 2, noNaN: true }),
    finishMicron: fc.constantFrom(1.2, 2, 4, 11.5, 30),
    grits: fc.subarray([220, 280, 320, 400, 600, 800, 1000, 1500, 2000, 3000, 4000, 6000, 8000], {
      minLength: 1,
      maxLength: 6,
    }),
    hrc: fc.constantFrom(55, 58, 60, 64),
  })
  const inputOf = ({
    recessionMm,
    finishMicron,
    grits,
    hrc,
  }: {
    recessionMm: number
    finishMicron: number
    grits: number[]
    hrc: number
  }): ProgressionInput => ({ blade: { ...chef, hrc }, recessionMm, finishMicron, stones: grits.map(stone) })

  // Brute force over every coarse-to-fine sequence of the shelf.
  it('is the cheapest of all stone sequences', () => {
    fc.assert(
      fc.property(work, (case_) => {
        const input = inputOf(case_)
        const [begins, ends] = [new Set(starters(input)), new Set(finishers(input.stones, input.finishMicron))]
        const coarseFirst = [...input.stones].sort((a, b) => b.micron - a.micron)
        let cheapest = Infinity
        for (let mask = 1; mask < 1 << coarseFirst.length; mask++) {
          const path = coarseFirst.filter((_, index) => mask & (1 << index))
          const [first, last] = [path[0], path.at(-1)]
          if (!first || !last || !begins.has(first) || !ends.has(last)) continue
          cheapest = Math.min(cheapest, pathWeight(input, path))
        }
        const planned = planProgression(input).stages.map((stage) => stage.stone)
        if (Number.isFinite(cheapest)) expect(pathWeight(input, planned)).toBeLessThanOrEqual(cheapest + 1e-9)
      }),
      { numRuns: 300 },
    )
  })

  it('goes from coarse to fine with falling pressure, and takes the metal on the first stone only', () => {
    fc.assert(
      fc.property(work, (case_) => {
        const { stages } = planProgression(inputOf(case_))
        for (const [index, now] of stages.slice(1).entries()) {
          expect(now.stone.micron).toBeLessThan(stages[index]?.stone.micron ?? 0)
          expect(now.newtons).toBeLessThanOrEqual(stages[index]?.newtons ?? 0)
          expect(now.takes).toBe('scratches')
        }
        expect(stages[0]?.takes).toBe('metal')
      }),
    )
  })

  it('never begins over twenty minutes while a coarser stone would not', () => {
    fc.assert(
      fc.property(work, (case_) => {
        const input = inputOf(case_)
        const [first] = planProgression(input).stages
        const inTime = input.stones.some(
          (one) => (pathThrough(input, [one])[0]?.minutes ?? Infinity) <= LONGEST_FIRST_STAGE_MINUTES,
        )
        if (inTime) expect(first?.minutes).toBeLessThanOrEqual(LONGEST_FIRST_STAGE_MINUTES)
      }),
    )
  })
})

describe('overruling the plan', () => {
  it('says what it costs: minutes to the burr, and a rounded bevel past twenty', () => {
    const input = { blade: chef, recessionMm: 0.25, finishMicron: 4, stones: SHELF }
    const [own, planned] = [costOfStartingOn(input, '#1000'), planProgression(input)]
    expect(own.minutesToBurr).toBeGreaterThan(2 * (planned.stages[0]?.minutes ?? 0))
    expect(own).toMatchObject({ roundsBevel: true })
    expect(costOfStartingOn(input, '#320').roundsBevel).toBe(false)
  })
})

describe('a shelf that falls short', () => {
  it('says how coarse a stone to buy or borrow', () => {
    const [note] = plan({ chip: { depthMm: 1 }, stones: [stone(1000), stone(3000)] }).notes
    expect(note?.code).toBe('nothing-coarse-enough')
    expect(note?.code === 'nothing-coarse-enough' && note.wantedMicron).toBeGreaterThan(40)
  })

  it('says when the finish is coarser than asked for, and refuses an empty shelf', () => {
    expect(plan({ recessionMm: 0.03, stones: [stone(1000)] }).notes).toEqual([
      { code: 'coarser-finish', micron: 11.5, wantedMicron: 4 },
    ])
    expect(() => plan({ recessionMm: 0.1, stones: [] })).toThrow(/stones/)
    expect(() => plan({ thinning: { byMm: 0.6 } })).toThrow(/thinning/)
  })
})

describe('strokes', () => {
  const total = (...of: Parameters<typeof strokeLadder>): number =>
    strokeLadder(...of).reduce((sum, { strokes }) => sum + strokes, 0)

  // 20, 10, 5, 3, 2, 1 a side; very dull: two rounds of 20; 10, 5, 3, 2, 1 on a diamond rod (common practice).
  it('fall by the ladder, 41 a side, 61 when very dull', () => {
    expect(total('falling', 'dull')).toBe(41)
    expect(total('falling', 'very-dull')).toBe(61)
    expect(total('diamond-rod', 'dull')).toBe(21)
    expect(strokeLadder('equal', 'dull').map(({ strokes }) => strokes)).toEqual([10, 10, 10])
  })

  it('get lighter from rung to rung, within 18–27 N at the start and a few N at the end', () => {
    const rungs = strokeLadder('falling', 'dull')
    expect(rungs[0]?.newtons).toBeGreaterThanOrEqual(18)
    expect(rungs[0]?.newtons).toBeLessThanOrEqual(27)
    expect(rungs.at(-1)?.newtons).toBeLessThanOrEqual(4)
    for (const [index, rung] of rungs.slice(1).entries()) expect(rung.newtons).toBeLessThan(rungs[index]?.newtons ?? 0)
    expect(strokeLadder('diamond-rod', 'dull')[0]?.newtons).toBeLessThan(10)
  })

  it('go by ratio on an asymmetric edge', () => {
    expect(strokesBySide(10, 70)).toEqual({ left: 6, right: 14 })
    expect(strokesBySide(10, 50)).toEqual({ left: 10, right: 10 })
    expect(strokesBySide(10, 100)).toEqual({ left: 0, right: 20 })
  })
})

describe('gear', () => {
  it('what must not be done is said before it happens', () => {
    expect(gearWarnings({ kind: 'soaking-stone', micron: 30, liquid: 'oil' })).toEqual(['oil-on-water-stone'])
    expect(gearWarnings({ kind: 'splash-stone', micron: 4, soaking: true })).toEqual(['soaking-hurts'])
    expect(gearWarnings({ kind: 'smooth-steel', micron: null, hrc: 62 })).toEqual(['steel-on-hard-blade'])
    expect(gearWarnings({ kind: 'diamond-plate', micron: 40, newtons: 25 })).toEqual(['heavy-on-diamond'])
    expect(gearWarnings({ kind: 'soaking-stone', micron: 30, thicknessLeftMm: 3 })).toEqual(['worn-out-stone'])
    expect(gearWarnings({ kind: 'smooth-steel', micron: null, hrc: 57 })).toEqual([])
  })

  it('coarse stones soak longest, splash-and-go ones not at all, and coarse and fine have separate baths', () => {
    expect(usualSoakMinutes('soaking-stone', 40)).toBeGreaterThan(usualSoakMinutes('soaking-stone', 11.5))
    expect(usualSoakMinutes('splash-stone', 4)).toBe(0)
    expect(bathFor('soaking-stone', 63)).toBe('coarse')
    expect(bathFor('soaking-stone', 11.5)).toBe('fine')
    expect(bathFor('diamond-plate', 40)).toBe('none')
  })

  it('flattening is due by knives and by the measured dish, never for a diamond plate', () => {
    expect(flatteningState({ kind: 'soaking-stone', knivesSince: 1, dishMm: null })).toMatchObject({
      due: false,
      because: null,
    })
    expect(flatteningState({ kind: 'soaking-stone', knivesSince: 4, dishMm: null })).toMatchObject({
      due: true,
      because: 'knives',
    })
    expect(flatteningState({ kind: 'splash-stone', knivesSince: 0, dishMm: 0.2 })).toMatchObject({
      due: true,
      because: 'dish',
    })
    expect(flatteningState({ kind: 'diamond-plate', knivesSince: 40, dishMm: 0.5 }).due).toBe(false)
  })
})
