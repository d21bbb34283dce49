import { describe, expect, it } from 'vitest'
import { writtenSittings } from './sittings'

const TIMES = { beforeMinutes: 3, afterMinutes: 6 }
const session = (knife: string, personId: string, starts: string, ends: string, benchId = 'back', windowId = 'w') => ({
  knife,
  windowId,
  benchId,
  personId,
  startsAt: `2026-11-24T${starts}:00Z`,
  endsAt: `2026-11-24T${ends}:00Z`,
})
const told = (sessions: readonly ReturnType<typeof session>[]) =>
  writtenSittings(sessions, TIMES).map(({ personId, startMs, endMs, sessions: own }) => [
    personId,
    new Date(startMs).toISOString().slice(11, 16),
    new Date(endMs).toISOString().slice(11, 16),
    own.map(({ knife }) => knife).join(),
  ])

describe('sittings', () => {
  it('are one person at one bench in one window, from setting up to clearing away', () => {
    expect(
      told([
        session('C3', 'oda', '15:25', '15:40'),
        session('F12', 'oda', '15:03', '15:25'),
        session('B1', 'finn', '15:49', '16:10'),
      ]),
    ).toEqual([
      ['oda', '15:00', '15:46', 'F12,C3'],
      ['finn', '15:46', '16:16', 'B1'],
    ])
  })

  it('are others at another bench, or in another window', () => {
    expect(
      told([
        session('F12', 'oda', '15:03', '15:25'),
        session('C3', 'oda', '15:34', '15:50', 'front'),
        session('B1', 'oda', '21:03', '21:20', 'back', 'late'),
      ]).map(([, , , knives]) => knives),
    ).toEqual(['F12', 'C3', 'B1'])
  })

  it('are none where nothing is planned', () => {
    expect(told([])).toEqual([])
  })
})
