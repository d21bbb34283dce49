import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { asCsv } from './takeOut'

describe('a list that is taken out', () => {
  it('is read back by another program, whatever stands in it, and starts no formula', () => {
    const rows = [
      ['Knife', 'a "good" one', 'two\nlines', 12.5],
      ['=1+1', '@sum', 'é, ü', -3],
    ]
    const read = Papa.parse<string[]>(asCsv(rows)).data
    expect(read[0]).toEqual(['Knife', 'a "good" one', 'two\nlines', '12.5'])
    expect(read[1]?.[0]).toBe("'=1+1")
    expect(read[1]?.[2]).toBe('é, ü')
  })
})
