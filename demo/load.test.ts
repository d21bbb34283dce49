import { beforeAll, describe, expect, it } from 'vitest'
import type { Fleet } from '../contract/fleet'
import type { HouseLearning } from '../contract/learning'
import { DAY_MS, HOUR_MS } from '../core/time'
import { openDatabase } from '../server/db/database'
import { sessionsOfKnife, type StoredSession } from '../server/db/queries/bench/sessions'
import { findHouse } from '../server/db/queries/house/houses'
import { readFleet } from '../server/services/fleet/fleet'
import { houseLearning } from '../server/services/fleet/learning'
import { loadCrew } from '../server/services/week/crewAhead'
import type { Caller } from '../server/signIn/sessions'
import { newDatabase } from '../server/testing/harness'
import { habitWords } from '../words/habit'
import { speaker } from '../words/say'
import { KNIVES, PEOPLE } from './house'
import { SAMPLE_HOUSE_ID } from './ids'
import { loadSampleHouse } from './load'

const NOW = new Date('2026-11-24T14:42:00Z')
let fleet: Fleet
let sessions: StoredSession[]
let tested: number
let crew: { personId: string; pace: number }[]
let learned: HouseLearning
let log: { first: Date; last: Date; n: number }

beforeAll(async () => {
  const url = await newDatabase()
  await loadSampleHouse(url, NOW)
  expect(await loadSampleHouse(url, NOW)).toBeNull()
  const db = openDatabase(url, () => undefined)
  const house = await findHouse(db, SAMPLE_HOUSE_ID)
  if (!house) throw new Error('no sample house')
  fleet = await readFleet(db, house, NOW)
  learned = await houseLearning(db, { house, person: { role: 'chef' } } as Caller, NOW)
  const { rows } = await db.query<typeof log>(
    'select min(at) as first, max(at) as last, count(*)::int as n from events',
  )
  log = rows[0] ?? log
  sessions = []
  for (const { id } of fleet.knives) sessions.push(...(await sessionsOfKnife(db, house.id, id, 5)))
  const forces = await db.query<{ n: number }>(
    `select count(distinct session_id)::int as n from bench_actions where action ->> 'kind' = 'force' and action ->> 'when' = 'after'`,
  )
  tested = forces.rows[0]?.n ?? 0
  crew = [...(await loadCrew(db, house.id, NOW.toISOString().slice(0, 10))).paces].map(([personId, { pace }]) => ({
    personId,
    pace,
  }))
  stoned = (
    await db.query<(typeof stoned)[number]>(
      `select k.type, count(distinct k.id)::int as knives, count(*)::int as sessions,
         (count(*) filter (where (e.payload ->> 'startGrit')::numeric < 800))::int as coarse
       from events e
       join knives k on k.house_id = e.house_id and k.id = e.knife_id
       where e.kind = 'sharpened'
       group by k.type`,
    )
  ).rows
  await db.close()
})

/** Sharpenings of one kind of knife in the ten weeks, and how many of them began on a coarse stone. */
let stoned: { type: string; knives: number; sessions: number; coarse: number }[]

const needing = (action: string): string[] =>
  fleet.knives
    .filter((knife) => knife.status === 'in-service' && knife.verdict.action === action)
    .map((knife) => knife.code)

