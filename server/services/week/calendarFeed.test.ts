import { describe, expect, it } from 'vitest'
import { feedOf, wholeMinute, type FeedItem, type FeedVersion } from './calendarFeed'

const item = (uid: string, startMs: number, more: Partial<FeedItem> = {}): FeedItem => ({
  uid,
  startMs,
  endMs: startMs + 100,
  summary: uid,
  description: '',
  location: '',
  ...more,
})
const plan = (version: number, ...items: FeedItem[]): FeedVersion => ({ version, acceptedMs: version * 10, items })
const told = (versions: readonly FeedVersion[], nowMs = 0, done: readonly string[] = []): [string, number, boolean][] =>
  feedOf(versions, (uid) => !done.includes(uid), nowMs).map(({ uid, sequence, cancelled }) => [
    uid,
    sequence,
    cancelled,
  ])

describe('a person’s calendar over plans accepted one after another', () => {
  it('numbers a session anew only where something of it changed', () => {
    const [stays, moves] = [item('stays', 1000), item('moves', 2000)]
    expect(told([plan(1, stays, moves)])).toEqual([
      ['stays', 2, false],
      ['moves', 2, false],
    ])
    expect(told([plan(1, stays, moves), plan(2, stays, item('moves', 3000))])).toEqual([
      ['stays', 2, false],
      ['moves', 4, false],
    ])
    expect(told([plan(1, stays), plan(2, stays), plan(3, item('stays', 1000, { location: 'Bench 2' }))])).toEqual([
      ['stays', 6, false],
    ])
  })

  it('sends what is gone as cancelled until it would be over, by one number for as long as it is gone', () => {
    const gone = [plan(1, item('a', 1000)), plan(2)]
    expect(told(gone)).toEqual([['a', 3, true]])
    expect(told([...gone, plan(3)])).toEqual([['a', 3, true]])
    expect(told(gone, 1100)).toEqual([])
    // and it comes back as the next revision, not as the first
    expect(told([...gone, plan(3, item('a', 1000))])).toEqual([['a', 6, false]])
  })

  it('sends a session that was done before its time as cancelled, and not again once it is past', () => {
    const one = [plan(4, item('a', 1000))]
    expect(told(one, 500, ['a'])).toEqual([['a', 9, true]])
    expect(told(one, 1100, ['a'])).toEqual([])
  })

  it('never numbers lower than before, whatever comes after', () => {
    const steps: FeedVersion[] = [
      plan(1, item('a', 1000)),
      plan(2, item('a', 1000)),
      plan(3),
      plan(4, item('a', 1500)),
      plan(5, item('a', 1500)),
      plan(6),
    ]
    const numbers = steps.map((_, at) => told(steps.slice(0, at + 1))[0]?.[1] ?? 0)
    expect(numbers).toEqual([2, 2, 3, 8, 8, 9])
  })

  it('speaks of whole minutes', () => {
    expect(wholeMinute(Date.parse('2026-03-10T15:07:31.250Z'))).toBe(Date.parse('2026-03-10T15:08:00Z'))
  })
})
