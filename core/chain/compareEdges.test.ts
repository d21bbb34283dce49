import { describe, expect, it } from 'vitest'
import { compareEdges, LEAST_READINGS, withinLimit, type EdgeReading } from './compareEdges'

const readings = (n: number, within: number, kind: Partial<EdgeReading> = {}): EdgeReading[] =>
  Array.from({ length: n }, (_, at) => ({ type: 'chef', board: 'rubber', within: at < within, ...kind }))

describe('houses beside each other', () => {
  it('are compared over the same knife on the same board, and nothing else', () => {
    const compared = compareEdges([
      { houseId: 'a', readings: [...readings(20, 18), ...readings(30, 3, { board: 'plate' })] },
      { houseId: 'b', readings: [...readings(20, 17), ...readings(30, 29, { type: 'petty' })] },
    ])
    expect(compared.map(({ type, board }) => `${type} ${board}`)).toEqual(['chef rubber'])
    expect(compared[0]?.houses.map(({ within }) => within.share)).toEqual([0.9, 0.85])
  })

  it('are told apart only where their intervals have nothing in common', () => {
    const apartOf = (own: number, others: number): boolean[] =>
      compareEdges([
        { houseId: 'a', readings: readings(20, own) },
        { houseId: 'b', readings: readings(20, others) },
      ]).flatMap(({ houses }) => houses.map(({ apart }) => apart))
    expect(apartOf(18, 16)).toEqual([false, false])
    expect(apartOf(19, 8)).toEqual([true, true])
  })

  it('say nothing of a house that has read too few, nor of one alone', () => {
    expect(
      compareEdges([
        { houseId: 'a', readings: readings(40, 30) },
        { houseId: 'b', readings: readings(LEAST_READINGS - 1, 2) },
      ]),
    ).toEqual([])
    expect(compareEdges([])).toEqual([])
  })

  it('come with what was read most first', () => {
    const both = (houseId: string) => ({
      houseId,
      readings: [...readings(10, 9, { type: 'petty' }), ...readings(25, 20)],
    })
    expect(compareEdges([both('a'), both('b')]).map(({ type }) => type)).toEqual(['chef', 'petty'])
  })

  it('have no share without a reading', () => {
    expect(withinLimit([])).toBeNull()
    expect(withinLimit(readings(10, 10))).toMatchObject({ share: 1, n: 10 })
    expect(withinLimit(readings(10, 10))?.high).toBeCloseTo(1, 12)
  })
})
