import { describe, expect, it } from 'vitest'
import { endpoints } from '../../contract/endpoints'
import { changesHands, givenAgain, isKept } from './kept'

describe('what a device keeps for when there is no network', () => {
  it('is what Today, the rack, a knife, a check and the bench read, and nothing of doors and files', () => {
    for (const path of ['/api/session', '/api/fleet', '/api/gear', '/api/plan', '/api/knives/x/events', '/api/week'])
      expect(isKept(path), path).toBe(true)
    for (const path of [
      '/api/changes',
      '/api/exchange/fleet.csv',
      '/api/house/whole.json',
      '/api/house/trail',
      '/api/me/sessions',
      '/api/sign-in',
      '/today',
    ])
      expect(isKept(path), path).toBe(false)
  })

  it('is forgotten when somebody comes or goes, by whichever door', () => {
    const doors = [
      endpoints.signIn,
      endpoints.signInByPin,
      endpoints.enterByCode,
      endpoints.signOut,
      endpoints.firstRun,
    ]
    for (const { method, path } of doors) expect(changesHands(method.toUpperCase(), path), path).toBe(true)
    expect(changesHands('GET', '/api/session')).toBe(false)
    expect(changesHands('POST', '/api/bench-sessions')).toBe(false)
  })

  it('tells the time as it has become, not as it was', () => {
    const text = JSON.stringify({ person: { id: 'x' }, now: '2026-03-10T15:00:00.000Z' })
    expect(JSON.parse(givenAgain(text, 1000, 1000 + 3_600_000)).now).toBe('2026-03-10T16:00:00.000Z')
    // the fleet is of when it was told
    const fleet = JSON.stringify({ now: '2026-03-10T15:00:00.000Z', knives: [] })
    expect(givenAgain(fleet, 1000, 9_000_000)).toBe(fleet)
  })
})