describe('Hallow Quay', () => {
  // a chef’s knife goes to the stone weekly to fortnightly, and to a coarse one much more seldom (common practice)
  it('sharpens as often as kitchens do, and nobody grinds a chef’s knife on #320 every fourth day', () => {
    const chefs = stoned.find(({ type }) => type === 'chef')
    const daysBetween = (count: number): number => (70 * (chefs?.knives ?? 0)) / count
    expect(daysBetween(chefs?.sessions ?? Infinity)).toBeGreaterThanOrEqual(6)
    expect(daysBetween(chefs?.sessions ?? Infinity)).toBeLessThanOrEqual(15)
    expect(daysBetween(chefs?.coarse ?? Infinity)).toBeGreaterThan(12)
    expect(stoned.find(({ type }) => type === 'bread')?.coarse).toBe(0)
  })

  it('has a weak hand to train', () => {
    expect(learned.sides.map(({ name, hand }) => [name, hand])).toContainEqual(['Corin Hale', 'left'])
  })

  it('has its knives, its people and ten weeks of history that end now', () => {
    expect(fleet.knives).toHaveLength(KNIVES.length)
    expect(fleet.people).toHaveLength(PEOPLE.length)
    expect(log.n).toBeGreaterThan(4000)
    expect(NOW.getTime() - log.first.getTime()).toBe(70 * DAY_MS)
    expect(log.last.getTime()).toBeLessThanOrEqual(NOW.getTime())
    expect(NOW.getTime() - log.last.getTime()).toBeLessThan(12 * HOUR_MS)
  })

  it('has a knife past honing, one chipped, one to thin, one worn out, one in quarantine and one never read', () => {
    const past = fleet.knives.find((knife) => knife.code === 'CH-07')
    expect(past?.verdict.action).toBe('stone')
    expect(past?.verdict.reasons.map((reason) => reason.code)).toContain('hone-failed')
    expect(needing('repair')).toEqual(['PE-05'])
    expect(needing('thin')).toEqual(['BN-02'])
    expect(needing('change-role')).toEqual(['SL-03'])
    expect(fleet.knives.filter((knife) => knife.status === 'quarantined').map((knife) => knife.code)).toEqual(['PE-04'])
    expect(fleet.knives.find((knife) => knife.code === 'SA-03')?.verdict.reasons[0]?.code).toBe('never-read')
  })

  it('has sessions of the last weeks to read again, at paces its hands are known by', () => {
    expect(sessions.length).toBeGreaterThan(10)
    expect(
      sessions.every(
        ({ outcome, startedAt, endedAt }) => outcome === 'finished' && endedAt !== null && startedAt < endedAt,
      ),
    ).toBe(true)
    expect(tested).toBeGreaterThan(sessions.length / 2)
    // what each of them is given in the sample house comes out of the minutes in their sessions
    const paceOf = (name: string): number =>
      crew.find(({ personId }) => personId === fleet.people.find((one) => one.name === name)?.id)?.pace ?? NaN
    expect(paceOf('Oda Finch')).toBeLessThan(1)
    expect(paceOf('Corin Hale')).toBeGreaterThan(1.05)
    expect(paceOf('Corin Hale')).toBeGreaterThan(paceOf('Teun Aalders'))
  })

  it('has cooks who log all their honing, some, and none, and edges that tell which it is', () => {
    const habit = (name: string): (typeof learned.habits)[number] => {
      const found = learned.habits.find((one) => one.name === name)
      if (!found) throw new Error(name)
      return found
    }
    expect(habit('Wren Askew').honed).toBeGreaterThan(0.85)
    expect(habit('Wren Askew').logged).toBeGreaterThan(0.85)
    expect(habit('Milo Tarn').logged).toBeGreaterThan(0.3)
    expect(habit('Milo Tarn').logged).toBeLessThan(0.75)
    expect(habit('Bram Kessel').logged).toBe(0)
    expect(habit('Bram Kessel').honed).toBeGreaterThan(0.55)
    expect(habit('Leif Oster').honed).toBeLessThan(0.35)
    expect(habitWords(habit('Leif Oster'), speaker())).toContain('That is less than was said (each time).')
    // his station is not blamed for what he does not do
    expect(learned.stations.find(({ name }) => name === 'Grill')?.effect.says).not.toBe('more')
    expect(learned.stations.find(({ name }) => name === 'Banquet prep')?.effect.says).toBe('more')
  })

  it('is mostly kept up: a house worth showing, not a heap of dull knives', () => {
    const dull = fleet.knives.filter(
      (knife) => knife.status === 'in-service' && (knife.word === 'dull' || knife.word === 'out'),
    )
    expect(dull.length).toBeGreaterThan(2)
    expect(dull.length).toBeLessThan(KNIVES.length / 3)
  })

  it('loads on a Sunday night in summer time as well', async () => {
    expect(await loadSampleHouse(await newDatabase(), new Date('2027-07-04T23:31:00Z'))).toMatchObject({
      knives: KNIVES.length,
      people: PEOPLE.length,
    })
  })
})
