import Papa from 'papaparse'
import type { TableName } from '../../contract/exchange'
import type { Database } from '../db/database'
import { listKnives, listStates } from '../db/queries/fleet/knives'
import { listPeople } from '../db/queries/house/people'
import { listStations } from '../db/queries/house/stations'
import { houseLog, voidedEventIds } from '../db/queries/log/events'
import { listGear } from '../db/queries/shelf/gear'
import { listBenches, listShiftDays, listShifts } from '../db/queries/week/crew'
import type { Caller } from '../signIn/sessions'
import {
  EVENT_COLUMNS,
  FLEET_COLUMNS,
  GEAR_COLUMNS,
  PEOPLE_COLUMNS,
  READING_COLUMNS,
  SHIFT_COLUMNS,
  WEEKDAY_NAMES,
} from './columns'

const NEWLINE = '\r\n'

type Cell = string | number | boolean | null

/** A cell that a spreadsheet would run as a formula is written as text. */
const harmless = (cell: Cell): Cell => (typeof cell === 'string' && /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell)

/** RFC 4180: header row, CRLF, quotes where needed. */
function write(columns: readonly string[], rows: readonly (readonly Cell[])[]): string {
  return `${Papa.unparse([[...columns]], { newline: NEWLINE })}${NEWLINE}${writeRows(rows)}`
}

/** Rows of a file whose header has been written. */
function writeRows(rows: readonly (readonly Cell[])[]): string {
  if (rows.length === 0) return ''
  return `${Papa.unparse(
    rows.map((row) => row.map(harmless)),
    { newline: NEWLINE },
  )}${NEWLINE}`
}

async function writeFleet(db: Database, caller: Caller): Promise<string> {
  const houseId = caller.house.id
  const [knives, states] = [await listKnives(db, houseId), await listStates(db, houseId)]
  const stations = new Map((await listStations(db, houseId)).map((station) => [station.id, station.name]))
  const people = new Map((await listPeople(db, houseId)).map((person) => [person.id, person.name]))
  const columns = Object.keys(FLEET_COLUMNS).filter((column) => column !== 'angle')
  return write(
    columns,
    knives.map((knife) => {
      const state = states.get(knife.id)
      return [
        knife.code,
        knife.name,
        knife.type,
        knife.lengthMm,
        stations.get(state?.stationId ?? '') ?? '',
        people.get(state?.holderId ?? '') ?? '',
        knife.heelHeightMm,
        knife.spineMm,
        knife.bteMm,
        knife.bteNewMm,
        knife.dpsLeft,
        knife.dpsRight,
        knife.grind,
        knife.ratioRight,
        knife.serrated ? 'yes' : 'no',
        knife.steelEn,
        knife.hrc,
        knife.reactive ? 'yes' : 'no',
        knife.price,
        knife.boughtOn,
        state?.status ?? 'in-service',
      ]
    }),
  )
}

async function writePeople(db: Database, caller: Caller): Promise<string> {
  const people = await listPeople(db, caller.house.id)
  return write(
    Object.keys(PEOPLE_COLUMNS),
    people.map((person) => [person.name, person.role, '', person.active ? 'yes' : 'no']),
  )
}

async function writeGear(db: Database, caller: Caller): Promise<string> {
  const gear = await listGear(db, caller.house.id)
  const benches = new Map((await listBenches(db, caller.house.id)).map(({ id, name }) => [id, name]))
  return write(
    Object.keys(GEAR_COLUMNS),
    gear.map((one) => [
      one.name,
      one.kind,
      one.scale,
      one.grit,
      one.soakMinutes,
      one.bath,
      one.thicknessMm,
      one.dishMm,
      one.compound,
      benches.get(one.benchId ?? '') ?? '',
      one.active ? 'yes' : 'no',
    ]),
  )
}

async function writeShifts(db: Database, caller: Caller): Promise<string> {
  const people = new Map((await listPeople(db, caller.house.id)).map((person) => [person.id, person.name]))
  const pattern = (await listShifts(db, caller.house.id)).map(({ personId, weekday, starts, ends }) => [
    people.get(personId) ?? '',
    WEEKDAY_NAMES[weekday - 1] ?? '',
    '',
    starts,
    ends,
    '',
  ])
  const days = (await listShiftDays(db, caller.house.id, '1970-01-01')).map(({ personId, day, starts, ends, note }) => [
    people.get(personId) ?? '',
    '',
    day,
    starts,
    ends,
    note,
  ])
  return write(Object.keys(SHIFT_COLUMNS), [...pattern, ...days])
}

async function* writeReadings(db: Database, caller: Caller): AsyncGenerator<string> {
  const voided = await voidedEventIds(db, caller.house.id)
  yield write(Object.keys(READING_COLUMNS), [])
  for await (const page of houseLog(db, caller.house.id)) {
    const rows = page
      .filter((event) => event.kind === 'checked' && !voided.has(event.id))
      .flatMap((event) => {
        const { readings } = event.payload as { readings: { zone: string; forcesGf: number[] }[] }
        return readings.flatMap(({ zone, forcesGf }) =>
          forcesGf.map((force) => [event.code, event.at.toISOString(), zone, force, event.person_name ?? '']),
        )
      })
    yield writeRows(rows)
  }
}

async function* writeEvents(db: Database, caller: Caller): AsyncGenerator<string> {
  yield write(Object.keys(EVENT_COLUMNS), [])
  for await (const page of houseLog(db, caller.house.id)) {
    yield writeRows(
      page.map((event) => [
        event.id,
        event.code,
        event.at.toISOString(),
        event.kind,
        event.person_name ?? '',
        JSON.stringify(event.payload),
      ]),
    )
  }
}

/** A table small enough to be written in one go, as the one piece of a file. */
const whole = (writer: (db: Database, caller: Caller) => Promise<string>) =>
  async function* (db: Database, caller: Caller): AsyncGenerator<string> {
    yield await writer(db, caller)
  }

const WRITERS: Readonly<Record<TableName, (db: Database, caller: Caller) => AsyncGenerator<string>>> = {
  fleet: whole(writeFleet),
  people: whole(writePeople),
  gear: whole(writeGear),
  shifts: whole(writeShifts),
  readings: writeReadings,
  events: writeEvents,
}

/** One of the house's tables as a CSV file, in pieces as they are read: a log of years never stands in memory. */
export const writeTable = (db: Database, caller: Caller, table: TableName): AsyncGenerator<string> =>
  WRITERS[table](db, caller)
