import { Fault } from '../faults'

/** What a write is about, for the sentence of a refusal. */
export type WriteValues = Readonly<Record<string, string>>

/** The sentence for each unique index that a person's input can hit, and the field that has to be another. */
const TAKEN: Readonly<Record<string, { readonly key: string; readonly field: string }>> = {
  people_name: { key: 'duplicate-name', field: 'name' },
  people_sign_in_name: { key: 'duplicate-name', field: 'signInName' },
  stations_name: { key: 'duplicate-name', field: 'name' },
  supplies_by_name: { key: 'duplicate-name', field: 'name' },
  gear_name: { key: 'duplicate-name', field: 'name' },
  benches_name: { key: 'duplicate-name', field: 'name' },
  knives_code: { key: 'duplicate-code', field: 'code' },
}

interface DatabaseRefusal extends Error {
  readonly code: string
  readonly constraint?: string
}

const isRefusal = (error: unknown): error is DatabaseRefusal =>
  error instanceof Error && 'code' in error && typeof error.code === 'string'

/**
 * The fault behind a unique violation, by the name of its constraint; null for any other error.
 *
 * @param values what was written, by field: PostgreSQL itself only knows the name in lower case
 */
export function uniqueFault(error: unknown, values: WriteValues): Fault | null {
  const taken = isRefusal(error) && error.code === '23505' ? TAKEN[error.constraint ?? ''] : undefined
  if (!taken) return null
  const told = { [taken.field === 'code' ? 'code' : 'name']: values[taken.field] ?? '' }
  return new Fault('conflict', taken.key, told, [{ path: taken.field, key: taken.key, values: told }])
}

/**
 * Codes of a value no column takes: text with a NUL or a lone surrogate, a number beyond its column, a date
 * there is none of, a bound the schema sets.
 */
const REFUSED_VALUE = /^(22003|22007|22008|22021|22P02|22P05|23514)$/

/**
 * The fault behind what the contract let through and the database did not: a value no column takes, an id that points at
 * nothing in this house, or one that was saved before; null for any other error.
 */
export function refusedValue(error: unknown): Fault | null {
  if (!isRefusal(error)) return null
  if (REFUSED_VALUE.test(error.code)) return new Fault('invalid', 'value-refused')
  if (error.code === '23503') return new Fault('not-found', 'points-nowhere')
  if (error.code === '23505' && error.constraint?.endsWith('_pkey')) return new Fault('conflict', 'saved-already')
  return null
}

const REFUSALS: ReadonlySet<string> = new Set(['value-refused', 'points-nowhere', 'saved-already'])

/** Whether the database refused a row for what is in it: a value, a bound, a twin, or something that is not there. */
export const isRefusedRow = (error: unknown): boolean =>
  (isRefusal(error) && /^2[23]/.test(error.code)) || (error instanceof Fault && REFUSALS.has(error.key))
