import { describe, expect, it } from 'vitest'
import { AROUND, START_MS, STATED, syntheticFleet, type SyntheticKnife } from '../../../synthetic/fleet'
import type { BladeSpec } from '../../knife/bladeSpec'
import { ZONES } from '../../knife/zones'
import { meanOf, update } from '../../statistics/gaussian'
import { chance } from '../../statistics/random'
import { knownParameter, WEAR } from '../filter/belief'
import { foldHistory } from '../log/history'
import { type UsageContext } from '../log/usage'
import { addHandResidual } from '../log/lessons'
import { initialState, type KnifeState } from '../log/state'
import type { KnifeEvent } from '../model/events'
import {
  boardFactor,
  handFactor,
  informBySimilarKnives,
  learnFleet,
  stationFactor,
  toolEfficiency,
  type SimilarKnife,
  type Stations,
  stationShift,
} from './fleetLessons'
import { handLife } from './handLife'

const spec: BladeSpec = {
  dps: 17,
  hrc: 57,
  carbides: { CrC: 2 },
  serrated: false,
  joined: { heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35, measured: { height: false, bte: false, spine: false } },
}
const stations: Stations = new Map([
  ['fair', { board: 'soft-plastic', product: 'mixed', hoursPerService: 2 }],
  ['eater', { board: 'hard-plastic', product: 'mixed', hoursPerService: 2 }],
])
/** A knife that has worked at a station and is believed to wear at some rate there. */
function worker(id: string, stationId: string, logWear: number, more: Partial<KnifeState> = {}): SimilarKnife {
  const start = initialState(spec, 0, 'new')
  const before = { mean: meanOf(start.belief, WEAR), variance: knownParameter(start.belief, WEAR).sd ** 2 }
  const belief = update(start.belief, [[WEAR, 1]], before, { mean: logWear, variance: 0.01 })
  return {
    id,
    steel: '1.4116',
    role: 'general',
    state: {
      ...start,
      belief,
      stationId,
      lessons: { ...start.lessons, workAt: { [stationId]: 100 }, readings: 40 },
      ...more,
    },
  }
}
const fleet = (): SimilarKnife[] => {
  const luck = chance(5)
  return Array.from({ length: 16 }, (_, index) =>
    worker(
      `k${index}`,
      index % 2 === 0 ? 'fair' : 'eater',
      (index % 2 === 0 ? 0 : Math.log(1.8)) + 0.15 * luck.normal(),
    ),
  )
}

describe('what the fleet teaches', () => {
  it('finds the station that eats edges, and leaves the fair one in peace', () => {
    const lessons = learnFleet(fleet(), stations)
    const [eater, fair] = [stationFactor(lessons, 'eater', stations), stationFactor(lessons, 'fair', stations)]
    expect(eater.says).toBe('more')
    expect(eater.low).toBeLessThan(1.8)
    expect(eater.factor).toBeGreaterThan(1.25)
    expect(fair.says).not.toBe('more')
    expect(boardFactor(lessons, 'hard-plastic').factor).toBeGreaterThan(1.1)
  })

  it('says nothing where nobody has read anything', () => {
    const unread = Array.from({ length: 6 }, (_, index): SimilarKnife => ({
      id: `u${index}`,
      steel: '1.4116',
      role: 'general',
      state: { ...initialState(spec, 0, 'in-use'), stationId: 'fair' },
    }))
    const lessons = learnFleet(unread, stations)
    expect(stationFactor(lessons, 'eater', stations)).toMatchObject({ factor: 1, says: 'nothing' })
    expect(toolEfficiency(lessons, 'smooth-steel').says).toBe('nothing')
    expect(lessons.hands.offStone.observations.size).toBe(0)
  })

  it('a new knife borrows from its kin, and a well-read one hardly moves', () => {
    const newcomer: SimilarKnife = {
      id: 'new',
      steel: '1.4116',
      role: 'general',
      state: { ...initialState(spec, 0, 'in-use'), stationId: 'eater' },
    }
    const [known] = fleet().slice(1)
    if (!known) throw new Error('no knife')
    const lessons = learnFleet([...fleet(), newcomer], stations)
    const wear = (knife: SimilarKnife): number =>
      knownParameter(informBySimilarKnives(knife, lessons, stations, 17).belief, WEAR).mean
    expect(wear(newcomer)).toBeGreaterThan(0.3)
    expect(knownParameter(informBySimilarKnives(newcomer, lessons, stations, 17).belief, WEAR).sd).toBeLessThan(0.5)
    expect(Math.abs(wear(known) - knownParameter(known.state.belief, WEAR).mean)).toBeLessThan(0.06)
  })

  it('does not tell a knife what it said itself', () => {
    const alone = worker('only', 'fair', 0.6)
    const lessons = learnFleet([alone], stations)
    expect(knownParameter(informBySimilarKnives(alone, lessons, stations, 17).belief, WEAR).mean).toBeCloseTo(
      knownParameter(alone.state.belief, WEAR).mean,
      2,
    )
  })

  it('finds the hand whose tips come out dull, and how much sooner they are dull again', () => {
    const luck = chance(9)
    const judged = (personId: string, tipLog: number): KnifeState['lessons'] =>
      Array.from({ length: 12 }).reduce<KnifeState['lessons']>(
        (lessons) =>
          addHandResidual(
            lessons,
            personId,
            'offStone',
            ZONES.map((zone) => ({ zone, log: (zone === 'tip' ? tipLog : 0) + 0.12 * luck.normal(), variance: 0.016 })),
          ),
        initialState(spec, 0, 'new').lessons,
      )
    const lessons = learnFleet(
      [
        worker('a', 'fair', 0, { lessons: judged('good', 0) }),
        worker('b', 'fair', 0, { lessons: judged('dull-tips', 0.4) }),
      ],
      stations,
    )
    expect(handFactor(lessons, 'dull-tips', 'tip', 'offStone').says).toBe('more')
    expect(handFactor(lessons, 'dull-tips', 'heel', 'offStone').says).not.toBe('more')
    expect(handFactor(lessons, 'good', 'tip', 'offStone').says).not.toBe('more')
    expect(handLife(handFactor(lessons, 'dull-tips', 'tip', 'offStone')).factor).toBeLessThan(0.8)
    // nobody looked again after hours of use, so nothing is said of how long the edges last
    expect(handFactor(lessons, 'dull-tips', 'tip', 'afterUse')).toMatchObject({ factor: 1, says: 'nothing' })
  })
})

