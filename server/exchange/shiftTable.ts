import { v4 as newId } from 'uuid'
import type { ExchangeOutcome } from '../../contract/exchange'
import type { Shift, ShiftDay } from '../../contract/week'
import { overlappingShifts } from '../../core/house/rota'
import type { Queryable } from '../db/database'
import { insertPerson, type StoredPerson } from '../db/queries/house/people'
import { listShiftDays, listShifts, replaceShiftDays, replaceShifts } from '../db/queries/week/crew'
import { SHIFT_COLUMNS } from './columns'
import { peopleNames, personNamed, type Named } from './names'
import { planOfTable, problemList, type Present, type ProblemList, type RowDecision, type TablePlan } from './plan'
import { readTable, type Reading, type TableRow } from './readTable'
import type { Span } from './spans'
import { WEEKDAY_NAMES, type WeekdayName } from './spellings/others'
import { plain } from './spellings/plain'

type Who = Named<StoredPerson, ExchangeOutcome['people'][number]>
/** A shift or a day as a row says it; whose it is may still have to be made. */
type Said =
  | {
      readonly row: number
      readonly who: Who
      readonly kind: 'shift'
      readonly weekday: WeekdayName
      readonly span: Span
    }
  | {
      readonly row: number
      readonly who: Who
      readonly kind: 'day'
      readonly day: string
      readonly span: Span | null
      readonly note: string
    }

const EVER = '1970-01-01'
const keyOf = (who: Who): string =>
  typeof who === 'string' ? who : plain('known' in who ? who.known.name : who.fresh.name)

/** Everything one row says: a rota has a column for each weekday, a list a row for each shift. */
function saidBy({ row, values, cells }: TableRow<typeof SHIFT_COLUMNS>, who: Who, problems: ProblemList): Said[] {
  const { weekday, day, starts, ends, note = '', weekdays, hours } = values
  const inRota = WEEKDAY_NAMES.filter((name) => cells.has(name))
  const rota = inRota.flatMap((name): Said[] =>
    (values[name] ?? []).map((span) => ({ row, who, kind: 'shift', weekday: name, span })),
  )
  const inWords = (weekdays ?? []).flatMap(({ weekdays: names, spans }): Said[] => {
    const own = spans ?? hours ?? (starts !== undefined && ends !== undefined ? [{ starts, ends }] : undefined)
    if (!own) problems.add(row, 'weekdays', 'shift-times')
    return names.flatMap((name) => (own ?? []).map((span): Said => ({ row, who, kind: 'shift', weekday: name, span })))
  })
  const isRotaRow = inRota.length > 0 || cells.has('weekdays')
  if (isRotaRow && weekday === undefined && day === undefined) return [...rota, ...inWords]

  if ((weekday === undefined) === (day === undefined)) problems.add(row, 'weekday', 'weekday-or-day')
  if ((starts === undefined) !== (ends === undefined) || (starts !== undefined && starts === ends))
    problems.add(row, 'ends', 'shift-times')
  const spans = starts !== undefined && ends !== undefined ? [{ starts, ends }] : (hours ?? [])
  if (weekday !== undefined && spans.length === 0) problems.add(row, 'starts', 'shift-times')
  if (problems.has(row)) return []
  if (weekday !== undefined) return spans.map((span) => ({ row, who, kind: 'shift', weekday, span }))
  if (day === undefined) return []
  return (spans.length > 0 ? spans : [null]).map((span) => ({ row, who, kind: 'day', day, span, note }))
}

/**
 * Reads a file of shifts: rows with weekdays belong to the pattern, rows with a date to that day alone. What is there
 * already stays; a date in the file replaces what that person had on it.
 */
