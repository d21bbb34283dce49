import { describe, expect, it } from 'vitest'
import type { PlanView } from '../../contract/week'
import { personDays } from './personDays'

const view = {
  now: '2026-11-24T14:42:00Z',
  problem: { sitting: { beforeMinutes: 3, afterMinutes: 6 } },
  accepted: {
    sessions: [
      {
        jobId: 'k1',
        knifeId: 'k1',
        kind: 'stone',
        windowId: 'w',
        benchId: 'b',
        personId: 'oda',
        startsAt: '2026-11-24T15:00:00Z',
        endsAt: '2026-11-24T15:24:00Z',
      },
      {
        jobId: 'k2',
        knifeId: 'k2',
        kind: 'thin',
        windowId: 'w',
        benchId: 'b',
        personId: 'oda',
        startsAt: '2026-11-24T09:00:00Z',
        endsAt: '2026-11-24T09:40:00Z',
      },
      {
        jobId: 'k3',
        knifeId: 'k3',
        kind: 'stone',
        windowId: 'w',
        benchId: 'b',
        personId: 'teun',
        startsAt: '2026-11-25T09:00:00Z',
        endsAt: '2026-11-25T09:40:00Z',
      },
    ],
  },
  rounds: [
    { kind: 'hone', knifeId: 'k1', personId: 'oda', service: 'dinner', startsAt: '2026-11-24T17:30:00Z' },
    { kind: 'check', knifeId: 'k1', personId: 'oda', service: 'dinner', startsAt: '2026-11-24T17:30:00Z' },
    { kind: 'hone', knifeId: 'k1', personId: 'oda', service: 'lunch', startsAt: '2026-11-25T12:00:00Z' },
  ],
} as unknown as PlanView

describe('one person’s days', () => {
  it('hold their sessions that are still ahead and the rounds before each service, in order', () => {
    const days = personDays(view, 'oda', (instant) => instant.slice(0, 10))
    expect(days.map(({ key, items }) => [key, items.map(({ kind }) => kind)])).toEqual([
      ['2026-11-24', ['sitting', 'rounds']],
      ['2026-11-25', ['rounds']],
    ])
    expect(days[0]?.items[0]).toMatchObject({
      at: '2026-11-24T14:57:00.000Z',
      endsAt: '2026-11-24T15:30:00.000Z',
      knives: [{ knifeId: 'k1', work: 'stone' }],
    })
    expect(days[0]?.items[1]).toMatchObject({ hone: ['k1'], check: ['k1'], service: 'dinner' })
  })

  it('are empty for somebody with nothing to do, and without a plan hold the rounds alone', () => {
    expect(personDays(view, 'kit', (instant) => instant.slice(0, 10))).toEqual([])
    expect(
      personDays({ ...view, accepted: null }, 'oda', (instant) => instant.slice(0, 10)).flatMap(({ items }) =>
        items.map(({ kind }) => kind),
      ),
    ).toEqual(['rounds', 'rounds'])
  })
})
