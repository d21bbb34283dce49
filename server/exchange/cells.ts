import { asWritten } from '../../sheets/formulas'
import { plain, type Spellings } from './spellings/plain'

/** A cell that cannot be read; the sentence is the catalogue's `cell.<key>`. */
export class CellFault extends Error {
  constructor(
    readonly key: string,
    readonly values: Readonly<Record<string, string | number>> = {},
  ) {
    super(key)
    this.name = 'CellFault'
  }
}

export type LengthUnit = 'mm' | 'cm' | 'in'
export type DayOrder = 'dmy' | 'mdy' | 'ymd'
export type Decimal = ',' | '.'

/** What has to be known of a file before its cells mean anything. */
export interface CellContext {
  /** of a bare number in a column of lengths */
  readonly unit: LengthUnit
  readonly zone: string
  readonly dayOrder: DayOrder
  /** what parts whole numbers from decimals; null where nobody has said, and nothing in the file shows it */
  readonly decimal: Decimal | null
}

export type FilledCell = string | number
export type ReadCell<T> = (cell: FilledCell, context: CellContext) => T

export const MM_PER: Readonly<Record<LengthUnit, number>> = { mm: 1, cm: 10, in: 25.4 }

/** A cell as text; the apostrophe that keeps a spreadsheet from running it is no part of it. */
export function textOf(cell: FilledCell): string {
  if (typeof cell === 'number') return String(cell)
  const text = cell.trim()
  if (text.startsWith('=')) throw new CellFault('formula')
  return asWritten(text)
}

/** Words, days and hours are short too; patterns look through no more than this. */
const LONGEST_BRIEF = 300

/** A cell as text where what it may hold is short. @throws CellFault `too-long` */
export function briefOf(cell: FilledCell): string {
  const text = textOf(cell)
  if (text.length > LONGEST_BRIEF) throw new CellFault('too-long', { most: LONGEST_BRIEF })
  return text
}

const UNIT_BEHIND = /(mm|gf|g|grams?|°|dps|degrees|deg|hrc|%|€|\$|£|kr|chf|eur|usd|gbp)\.?$/i
const CURRENCY_BEFORE = /^(€|\$|£|chf|eur|usd|gbp)/i
/** One point or comma before three figures: thousands or thousandths. */
const EITHER_WAY = /^[+-]?[1-9]\d{0,2}([.,])\d{3}$/

/** Figures are short: what is longer is none, and is not looked through for one. */
const LONGEST_FIGURE = 60
const isFigure = (text: string): boolean => text.length <= LONGEST_FIGURE
/** As much of a cell as a sentence about it can take. */
const shown = (text: string): string => (isFigure(text) ? text : `${text.slice(0, LONGEST_FIGURE)}…`)

