import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Fleet } from '../../contract/fleet'
import type { KnifeView } from '../../contract/knives'
import { useFleet } from './fleet'

const knife = (id: string, code: string): KnifeView => ({ id, code }) as unknown as KnifeView
const FLEET = {
  now: '2026-11-24T14:42:00Z',
  stations: [],
  people: [{ id: 'oda', name: 'Oda Finch' }],
  knives: [knife('a', 'CH-01'), knife('b', 'PE-02')],
  planned: [
    { knifeId: 'a', personId: 'oda', startsAt: '2026-11-24T15:00:00Z', endsAt: '2026-11-24T15:20:00Z' },
    { knifeId: 'b', personId: 'oda', startsAt: '2026-11-25T15:00:00Z', endsAt: '2026-11-25T15:20:00Z' },
    { knifeId: 'a', personId: 'oda', startsAt: '2026-11-27T15:00:00Z', endsAt: '2026-11-27T15:20:00Z' },
  ],
} as unknown as Fleet

let asked: number
let answer: () => Promise<Response>
beforeEach(() => {
  setActivePinia(createPinia())
  asked = 0
  answer = () => Promise.resolve(new Response(JSON.stringify(FLEET)))
  vi.stubGlobal('fetch', () => {
    asked++
    return answer()
  })
})
afterEach(() => {
  vi.unstubAllGlobals()
})

describe('the fleet on this device', () => {
  it('is fetched once, however many screens ask at once', async () => {
    const fleet = useFleet()
    await Promise.all([fleet.load(), fleet.load(), fleet.load()])
    expect(asked).toBe(1)
    await fleet.load()
    expect(asked).toBe(2)
  })

  it('knows of each knife the session that comes next, not the last one planned', async () => {
    const fleet = useFleet()
    await fleet.load()
    expect(fleet.planned.get('a')?.startsAt).toBe('2026-11-24T15:00:00Z')
    expect(fleet.planned.get('b')?.startsAt).toBe('2026-11-25T15:00:00Z')
  })

  it('takes what a write returned in place of what it knew, and sorts a newcomer in by its code', async () => {
    const fleet = useFleet()
    fleet.accept([knife('c', 'CH-02')])
    expect(fleet.fleet).toBeNull()
    await fleet.load()
    fleet.accept([{ ...knife('b', 'PE-02'), word: 'keen' } as unknown as KnifeView, knife('c', 'CH-02')])
    expect(fleet.fleet?.knives.map(({ code }) => code)).toEqual(['CH-01', 'CH-02', 'PE-02'])
    expect(fleet.byId('b')).toMatchObject({ word: 'keen' })
  })

  it('keeps what it knew when the house cannot be reached, and says that it is old', async () => {
    const fleet = useFleet()
    answer = () => Promise.reject(new TypeError('no network'))
    // with nothing to show that is an error of its own
    await expect(fleet.load()).rejects.toThrow()
    answer = () => Promise.resolve(new Response(JSON.stringify(FLEET)))
    await fleet.load()
    expect(fleet.stale).toBe(false)
    answer = () => Promise.reject(new TypeError('no network'))
    await fleet.load()
    expect(fleet.stale).toBe(true)
    expect(fleet.fleet?.knives).toHaveLength(2)
  })
})
