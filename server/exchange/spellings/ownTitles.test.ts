import { describe, expect, it } from 'vitest'
import { TABLE_COLUMNS } from '../columns'
import { LANGUAGES } from '../../../contract/languages'
import { findColumns } from '../findColumns'
import { ownTitles } from './ownTitles'

describe.each(Object.keys(TABLE_COLUMNS) as (keyof typeof TABLE_COLUMNS)[])('a list of %s', (table) => {
  const keys = Object.keys(TABLE_COLUMNS[table])

  it.each(LANGUAGES)('titled as the screens call its columns in %s is read, whatever the house speaks', (language) => {
    const titles = keys.map((key) => ownTitles(table, key)[LANGUAGES.indexOf(language)] ?? '')
    const { columns } = findColumns([titles], table, {}, new Map())
    expect(columns.map(({ means }) => means)).toEqual(keys)
  })
})
