import { v4 as newId } from 'uuid'
import type { ExchangeOutcome } from '../../contract/exchange'
import { NewKnife, type KnifeDescription } from '../../contract/knives'
import { TYPE_TEMPLATES, isCountedOnly, type KnifeType } from '../../core/knife/knifeTypes'
import { issueWords } from '../../words/faults'
import type { StoredKnife } from '../db/queries/fleet/knives'
import { Fault } from '../faults'
import { applyPatch } from '../patch'
import { assertPlausible, describeKnife } from '../services/fleet/knives'
import { applyFleet } from './applyFleet'
import { FLEET_COLUMNS } from './columns'
import { leavesAs, nameOf, realChanges, statusNow, type Decision, type Entry } from './fleetDecision'
import { peopleNames, stationNames } from './names'
import { planOfTable, problemList, type Change, type Present, type ProblemList, type TablePlan } from './plan'
import { readTable, type Reading, type ReadTable, type TableRow } from './readTable'
import { plain } from './spellings/plain'

type FleetRow = TableRow<typeof FLEET_COLUMNS>

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
/** What a knife cannot be without; the file may say it in one column for each, in words, above the rows, or for all. */
const ESSENTIAL = ['type', 'length', 'station'] as const

/** The part of an entry that describes the knife; `angle` stands for both sides unless a side has its own. */
function described({ values, type, lengthMm, name }: Entry): Partial<Record<keyof KnifeDescription, unknown>> {
  const sides = values.angle === undefined ? {} : { dpsLeft: values.angle, dpsRight: values.angle }
  const fields = Object.entries(FIELD_OF).flatMap(([column, field]) => {
    const value = values[column as keyof typeof FLEET_COLUMNS]
    return value === undefined ? [] : [[field, value] as const]
  })
  return { ...sides, ...Object.fromEntries(fields), type, lengthMm, ...(name === undefined ? {} : { name }) }
}

const shown = (value: unknown): string =>
  value === null || value === undefined ? '' : typeof value === 'boolean' ? (value ? 'yes' : 'no') : String(value)

/** What a row says, from its own columns and from the words it calls the knife by. */
function entriesOf(
  row: FleetRow,
  table: ReadTable<typeof FLEET_COLUMNS>,
  books: { readonly stations: ReturnType<typeof stationNames>; readonly people: ReturnType<typeof peopleNames> },
  problems: ProblemList,
  asked: Map<string, ExchangeOutcome['values'][number]>,
): Entry[] {
  const { values } = row
  const { words } = values
  const said = words && table.meaning('type', words.text)
  const meant = said && said.means in TYPE_TEMPLATES ? (said.means as KnifeType) : null
  const type = values.type ?? meant ?? words?.type ?? undefined
  if (words && values.type === undefined && !row.cells.has('type') && (meant || !words.type)) {
    const before = asked.get(words.text)
    asked.set(words.text, {
      column: 'type',
      text: words.text,
      rows: (before?.rows ?? 0) + 1,
      means: meant,
      how: meant ? (said?.how ?? null) : null,
    })
  }
  const lengthMm = values.length ?? words?.lengthMm ?? (type && usualOfShears(type)) ?? undefined
  const place = values.station ?? (row.cells.has('station') ? undefined : (row.under ?? undefined))
  const there = { type, length: lengthMm, station: place }
  for (const key of ESSENTIAL) {
    const isSaid = problems.of(row.row).some(({ column }) => column === key)
    if (there[key] === undefined && !isSaid)
      problems.add(row.row, key, key === 'type' && words ? 'type-not-in-words' : 'empty', { text: words?.text ?? '' })
  }
  const holder = values.holder === undefined ? null : books.people.find(values.holder)
  if (type === undefined || lengthMm === undefined || place === undefined) return []
  const station = books.stations.find(place)
  if (station === 'unknown') problems.add(row.row, 'station', 'no-such-station', { name: place })
  if (problems.has(row.row)) return []
  const count = Math.round(values.count ?? 1)
  return Array.from({ length: count }, (_, index) => ({
    row: row.row,
    values,
    code: values.code === undefined ? null : count === 1 ? values.code : `${values.code}-${index + 1}`,
    type,
    lengthMm,
    name: values.name ?? words?.name ?? undefined,
    station,
    holder,
  }))
}

