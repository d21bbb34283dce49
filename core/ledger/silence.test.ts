import { describe, expect, it } from 'vitest'
import { startOfDay } from '../house/serviceClock'
import { HOUR_MS } from '../time'
import { silences } from './silence'

const ZONE = 'Europe/Berlin'
const at = (day: string, hour: number): number => Date.parse(`${day}T${String(hour).padStart(2, '0')}:00:00+01:00`)
const service = (day: string, hour: number) => ({
  spanId: 's',
  name: 'Dinner',
  startMs: at(day, hour),
  endMs: at(day, hour) + 4 * HOUR_MS,
})
const twoA = (days: readonly string[]) => days.flatMap((day) => [service(day, 12), service(day, 18)])
const recorded = (days: readonly string[]) => new Set(days.map((day) => startOfDay(at(day, 23), ZONE)))

describe('gaps in what is recorded', () => {
  it('are two silent days on end or more, with their services; closed days neither make nor end one', () => {
    const services = twoA(['2026-11-02', '2026-11-03', '2026-11-06', '2026-11-07', '2026-11-08'])
    const [gap, ...more] = silences(services, recorded(['2026-11-02', '2026-11-08']), ZONE)
    expect(more).toEqual([])
    expect(gap).toEqual({
      fromMs: at('2026-11-03', 0),
      lastMs: at('2026-11-07', 0),
      services: 6,
    })
  })
  it('are none for one quiet day, nor where every day has a line', () => {
    const days = ['2026-11-02', '2026-11-03', '2026-11-04']
    expect(silences(twoA(days), recorded(['2026-11-02', '2026-11-04']), ZONE)).toEqual([])
    expect(silences(twoA(days), recorded(days), ZONE)).toEqual([])
    expect(silences([], new Set(), ZONE)).toEqual([])
  })
  it('are parted by a day that has a line, and reach to the end', () => {
    const days = ['2026-11-02', '2026-11-03', '2026-11-04', '2026-11-05', '2026-11-06']
    expect(silences(twoA(days), recorded(['2026-11-04']), ZONE).map(({ services }) => services)).toEqual([4, 4])
  })
})
