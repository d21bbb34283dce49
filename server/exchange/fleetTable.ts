import { v4 as newId } from 'uuid'
import type { ExchangeRow } from '../../contract/exchange'
import type { Station } from '../../contract/house'
import { NewKnife, type KnifeDescription } from '../../contract/knives'
import { issueWords } from '../../words/faults'
import type { Queryable } from '../db/database'
import { insertKnives, listKnives, updateKnife, type StoredKnife } from '../db/queries/fleet/knives'
import { insertStation, insertStationPeriod } from '../db/queries/house/stations'
import { asKnifeEvent, insertEvents, type EventWrite } from '../db/queries/log/events'
import { replaceFolds } from '../db/queries/log/folds'
import { Fault } from '../faults'
import { applyPatch } from '../patch'
import { assertPlausible, describeKnife } from '../services/fleet/knives'
import { foldKnife, refold } from '../services/log/knifeState'
import { loadHouseContext } from '../services/log/usageContext'
import { plain } from './cells'
import { FLEET_COLUMNS } from './columns'
import { personByName, planOfTable, problemList, type Present, type ProblemList, type TablePlan } from './plan'
import { readTable, type TableRow } from './readTable'

type FleetRow = TableRow<typeof FLEET_COLUMNS>

/** One row come to a decision. */
interface Decision {
  readonly row: FleetRow
  readonly before: StoredKnife | null
  readonly knife: StoredKnife
  readonly station: string
  readonly holderId: string | null | undefined
  readonly changes: ExchangeRow['changes']
}

const FIELD_OF: Readonly<Record<string, keyof KnifeDescription>> = {
  name: 'name',
  type: 'type',
  length: 'lengthMm',
  height: 'heelHeightMm',
  spine: 'spineMm',
  thickness: 'bteMm',
  thickness_new: 'bteNewMm',
  angle_left: 'dpsLeft',
  angle_right: 'dpsRight',
  grind: 'grind',
  ratio_right: 'ratioRight',
  serrated: 'serrated',
  steel: 'steelEn',
  hardness: 'hrc',
  reactive: 'reactive',
  price: 'price',
  bought: 'boughtOn',
}

/** The part of a row that describes the knife; `angle` stands for both sides unless a side has its own. */
function described(row: FleetRow): Partial<Record<keyof KnifeDescription, unknown>> {
  const { values } = row
  const sides = values.angle === undefined ? {} : { dpsLeft: values.angle, dpsRight: values.angle }
  const fields = Object.entries(FIELD_OF).flatMap(([column, field]) => {
    const value = values[column as keyof typeof FLEET_COLUMNS]
    return value === undefined ? [] : [[field, value] as const]
  })
  return { ...sides, ...Object.fromEntries(fields) }
}

const shown = (value: unknown): string => (value === null || value === undefined ? '' : String(value))

function decide(row: FleetRow, present: Present, problems: ProblemList): Decision | null {
  const { code, station, holder } = row.values
  if (code === undefined || station === undefined || problems.has(row.row)) return null
  const person = holder === undefined ? undefined : personByName(present, holder)
  if (holder !== undefined && !person) problems.add(row.row, 'holder', 'no-such-person', { name: holder })
  const before = present.knives.find((knife) => knife.code === code) ?? null
  const fields = described(row)
  const stationNow = before
    ? present.context.stations.find((one) => one.id === present.states.get(before.id)?.stationId)?.name
    : undefined
  let knife: StoredKnife
  if (before) {
    knife = applyPatch<StoredKnife>(before, fields as Partial<StoredKnife>)
  } else {
    const input = NewKnife.safeParse({ id: newId(), ...fields, code, stationId: newId(), condition: 'in-use' })
    if (!input.success) {
      for (const issue of issueWords(input.error.issues, present.say)) {
        problems.add(row.row, issue.path, 'said', { sentence: issue.sentence })
      }
      return null
    }
    knife = describeKnife(input.data, code)
  }
  try {
    assertPlausible(knife)
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    problems.add(row.row, error.issues[0]?.path ?? null, 'said', {
      sentence: present.say(`fault.${error.key}`, error.values),
    })
  }
  if (problems.has(row.row)) return null
  const holderNow = before ? (present.states.get(before.id)?.holderId ?? null) : null
  const changes = before ? changesOf(before, knife) : []
  if (before && stationNow !== undefined && plain(stationNow) !== plain(station))
    changes.push({ column: 'station', from: stationNow, to: station })
  if (before && person && person.id !== holderNow) {
    changes.push({
      column: 'holder',
      from: present.people.find((one) => one.id === holderNow)?.name ?? '',
      to: person.name,
    })
  }
  return { row, before, knife, station, holderId: person?.id, changes }
}

function changesOf(before: StoredKnife, after: StoredKnife): { column: string; from: string; to: string }[] {
  return Object.entries(FIELD_OF).flatMap(([column, field]) =>
    shown(before[field]) === shown(after[field])
      ? []
      : [{ column, from: shown(before[field]), to: shown(after[field]) }],
  )
}

