import { describe, expect, it } from 'vitest'
import type { Fleet } from '../../contract/fleet'
import { restsUntil, WALL_LINES, wallPages } from './wallPages'

const DAY: Fleet['day'] = {
  startsAt: '2026-11-24T00:00:00Z',
  services: [{ name: 'dinner', startsAt: '2026-11-24T17:30:00Z', endsAt: '2026-11-24T22:00:00Z' }],
  quiet: [{ name: 'morning', startsAt: '2026-11-24T09:00:00Z', endsAt: '2026-11-24T11:00:00Z' }],
}
const at = (clock: string): number => Date.parse(`2026-11-24T${clock}:00Z`)

describe('the wall screen', () => {
  it('rests before the first and after the last of the day, and never between', () => {
    expect(restsUntil(DAY, at('06:00'))).toBe('2026-11-24T09:00:00Z')
    expect(restsUntil(DAY, at('08:31'))).toBeNull()
    expect(restsUntil(DAY, at('14:00'))).toBeNull()
    expect(restsUntil(DAY, at('22:29'))).toBeNull()
    expect(restsUntil(DAY, at('22:31'))).toBeUndefined()
    expect(restsUntil({ ...DAY, services: [], quiet: [] }, at('12:00'))).toBeUndefined()
  })

  it('gives whoever has much to do as many pages as they need, and nobody an empty one', () => {
    const person = (id: string): Fleet['people'][number] => ({ id, name: id, role: 'cook', active: true }) as never
    const zone = { forceGf: 500, word: 'dull' }
    const knife = (id: string, holderId: string, action: string): Fleet['knives'][number] =>
      ({
        id,
        code: id,
        holderId,
        status: 'in-service',
        word: 'dull',
        seen: true,
        worstZone: 'tip',
        limitGf: 350,
        zones: { heel: zone, belly: zone, tip: zone },
        verdict: { action, reasons: [], cost: { minutes: 9 } },
        servicesAhead: [],
        judgeDue: false,
      }) as never
    const many = Array.from({ length: WALL_LINES + 1 }, (_, n) => knife(`k${n}`, 'oda', 'stone'))
    const pages = wallPages({
      now: '2026-11-24T14:00:00Z',
      knives: [...many, knife('fit', 'kit', 'none')],
      people: [person('oda'), person('kit')],
      stations: [],
      planned: [],
      day: DAY,
    })
    expect(pages.map(({ kind }) => kind)).toEqual(['day', 'person', 'person', 'stones', 'stones'])
    expect(pages.flatMap((page) => (page.kind === 'person' ? page.knives : []))).toHaveLength(WALL_LINES + 1)
    expect(new Set(pages.map(({ key }) => key)).size).toBe(pages.length)
  })
})
