import { v4 as newId, v5 as idFrom } from 'uuid'
import { NewEvent } from '../../contract/events'
import { standingEvents, type KnifeEvent } from '../../core/edge/model/events'
import { issueWords } from '../../words/faults'
import type { Queryable } from '../db/database'
import type { StoredKnife } from '../db/queries/fleet/knives'
import { insertPerson } from '../db/queries/house/people'
import { insertEvents, knifeLogs, knownEventIds, type EventWrite } from '../db/queries/log/events'
import { refold } from '../services/log/knifeState'
import { CLOCK_SLACK_MS } from '../services/log/recordEvents'
import { EVENT_COLUMNS, READING_COLUMNS, type Columns } from './columns'
import { peopleNames, personNamed } from './names'
import {
  planOfTable,
  problemList,
  type Present,
  type ProblemList,
  type RowDecision,
  type TablePlan,
  type Taking,
} from './plan'
import { readTable, type Reading, type ReadTable } from './readTable'
import { plain } from './spellings/plain'

/** Rows written in one statement. */
const AT_ONCE = 1000
/** Space of ids made from the content of a reading, so that the same file twice records once. */
const READING_SPACE = '6f1d4b52-54f0-4a6e-9a35-0f2f6f5b8f51'

async function applyEvents(
  db: Queryable,
  present: Present,
  writes: readonly EventWrite[],
  step: Taking['step'],
): Promise<void> {
  for (let at = 0; at < writes.length; at += AT_ONCE)
    await insertEvents(db, present.caller.house.id, writes.slice(at, at + AT_ONCE))
  const rows = new Map<string, number>()
  for (const { knifeId } of writes) rows.set(knifeId, (rows.get(knifeId) ?? 0) + 1)
  for (const knife of present.knives) {
    const own = rows.get(knife.id)
    if (own === undefined) continue
    await refold(db, present.context, knife)
    await step(own)
  }
}

interface Dated {
  readonly row: number
  readonly values: { readonly code?: string; readonly at?: Date; readonly by?: string }
}

/** The house as rows are placed in it. */
interface Placing {
  readonly present: Present
  readonly knives: ReadonlyMap<string, StoredKnife>
  readonly people: ReturnType<typeof peopleNames>
  /** ids of people the log names and the house does not know, by plain name */
  readonly freshIds: Map<string, string>
  readonly problems: ProblemList
}
const placing = (
  present: Present,
  reading: Reading,
  table: Pick<ReadTable<Columns>, 'meaning' | 'problems'>,
): Placing => ({
  present,
  knives: new Map(present.knives.map((knife) => [knife.code, knife])),
  people: peopleNames(present, reading.told, table.meaning, 'by'),
  freshIds: new Map(),
  problems: problemList(table.problems, present.say),
})

/** Checks common to both files: the knife and the person are of this house, the time has passed. */
function placeRow(
  { row, values }: Dated,
  { present, knives, people, freshIds, problems }: Placing,
): { knife: StoredKnife; personId: string | null; at: Date } | null {
  const { code, at, by } = values
  if (code === undefined || at === undefined) return null
  const knife = knives.get(code)
  if (!knife) problems.add(row, 'code', 'no-such-knife', { code })
  const named = by === undefined ? 'nobody' : people.find(by)
  if (named === 'unknown') problems.add(row, 'by', 'no-such-person', { name: by ?? '' })
  if (at.getTime() > present.now.getTime() + CLOCK_SLACK_MS) problems.add(row, 'at', 'in-the-future')
  if (!knife || problems.has(row)) return null
  if (typeof named === 'string') return { knife, personId: null, at }
  if ('known' in named) return { knife, personId: named.known.id, at }
  const name = plain(named.fresh.name)
  const personId = freshIds.get(name) ?? newId()
  freshIds.set(name, personId)
  return { knife, personId, at }
}

/** Makes whoever rows that are taken name: known from the past alone, they are kept as people who have left. */
async function makePeople(
  db: Queryable,
  { present, people, freshIds }: Placing,
  writes: readonly EventWrite[],
): Promise<void> {
  const named = new Set(writes.map(({ personId }) => personId))
  for (const fresh of people.fresh()) {
    const id = freshIds.get(plain(fresh.name))
    if (fresh.make && id !== undefined && named.has(id))
      await insertPerson(db, present.caller.house.id, { ...personNamed(fresh), id, active: false })
  }
}

/** Reads force readings; those of one knife, moment and person make one check. */
export async function planReadings(reading: Reading, present: Present, db: Queryable): Promise<TablePlan> {
  const table = readTable(reading, 'readings', READING_COLUMNS, present.say)
  const here = placing(present, reading, table)
  const { problems } = here
  const placed = table.rows.flatMap((line) => {
    const place = placeRow(line, here)
    const { zone, force } = line.values
    return place && zone !== undefined && force !== undefined ? [{ ...place, row: line.row, zone, force }] : []
  })
  const checks = new Map<string, typeof placed>()
  for (const one of placed) {
    const key = `${one.knife.id} ${one.at.toISOString()} ${one.personId ?? ''}`
    checks.set(key, [...(checks.get(key) ?? []), one])
  }
  const logs = await knifeLogs(db, present.caller.house.id, [...new Set(placed.map(({ knife }) => knife.id))])
  const writes = [...checks.entries()].flatMap(([key, ones]): TableWrite[] => {
    const [first] = ones
    if (!first) return []
    const zones = [...new Set(ones.map((one) => one.zone))]
    const readings = zones.map((zone) => ({
      zone,
      forcesGf: ones.filter((one) => one.zone === zone).map((one) => one.force),
    }))
    const crowded = readings.some((reading) => reading.forcesGf.length > 10)
    if (crowded) problems.add(first.row, 'force', 'too-many-repeats')
    const there = standingCheck(logs.get(first.knife.id) ?? [], first)
    // what stands there already may have come from a screen: alike it is the same check, else the file corrects it
    const isThere = there !== undefined && JSON.stringify(there.payload.readings) === JSON.stringify(readings)
    const id = isThere ? there.id : idFrom(`${key} ${JSON.stringify(readings)}`, READING_SPACE)
    return [
      {
        id,
        ...(there && !isThere ? { replaces: there } : {}),
        knifeId: first.knife.id,
        kind: 'checked',
        at: first.at,
        personId: first.personId,
        deviceId: null,
        payload: { readings, ladder: [] },
        rows: ones.map((one) => one.row),
      },
    ]
  })
  return await tablePlan(table, READING_COLUMNS, here, db, writes)
}

