import { listedStatus } from './fleetDecision'
import type { TableName } from '../../contract/exchange'
import type { Database } from '../db/database'
import { listKnives } from '../db/queries/fleet/knives'
import { listStates } from '../db/queries/fleet/states'
import { listPeople } from '../db/queries/house/people'
import { listStations } from '../db/queries/house/stations'
import { houseLog, voidedEventIds } from '../db/queries/log/events'
import { listGear } from '../db/queries/shelf/gear'
import { listBenches, listShiftDays, listShifts } from '../db/queries/week/crew'
import type { Caller } from '../signIn/sessions'
import { WEEKDAY_NAMES } from './spellings/others'

export type TableCell = string | number | boolean | null
export type TableRows = readonly (readonly TableCell[])[]

/** A table as it goes out: its columns, and its rows page by page as they are read. */
export interface OutTable {
  readonly columns: readonly string[]
  readonly pages: (db: Database, caller: Caller) => AsyncGenerator<TableRows>
}

const yes = (is: boolean): string => (is ? 'yes' : 'no')
/** A table small enough to be read in one go. */
const whole = (read: (db: Database, houseId: string) => Promise<TableRows>): OutTable['pages'] =>
  async function* (db, caller) {
    yield await read(db, caller.house.id)
  }

const fleet: OutTable = {
  columns: [
    ...['code', 'name', 'type', 'length', 'station', 'holder', 'height', 'spine', 'thickness', 'thickness_new'],
    ...['angle_left', 'angle_right', 'grind', 'ratio_right', 'serrated', 'steel', 'hardness', 'reactive', 'price'],
    ...['bought', 'state'],
  ],
  pages: whole(async (db, houseId) => {
    const [knives, states] = [await listKnives(db, houseId), await listStates(db, houseId)]
    const stations = new Map((await listStations(db, houseId)).map((station) => [station.id, station.name]))
    const people = new Map((await listPeople(db, houseId)).map((person) => [person.id, person.name]))
    return knives.map((knife) => {
      const state = states.get(knife.id)
      const status = state?.status ?? 'in-service'
      return [
        ...[knife.code, knife.name, knife.type, knife.lengthMm],
        ...[stations.get(state?.stationId ?? '') ?? '', people.get(state?.holderId ?? '') ?? ''],
        ...[knife.heelHeightMm, knife.spineMm, knife.bteMm, knife.bteNewMm, knife.dpsLeft, knife.dpsRight],
        ...[knife.grind, knife.ratioRight, yes(knife.serrated), knife.steelEn, knife.hrc, yes(knife.reactive)],
        ...[knife.price, knife.boughtOn, listedStatus(status)],
      ]
    })
  }),
}

/** People without their PINs, which never leave. */
const people: OutTable = {
  columns: ['name', 'role', 'active'],
  pages: whole(async (db, houseId) =>
    (await listPeople(db, houseId)).map(({ name, role, active }) => [name, role, yes(active)]),
  ),
}

const gear: OutTable = {
  columns: ['name', 'kind', 'scale', 'grit', 'soak', 'bath', 'thickness', 'dish', 'compound', 'bench', 'active'],
  pages: whole(async (db, houseId) => {
    const benches = new Map((await listBenches(db, houseId)).map(({ id, name }) => [id, name]))
    return (await listGear(db, houseId)).map((one) => [
      ...[one.name, one.kind, one.scale, one.grit, one.soakMinutes, one.bath, one.thicknessMm, one.dishMm],
      ...[one.compound, benches.get(one.benchId ?? '') ?? '', yes(one.active)],
    ])
  }),
}

const shifts: OutTable = {
  columns: ['person', 'weekday', 'day', 'starts', 'ends', 'note'],
  pages: whole(async (db, houseId) => {
    const names = new Map((await listPeople(db, houseId)).map((person) => [person.id, person.name]))
    const pattern = (await listShifts(db, houseId)).map(({ personId, weekday, starts, ends }) => [
      ...[names.get(personId) ?? '', WEEKDAY_NAMES[weekday - 1] ?? '', '', starts, ends, ''],
    ])
    const days = (await listShiftDays(db, houseId, '1970-01-01')).map(({ personId, day, starts, ends, note }) => [
      ...[names.get(personId) ?? '', '', day, starts, ends, note],
    ])
    return [...pattern, ...days]
  }),
}

const readings: OutTable = {
  columns: ['code', 'at', 'zone', 'force', 'by'],
  async *pages(db, caller) {
    const voided = await voidedEventIds(db, caller.house.id)
    for await (const page of houseLog(db, caller.house.id)) {
      yield page
        .filter((event) => event.kind === 'checked' && !voided.has(event.id))
        .flatMap((event) => {
          const { readings } = event.payload as { readings: { zone: string; forcesGf: number[] }[] }
          return readings.flatMap(({ zone, forcesGf }) =>
            forcesGf.map((force) => [event.code, event.at.toISOString(), zone, force, event.person_name ?? '']),
          )
        })
    }
  },
}

const events: OutTable = {
  columns: ['id', 'code', 'at', 'kind', 'by', 'details'],
  async *pages(db, caller) {
    for await (const page of houseLog(db, caller.house.id)) {
      yield page.map((event) => [
        ...[event.id, event.code, event.at.toISOString(), event.kind, event.person_name ?? ''],
        JSON.stringify(event.payload),
      ])
    }
  },
}

export const OUT_TABLES: Readonly<Record<TableName, OutTable>> = { fleet, people, gear, shifts, readings, events }
