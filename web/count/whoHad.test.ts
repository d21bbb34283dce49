import { describe, expect, it } from 'vitest'
import { say } from '../i18n'
import { whoHad } from './whoHad'

const people = new Map(
  [
    { id: 'ada', name: 'Ada', active: true },
    { id: 'ben', name: 'Ben', active: false },
  ].map((person) => [person.id, person]),
)
const fleet = { people, stations: new Map([['grill', { id: 'grill', name: 'Grill' }]]) } as unknown as Parameters<
  typeof whoHad
>[1]
const formats = { moment: () => 'Tuesday, 11:25' }
const knife = (holderId: string | null) => ({ id: 'k', stationId: 'grill', holderId })
const hand = (personId: string) => [{ knifeId: 'k', personId, at: '2026-11-24T11:25:00Z' }]

describe('whom to ask for a missing knife', () => {
  it('is whoever last had it in hand, before its holder', () => {
    const told = say('count.lastHand', { name: 'Ada', when: 'Tuesday, 11:25', station: 'Grill' })
    expect(whoHad(knife('ben'), fleet, formats, hand('ada'))).toBe(told)
    expect(told).toContain('Ada')
  })
  it('is its holder where the log knows no hand, or one that has left', () => {
    const told = say('count.lastWith', { name: 'Ada', station: 'Grill' })
    expect(whoHad(knife('ada'), fleet, formats)).toBe(told)
    expect(whoHad(knife('ada'), fleet, formats, hand('ben'))).toBe(told)
  })
  it('is nobody where nobody can be asked', () => {
    const told = say('count.lastWith', { name: say('rack.nobody'), station: 'Grill' })
    expect(whoHad(knife('ben'), fleet, formats)).toBe(told)
    expect(whoHad(knife(null), fleet, formats)).toBe(told)
  })
})
