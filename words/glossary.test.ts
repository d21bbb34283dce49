import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { LANGUAGES } from '../contract/languages'
import { catalogues } from './say'

/** The table of docs/glossary.md: a word of the trade in each language, in the order of LANGUAGES. */
const rows = readFileSync(new URL('../docs/glossary.md', import.meta.url), 'utf8')
  .split('\n')
  .filter((line) => line.startsWith('| ') && !/^\| (?:English|-)/.test(line))
  .map((line) =>
    line
      .split('|')
      .slice(1, -1)
      .map((cell) => cell.trim()),
  )

const messages = (catalogue: object): string[] =>
  Object.values(catalogue).flatMap((value: unknown) =>
    typeof value === 'string' ? [value] : messages(value as object),
  )
const LEAST_ROWS = 30

describe('the glossary', () => {
  it('has a word of each language in every row', () => {
    expect(rows.length).toBeGreaterThanOrEqual(LEAST_ROWS)
    for (const row of rows) expect(row.filter(Boolean)).toHaveLength(LANGUAGES.length)
  })

  it.each(LANGUAGES)('is what the catalogue says in %s', (language) => {
    const text = messages(catalogues[language]).join('\n').toLowerCase()
    const unused = rows
      .map((row) => row[LANGUAGES.indexOf(language)] ?? '')
      .filter((word) => !new RegExp(`(?<!\\p{Letter})${word.toLowerCase()}`, 'u').test(text))
    expect(unused).toEqual([])
  })
})
