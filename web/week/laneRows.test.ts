import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { layLaneRows } from './laneRows'

const MINUTE = 60_000
const window = { startMs: 0, endMs: 150 * MINUTE }
const at = (start: number, minutes: number) => ({ startMs: start * MINUTE, endMs: (start + minutes) * MINUTE })

describe('the rows of a lane', () => {
  it('stands sessions that are long enough on one row, where the clock has them', () => {
    const blocks = layLaneRows([at(0, 30), at(30, 45), at(90, 60)], window, 600, 44)
    expect(blocks.map(({ row }) => row)).toEqual([0, 0, 0])
    expect(blocks.map(({ leftPx }) => leftPx)).toEqual([0, 120, 360])
    expect(blocks[2]?.widthPx).toBe(238)
  })
  it('gives a touch-up of three minutes room for a finger, and a row of its own beside its neighbour', () => {
    const blocks = layLaneRows([at(0, 3), at(3, 3), at(6, 3)], window, 600, 44)
    expect(blocks.map(({ row }) => row)).toEqual([0, 1, 2])
    expect(blocks.every(({ widthPx }) => widthPx === 42)).toBe(true)
    expect(blocks[0]?.barPx).toBe(12)
  })
  it('draws the last one back into the lane', () => {
    const [block] = layLaneRows([at(147, 3)], window, 600, 44)
    expect(block?.leftPx).toBe(556)
  })
  it('never lets two blocks of a row cover each other, nor stick out of the lane', () => {
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.integer({ min: 0, max: 140 }), fc.integer({ min: 1, max: 10 })), { maxLength: 40 }),
        fc.integer({ min: 120, max: 900 }),
        (sessions, lanePx) => {
          const blocks = layLaneRows(
            sessions.map(([start, minutes]) => at(start, minutes)),
            window,
            lanePx,
            44,
          )
          for (const one of blocks) {
            expect(one.leftPx).toBeGreaterThanOrEqual(0)
            expect(one.leftPx + one.widthPx).toBeLessThanOrEqual(lanePx + 1e-6)
            for (const other of blocks)
              if (one !== other && one.row === other.row)
                expect(one.leftPx + one.widthPx < other.leftPx || other.leftPx + other.widthPx < one.leftPx).toBe(true)
          }
        },
      ),
    )
  })
})
