import { v4 as newId } from 'uuid'
import { insertPerson, updatePerson, type StoredPerson } from '../db/queries/house/people'
import { hashSecret } from '../signIn/secrets'
import { PEOPLE_COLUMNS } from './columns'
import { describeRow, personByName, planOfTable, problemList, type Change, type Present, type TablePlan } from './plan'
import { readTable, type Reading } from './readTable'
import { plain } from './spellings/plain'

/** Reads a people file: people are told apart by name; a PIN is taken in but never given out. */
export function planPeople(reading: Reading, present: Present): TablePlan {
  const table = readTable(reading, 'people', PEOPLE_COLUMNS, present.say)
  const problems = problemList(table.problems, present.say)
  const seen = new Map<string, number>()
  const decisions = table.rows.flatMap(({ row, values }) => {
    const { name, role, active = true, pin } = values
    if (name === undefined || role === undefined || problems.has(row)) return []
    const earlier = seen.get(plain(name))
    if (earlier !== undefined) {
      problems.add(row, 'name', 'name-twice', { name, row: earlier })
      return []
    }
    seen.set(plain(name), row)
    const before = personByName(present, name)
    if (before?.passwordHash && (role !== before.role || !active)) {
      problems.add(row, 'role', 'manager-stays', { name })
      return []
    }
    const changes = before ? changesOf(before, { role, active, pin }) : []
    return [{ row, before, name, role, active, pin, changes }]
  })
  return planOfTable(table, PEOPLE_COLUMNS, problems, {
    label: ({ name }) => name ?? '',
    decide: (row) => describeRow(decisions.find((one) => one.row === row)),
    apply: async (db, { takes }) => {
      for (const { row, before, name, role, active, pin } of decisions) {
        if (!takes(row)) continue
        const pinHash = pin === undefined ? (before?.pinHash ?? null) : await hashSecret(pin)
        const houseId = present.caller.house.id
        if (before) await updatePerson(db, houseId, { ...before, role, active, pinHash })
        else
          await insertPerson(db, houseId, {
            id: newId(),
            name,
            role,
            active,
            signInName: null,
            passwordHash: null,
            pinHash,
          })
      }
    },
  })
}

function changesOf(before: StoredPerson, after: { role: string; active: boolean; pin: string | undefined }): Change[] {
  const changes = []
  if (before.role !== after.role) changes.push({ column: 'role', from: before.role, to: after.role })
  if (before.active !== after.active)
    changes.push({ column: 'active', from: before.active ? 'yes' : 'no', to: after.active ? 'yes' : 'no' })
  if (after.pin !== undefined) changes.push({ column: 'pin', from: '••••', to: '••••' })
  return changes
}