/** Reads a fleet file: knives are told apart by code; blank cells leave things as they are. */
export function planFleet(csv: string, present: Present): TablePlan {
  const table = readTable(csv, FLEET_COLUMNS, present.caller.house.zone, present.say)
  const problems = problemList(table.problems, present.say)
  const seen = new Map<string, number>()
  for (const { row, values } of table.rows) {
    if (values.code === undefined) continue
    const earlier = seen.get(values.code)
    if (earlier === undefined) seen.set(values.code, row)
    else problems.add(row, 'code', 'code-twice', { code: values.code, row: earlier })
  }
  const decisions = table.rows.flatMap((row) => decide(row, present, problems) ?? [])
  const known = new Set(present.context.stations.map((station) => plain(station.name)))
  const named = decisions.map(({ station }) => station)
  const stationsToMake = named.filter(
    (station, at) => !known.has(plain(station)) && named.findIndex((other) => plain(other) === plain(station)) === at,
  )
  return planOfTable(table, problems, {
    stationsToMake,
    label: ({ code }) => code ?? '',
    decide: (row) => {
      const decision = decisions.find((one) => one.row.row === row)
      const changed = decision?.before ? decision.changes.length > 0 || leavesAs(decision, present) !== null : true
      return (
        decision && { verb: !decision.before ? 'add' : changed ? 'change' : 'same', changes: [...decision.changes] }
      )
    },
    apply: (db) => applyFleet(db, present, decisions, stationsToMake),
  })
}

/** A station a file names and the house does not know yet starts as the commonest kind. */
const newStation = (name: string): Station => ({
  id: newId(),
  name,
  board: 'soft-plastic',
  product: 'mixed',
  hoursPerService: 2.5,
  active: true,
  weight: 1,
})

/** State a file gives a knife, where it differs from what the knife is. */
function leavesAs({ row, before }: Decision, present: Present): 'in-service' | 'quarantined' | 'retired' | null {
  const wanted = row.values.state
  const now = before ? (present.states.get(before.id)?.status ?? 'in-service') : 'in-service'
  return wanted === undefined || wanted === now ? null : wanted
}

const STATUS_EVENT = { 'in-service': 'released', quarantined: 'quarantined', retired: 'retired' } as const

function eventsOf(decision: Decision, stationId: string, present: Present): EventWrite[] {
  const base = { knifeId: decision.knife.id, personId: present.caller.person.id, deviceId: present.caller.deviceId }
  const status = leavesAs(decision, present)
  const leaving: EventWrite[] = status
    ? [
        {
          ...base,
          id: newId(),
          kind: STATUS_EVENT[status],
          at: new Date(present.now.getTime() + 1),
          payload: status === 'in-service' ? {} : { reason: present.say('cell.from-file') },
        },
      ]
    : []
  if (!decision.before) {
    const payload = { condition: 'in-use', stationId, holderId: decision.holderId ?? null }
    return [{ ...base, id: newId(), kind: 'added', at: present.now, payload }, ...leaving]
  }
  const moves = decision.changes.some(({ column }) => column === 'station' || column === 'holder')
  const payload = { stationId, ...(decision.holderId === undefined ? {} : { holderId: decision.holderId }) }
  return [...(moves ? [{ ...base, id: newId(), kind: 'moved' as const, at: present.now, payload }] : []), ...leaving]
}

async function applyFleet(
  db: Queryable,
  present: Present,
  decisions: readonly Decision[],
  stationsToMake: readonly string[],
): Promise<void> {
  const houseId = present.caller.house.id
  const made = stationsToMake.map(newStation)
  for (const station of made) {
    await insertStation(db, houseId, station)
    await insertStationPeriod(db, houseId, station, new Date(0))
  }
  const stationIds = new Map([...present.context.stations, ...made].map((station) => [plain(station.name), station.id]))
  const writes = decisions.map((decision) => ({
    decision,
    events: eventsOf(decision, stationIds.get(plain(decision.station)) ?? '', present),
  }))
  await insertKnives(
    db,
    houseId,
    decisions.filter(({ before }) => !before).map(({ knife }) => knife),
  )
  for (const { before, knife, changes } of decisions)
    if (before && changes.length > 0) await updateKnife(db, houseId, knife)
  await insertEvents(
    db,
    houseId,
    writes.flatMap(({ events }) => events),
  )
  const context = await loadHouseContext(db, present.caller.house)
  const added = writes.filter(({ decision }) => !decision.before)
  // measures as the database rounds them, which is what any later rebuild reads
  const kept = new Map((await listKnives(db, houseId)).map((knife) => [knife.id, knife]))
  const stored = ({ knife }: Decision): StoredKnife => kept.get(knife.id) ?? knife
  await replaceFolds(
    db,
    houseId,
    added.map(({ decision, events }) => foldKnife(context, stored(decision), events.map(asKnifeEvent))),
  )
  for (const { decision, events } of writes) {
    if (decision.before && (decision.changes.length > 0 || events.length > 0))
      await refold(db, context, stored(decision))
  }
}