/** Reads whole events as they were taken out; ids that are there already are left alone. */
export async function planEvents(reading: Reading, present: Present, db: Queryable): Promise<TablePlan> {
  const table = readTable(reading, 'events', EVENT_COLUMNS, present.say)
  const here = placing(present, reading, table)
  const { problems } = here
  const known = await knownEventIds(
    db,
    present.caller.house.id,
    table.rows.flatMap(({ values }) => values.id ?? []),
  )
  const writes = table.rows.flatMap((line): TableWrite[] => {
    const place = placeRow(line, here)
    const { id, kind, details } = line.values
    if (!place || id === undefined || kind === undefined) return []
    if (kind === 'added') {
      if (!known.has(id)) problems.add(line.row, 'kind', 'added-by-fleet')
      return known.has(id)
        ? [
            {
              id,
              knifeId: place.knife.id,
              kind,
              at: place.at,
              personId: place.personId,
              deviceId: null,
              payload: {},
              rows: [line.row],
            },
          ]
        : []
    }
    const event = NewEvent.safeParse({
      id,
      knifeId: place.knife.id,
      at: place.at.toISOString(),
      kind,
      payload: details,
    })
    if (!event.success) {
      for (const issue of issueWords(event.error.issues, present.say))
        problems.add(line.row, 'details', 'said', { sentence: issue.sentence })
      return []
    }
    return [
      {
        id,
        knifeId: place.knife.id,
        kind,
        at: place.at,
        personId: place.personId,
        deviceId: null,
        payload: event.data.payload,
        rows: [line.row],
      },
    ]
  })
  return await tablePlan(table, EVENT_COLUMNS, here, db, writes)
}

type Check = Extract<KnifeEvent, { kind: 'checked' }>

/** An event a file asks for, the rows it comes from, and the check it corrects. */
type TableWrite = EventWrite & { readonly rows: readonly number[]; readonly replaces?: Check }

/** The check with readings that stands at the moment and by the person of a row. */
const standingCheck = (
  log: readonly KnifeEvent[],
  { at, personId }: { readonly at: Date; readonly personId: string | null },
): Check | undefined =>
  standingEvents(log).find(
    (event): event is Check =>
      event.kind === 'checked' &&
      event.atMs === at.getTime() &&
      event.personId === personId &&
      event.payload.readings.length > 0,
  )

/** The entry that takes back what a file corrects; its id follows from the two, so that the same file corrects once. */
const takingBack = (write: TableWrite, old: Check, present: Present): EventWrite => ({
  id: idFrom(`${write.id} in place of ${old.id}`, READING_SPACE),
  knifeId: write.knifeId,
  kind: 'voided',
  at: present.now,
  personId: present.caller.person.id,
  deviceId: present.caller.deviceId,
  payload: { eventId: old.id, reason: present.say('exchange.corrected') },
})

const forcesOf = ({ payload }: Pick<Check, 'payload'>): string =>
  payload.readings.map(({ forcesGf }) => forcesGf.join(' ')).join(', ')

async function tablePlan<C extends Columns>(
  table: ReadTable<C>,
  kinds: C,
  here: Placing,
  db: Queryable,
  writes: readonly TableWrite[],
): Promise<TablePlan> {
  const { present, people, problems } = here
  const known = await knownEventIds(
    db,
    present.caller.house.id,
    writes.map((write) => write.id),
  )
  const decisions = new Map(
    writes.flatMap((write) => {
      const { replaces } = write
      const decision: RowDecision = known.has(write.id)
        ? { verb: 'same', changes: [] }
        : replaces
          ? {
              verb: 'change',
              changes: [{ column: 'force', from: forcesOf(replaces), to: forcesOf(write as Pick<Check, 'payload'>) }],
            }
          : { verb: 'add', changes: [] }
      return write.rows.map((row) => [row, decision] as const)
    }),
  )
  return planOfTable(table, kinds, problems, {
    values: people.values(),
    people: people.fresh(),
    label: (values) => String((values as { code?: string }).code ?? ''),
    decide: (row) => decisions.get(row),
    apply: async (client, { takes, step }) => {
      const taken = writes.filter((write) => !known.has(write.id) && write.rows.every(takes))
      await makePeople(client, here, taken)
      await applyEvents(
        client,
        present,
        taken.flatMap((write) => [write, ...(write.replaces ? [takingBack(write, write.replaces, present)] : [])]),
        step,
      )
    },
  })
}
