import type { Language } from '../contract/languages'
import { MOVE_IN_STEPS } from '../core/house/movingIn'
import type { Station, WeeklySpan } from '../contract/house'
import { occurrences } from '../core/house/serviceClock'
import { knownBlade } from '../core/knife/blade'
import { TYPE_TEMPLATES } from '../core/knife/knifeTypes'
import { DEFAULT_SERVICE_LIMITS } from '../core/knife/limits'
import { chance } from '../core/statistics/random'
import { DAY_MS } from '../core/time'
import { openDatabase, type Queryable } from '../server/db/database'
import { insertKnives, type StoredKnife } from '../server/db/queries/fleet/knives'
import { anyHouse, findHouse, insertHouse } from '../server/db/queries/house/houses'
import { insertPerson } from '../server/db/queries/house/people'
import { insertStation, insertStationPeriod } from '../server/db/queries/house/stations'
import { asKnifeEvent, insertEvents, type EventWrite } from '../server/db/queries/log/events'
import { replaceFolds } from '../server/db/queries/log/folds'
import { insertIncident } from '../server/db/queries/bench/incidents'
import { saveMoney } from '../server/db/queries/house/money'
import { insertStockCount, saveSupply } from '../server/db/queries/shelf/supplies'
import { replacePieces, saveGear } from '../server/db/queries/shelf/gear'
import { saveBench } from '../server/db/queries/week/crew'
import { insertSpans } from '../server/db/queries/week/weeklySpans'
import { describeKnife } from '../server/services/fleet/knives'
import { foldKnife } from '../server/services/log/knifeState'
import { loadHouseContext } from '../server/services/log/usageContext'
import { describeGear } from '../server/services/shelf/gear'
import { hashSecret } from '../server/signIn/secrets'
import { BENCHES, STAYS } from './crew'
import { GEAR, PIECES } from './gear'
import { sampleCounts, sampleIncidents, sampleMoney, SUPPLIES, THICKNESS_BEFORE } from './ledger'
import {
  DEMO_SIGN_IN,
  HONING,
  HOUSE_HONING,
  HOUSE_NAME,
  HOUSE_ZONE,
  KNIVES,
  PEOPLE,
  QUIET,
  SERVICES,
  STATIONS,
  USUAL_HONING,
  type SampleKnife,
} from './house'
import { id, personId, SAMPLE_HOUSE_ID, stationId, WEEKS } from './ids'
import { liveThrough, type Hand, type LifeEvent } from './life'
import { loadCrew, loadWalks } from './loadCrew'
import { recordSessions, type Paces } from './sessions'
import { lastChapter, UNTENDED_MS } from './stories'
import { ownWords, type OwnWord } from './words'

const SEED = 20_26
/** The knife nobody has read came this long ago. */
const NEWCOMER_DAYS = 6
/** The sharpeners of the house: one good, one whose tips come out dull, one solid. */
const HANDS: readonly [Hand, Hand, Hand] = [
  { personId: personId('Oda Finch'), leavesGf: { heel: 4, belly: 0, tip: 4 } },
  { personId: personId('Corin Hale'), leavesGf: { heel: 12, belly: 10, tip: 95 } },
  { personId: personId('Teun Aalders'), leavesGf: { heel: 18, belly: 14, tip: 20 } },
]

/** How long each of them takes to a burr, against the table, and how much longer on the left side: one has a weak hand. */
const PACES: Paces = {
  [personId('Oda Finch')]: { pace: 0.92, left: 1 },
  [personId('Corin Hale')]: { pace: 1.2, left: 1.7 },
  [personId('Teun Aalders')]: { pace: 1.05, left: 1 },
}

const weekOf = (kind: 'service' | 'quiet', spans: typeof SERVICES): WeeklySpan[] =>
  spans.flatMap(({ weekdays, name, starts, ends }) =>
    weekdays.map((weekday) => ({ id: id('span', kind, weekday, name), kind, weekday, name, starts, ends })),
  )

const WEEK = [...weekOf('service', SERVICES), ...weekOf('quiet', QUIET)]

/** Codes run by type: CH-01, CH-02 … in the order of the list. */
function withCodes(): { sample: SampleKnife; code: string }[] {
  const counts = new Map<string, number>()
  return KNIVES.map((sample) => {
    const prefix = TYPE_TEMPLATES[sample.type].codePrefix
    const number = (counts.get(prefix) ?? 0) + 1
    counts.set(prefix, number)
    return { sample, code: `${prefix}-${String(number).padStart(2, '0')}` }
  })
}

/** Bought between two and seven years ago, each knife by its own code. */
function boughtOn(code: string, nowMs: number): string {
  const days = 2 * 365 + Math.floor(chance(hashOf(code)).between(0, 5 * 365))
  return new Date(nowMs - days * DAY_MS).toISOString().slice(0, 10)
}
const hashOf = (text: string): number =>
  [...text].reduce((sum, letter) => (31 * sum + letter.charCodeAt(0)) % 65_521, 7)