/** Shears are counted, so nobody has to measure them. */
const usualOfShears = (type: KnifeType): number | undefined =>
  isCountedOnly(type) ? TYPE_TEMPLATES[type].typicalLengthMm : undefined

/** Gives entries without a label the knife they describe already, or the next free label of their type. */
function labelled(
  entries: readonly Entry[],
  present: Present,
  keep: (entry: Entry) => StoredKnife | null,
): (Entry & { code: string; before: StoredKnife | null; isProposed: boolean })[] {
  const taken = new Set([...present.knives.map(({ code }) => code), ...entries.flatMap(({ code }) => code ?? [])])
  const claimed = new Set(entries.flatMap(({ code }) => code ?? []))
  const nextNumber = new Map<string, number>()
  return entries.map((entry) => {
    if (entry.code !== null) return { ...entry, code: entry.code, before: keep(entry), isProposed: false }
    const same = present.knives.find((knife) => !claimed.has(knife.code) && describesIt(entry, knife, present))
    if (same) {
      claimed.add(same.code)
      return { ...entry, code: same.code, before: same, isProposed: true }
    }
    const prefix = TYPE_TEMPLATES[entry.type].codePrefix
    let number = nextNumber.get(prefix) ?? 1
    const label = (): string => `${prefix}-${String(number).padStart(2, '0')}`
    while (taken.has(label())) number += 1
    taken.add(label())
    nextNumber.set(prefix, number)
    return { ...entry, code: label(), before: null, isProposed: true }
  })
}

/** Whether an entry without a label speaks of a knife that is there: all it says of it holds. */
function describesIt(entry: Entry, knife: StoredKnife, present: Present): boolean {
  const state = present.states.get(knife.id)
  const station = present.context.stations.find(({ id }) => id === state?.stationId)?.name ?? ''
  return (
    knife.type === entry.type &&
    knife.lengthMm === entry.lengthMm &&
    (entry.name === undefined || plain(knife.name) === plain(entry.name)) &&
    plain(station) === plain(nameOf(entry.station))
  )
}

function decide(
  entry: Entry & { readonly code: string; readonly before: StoredKnife | null; readonly isProposed: boolean },
  present: Present,
  problems: ProblemList,
): Decision | null {
  const { row, code, before, station, holder } = entry
  const fields = described(entry)
  let knife: StoredKnife
  if (before) knife = applyPatch<StoredKnife>(before, fields as Partial<StoredKnife>)
  else {
    const input = NewKnife.safeParse({ id: newId(), ...fields, code, stationId: newId(), condition: 'in-use' })
    if (!input.success) {
      for (const issue of issueWords(input.error.issues, present.say))
        problems.add(row, columnOf(issue.path), 'said', { sentence: issue.sentence })
      return null
    }
    knife = describeKnife(input.data, code)
  }
  try {
    assertPlausible(knife)
  } catch (error) {
    if (!(error instanceof Fault)) throw error
    problems.add(row, columnOf(error.issues[0]?.path ?? ''), 'said', {
      sentence: present.say(`fault.${error.key}`, error.values),
    })
  }
  if (problems.has(row)) return null
  return { ...entry, knife, changes: changesOf(entry, knife, present, station, holder) }
}

const columnOf = (path: string): string | null =>
  Object.entries(FIELD_OF).find(([, field]) => path.endsWith(field))?.[0] ?? null

