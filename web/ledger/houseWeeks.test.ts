import { describe, expect, it } from 'vitest'
import type { HouseWeeks } from '../../contract/papers'
import { keenShare, sharpShare, weekSums } from './houseWeeks'

const row = (week: number, code: string, stationId: string, more: object = {}): HouseWeeks['knives'][number] => ({
  week,
  knifeId: code,
  code,
  stationId,
  hours: 10,
  dullHours: 2,
  sessions: 1,
  minutes: 15,
  steelMm: 0.1,
  cost: 4,
  ...more,
})
const told: HouseWeeks = {
  fromAt: '2026-03-02T00:00:00.000Z',
  weeks: 3,
  services: [
    {
      stationId: '',
      weeks: [
        { services: 14, within: 3 },
        { services: 14, within: 7 },
        { services: 0, within: 0 },
      ],
    },
    {
      stationId: 'grill',
      weeks: [
        { services: 7, within: 7 },
        { services: 7, within: 6 },
        { services: 0, within: 0 },
      ],
    },
  ],
  knives: [row(0, 'CH-01', 'grill'), row(0, 'PA-01', 'line'), row(1, 'CH-01', 'grill', { cost: null })],
}

describe('weeks of a house', () => {
  it('add up its knives, and know where a cost is not known', () => {
    const [first, second, third] = weekSums(told, '', '')
    expect(first).toMatchObject({ hours: 20, dullHours: 4, sessions: 2, minutes: 30, cost: 8 })
    expect(first?.from).toBe(told.fromAt)
    expect(second).toMatchObject({ cost: null, from: '2026-03-09T00:00:00.000Z' })
    expect(third).toMatchObject({ hours: 0, cost: 0, knives: [] })
    expect([first, second, third].map((week) => week && sharpShare(week))).toEqual([expect.closeTo(21.43, 2), 50, null])
    expect(first && keenShare(first)).toBe(80)
    expect(third && keenShare(third)).toBeNull()
  })

  it('are those of one station, or of what a text finds; then no service can be told', () => {
    expect(weekSums(told, 'grill', '')[0]).toMatchObject({ hours: 10, services: { services: 7, within: 7 } })
    const found = weekSums(told, '', ' pa-')[0]
    expect(found).toMatchObject({ hours: 10, services: null })
    expect(found && sharpShare(found)).toBeNull()
    expect(weekSums(told, 'nowhere', '')[0]).toMatchObject({ hours: 0, services: null })
  })
})