function described(sample: SampleKnife, code: string, nowMs: number, own: OwnWord): StoredKnife {
  const { dps, ...measured } = sample.measured ?? {}
  const sides = dps === undefined ? {} : { dpsLeft: dps, dpsRight: dps }
  return describeKnife(
    {
      id: id('knife', code),
      code,
      name: sample.name === undefined ? '' : own(sample.name),
      type: sample.type,
      lengthMm: sample.lengthMm,
      steelEn: sample.steelEn,
      hrc: sample.hrc,
      price: sample.price,
      boughtOn: boughtOn(code, nowMs),
      ...(sample.ratioRight === undefined ? {} : { ratioRight: sample.ratioRight }),
      stationId: stationId(sample.station),
      holderId: null,
      condition: 'in-use',
      ...measured,
      ...sides,
    },
    code,
  )
}

/** Ten weeks of one knife, ending now. */
function history(sample: SampleKnife, knife: StoredKnife, nowMs: number, seed: number, own: OwnWord): LifeEvent[] {
  const luck = chance(seed)
  const blade = knownBlade(knife)
  const station = STATIONS.find((one) => one.name === sample.station)
  if (!station) throw new Error(`${knife.code} lies at ${sample.station}, which Hallow Quay does not have`)
  const fromMs = nowMs - (sample.story === 'never-read' ? NEWCOMER_DAYS : WEEKS * 7) * DAY_MS
  const holderId = sample.holder === null ? null : personId(sample.holder)
  const services = occurrences(
    WEEK.filter((span) => span.kind === 'service'),
    HOUSE_ZONE,
    fromMs,
    nowMs + DAY_MS,
  )
  const limitGf = DEFAULT_SERVICE_LIMITS[blade.role]
  const untendedFromMs = nowMs - (sample.story ? UNTENDED_MS[sample.story] : 0)
  const honing: (typeof HONING)[string] = HONING[sample.holder ?? ''] ?? USUAL_HONING
  const life = liveThrough({
    geometry: blade.geometry,
    spec: blade.spec,
    limitGf,
    board: station.board,
    product: station.product,
    hoursPerService: station.hoursPerService,
    trueWear: station.trueFactor * Math.exp(0.25 * luck.normal()),
    services,
    nowMs,
    holderId,
    hands:
      sample.station === 'Butchery' ? [HANDS[2]] : sample.station === 'Fish counter' ? [HANDS[1], HANDS[0]] : HANDS,
    habits: {
      honesBefore: honing.honed,
      logsHoning: honing.logged,
      honesWith: honing.tool ?? null,
      daysBetweenChecks: luck.between(2, 4),
      laddersInstead: luck.happens(0.3) ? 0.6 : 0.05,
      sharpensOver: luck.between(0.72, 0.88),
      untendedFromMs,
    },
    chance: luck,
  })
  const added: LifeEvent = {
    kind: 'added',
    atMs: fromMs,
    personId: personId('Maren Voss'),
    payload: { condition: 'in-use', stationId: stationId(sample.station), holderId },
  }
  const ending = sample.story
    ? lastChapter(sample.story, { nowMs, holderId, chefId: personId('Maren Voss'), limitGf, own })
    : []
  const left = ending.find((event) => event.kind === 'retired' || event.kind === 'quarantined')?.atMs ?? Infinity
  return [added, ...life.filter((event) => event.atMs < left), ...ending].sort((a, b) => a.atMs - b.atMs)
}

/** A slip of the finger that somebody noticed: 2450 gf where 245 was read. */
function slipOfTheFinger(code: string, nowMs: number, own: OwnWord): LifeEvent[] {
  const wrong = nowMs - 2 * DAY_MS
  const oda = personId('Oda Finch')
  return [
    {
      kind: 'checked',
      atMs: wrong,
      personId: oda,
      payload: { readings: [{ zone: 'belly', forcesGf: [2450] }], ladder: [] },
    },
    {
      kind: 'voided',
      atMs: wrong + 90_000,
      personId: oda,
      payload: { eventId: id('event', code, 'slip'), reason: own('Typed a digit too many') },
    },
  ]
}

function toWrites(code: string, knifeId: string, events: readonly LifeEvent[]): EventWrite[] {
  return events.map((event, index) => ({
    id:
      event.kind === 'checked' && event.payload.readings.some((reading) => reading.forcesGf.includes(2450))
        ? id('event', code, 'slip')
        : id('event', code, index),
    knifeId,
    kind: event.kind,
    at: new Date(event.atMs),
    personId: event.personId,
    deviceId: null,
    payload: event.payload,
  }))
}

const BATCH = 2000

