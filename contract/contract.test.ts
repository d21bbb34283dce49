import { v7 as newId } from 'uuid'
import { describe, expect, it } from 'vitest'
import type { z } from 'zod'
import { RIGHTS } from '../core/house/rights'
import type { Endpoint } from './endpoint'
import { endpoints } from './endpoints'
import { NewEvent } from './events'
import { NewPerson, Station, WeeklySpan } from './house'
import { KnifeDescription } from './knives'
import { KnifeCode, Pin, SignInName, TimeZone, WallTime } from './scalars'

const takes = (schema: z.ZodType, value: unknown): boolean => schema.safeParse(value).success

describe('the endpoints', () => {
  const all: [string, Endpoint][] = Object.entries(endpoints)

  it('each have an address and a method of their own', () => {
    const places = all.map(([, endpoint]) => `${endpoint.method} ${endpoint.path}`)
    expect(new Set(places).size).toBe(places.length)
  })

  it('need a right that exists, and are open only for signing in', () => {
    const open = all.filter(([, endpoint]) => endpoint.right === 'open').map(([name]) => name)
    expect(open.sort()).toEqual(['enterByCode', 'firstRun', 'signIn', 'signInByPin', 'signInPage', 'signOut'])
    expect(all.every(([, endpoint]) => endpoint.right === 'open' || RIGHTS.includes(endpoint.right))).toBe(true)
  })

  it('name in their address what they read from it', () => {
    for (const [name, endpoint] of all) {
      const inPath = [...endpoint.path.matchAll(/\{(\w+)\}/g)].map((match) => match[1])
      const spelled: Record<string, string> = {
        table: 'fleet',
        day: '2026-11-28',
        skill: 'full',
        lesson: 'rod',
        month: '2026-11',
      }
      const filled = Object.fromEntries(inPath.map((key) => [key, spelled[key ?? ''] ?? newId()]))
      expect(takes(endpoint.params, filled), name).toBe(true)
      if (inPath.length > 0) expect(takes(endpoint.params, {}), name).toBe(false)
    }
  })
})

describe('scalars', () => {
  it.each(['CH-07', 'a1', '12', 'ch-07 '])('%j fits a label', (code) => {
    expect(takes(KnifeCode, code)).toBe(true)
  })
  it.each(['', '-1', 'CH_07', 'THIRTEEN-LONG', 'É1', 'a b'])('%j does not', (code) => {
    expect(takes(KnifeCode, code)).toBe(false)
  })
  it('write codes in capitals', () => {
    expect(KnifeCode.parse(' ch-07 ')).toBe('CH-07')
  })
  it.each(['0000', '12345678'])('%j is a PIN', (pin) => {
    expect(takes(Pin, pin)).toBe(true)
  })
  it.each(['123', '123456789', '12a4', ''])('%j is none', (pin) => {
    expect(takes(Pin, pin)).toBe(false)
  })
  it.each(['00:00', '09:30', '23:59'])('%j is a time of day', (time) => {
    expect(takes(WallTime, time)).toBe(true)
  })
  it.each(['24:00', '9:30', '12:60', 'noon'])('%j is none', (time) => {
    expect(takes(WallTime, time)).toBe(false)
  })
  it('know the zones of the IANA database', () => {
    expect(['Europe/Dublin', 'America/New_York', 'UTC'].every((zone) => takes(TimeZone, zone))).toBe(true)
    expect(['Dublin', 'GMT+25', ''].some((zone) => takes(TimeZone, zone))).toBe(false)
  })
  it('sign in without regard to case', () => {
    expect(SignInName.parse(' Maren ')).toBe('maren')
  })
})

describe('events', () => {
  const event = (kind: string, payload: object): object => ({
    id: newId(),
    knifeId: newId(),
    at: '2026-11-24T14:42:00Z',
    kind,
    payload,
  })

  it.each([
    ['checked', { readings: [{ zone: 'tip', forcesGf: [240] }], ladder: [] }],
    ['checked', { readings: [], ladder: [{ zone: 'whole', rung: 'paper' }] }],
    ['honed', { tool: 'strop', strokesPerSide: 8, mismatchDps: -3, cameBack: 'partly' }],
    ['sharpened', { finishMicron: 4 }],
    ['moved', { holderId: null }],
    ['used', { hours: 0 }],
    ['voided', { eventId: newId(), reason: 'wrong knife' }],
  ])('of kind %s are taken: %j', (kind, payload) => {
    expect(takes(NewEvent, event(kind, payload))).toBe(true)
  })

  it.each([
    ['checked', { readings: [], ladder: [] }],
    ['checked', { readings: [{ zone: 'middle', forcesGf: [240] }], ladder: [] }],
    ['checked', { readings: [{ zone: 'tip', forcesGf: [] }], ladder: [] }],
    ['checked', { readings: [{ zone: 'tip', forcesGf: Array(11).fill(240) }], ladder: [] }],
    ['honed', { tool: 'grinder' }],
    ['sharpened', { finishMicron: 0 }],
    ['measured', {}],
    ['moved', {}],
    ['used', { hours: 25 }],
    ['quarantined', { reason: '  ' }],
    ['added', { condition: 'new', stationId: newId(), holderId: null }],
    ['exploded', {}],
  ])('of kind %s are refused: %j', (kind, payload) => {
    expect(takes(NewEvent, event(kind, payload))).toBe(false)
  })

  it('need a moment with its offset', () => {
    expect(takes(NewEvent, { ...event('used', { hours: 1 }), at: '2026-11-24 14:42' })).toBe(false)
  })
})

describe('what describes a house', () => {
  it('stays within reason', () => {
    const station = { id: newId(), name: 'Grill', board: 'rubber', product: 'meat', hoursPerService: 2, active: true }
    expect(takes(Station, station)).toBe(true)
    expect(takes(Station, { ...station, hoursPerService: -1 })).toBe(false)
    expect(takes(Station, { ...station, board: 'marble' })).toBe(false)
    expect(takes(NewPerson, { id: newId(), name: ' ', role: 'cook' })).toBe(false)
    expect(
      takes(WeeklySpan, { id: newId(), kind: 'service', weekday: 8, name: 'x', starts: '10:00', ends: '11:00' }),
    ).toBe(false)
    expect(takes(KnifeDescription.shape.boughtOn, '2026-02-30')).toBe(false)
  })
})
