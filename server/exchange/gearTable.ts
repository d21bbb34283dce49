import { v4 as newId } from 'uuid'
import type { Gear } from '../../contract/bench'
import type { Queryable } from '../db/database'
import { listGear, saveGear } from '../db/queries/shelf/gear'
import { listBenches } from '../db/queries/week/crew'
import { describeGear, micronOf } from '../services/shelf/gear'
import { GEAR_COLUMNS } from './columns'
import { describeRow, planOfTable, problemList, type Present, type TablePlan } from './plan'
import { readTable, type Reading } from './readTable'
import { plain } from './spellings/plain'

const COLUMN_OF = {
  kind: 'kind',
  scale: 'scale',
  grit: 'grit',
  soakMinutes: 'soak',
  bath: 'bath',
  thicknessMm: 'thickness',
  dishMm: 'dish',
  compound: 'compound',
  benchId: 'bench',
  active: 'active',
} as const satisfies Partial<Record<keyof Gear, string>>
type Compared = keyof typeof COLUMN_OF
const COMPARED = Object.keys(COLUMN_OF) as Compared[]

const written = (value: Gear[Compared]): string =>
  value === null ? '' : typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value)

/** Reads a gear file: stones and rods are told apart by name; an empty cell leaves things as they are. */
export async function planGear(reading: Reading, present: Present, db: Queryable): Promise<TablePlan> {
  const table = readTable(reading, 'gear', GEAR_COLUMNS, present.say)
  const problems = problemList(table.problems, present.say)
  const shelf = await listGear(db, present.caller.house.id)
  const benches = await listBenches(db, present.caller.house.id)
  const shown = (field: Compared, { benchId, ...gear }: Gear): string =>
    field === 'benchId' ? (benches.find(({ id }) => id === benchId)?.name ?? '') : written(gear[field])
  const seen = new Map<string, number>()
  const decisions = table.rows.flatMap(({ row, values }) => {
    const { name, kind } = values
    if (name === undefined || kind === undefined || problems.has(row)) return []
    const earlier = seen.get(plain(name))
    if (earlier !== undefined) {
      problems.add(row, 'name', 'name-twice', { name, row: earlier })
      return []
    }
    seen.set(plain(name), row)
    const before = shelf.find((gear) => plain(gear.name) === plain(name))
    const bench =
      values.bench === undefined ? undefined : benches.find((one) => plain(one.name) === plain(values.bench ?? ''))
    if (values.bench !== undefined && !bench) {
      problems.add(row, 'bench', 'unknown-bench', { name: values.bench })
      return []
    }
    const given = {
      name,
      kind,
      ...(values.grit === undefined
        ? {}
        : { scale: values.scale ?? before?.scale ?? ('JIS' as const), grit: values.grit }),
      ...(values.soak === undefined ? {} : { soakMinutes: Math.round(values.soak) }),
      ...(values.bath === undefined ? {} : { bath: values.bath }),
      ...(values.thickness === undefined ? {} : { thicknessMm: values.thickness }),
      ...(values.dish === undefined ? {} : { dishMm: values.dish }),
      ...(values.compound === undefined ? {} : { compound: values.compound }),
      ...(bench === undefined ? {} : { benchId: bench.id }),
      ...(values.active === undefined ? {} : { active: values.active }),
    }
    try {
      micronOf({ scale: given.scale ?? null, grit: given.grit ?? null })
    } catch {
      problems.add(row, 'grit', 'not-on-scale', { text: String(values.grit), scale: given.scale ?? '' })
      return []
    }
    const gear: Gear = before ? { ...before, ...given } : describeGear({ id: newId(), ...given })
    const changes = before
      ? COMPARED.filter((field) => written(before[field]) !== written(gear[field])).map((field) => ({
          column: COLUMN_OF[field],
          from: shown(field, before),
          to: shown(field, gear),
        }))
      : []
    return [{ row, before, gear, changes }]
  })
  return planOfTable(table, GEAR_COLUMNS, problems, {
    label: ({ name }) => name ?? '',
    decide: (row) => describeRow(decisions.find((one) => one.row === row)),
    apply: async (client, { takes }) => {
      for (const { row, gear } of decisions)
        if (takes(row)) await saveGear(client, present.caller.house.id, gear, present.now)
    },
  })
}