function changesOf(
  {
    before,
    code,
    isProposed,
  }: { readonly before: StoredKnife | null; readonly code: string; readonly isProposed: boolean },
  after: StoredKnife,
  present: Present,
  station: Entry['station'],
  holder: Entry['holder'],
): Change[] {
  const label: Change[] = isProposed ? [{ column: 'code', from: before ? code : null, to: code }] : []
  if (!before) {
    return [
      ...label,
      { column: 'type', from: null, to: after.type },
      { column: 'length', from: null, to: String(after.lengthMm) },
      ...(after.name === '' ? [] : [{ column: 'name', from: null, to: after.name }]),
      { column: 'station', from: null, to: nameOf(station) },
      ...(holder === null ? [] : [{ column: 'holder', from: null, to: nameOf(holder) }]),
    ]
  }
  const state = present.states.get(before.id)
  const stationNow = present.context.stations.find(({ id }) => id === state?.stationId)?.name ?? ''
  const holderNow = present.people.find(({ id }) => id === state?.holderId)?.name ?? ''
  const fields = Object.entries(FIELD_OF)
    .filter(([, field]) => shown(before[field]) !== shown(after[field]))
    .map(([column, field]) => ({ column, from: shown(before[field]), to: shown(after[field]) }))
  return [
    ...fields,
    ...(plain(stationNow) === plain(nameOf(station))
      ? []
      : [{ column: 'station', from: stationNow, to: nameOf(station) }]),
    ...(holder === null || plain(holderNow) === plain(nameOf(holder))
      ? []
      : [{ column: 'holder', from: holderNow, to: nameOf(holder) }]),
  ]
}

/**
 * Reads a fleet file: knives are told apart by label; where a file has none, by what it says of them. Blank cells leave
 * things as they are.
 */
export function planFleet(reading: Reading, present: Present): TablePlan {
  const table = readTable(reading, 'fleet', FLEET_COLUMNS, present.say, ESSENTIAL)
  const problems = problemList(table.problems, present.say)
  const seen = new Map<string, number>()
  for (const { row, values } of table.rows) {
    if (values.code === undefined) continue
    const earlier = seen.get(values.code)
    if (earlier === undefined) seen.set(values.code, row)
    else problems.add(row, 'code', 'code-twice', { code: values.code, row: earlier })
  }
  const books = {
    stations: stationNames(present, reading.told, table.meaning),
    people: peopleNames(present, reading.told, table.meaning, 'holder'),
  }
  const asked = new Map<string, ExchangeOutcome['values'][number]>()
  const entries = table.rows.flatMap((row) => entriesOf(row, table, books, problems, asked))
  const byCode = new Map(present.knives.map((knife) => [knife.code, knife]))
  const decisions = labelled(entries, present, ({ code }) => byCode.get(code ?? '') ?? null).flatMap(
    (entry) => decide(entry, present, problems) ?? [],
  )
  const byRow = new Map<number, Decision[]>()
  for (const decision of decisions) byRow.set(decision.row, [...(byRow.get(decision.row) ?? []), decision])
  const mapped = new Set(table.columns.map(({ means }) => means))
  const everywhere = reading.told.everywhere ?? {}
  const inWords = mapped.has('words')
  const missing = ESSENTIAL.filter(
    (key) =>
      !mapped.has(key) &&
      !(key in everywhere) &&
      !(key === 'station' && table.rows.some(({ under }) => under !== null)) &&
      !(inWords && key !== 'station'),
  )
  return planOfTable(table, FLEET_COLUMNS, problems, {
    missing,
    values: [...asked.values(), ...books.stations.values(), ...books.people.values()],
    stations: books.stations.fresh(),
    people: books.people.fresh(),
    label: ({ code, words, name }) => code ?? words?.text ?? name ?? '',
    decide: (row) => {
      const own = byRow.get(row)
      const [first] = own ?? []
      if (!own || !first) return undefined
      const isChanged = own.some(
        (one) => one.before && (realChanges(one).length > 0 || leavesAs(one, present) !== null),
      )
      const codes = own.map(({ knife }) => knife.code).join(', ')
      return {
        verb: own.some(({ before }) => !before) ? 'add' : isChanged ? 'change' : 'same',
        label: codes,
        changes: [
          ...stateChange(first, present),
          ...first.changes.map((one) => (one.column === 'code' ? { ...one, to: codes } : one)),
        ],
      }
    },
    apply: (db, taking) => applyFleet(db, present, decisions, taking),
  })
}

const stateChange = (decision: Decision, present: Present): Change[] => {
  const to = leavesAs(decision, present)
  return to ? [{ column: 'state', from: decision.before ? statusNow(decision.before, present) : null, to }] : []
}