describe('life after a finish', () => {
  const larder: Stations = new Map([
    ['larder', { board: 'soft-plastic', product: 'vegetables', hoursPerService: 2 }],
    ['cold', { board: 'soft-plastic', product: 'meat', hoursPerService: 2 }],
  ])
  const finished = (id: string, stationId: string, finish: 'polished' | 'toothy', log = 0): SimilarKnife => {
    const knife = worker(id, stationId, log)
    const done = { polished: 0, usual: 0, toothy: 0, [finish]: 100 }
    return {
      ...knife,
      state: {
        ...knife.state,
        stationId,
        sharpening: { ...knife.state.sharpening, finishMicron: finish === 'polished' ? 2 : 11.5 },
        lessons: { ...knife.state.lessons, workAt: { [stationId]: 100 }, workAfter: { [stationId]: done } },
      },
    }
  }
  const shift = (knife: SimilarKnife, micron: number, among: readonly SimilarKnife[] = [knife]): number =>
    stationShift(
      { ...knife, state: { ...knife.state, sharpening: { ...knife.state.sharpening, finishMicron: micron } } },
      knife.state.stationId ?? '',
      learnFleet(among, larder),
      larder,
    )

  // Over-polished edges slide on peppers after a couple of hours; chilled meat wants the highest polish (common practice).
  it('begins as the trade has it: polished keeps worse on vegetables and better on chilled meat', () => {
    const [veg, meat] = [finished('v', 'larder', 'toothy'), finished('m', 'cold', 'toothy')]
    expect(shift(veg, 2)).toBeGreaterThan(shift(veg, 11.5))
    expect(shift(meat, 2)).toBeLessThan(shift(meat, 11.5))
    expect(shift(veg, 11.5)).toBeCloseTo(1, 9)
  })

  it('gives way to what a house’s own edges say', () => {
    const fleetOf = (log: number): SimilarKnife[] => [
      ...[1, 2, 3, 4, 5].map((n) => finished(`p${n}`, 'larder', 'polished', log)),
      ...[1, 2, 3, 4, 5].map((n) => finished(`t${n}`, 'larder', 'toothy', -log)),
    ]
    const [against] = fleetOf(-0.4).slice(5)
    const [agreeing] = fleetOf(0.4).slice(5)
    if (!against || !agreeing) throw new Error('no knife')
    expect(shift(against, 2, fleetOf(-0.4))).toBeLessThan(shift(agreeing, 2, fleetOf(0.4)))
    expect(shift(against, 2, fleetOf(-0.4))).toBeLessThan(1)
  })
})

describe('a fleet with a known truth', () => {
  const made = syntheticFleet({ ...STATED, knives: 24, seed: 4, law: 'archard' })
  /** Every other knife lies on a board that truly wears it half as fast again as the table knows. */
  const harsh: UsageContext = {
    stations: new Map([
      ...AROUND.stations,
      ['harsh', [{ fromMs: 0, board: 'soft-plastic', product: 'fish', hoursPerService: 1.3 }]],
    ]),
    services: AROUND.services,
  }
  const similar = made.map((knife: SyntheticKnife, index): SimilarKnife => {
    const stationId = index % 2 === 0 ? 'board' : 'harsh'
    const events = knife.events.map((event): KnifeEvent =>
      event.kind === 'added' ? { ...event, payload: { ...event.payload, stationId } } : event,
    )
    const untilMs = Math.max(START_MS, ...events.map(({ atMs }) => atMs))
    return {
      id: String(index),
      steel: `${knife.spec.hrc}`,
      role: 'general',
      state: foldHistory({ spec: knife.spec, usage: harsh, events, untilMs, limitGf: knife.limitGf }),
    }
  })
  const all: Stations = new Map([
    ['board', { board: 'soft-plastic', product: 'mixed', hoursPerService: 2 }],
    ['harsh', { board: 'soft-plastic', product: 'fish', hoursPerService: 1.3 }],
  ])

  // Told 1.3 hours of fish (0.8) where the truth was 2 hours of mixed work: 2 / (1.3 · 0.8) = 1.92 times.
  it('notices a station whose hours are wrong', () => {
    const lessons = learnFleet(similar, all)
    const [honest, wrong] = [stationFactor(lessons, 'board', all), stationFactor(lessons, 'harsh', all)]
    expect(wrong.factor / honest.factor).toBeGreaterThan(1.3)
    expect(wrong.factor / honest.factor).toBeLessThan(2.4)
  })
})
