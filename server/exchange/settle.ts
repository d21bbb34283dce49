import type { ExchangeOutcome, ReadColumn, ReadingTold } from '../../contract/exchange'
import {
  decimalShown,
  isEitherWay,
  MM_PER,
  readDecimal,
  splitUnit,
  type Decimal,
  type DayOrder,
  type FilledCell,
  type LengthUnit,
} from './cells'
import { usualLengthMm, type Columns } from './columns'
import { isEitherOrder, orderShown } from './days'

type Question = ExchangeOutcome['questions'][number]
const SAMPLES = 4

/** The cells of a column, where a column with some meaning is looked at whole. */
export type CellsOf = (column: ReadColumn) => readonly FilledCell[]

const textsOf = (columns: readonly ReadColumn[], cellsOf: CellsOf): string[] =>
  columns.flatMap((column) => cellsOf(column).filter((cell): cell is string => typeof cell === 'string'))

/** How a file writes decimals: as told, or as its unambiguous numbers show; asked where some fit both. */
export function settleDecimal(
  columns: readonly ReadColumn[],
  kinds: Columns,
  cellsOf: CellsOf,
  told: ReadingTold,
): { readonly decimal: Decimal | null; readonly question: Question | null } {
  if (told.decimal) return { decimal: told.decimal, question: null }
  const numeric = columns.filter(
    ({ means }) => means !== null && ['number', 'length'].includes(kinds[means]?.sort ?? ''),
  )
  const texts = textsOf(numeric, cellsOf).map((text) => splitUnit(text.trim()).value)
  const shown = new Set(texts.map(decimalShown).filter((mark) => mark !== null))
  const [only] = shown
  if (shown.size === 1 && only) return { decimal: only, question: null }
  const either = texts.filter(isEitherWay)
  return {
    decimal: null,
    question:
      either.length > 0 ? { kind: 'decimal', samples: either.slice(0, SAMPLES), contradicts: shown.size > 1 } : null,
  }
}

/** The order of a file's days: as told, or as those that fit one order only show; the house's where none does. */
export function settleDayOrder(
  columns: readonly ReadColumn[],
  kinds: Columns,
  cellsOf: CellsOf,
  told: ReadingTold,
  ofHouse: DayOrder,
): { readonly dayOrder: DayOrder; readonly question: Question | null } {
  if (told.dayOrder) return { dayOrder: told.dayOrder, question: null }
  const days = columns.filter(({ means }) => means !== null && kinds[means]?.sort === 'day')
  // a moment's day is what stands before its time
  const texts = textsOf(days, cellsOf).map((text) => text.trim().split(/[\sT,]/)[0] ?? '')
  const shown = new Set(texts.map(orderShown).filter((order) => order !== null))
  const [only] = shown
  if (shown.size === 1 && only) return { dayOrder: only, question: null }
  if (shown.size === 0) return { dayOrder: ofHouse, question: null }
  const samples = [...(['dmy', 'mdy'] as const)].flatMap((order) =>
    texts.filter((text) => orderShown(text) === order).slice(0, 1),
  )
  return { dayOrder: ofHouse, question: { kind: 'day-order', samples, contradicts: true } }
}

/** Whether a cell cannot be read before a question is answered. */
export const waitsFor = (question: Question | null, cell: FilledCell): boolean =>
  question?.kind === 'day-order' && typeof cell === 'string' && isEitherOrder(cell.trim().split(/[\sT,]/)[0] ?? '')

const USUAL_EDGE_MM = 200

/**
 * The unit of bare edge lengths: the one that brings them nearest to what such knives usually measure. Nobody has a
 * chef's knife of 24 mm or a paring knife of 24 inches.
 *
 * @param rows each bare length with the other cells of its row, one of which may name the knife
 */
export function settleUnit(
  rows: readonly (readonly [length: FilledCell, others: readonly FilledCell[]])[],
): LengthUnit {
  const misfits: Record<LengthUnit, number> = { mm: 0, cm: 0, in: 0 }
  for (const [length, others] of rows) {
    let value: number
    try {
      value = readDecimal(length, '.')
    } catch {
      continue
    }
    if (value <= 0) continue
    const usual = others.reduce<number | null>((found, cell) => found ?? usualLengthMm(cell), null) ?? USUAL_EDGE_MM
    for (const unit of ['mm', 'cm', 'in'] as const)
      // one cell written wrong is not to decide for all
      misfits[unit] += Math.min(1.2, Math.abs(Math.log((value * MM_PER[unit]) / usual)))
  }
  return (['mm', 'cm', 'in'] as const).reduce(
    (best, unit) => (misfits[unit] < misfits[best] - 1e-9 ? unit : best),
    'mm',
  )
}