/** A figure without spaces, unit and currency; empty where a text is too long to be one. */
function bare(text: string): string {
  if (!isFigure(text)) return ''
  return text
    .replaceAll(/[\s\u00a0\u202f'’]/g, '')
    .replace(UNIT_BEHIND, '')
    .replace(CURRENCY_BEFORE, '')
}

/** What a number says of how its file writes decimals; null where it fits both. */
export function decimalShown(text: string): Decimal | null {
  const number = bare(text)
  if (!/^[+-]?[\d.,]+$/.test(number) || EITHER_WAY.test(number)) return null
  const [comma, point] = [number.lastIndexOf(','), number.lastIndexOf('.')]
  if (comma >= 0 && point >= 0) return comma > point ? ',' : '.'
  const mark = comma >= 0 ? ',' : '.'
  const count = number.split(mark).length - 1
  if (count === 0) return null
  // several of one mark group thousands
  if (count > 1) return mark === ',' ? '.' : ','
  return mark
}

/** Whether a number means two things, depending on how its file writes decimals. */
export const isEitherWay = (text: string): boolean => EITHER_WAY.test(bare(text))

/**
 * A number as people write it in spreadsheets: decimal point or comma, thousands in the other, spaces and a trailing
 * unit allowed.
 *
 * @throws CellFault `which-decimal` where 1,234 may be one and a bit or over a thousand, and nobody has said
 */
export function readDecimal(cell: FilledCell, decimal: Decimal | null): number {
  if (typeof cell === 'number') return cell
  const text = textOf(cell)
  const number = bare(text)
  const either = EITHER_WAY.test(number)
  if (either && decimal === null) throw new CellFault('which-decimal', { text: shown(text) })
  const mark = either ? decimal : decimalShown(number)
  const normal = number.replaceAll(mark === ',' ? '.' : ',', '').replace(mark ?? '.', '.')
  if (!/^[+-]?(\d+\.?\d*|\.\d+)$/.test(normal)) throw new CellFault('not-a-number', { text: shown(text) })
  return Number(normal)
}

const inRange = (value: number, low: number, high: number, text: string): number => {
  if (value < low || value > high) throw new CellFault('out-of-range', { text: shown(text), low, high })
  return value
}

export const number =
  (low: number, high: number): ReadCell<number> =>
  (cell, { decimal }) =>
    inRange(readDecimal(cell, decimal), low, high, String(cell))

const FRACTIONS: Readonly<Record<string, number>> = {
  '¼': 0.25,
  '½': 0.5,
  '¾': 0.75,
  '⅛': 0.125,
  '⅜': 0.375,
  '⅝': 0.625,
  '⅞': 0.875,
  '⅓': 1 / 3,
  '⅔': 2 / 3,
}
const UNITS: readonly (readonly [RegExp, LengthUnit])[] = [
  [/\s*(mm|millimet(er|re)s?|milímetros?|millimètres?|millimetri)\.?$/i, 'mm'],
  [/\s*(cm|centimet(er|re)s?|zentimeter|centimètres?|centímetros?|centimetri)\.?$/i, 'cm'],
  [/\s*(in|inch|inches|ins|zoll|pouces?|pulgadas?|pollici|polegadas?|"|″|”|''|’’|´´)\.?$/i, 'in'],
]

/** The unit a text ends with, and what stands before it. */
export function splitUnit(text: string): { readonly value: string; readonly unit: LengthUnit | null } {
  const found = isFigure(text) ? UNITS.find(([pattern]) => pattern.test(text)) : undefined
  return found ? { value: text.replace(found[0], '').trim(), unit: found[1] } : { value: text, unit: null }
}

/** 9 1/2, 9½, 9-1/2, 1/2; null for what is no fraction. */
function readFraction(text: string): number | null {
  if (!isFigure(text)) return null
  const glyph = /^(\d*)\s*([¼½¾⅛⅜⅝⅞⅓⅔])$/.exec(text)
  if (glyph) return Number(glyph[1] ?? 0) + (FRACTIONS[glyph[2] ?? ''] ?? 0)
  const written = /^(?:(\d+)[\s-]+)?(\d{1,2})\/(\d{1,2})$/.exec(text)
  if (!written || Number(written[3]) === 0) return null
  return Number(written[1] ?? 0) + Number(written[2]) / Number(written[3])
}

/** A length in its own unit, or the column's: 240, 24 cm, 9.5", 9 1/2 in, 9½″. */
export const length =
  (lowMm: number, highMm: number): ReadCell<number> =>
  (cell, { unit, decimal }) => {
    const text = String(cell)
    const split = typeof cell === 'number' ? { value: cell, unit: null } : splitUnit(textOf(cell))
    const fraction = typeof split.value === 'string' ? readFraction(split.value) : null
    const value = fraction ?? readDecimal(split.value, decimal)
    const mm = Math.round(value * MM_PER[split.unit ?? unit] * 1000) / 1000
    return inRange(mm, lowMm, highMm, text)
  }

export const text =
  (most: number): ReadCell<string> =>
  (cell) => {
    const raw = textOf(cell)
    if (raw.length > most) throw new CellFault('too-long', { most })
    return raw
  }

/** One of a set, by any of its spellings; a guess from some of the words counts as well. */
export const spelled =
  <T>(spellings: Spellings<T>, key = 'not-known'): ReadCell<T> =>
  (cell) => {
    const found = spellings.find(briefOf(cell))
    if (!found) throw new CellFault(key, { text: briefOf(cell) })
    return found.value
  }

/** One of a set of names, written as they are. */
export const choice =
  <const T extends string>(options: readonly T[], others: Readonly<Record<string, T>> = {}): ReadCell<T> =>
  (cell) => {
    const wanted = plain(briefOf(cell))
    const other = Object.entries(others).find(([spelling]) => plain(spelling) === wanted)
    const found = options.find((option) => plain(option) === wanted) ?? other?.[1]
    if (!found) throw new CellFault('not-one-of', { text: briefOf(cell), options: options.join(', ') })
    return found
  }

export const pattern =
  (shape: RegExp, normalise: (text: string) => string, key: string): ReadCell<string> =>
  (cell) => {
    const value = normalise(briefOf(cell))
    if (!shape.test(value)) throw new CellFault(key, { text: briefOf(cell) })
    return value
  }

export const json: ReadCell<unknown> = (cell) => {
  try {
    return JSON.parse(textOf(cell))
  } catch {
    throw new CellFault('not-json')
  }
}
