import { describe, expect, it } from 'vitest'
import { DAY_MS, HOUR_MS } from '../../core/time'
import type { KeptBackup } from './backup'
import { isDue, letGo } from './keepRule'

const NOW = new Date('2026-03-10T04:00:00Z')
const ago = (days: number, hours = 0): KeptBackup => ({
  file: `${days}-${hours}`,
  at: new Date(NOW.getTime() - days * DAY_MS - hours * HOUR_MS),
})

describe('which backups are kept', () => {
  it('is one of each of seven days, and one of each of eight weeks', () => {
    const daily = Array.from({ length: 100 }, (_one, days) => ago(days))
    const gone = new Set(letGo(daily))
    const kept = daily.filter((one) => !gone.has(one))
    expect(kept.slice(0, 7)).toEqual(daily.slice(0, 7))
    // this week's newest is among the dailies already, and so may last week's be
    expect(kept.length).toBeGreaterThanOrEqual(13)
    expect(kept.length).toBeLessThanOrEqual(15)
    const oldest = kept.at(-1)
    expect((NOW.getTime() - (oldest?.at.getTime() ?? 0)) / DAY_MS).toBeGreaterThanOrEqual(42)
  })

  it('never lets go of the only one, however old, and keeps the newest of a day', () => {
    expect(letGo([ago(400)])).toEqual([])
    const [late, early] = [ago(1, 0), ago(1, 2)]
    expect(letGo([ago(0), late, early])).toEqual([early])
  })

  it('is asked once a day', () => {
    expect(isDue([], NOW)).toBe(true)
    expect(isDue([ago(0, 23)], NOW)).toBe(false)
    expect(isDue([ago(1)], NOW)).toBe(true)
  })
})
