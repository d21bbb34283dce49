import type { Station } from '../../../../contract/house'
import type { StationPeriod } from '../../../../core/edge/log/usage'
import type { Queryable } from '../../database'

interface StationRow {
  id: string
  name: string
  board: Station['board']
  product: Station['product']
  hours_per_service: number
  active: boolean
  weight: number
}

const toStation = (row: StationRow): Station => ({
  id: row.id,
  name: row.name,
  board: row.board,
  product: row.product,
  hoursPerService: row.hours_per_service,
  active: row.active,
  weight: row.weight,
})

export async function listStations(db: Queryable, houseId: string): Promise<Station[]> {
  const { rows } = await db.query<StationRow>(
    `select id, name, board, product, hours_per_service, active, weight
     from stations
     where house_id = $1
     order by lower(name)`,
    [houseId],
  )
  return rows.map(toStation)
}

export async function insertStation(db: Queryable, houseId: string, station: Station): Promise<void> {
  await db.query(
    `insert into stations (house_id, id, name, board, product, hours_per_service, active, weight)
     values ($1, $2, $3, $4, $5, $6, $7, $8)`,
    [
      houseId,
      station.id,
      station.name,
      station.board,
      station.product,
      station.hoursPerService,
      station.active,
      station.weight,
    ],
  )
}

export async function updateStation(db: Queryable, houseId: string, station: Station): Promise<void> {
  await db.query(
    `update stations
     set name = $3, board = $4, product = $5, hours_per_service = $6, active = $7, weight = $8
     where house_id = $1 and id = $2`,
    [
      houseId,
      station.id,
      station.name,
      station.board,
      station.product,
      station.hoursPerService,
      station.active,
      station.weight,
    ],
  )
}

/** Notes how a station works from an instant on. */
export async function insertStationPeriod(db: Queryable, houseId: string, station: Station, from: Date): Promise<void> {
  await db.query(
    `insert into station_work (house_id, station_id, from_at, board, product, hours_per_service)
     values ($1, $2, $3, $4, $5, $6)
     on conflict (house_id, station_id, from_at) do update
     set board = excluded.board, product = excluded.product, hours_per_service = excluded.hours_per_service`,
    [houseId, station.id, from, station.board, station.product, station.hoursPerService],
  )
}

export async function listStationPeriods(db: Queryable, houseId: string): Promise<Map<string, StationPeriod[]>> {
  const { rows } = await db.query<{
    station_id: string
    from_at: Date
    board: Station['board']
    product: Station['product']
    hours_per_service: number
  }>(
    `select station_id, from_at, board, product, hours_per_service
     from station_work
     where house_id = $1
     order by station_id, from_at`,
    [houseId],
  )
  const periods = new Map<string, StationPeriod[]>()
  for (const row of rows) {
    const known = periods.get(row.station_id) ?? []
    known.push({
      fromMs: row.from_at.getTime(),
      board: row.board,
      product: row.product,
      hoursPerService: row.hours_per_service,
    })
    periods.set(row.station_id, known)
  }
  return periods
}
