import { describe, expect, it } from 'vitest'
import { MOVE_IN_STEPS, stillMissing, type HouseFacts } from './movingIn'

type Knife = HouseFacts['knives'][number]
type Person = HouseFacts['people'][number]
const knife = (own: Partial<Knife> = {}): Knife => ({
  code: 'CH-01',
  hrc: 57,
  held: true,
  seen: true,
  chipped: false,
  serrated: false,
  angleKnown: true,
  ...own,
})
const person = (own: Partial<Person> = {}): Person => ({
  name: 'Ansa',
  canSignIn: true,
  skills: ['hone', 'maintenance', 'full'],
  onRota: true,
  ...own,
})
/** A house that has said everything. */
const settledHouse: HouseFacts = {
  settled: MOVE_IN_STEPS,
  gear: [
    { kind: 'soaking-stone', micron: 75 },
    { kind: 'soaking-stone', micron: 14 },
    { kind: 'flattening-plate', micron: null },
    { kind: 'ceramic-rod', micron: null },
  ],
  knives: [knife()],
  people: [person(), person({ name: 'Ruel' })],
  habitSaid: true,
}
const missing = (own: Partial<HouseFacts>): string[] => stillMissing({ ...settledHouse, ...own }).map(({ gap }) => gap)

describe('what a house has not said yet', () => {
  it('is nothing where it has said all', () => {
    expect(missing({})).toEqual([])
  })

  it('begins, in a house of which nothing is known, with what stops the work', () => {
    expect(
      missing({ settled: [], gear: [], knives: [], people: [person({ onRota: false })], habitSaid: false }),
    ).toEqual(['knives', 'week', 'stations', 'stones', 'hands'])
  })

  it('sends nobody out for a coarse stone unless something is chipped', () => {
    const gear = settledHouse.gear.filter(({ micron }) => micron !== 75)
    expect(missing({ gear })).toEqual([])
    expect(stillMissing({ ...settledHouse, gear, knives: [knife({ code: 'BN-02', chipped: true })] })).toEqual([
      { gap: 'coarse', codes: ['BN-02'], names: [] },
    ])
  })

  it('asks for a plate where stones hollow, and takes a diamond plate for one', () => {
    const stones = settledHouse.gear.filter(({ kind }) => kind !== 'flattening-plate')
    expect(missing({ gear: stones })).toEqual(['flattening'])
    expect(missing({ gear: [...stones, { kind: 'diamond-plate', micron: 40 }] })).toEqual([])
    expect(
      missing({
        gear: [
          { kind: 'diamond-plate', micron: 40 },
          { kind: 'strop', micron: null },
        ],
      }),
    ).toEqual([])
  })

  it('asks for ceramic, diamond or leather where edges are too hard for a steel, teeth aside', () => {
    const gear = [
      ...settledHouse.gear.filter(({ kind }) => kind !== 'ceramic-rod'),
      { kind: 'smooth-steel', micron: null } as const,
    ]
    expect(missing({ gear })).toEqual([])
    expect(missing({ gear, knives: [knife({ hrc: 62 })] })).toEqual(['hard-hone'])
    expect(missing({ gear, knives: [knife({ hrc: 62, serrated: true })] })).toEqual([])
  })

  it('wants a second pair of hands at the stones, but not of a house of one', () => {
    const cook = person({ name: 'Ruel', skills: ['hone'] })
    expect(stillMissing({ ...settledHouse, people: [person(), cook] })).toEqual([
      { gap: 'skills', codes: [], names: ['Ruel'] },
    ])
    expect(missing({ people: [person()] })).toEqual([])
  })

  it('names the knives and people it is about', () => {
    const gaps = stillMissing({
      ...settledHouse,
      knives: [knife({ code: 'A', seen: false, held: false }), knife({ code: 'B', angleKnown: false })],
      people: [person(), person({ name: 'Ruel', canSignIn: false })],
    })
    expect(gaps.map(({ gap, codes, names }) => [gap, ...codes, ...names])).toEqual([
      ['looks', 'A'],
      ['holders', 'A'],
      ['pins', 'Ruel'],
      ['angles', 'B'],
    ])
  })
})