export async function planShifts(reading: Reading, present: Present, db: Queryable): Promise<TablePlan> {
  const houseId = present.caller.house.id
  const table = readTable(reading, 'shifts', SHIFT_COLUMNS, present.say)
  const problems = problemList(table.problems, present.say)
  const people = peopleNames(present, reading.told, table.meaning, 'person')
  const [shifts, days] = [await listShifts(db, houseId), await listShiftDays(db, houseId, EVER)]
  const idOf = (who: Who): string | null => (typeof who === 'object' && 'known' in who ? who.known.id : null)

  const isThere = (one: Said): boolean => {
    const personId = idOf(one.who)
    const same = (there: { personId: string; starts: string | null; ends: string | null }): boolean =>
      there.personId === personId &&
      there.starts === (one.span?.starts ?? null) &&
      there.ends === (one.span?.ends ?? null)
    return one.kind === 'day'
      ? days.some((there) => there.day === one.day && same(there))
      : shifts.some((there) => there.weekday === WEEKDAY_NAMES.indexOf(one.weekday) + 1 && same(there))
  }
  const all = table.rows.flatMap((row): (Said & { readonly isSame: boolean })[] => {
    const { person } = row.values
    if (person === undefined || problems.has(row.row)) return []
    const who = people.find(person)
    if (who === 'nobody' || who === 'unknown') {
      problems.add(row.row, 'person', 'no-such-person', { name: person })
      return []
    }
    const said = saidBy(row, who, problems)
    return problems.has(row.row) ? [] : said.map((one) => ({ ...one, isSame: isThere(one) }))
  })
  const fresh = all.flatMap((one) => (one.kind === 'shift' && !one.isSame ? [one] : []))
  const newShift = (personId: string, { weekday, span }: (typeof fresh)[number]): Shift => ({
    id: newId(),
    personId,
    weekday: WEEKDAY_NAMES.indexOf(weekday) + 1,
    ...span,
  })
  const whose = new Map(fresh.map((one) => [keyOf(one.who), one.who]))
  for (const [key, who] of whose) {
    const there = shifts.filter(({ personId }) => personId === idOf(who))
    const rowOf = new Map(fresh.filter((one) => keyOf(one.who) === key).map((one) => [newShift(key, one), one.row]))
    const clash = overlappingShifts([...there, ...rowOf.keys()])
    const row = clash ? (rowOf.get(clash[1]) ?? rowOf.get(clash[0])) : undefined
    if (row !== undefined && clash)
      problems.add(row, 'starts', 'shift-overlaps', {
        first: `${clash[0].starts}–${clash[0].ends}`,
        second: `${clash[1].starts}–${clash[1].ends}`,
      })
  }
  const byRow = new Map<number, (typeof all)[number][]>()
  for (const one of all) byRow.set(one.row, [...(byRow.get(one.row) ?? []), one])
  const empty = new Set(table.rows.filter(({ row }) => !byRow.has(row)).map(({ row }) => row))
  return planOfTable(table, SHIFT_COLUMNS, problems, {
    values: people.values(),
    people: people.fresh(),
    label: ({ person, weekday, day, starts }) => [person, weekday ?? day, starts].filter(Boolean).join(' '),
    decide: (row): RowDecision | undefined => {
      const own = byRow.get(row)
      // somebody whose whole week is free is in the rota all the same
      if (!own) return empty.has(row) ? { verb: 'same', changes: [] } : undefined
      return { verb: own.every(({ isSame }) => isSame) ? 'same' : 'add', changes: [] }
    },
    apply: async (client, { takes }) => {
      const taken = all.filter(({ row, isSame }) => takes(row) && !isSame)
      const ids = new Map(present.people.map(({ name, id }) => [plain(name), id]))
      for (const { who } of taken) {
        if (typeof who === 'string' || 'known' in who || ids.has(plain(who.fresh.name))) continue
        const made = personNamed(who.fresh)
        await insertPerson(client, houseId, made)
        ids.set(plain(made.name), made.id)
      }
      for (const key of new Set(taken.map(({ who }) => keyOf(who)))) {
        const personId = ids.get(key) ?? ''
        const own = taken.filter(({ who }) => keyOf(who) === key)
        const pattern = own.flatMap((one) => (one.kind === 'shift' ? [newShift(personId, one)] : []))
        if (pattern.length > 0)
          await replaceShifts(client, houseId, personId, [
            ...shifts.filter((one) => one.personId === personId),
            ...pattern,
          ])
        const single = own.flatMap((one): ShiftDay[] =>
          one.kind === 'day'
            ? [
                {
                  id: newId(),
                  personId,
                  day: one.day,
                  starts: one.span?.starts ?? null,
                  ends: one.span?.ends ?? null,
                  note: one.note,
                },
              ]
            : [],
        )
        if (single.length > 0)
          await replaceShiftDays(client, houseId, personId, [...new Set(single.map(({ day }) => day))], single)
      }
    },
  })
}
