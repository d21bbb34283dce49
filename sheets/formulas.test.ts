import fc from 'fast-check'
import Papa from 'papaparse'
import { describe, expect, it } from 'vitest'
import { asWritten, harmless, harmlessJson, wouldRun } from './formulas'
import { readHouseFolder, writeHouseFolder } from './houseFolder'

/** Text made of what formulas, quotes and separators are made of. */
const nasty = fc.string({
  unit: fc.constantFrom('=', '+', '-', '@', '＝', ';', ',', '\t', '\n', '\r', '"', "'", ' ', '1', 'a'),
  maxLength: 14,
})

/** Cells as a spreadsheet sees them that parts by a mark of its own. */
const cellsOf = (csv: string, delimiter: string): string[] => Papa.parse<string[]>(csv, { delimiter }).data.flat()

describe('text in a CSV cell', () => {
  it('starts no formula, whatever the spreadsheet parts cells by (OWASP, CSV injection)', () => {
    fc.assert(
      fc.property(fc.array(nasty, { minLength: 1, maxLength: 3 }), (texts) => {
        const csv = Papa.unparse([texts.map(harmless)], { newline: '\r\n' })
        for (const delimiter of [',', ';', '\t'])
          for (const cell of cellsOf(csv, delimiter))
            expect(/^[=+\-@＝＋－＠]/.test(cell), `${delimiter} ${JSON.stringify(csv)}`).toBe(false)
      }),
      { numRuns: 3000 },
    )
  })

  it('is read back as it was', () => {
    fc.assert(
      fc.property(nasty, (text) => {
        expect(asWritten(harmless(text))).toBe(text)
        expect(wouldRun(harmless(text)) && !harmless(text).includes("'")).toBe(false)
      }),
      { numRuns: 3000 },
    )
    expect(harmless("'tis 5; -2")).toBe("'tis 5; '-2")
    expect(harmless('a-b; c=d')).toBe('a-b; c=d')
  })

  it('of the whole house starts none either, and comes back to the letter', () => {
    fc.assert(
      fc.property(nasty, nasty, (name, note) => {
        const house = { house: { name, more: { note } }, parts: { knives: [{ code: note, tags: [name, note] }] } }
        expect(readHouseFolder(writeHouseFolder(house), 1e6)).toEqual(house)
        const csv = Papa.unparse([[harmlessJson(JSON.stringify({ name, note }))]])
        for (const cell of cellsOf(csv, ';')) expect(cell).not.toMatch(/^[=+\-@]/)
        expect(JSON.parse(harmlessJson(JSON.stringify({ name, note })))).toEqual({ name, note })
      }),
      { numRuns: 500 },
    )
  })
})
