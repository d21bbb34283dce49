import { v4 as newId } from 'uuid'
import type { Shift, ShiftDay } from '../../contract/week'
import { overlappingShifts } from '../../core/house/rota'
import type { Queryable } from '../db/database'
import { listShiftDays, listShifts, replaceShiftDays, replaceShifts } from '../db/queries/week/crew'
import { SHIFT_COLUMNS, WEEKDAY_NAMES } from './columns'
import { personByName, planOfTable, problemList, type Present, type TablePlan } from './plan'
import { readTable } from './readTable'

/** One row that can be done: a shift of the pattern, or a single day. */
type Decision =
  | { readonly row: number; readonly same: boolean; readonly kind: 'shift'; readonly shift: Shift }
  | { readonly row: number; readonly same: boolean; readonly kind: 'day'; readonly day: ShiftDay }

const EVER = '1970-01-01'

/**
 * Reads a file of shifts: rows with a weekday belong to the pattern, rows with a date to that day alone.
 * What is there already stays; a date in the file replaces what that person had on it.
 */
export async function planShifts(csv: string, present: Present, db: Queryable): Promise<TablePlan> {
  const houseId = present.caller.house.id
  const table = readTable(csv, SHIFT_COLUMNS, present.caller.house.zone, present.say)
  const problems = problemList(table.problems, present.say)
  const [shifts, days] = [await listShifts(db, houseId), await listShiftDays(db, houseId, EVER)]
  const decisions = table.rows.flatMap(({ row, values }): Decision[] => {
    const { person, weekday, day, starts = null, ends = null, note = '' } = values
    if (person === undefined || problems.has(row)) return []
    const found = personByName(present, person)
    if (!found) problems.add(row, 'person', 'no-such-person', { name: person })
    if ((weekday === undefined) === (day === undefined)) problems.add(row, 'weekday', 'weekday-or-day')
    if ((starts === null) !== (ends === null) || (starts !== null && starts === ends))
      problems.add(row, 'ends', 'shift-times')
    if (weekday !== undefined && starts === null) problems.add(row, 'starts', 'shift-times')
    if (!found || problems.has(row)) return []
    const personId = found.id
    if (day !== undefined) {
      const same = days.some(
        (one) => one.personId === personId && one.day === day && one.starts === starts && one.ends === ends,
      )
      return [{ row, same, kind: 'day', day: { id: newId(), personId, day, starts, ends, note } }]
    }
    const shift = {
      id: newId(),
      personId,
      weekday: WEEKDAY_NAMES.indexOf(weekday ?? 'monday') + 1,
      starts: starts ?? '',
      ends: ends ?? '',
    }
    return [
      {
        row,
        same: shifts.some(
          (one) =>
            one.personId === personId && one.weekday === shift.weekday && one.starts === starts && one.ends === ends,
        ),
        kind: 'shift',
        shift,
      },
    ]
  })
  const fresh = decisions.flatMap((one) => (one.kind === 'shift' && !one.same ? [one] : []))
  const patternOf = (personId: string): Shift[] => [
    ...shifts.filter((one) => one.personId === personId),
    ...fresh.filter(({ shift }) => shift.personId === personId).map(({ shift }) => shift),
  ]
  for (const { row, shift } of fresh) {
    const clash = overlappingShifts(patternOf(shift.personId))
    if (clash?.includes(shift))
      problems.add(row, 'starts', 'shift-overlaps', {
        first: `${clash[0].starts}–${clash[0].ends}`,
        second: `${clash[1].starts}–${clash[1].ends}`,
      })
  }
  return planOfTable(table, problems, {
    label: ({ person, weekday, day, starts }) => [person, weekday ?? day, starts].filter(Boolean).join(' '),
    decide: (row) => {
      const decision = decisions.find((one) => one.row === row)
      return decision && { verb: decision.same ? 'same' : 'add', changes: [] }
    },
    apply: async (client) => {
      for (const personId of new Set(fresh.map(({ shift }) => shift.personId)))
        await replaceShifts(client, houseId, personId, patternOf(personId))
      const single = decisions.flatMap((one) => (one.kind === 'day' && !one.same ? [one.day] : []))
      for (const personId of new Set(single.map((one) => one.personId))) {
        const own = single.filter((one) => one.personId === personId)
        await replaceShiftDays(client, houseId, personId, [...new Set(own.map(({ day }) => day))], own)
      }
    },
  })
}
