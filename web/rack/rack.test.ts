import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import type { Fleet } from '../../contract/fleet'
import type { KnifeView } from '../../contract/knives'
import { KnifePatch, NewKnife } from '../../contract/knives'
import { useFleet } from '../live/fleet'
import { knownFleet } from '../testing/knownFleet'
import { matchesQuery } from '../ui/findKnives'
import { silhouette } from '../ui/profiles'
import { describeDraft, knifeDraft } from './knifeDraft'
import { rackKnives, type RackQuery } from './rackQuery'

const zone = (forceGf: number) => ({
  forceGf,
  lowGf: forceGf,
  highGf: forceGf,
  word: 'sound' as const,
  bluntUm: 5,
  roll: 0.2,
})
function knife(code: string, more: Partial<KnifeView> = {}): KnifeView {
  return {
    id: code,
    code,
    name: '',
    type: 'chef',
    status: 'in-service',
    stationId: 'hot',
    holderId: 'ilse',
    word: 'sound',
    limitGf: 350,
    worstZone: 'tip',
    lengthMm: 240,
    heelHeightMm: 48,
    serrated: false,
    checkedAt: null,
    assumed: [],
    zones: { heel: zone(200), belly: zone(200), tip: zone(220) },
    ...more,
  } as KnifeView
}
const knives = [
  knife('CH-01', { word: 'keen', checkedAt: '2026-11-20T10:00:00Z' }),
  knife('CH-02', { word: 'dull', zones: { heel: zone(300), belly: zone(350), tip: zone(420) }, holderId: null }),
  knife('BR-01', {
    type: 'bread',
    word: 'tiring',
    limitGf: 600,
    stationId: 'bread',
    holderId: 'noor',
    zones: { heel: zone(400), belly: zone(500), tip: zone(580) },
  }),
  knife('PE-01', { type: 'petty', status: 'quarantined', name: 'oyster' }),
]
const everything: RackQuery = { text: '', stations: [], word: '', status: 'in-service', sort: 'code', view: 'strips' }
const person = (id: string, name: string): Fleet['people'][number] => ({
  id,
  name,
  role: 'cook',
  active: true,
  hasPin: true,
  signInName: null,
  workingDps: null,
  honingHabit: null,
  honeTool: null,
})

let fleet: ReturnType<typeof useFleet>
beforeEach(() => {
  setActivePinia(createPinia())
  fleet = useFleet()
  knownFleet({
    now: '2026-11-24T14:42:00Z',
    knives,
    planned: [],
    people: [person('ilse', 'Ilse Brandt'), person('noor', 'Noël Aster')],
    stations: [
      { id: 'hot', name: 'Sauté', board: 'rubber', product: 'mixed', hoursPerService: 2, active: true, weight: 1 },
      {
        id: 'bread',
        name: 'Bread',
        board: 'edge-grain',
        product: 'bread',
        hoursPerService: 1,
        active: true,
        weight: 1,
      },
    ],
    day: { startsAt: '2026-11-24T00:00:00Z', services: [], quiet: [] },
  })
})
const codes = (query: Partial<RackQuery>): string[] =>
  rackKnives(knives, { ...everything, ...query }, fleet).map((one) => one.code)

describe('the rack', () => {
  it('shows what is in service unless asked for more', () => {
    expect(codes({})).toEqual(['BR-01', 'CH-01', 'CH-02'])
    expect(codes({ status: 'quarantined' })).toEqual(['PE-01'])
    expect(codes({ status: 'all' })).toHaveLength(4)
  })

  it('filters by station and by condition or worse', () => {
    expect(codes({ stations: ['bread'] })).toEqual(['BR-01'])
    expect(codes({ stations: ['bread', 'nowhere'] })).toEqual(['BR-01'])
    expect(codes({ word: 'tiring' })).toEqual(['BR-01', 'CH-02'])
    expect(codes({ word: 'out' })).toEqual([])
  })

  it('orders by need against each knife’s own limit, by force, by holder and by the last check', () => {
    expect(codes({ sort: 'need' })).toEqual(['CH-02', 'BR-01', 'CH-01'])
    expect(codes({ sort: 'force' })).toEqual(['BR-01', 'CH-02', 'CH-01'])
    expect(codes({ sort: 'holder' })).toEqual(['CH-02', 'CH-01', 'BR-01'])
    expect(codes({ sort: 'checked' }).at(-1)).toBe('CH-01')
  })

  it.each([
    ['ch01', ['CH-01']],
    ['CH-02', ['CH-02']],
    ['saute', ['CH-01', 'CH-02']],
    ['noel', ['BR-01']],
    ['nobody', ['CH-02']],
    ['dull', ['CH-02']],
    ['bread tiring', ['BR-01']],
    ['chef bread', []],
  ])('finds %j', (text, found) => {
    expect(codes({ text })).toEqual(found)
  })

  it('finds by what the house calls a knife', () => {
    expect(matchesQuery(knives[3] ?? knife('X'), 'oyster', fleet)).toBe(true)
  })
})

describe('the knife form', () => {
  it('asks for no more than a type, a length and a station', () => {
    const draft = knifeDraft(null, '73e764e8-09b4-54e7-98ee-4887e493436b')
    draft.lengthMm = 210
    const read = NewKnife.safeParse({ ...describeDraft(draft, 50), id: draft.id, stationId: draft.stationId })
    expect(read.error?.issues).toBeUndefined()
    expect(read.data).toMatchObject({ type: 'chef', lengthMm: 210, heelHeightMm: null, ratioRight: 50 })
    expect(read.data?.code).toBeUndefined()
  })

  it('leaves unmeasured what is only usual for the type', () => {
    const draft = knifeDraft(
      knife('CH-01', { assumed: ['heelHeightMm'], spineMm: 2.2, heelHeightMm: 48, dpsLeft: 17 }),
      'x',
    )
    expect(draft.heelHeightMm).toBeNull()
    expect(draft.spineMm).toBe(2.2)
  })

  it('sends what the contract takes', () => {
    const draft = knifeDraft(
      knife('CH-01', {
        spineMm: 2.2,
        bteMm: 0.3,
        bteNewMm: 0.3,
        dpsLeft: 17,
        dpsRight: 17,
        hrc: 57,
        ratioRight: 50,
        grind: 'flat',
        steelEn: '1.4116',
        price: 82,
        boughtOn: null,
      }),
      'x',
    )
    expect(KnifePatch.safeParse(describeDraft(draft, 50)).success).toBe(true)
  })
})

describe('silhouettes', () => {
  it('are worked out once a shape and drawn to one scale', () => {
    const chef = silhouette(knives[0] ?? knife('X'), 2.6)
    expect(silhouette(knife('CH-77'), 2.6)).toBe(chef)
    const paring = silhouette(knife('PA-01', { type: 'paring', lengthMm: 90, heelHeightMm: 20 }), 2.6)
    expect(paring.widthMm).toBeLessThan(chef.widthMm)
    expect(chef.blade).toMatch(/^M[\d. L-]+Z$/)
    expect(chef.edge.heel.startsWith('M')).toBe(true)
  })
})
