import { v5 as idFrom } from 'uuid'

const SPACE = '0b9e9a58-3c43-4f0e-8f6b-7a6f1e0f7d11'

/** Ids of the sample house follow from names, so that loading it anywhere makes the same house. */
export const id = (...parts: readonly (string | number)[]): string => idFrom(parts.join('/'), SPACE)
export const SAMPLE_HOUSE_ID = id('house')
export const personId = (name: string): string => id('person', name)
export const stationId = (name: string): string => id('station', name)

/** Weeks of history. */
export const WEEKS = 10