async function loadHouse(db: Queryable, nowMs: number, language: Language, own: OwnWord): Promise<void> {
  const [passwordHash, pinHash] = await Promise.all([hashSecret(DEMO_SIGN_IN.password), hashSecret(DEMO_SIGN_IN.pin)])
  await insertHouse(db, {
    id: SAMPLE_HOUSE_ID,
    name: HOUSE_NAME,
    zone: HOUSE_ZONE,
    units: 'mm',
    serviceLimits: { ...DEFAULT_SERVICE_LIMITS },
    honingHabit: HOUSE_HONING,
    dayOrder: 'dmy',
    language,
    settled: [...MOVE_IN_STEPS],
    policies: [],
    isDemo: true,
  })
  for (const [index, person] of PEOPLE.entries()) {
    const manager = index === 0
    await insertPerson(db, SAMPLE_HOUSE_ID, {
      id: personId(person.name),
      name: person.name,
      role: person.role,
      active: true,
      pinHash,
      signInName: manager ? DEMO_SIGN_IN.signInName : null,
      passwordHash: manager ? passwordHash : null,
      honeTool: HONING[person.name]?.tool ?? null,
    })
  }
  await loadWalks(db, nowMs)
  for (const { trueFactor: _, ...station } of STATIONS) {
    const made: Station = {
      id: stationId(station.name),
      ...station,
      name: own(station.name),
      active: true,
      weight: station.name === 'Fish counter' ? 2 : 1,
    }
    await insertStation(db, SAMPLE_HOUSE_ID, made)
    await insertStationPeriod(db, SAMPLE_HOUSE_ID, made, new Date(0))
  }
  await insertSpans(
    db,
    SAMPLE_HOUSE_ID,
    WEEK.map((span) => ({ ...span, name: own(span.name) })),
    new Date(0),
  )
  for (const name of BENCHES)
    await saveBench(db, SAMPLE_HOUSE_ID, { id: id('bench', name), name: own(name), active: true })
  for (const { knivesSince, flattenedDaysAgo, ...gear } of GEAR) {
    const flattenedAt =
      flattenedDaysAgo === undefined ? null : new Date(nowMs - flattenedDaysAgo * DAY_MS).toISOString()
    const before = THICKNESS_BEFORE[gear.name]
    const kept = {
      ...describeGear({ id: id('gear', gear.name), ...gear, name: own(gear.name) }),
      knivesSince,
      flattenedAt,
      benchId: STAYS[gear.name] ? id('bench', STAYS[gear.name] ?? '') : null,
    }
    if (before !== undefined)
      await saveGear(db, SAMPLE_HOUSE_ID, { ...kept, thicknessMm: before }, new Date(nowMs - WEEKS * 7 * DAY_MS))
    await saveGear(db, SAMPLE_HOUSE_ID, kept, new Date(nowMs))
  }
  await replacePieces(
    db,
    SAMPLE_HOUSE_ID,
    PIECES.map((piece) => ({ ...piece, name: /^\d/.test(piece.name) ? piece.name : own(piece.name) })),
  )
  await saveMoney(
    db,
    SAMPLE_HOUSE_ID,
    sampleMoney((name) => id('gear', name)),
  )
  for (const { counts: _, ...supply } of SUPPLIES)
    await saveSupply(db, SAMPLE_HOUSE_ID, {
      ...supply,
      name: own(supply.name),
      unit: own(supply.unit),
      id: id('supply', supply.name),
      active: true,
    })
  for (const supply of SUPPLIES)
    for (const count of sampleCounts(supply, nowMs))
      await insertStockCount(db, SAMPLE_HOUSE_ID, id('supply', supply.name), count)
  await loadCrew(db, nowMs, own)
}

/**
 * Loads Hallow Quay with ten weeks of history ending `now`, all of it or nothing.
 *
 * @param language that the house speaks, and calls its stations and gear in
 * @returns what was loaded, or null when a house is there already
 */
export async function loadSampleHouse(
  databaseUrl: string,
  now: Date,
  language: Language = 'en',
): Promise<{ knives: number; people: number; events: number } | null> {
  const db = openDatabase(databaseUrl, () => undefined)
  const own = ownWords(language)
  try {
    return await db.transaction(async (client) => {
      if (await anyHouse(client)) return null
      await loadHouse(client, now.getTime(), language, own)
      const house = await findHouse(client, SAMPLE_HOUSE_ID)
      if (!house) throw new Error('the sample house was not stored')
      const context = await loadHouseContext(client, house)
      const fleet = withCodes().map(({ sample, code }, index) => {
        const knife = described(sample, code, now.getTime(), own)
        const slip = code === 'CH-03' ? slipOfTheFinger(code, now.getTime(), own) : []
        const events = [...history(sample, knife, now.getTime(), SEED + index, own), ...slip].sort(
          (a, b) => a.atMs - b.atMs,
        )
        return { knife, writes: toWrites(code, knife.id, events) }
      })
      await insertKnives(
        client,
        house.id,
        fleet.map(({ knife }) => knife),
      )
      const writes = fleet.flatMap((one) => one.writes)
      for (let from = 0; from < writes.length; from += BATCH)
        await insertEvents(client, house.id, writes.slice(from, from + BATCH))
      for (const incident of sampleIncidents(now.getTime(), (code) => id('knife', code)))
        await insertIncident(client, house.id, incident)
      await recordSessions(client, context, fleet, PACES, now.getTime())
      await replaceFolds(
        client,
        house.id,
        fleet.map(({ knife, writes: own }) => foldKnife(context, knife, own.map(asKnifeEvent))),
      )
      return { knives: fleet.length, people: PEOPLE.length, events: writes.length }
    })
  } finally {
    await db.close()
  }
}
