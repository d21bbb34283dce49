import { describe, expect, it } from 'vitest'
import { DAY_MS } from '../time'
import { evidenceOf, missingFor, proposalFor, type DoneSession } from './signOff'

const NOW = Date.parse('2026-11-24T12:00:00Z')
const done = (daysAgo: number, more: Partial<DoneSession> = {}): DoneSession => ({
  endedAtMs: NOW - daysAgo * DAY_MS,
  beside: true,
  freshGf: 180,
  usedGf: 260,
  limitGf: 350,
  ...more,
})
const THREE = [done(20), done(13), done(6)]

describe('what a sign-off stands on', () => {
  it('is counted of sessions with somebody beside alone', () => {
    const evidence = evidenceOf([...THREE, done(3, { beside: false })])
    expect(evidence).toEqual({ sessions: 4, supervised: 3, tested: 3, held: 3, lastMs: NOW - 3 * DAY_MS })
    expect(missingFor('full', evidence)).toEqual([])
  })

  it('lacks what nobody tested, and what did not hold', () => {
    const evidence = evidenceOf([done(20), done(13, { freshGf: null }), done(6, { usedGf: 420 })])
    expect(evidence).toMatchObject({ supervised: 3, tested: 2, held: 1 })
    expect(missingFor('full', evidence)).toEqual(['tested', 'held'])
    expect(missingFor('full', evidenceOf([]))).toEqual(['supervised', 'tested', 'held'])
    // a rod leaves no session to judge
    expect(missingFor('hone', evidenceOf([]))).toEqual([])
  })
})

describe('what the chef is asked', () => {
  const at = (level: 'shown' | 'supervised' | 'alone' | 'teaches', daysAgo = 30) => ({
    skill: 'maintenance' as const,
    level,
    signedAtMs: NOW - daysAgo * DAY_MS,
  })

  it('is to let somebody work alone after three that held, and not sooner', () => {
    expect(proposalFor(at('supervised'), THREE, NOW)).toEqual({ to: 'alone', why: 'evidence' })
    expect(proposalFor(at('supervised'), THREE.slice(1), NOW)).toBeNull()
    // who was only shown has not been put beside anybody yet
    expect(proposalFor(at('shown'), THREE, NOW)).toBeNull()
    expect(proposalFor(at('alone'), THREE, NOW)).toBeNull()
  })

  it('is to stand beside again after half a year of rest, counted from the last session or the last word', () => {
    expect(proposalFor(at('alone', 200), [], NOW)).toEqual({ to: 'supervised', why: 'disuse' })
    expect(proposalFor(at('alone', 200), [done(30, { beside: false })], NOW)).toBeNull()
    expect(proposalFor(at('alone', 10), [done(300)], NOW)).toBeNull()
    expect(proposalFor({ ...at('alone', 400), skill: 'hone' }, [], NOW)).toBeNull()
  })

  it('is to stand beside again when two of the last three did not hold, unless that was before the word', () => {
    const fell = [done(9, { usedGf: 500 }), done(6), done(3, { usedGf: 400 })]
    expect(proposalFor(at('teaches'), fell, NOW)).toEqual({ to: 'supervised', why: 'results' })
    expect(proposalFor(at('teaches'), fell.slice(1), NOW)).toBeNull()
    expect(proposalFor(at('alone', 1), fell, NOW)).toBeNull()
  })
})
