import { MOVE_IN_STEPS } from '../core/house/movingIn'
import { v5 as idFrom } from 'uuid'
import type { Station, WeeklySpan } from '../contract/house'
import { occurrences } from '../core/house/serviceClock'
import { BOARDS, PRODUCTS } from '../core/house/stations'
import { knownBlade } from '../core/knife/blade'
import { EDGED_TYPES, TYPE_TEMPLATES } from '../core/knife/knifeTypes'
import { DEFAULT_SERVICE_LIMITS } from '../core/knife/limits'
import { chance } from '../core/statistics/random'
import { DAY_MS } from '../core/time'
import { liveThrough } from '../demo/life'
import type { Database } from '../server/db/database'
import { insertKnives } from '../server/db/queries/fleet/knives'
import { findHouse, insertHouse } from '../server/db/queries/house/houses'
import { insertPerson } from '../server/db/queries/house/people'
import { insertStation, insertStationPeriod } from '../server/db/queries/house/stations'
import { asKnifeEvent, insertEvents, type EventWrite } from '../server/db/queries/log/events'
import { replaceFolds } from '../server/db/queries/log/folds'
import { insertSpans } from '../server/db/queries/week/weeklySpans'
import { describeKnife } from '../server/services/fleet/knives'
import { foldKnife } from '../server/services/log/knifeState'
import { loadHouseContext } from '../server/services/log/usageContext'
import { hashSecret } from '../server/signIn/secrets'

export const BIG_SIGN_IN = { signInName: 'bench', password: 'one long afternoon' } as const
const KNIVES = 150
const PEOPLE = 30
const STATIONS = 10
const YEARS_MS = 3 * 365 * DAY_MS
const BATCH = 4000
const SPACE = '9f0c2d34-58f1-4f0c-8a1e-6b3a0d9b7c55'
const id = (...parts: readonly (string | number)[]): string => idFrom(parts.join('/'), SPACE)

const WEEK: readonly WeeklySpan[] = [1, 2, 3, 4, 5, 6, 7].flatMap((weekday): WeeklySpan[] => [
  { id: id('lunch', weekday), kind: 'service', weekday, name: 'lunch', starts: '12:00', ends: '14:30' },
  { id: id('quiet', weekday), kind: 'quiet', weekday, name: 'afternoon', starts: '15:00', ends: '17:00' },
  { id: id('dinner', weekday), kind: 'service', weekday, name: 'dinner', starts: '17:30', ends: '22:00' },
])

/** The largest house the design has to hold: 150 knives, 30 people, three years, about 400 000 events. */
export async function loadBigHouse(
  db: Database,
  now: Date,
): Promise<{ houseId: string; events: number; generateMs: number; insertMs: number; foldMs: number }> {
  const houseId = id('house')
  const nowMs = now.getTime()
  const passwordHash = await hashSecret(BIG_SIGN_IN.password)
  await insertHouse(db, {
    id: houseId,
    name: 'The long house',
    zone: 'Europe/Dublin',
    units: 'mm',
    serviceLimits: { ...DEFAULT_SERVICE_LIMITS },
    honingHabit: null,
    dayOrder: 'dmy',
    language: 'en',
    settled: [...MOVE_IN_STEPS],
    policies: [],
    isDemo: false,
  })
  const people = Array.from({ length: PEOPLE }, (_, index) => id('person', index))
  for (const [index, personId] of people.entries()) {
    const manager = index === 0
    await insertPerson(db, houseId, {
      id: personId,
      name: `Person ${index + 1}`,
      role: manager ? 'chef' : index < 4 ? 'sharpener' : 'cook',
      active: true,
      pinHash: null,
      signInName: manager ? BIG_SIGN_IN.signInName : null,
      passwordHash: manager ? passwordHash : null,
    })
  }
  const stations = Array.from({ length: STATIONS }, (_, index): Station => ({
    id: id('station', index),
    name: `Station ${index + 1}`,
    board: BOARDS[index % 5] ?? 'rubber',
    product: PRODUCTS[index % PRODUCTS.length] ?? 'mixed',
    hoursPerService: 1.5,
    active: true,
    weight: 1,
  }))
  for (const station of stations) {
    await insertStation(db, houseId, station)
    await insertStationPeriod(db, houseId, station, new Date(0))
  }
  await insertSpans(db, houseId, WEEK, new Date(0))
  const services = occurrences(
    WEEK.filter((span) => span.kind === 'service'),
    'Europe/Dublin',
    nowMs - YEARS_MS,
    nowMs,
  )
  const noExtra = { heel: 0, belly: 0, tip: 0 }
  const spent = { generateMs: 0, insertMs: 0, foldMs: 0 }
  let events = 0
  const house = await findHouse(db, houseId)
  if (!house) throw new Error('the big house was not stored')
  const context = await loadHouseContext(db, house)
  for (let index = 0; index < KNIVES; index++) {
    const started = performance.now()
    const type = EDGED_TYPES[index % EDGED_TYPES.length] ?? 'chef'
    const station = stations[index % STATIONS]
    if (!station) continue
    const holderId = people[index % PEOPLE] ?? null
    const knife = describeKnife(
      {
        id: id('knife', index),
        type,
        lengthMm: TYPE_TEMPLATES[type].typicalLengthMm,
        steelEn: '1.4116',
        stationId: station.id,
        holderId: null,
        condition: 'in-use',
      },
      `${TYPE_TEMPLATES[type].codePrefix}-${index + 1}`,
    )
    const { spec, geometry, role } = knownBlade(knife)
    const luck = chance(index + 1)
    const life = liveThrough({
      spec,
      geometry,
      limitGf: DEFAULT_SERVICE_LIMITS[role],
      board: station.board,
      product: station.product,
      hoursPerService: station.hoursPerService,
      trueWear: Math.exp(0.3 * luck.normal()),
      services,
      nowMs,
      holderId,
      hands: [{ personId: people[1] ?? '', leavesGf: noExtra }],
      habits: {
        logsHoning: 1,
        honesWith: null,
        honesBefore: 0.98,
        daysBetweenChecks: 2.2,
        laddersInstead: 0.1,
        sharpensOver: 0.95,
        untendedFromMs: nowMs,
      },
      chance: luck,
    })
    const added = {
      kind: 'added' as const,
      atMs: nowMs - YEARS_MS - DAY_MS,
      personId: people[0] ?? null,
      payload: { condition: 'in-use' as const, stationId: station.id, holderId },
    }
    const writes = [added, ...life]
      .sort((a, b) => a.atMs - b.atMs)
      .map((event, at): EventWrite => ({
        id: id('event', index, at),
        knifeId: knife.id,
        kind: event.kind,
        at: new Date(event.atMs),
        personId: event.personId,
        deviceId: null,
        payload: event.payload,
      }))
    const generated = performance.now()
    await db.transaction(async (client) => {
      await insertKnives(client, houseId, [knife])
      for (let from = 0; from < writes.length; from += BATCH)
        await insertEvents(client, houseId, writes.slice(from, from + BATCH))
    })
    const inserted = performance.now()
    const foldStarted = performance.now()
    const fold = foldKnife(context, knife, writes.map(asKnifeEvent))
    spent.foldMs += performance.now() - foldStarted
    await replaceFolds(db, houseId, [fold])
    spent.generateMs += generated - started
    spent.insertMs += inserted - generated
    events += writes.length
  }
  await db.query('analyze')
  return { houseId, events, ...spent }
}
