import { v7 as newId } from 'uuid'
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { ExchangeOutcome, ReadingTold, TableName } from '../../contract/exchange'
import { WHOLE_HOUSE_FORMAT, WHOLE_HOUSE_VERSION, type WholeHouse } from '../../contract/wholeHouse'
import type { HouseAsRows } from '../../sheets/houseFolder'
import { SheetFault, type Book, type Cell } from '../../sheets/sheet'
import { call } from '../api'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import { refusalText } from '../refusalText'
import { openFile, sheetFile } from './openSheet'

type Told = { -readonly [K in keyof ReadingTold]: ReadingTold[K] }
type Busy = 'opening' | 'reading' | 'taking' | null

/** A list on its way in: the file as it was opened, what was said of it, and what it would do to the house. */
export function useDelivery() {
  const fleet = useFleet()
  const table = ref<TableName>('fleet')
  const file = shallowRef<File | null>(null)
  const book = shallowRef<Book | null>(null)
  const house = shallowRef<HouseAsRows | null>(null)
  const told = ref<Told>({})
  const outcome = shallowRef<ExchangeOutcome | null>(null)
  const refusal = ref('')
  const busy = ref<Busy>(null)
  const jobId = ref<string | null>(null)
  let waiting = new AbortController()
  let asked = 0

  const sentenceOf = (error: unknown): string =>
    error instanceof SheetFault
      ? say(`file.${error.key}`, {
          ...error.values,
          ...(error.key === 'wrong-kind' ? { kind: say(`file.kind.${error.values['kind']}`) } : {}),
        })
      : refusalText(error)

  /** Does something that may be refused or given up; an answer that was overtaken is dropped. */
  async function during(what: Exclude<Busy, null>, act: (isCurrent: () => boolean) => Promise<void>): Promise<void> {
    const ask = ++asked
    busy.value = what
    refusal.value = ''
    try {
      await act(() => ask === asked)
    } catch (error) {
      if (ask === asked && !(error instanceof DOMException)) refusal.value = sentenceOf(error)
    } finally {
      if (ask === asked) busy.value = null
    }
  }

  async function look(): Promise<void> {
    const sheets = book.value?.sheets
    if (!sheets) return
    await during('reading', async (isCurrent) => {
      const answer = await call(endpoints.importTable, {
        params: { table: table.value },
        body: { sheets, told: told.value, take: 'none' },
      })
      if (isCurrent()) outcome.value = answer
    })
  }

  async function open(chosen: File, encoding?: string): Promise<void> {
    close()
    file.value = chosen
    await during('opening', async (isCurrent) => {
      const opened = await openFile(chosen, encoding, waiting.signal)
      if (!isCurrent()) return
      if ('house' in opened) house.value = opened.house
      else book.value = opened.book
    })
    if (!book.value) return
    await look()
    // a list of people dropped where knives are expected is read as what it is
    const rather = outcome.value?.looksLike
    if (rather && (outcome.value?.missing.length ?? 0) > 0) await readAs(rather)
  }

  async function readAs(other: TableName): Promise<void> {
    table.value = other
    told.value = {}
    outcome.value = null
    await look()
  }

  function tell(more: Told): Promise<void> {
    told.value = { ...told.value, ...more }
    return look()
  }

  /** Another sheet or another header row: what was said of columns belongs to the old ones. */
  const from = (more: Pick<Told, 'sheet' | 'headerRow'>): Promise<void> => {
    told.value = { sheet: told.value.sheet, ...more }
    return look()
  }
  const columnMeans = (at: number, means: string): Promise<void> => {
    const others = Object.entries(told.value.columns ?? {}).filter(([, one]) => one !== means || means === '')
    return tell({ columns: { ...Object.fromEntries(others), [at]: means } })
  }
  const columnUnit = (at: number, unit: 'mm' | 'cm' | 'in'): Promise<void> =>
    tell({ units: { ...told.value.units, [at]: unit } })
  const valueMeans = (column: string, text: string, means: string): Promise<void> =>
    tell({
      values: [
        ...(told.value.values ?? []).filter((one) => one.column !== column || one.text !== text),
        { column, text, means },
      ],
    })
  const everywhere = (column: string, text: string): Promise<void> =>
    tell({ everywhere: { ...told.value.everywhere, [column]: text } })
  function make<K extends 'stations' | 'people'>(kind: K, one: ExchangeOutcome[K][number]): Promise<void> {
    const others = (outcome.value?.[kind] ?? []).filter(({ name }) => name !== one.name)
    return tell({ [kind]: [...others, one] })
  }

  /** A cell as the person corrects it; the file itself stays as it is. */
  async function mend(row: number, at: number, text: string): Promise<void> {
    const opened = book.value
    const place = outcome.value?.sheet ?? 0
    if (!opened) return
    book.value = {
      ...opened,
      sheets: opened.sheets.map((sheet, index) => {
        if (index !== place) return sheet
        const rows = sheet.rows.map((cells, line) => {
          if (line !== row - 1) return cells
          const width = Math.max(cells.length, at + 1)
          return Array.from({ length: width }, (_, one): Cell => (one === at ? text : (cells[one] ?? null)))
        })
        return { ...sheet, rows }
      }),
    }
    await look()
  }

  async function take(which: 'good' | 'all'): Promise<void> {
    const sheets = book.value?.sheets
    const seen = outcome.value
    if (!sheets || !seen) return
    jobId.value = newId()
    await during('taking', async (isCurrent) => {
      const answer = await call(endpoints.importTable, {
        params: { table: table.value },
        body: {
          sheets,
          told: told.value,
          take: which,
          fingerprint: seen.fingerprint,
          jobId: jobId.value ?? undefined,
        },
      })
      if (isCurrent()) outcome.value = answer
      await fleet.load()
    })
    jobId.value = null
  }

  /** Brings a whole house in, as the one of its people who brings it. */
  async function takeHouse(personId: string): Promise<boolean> {
    const whole = house.value
    if (!whole) return false
    jobId.value = newId()
    let isIn = false
    await during('taking', async () => {
      await call(endpoints.bringHouse, {
        body: {
          file: { ...(whole as unknown as WholeHouse), format: WHOLE_HOUSE_FORMAT, version: WHOLE_HOUSE_VERSION },
          personId,
          jobId: jobId.value ?? undefined,
        },
      })
      isIn = true
    })
    jobId.value = null
    return isIn
  }

  /** Rows that were not brought in, under the file's own header, each with what is wrong with it. */
  async function rest(): Promise<Blob> {
    const seen = outcome.value
    const sheet = book.value?.sheets[seen?.sheet ?? 0]
    const lines = sheet?.rows ?? []
    const header = seen && seen.headerRow >= 0 ? (lines[seen.headerRow] ?? []) : []
    const width = Math.max(header.length, ...lines.map((row) => row.length))
    const filled = (row: readonly Cell[]): Cell[] => Array.from({ length: width }, (_, at) => row[at] ?? null)
    const bad = (seen?.rows ?? []).filter(({ verb }) => verb === 'problem')
    const sentences = (one: ExchangeOutcome['rows'][number]): string =>
      [...one.cells.flatMap(({ sentence }) => sentence ?? []), ...one.sentences].join(' ')
    return await sheetFile(say(`exchange.table.${table.value}`), [
      [...filled(header), say('exchange.wrong')],
      ...bad.map((one) => [...filled(lines[one.row - 1] ?? []), sentences(one)]),
    ])
  }

  function close(): void {
    waiting.abort()
    waiting = new AbortController()
    asked += 1
    busy.value = null
    file.value = null
    book.value = null
    house.value = null
    told.value = {}
    outcome.value = null
    refusal.value = ''
  }
  /** Gives up waiting for what is being opened or read; work on the house is stopped at the server. */
  async function stop(): Promise<void> {
    if (busy.value === 'taking' && jobId.value) {
      await call(endpoints.cancelJob, { params: { id: jobId.value } })
      return
    }
    close()
  }
  onScopeDispose(() => {
    waiting.abort()
  })

  return {
    table,
    file,
    book,
    house,
    outcome,
    refusal,
    busy,
    jobId,
    asked: computed(() => told.value),
    open,
    readAs,
    from,
    columnMeans,
    columnUnit,
    valueMeans,
    everywhere,
    make,
    mend,
    tell,
    take,
    takeHouse,
    rest,
    close,
    stop,
  }
}
export type Delivery = ReturnType<typeof useDelivery>
