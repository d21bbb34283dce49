import { describe, expect, it } from 'vitest'
import { speaker } from '../../words/say'
import { length, number, text } from './cells'
import { readTable, type Column } from './readTable'

const say = speaker()
const columns = {
  code: { read: text(12), aliases: ['label'], required: true } satisfies Column<string>,
  length: { read: length(40, 600), aliases: ['blade length'] } satisfies Column<number>,
  hardness: { read: number(40, 70), aliases: ['hrc'] } satisfies Column<number>,
}
const read = (csv: string) => readTable(csv, columns, 'UTC', say)

describe('a table from a file', () => {
  it.each([
    ['commas', 'code,length\nA,200', ','],
    ['semicolons', 'code;length\nA;200,5', ';'],
    ['tabs', 'code\tlength\nA\t200', '\t'],
    ['bars', 'code|length\nA|200', '|'],
    ['one column', 'code\nA', ';'],
  ])('is cut at %s by what its header shows', (_what, csv, delimiter) => {
    const table = read(csv)
    expect(table.delimiter).toBe(delimiter)
    expect(table.problems).toEqual([])
    expect(table.rows[0]?.values.code).toBe('A')
  })

  it('takes old and new line ends, a byte-order mark and blank lines alike', () => {
    for (const csv of [
      'code,length\r\nA,200\r\n\r\nB,210\r\n',
      '\uFEFFcode,length\nA,200\n\nB,210',
      'code,length\nA,200\n,\nB,210\n',
    ]) {
      const table = read(csv)
      expect(table.rows.map(({ row, values }) => [row, values.code, values.length])).toEqual([
        [2, 'A', 200],
        [4, 'B', 210],
      ])
    }
  })

  it('keeps quoted cells whole, with their delimiters, quotes and line ends', () => {
    const table = read('code,length\n"A,""1""",200\n')
    expect(table.rows[0]?.values.code).toBe('A,"1"')
  })

  it.each(['Blade length (mm)', 'blade_length', 'BLADE LENGTH [mm]', 'Length mm', 'length'])(
    'knows the column %j',
    (header) => {
      expect(read(`code,${header}\nA,200`).rows[0]?.values.length).toBe(200)
    },
  )

  it.each(['length (in)', 'Length in', 'blade length (inches)', 'length ["]'])('reads %j in inches', (header) => {
    expect(read(`code,${header}\nA,8`).rows[0]?.values.length).toBe(203.2)
  })

  it('knows a header that is nothing but a unit', () => {
    expect(read('code,HRC\nA,58').rows[0]?.values.hardness).toBe(58)
  })

  it('lists unknown columns and keeps them out', () => {
    const table = read('code,shelf,colour\nA,1,blue')
    expect(table.unknownColumns).toEqual(['shelf', 'colour'])
    expect(Object.keys(table.rows[0]?.values ?? {})).toEqual(['code'])
  })

  it('names a column that is missing, doubled, and a row that is too wide', () => {
    const sentences = read('length,length\n200,210,220\n').problems.map(
      (problem) => `${problem.row}: ${problem.sentence}`,
    )
    expect(sentences).toEqual([
      '1: The column length is there twice.',
      '1: There is no column code.',
      '2: 3 cells where the header has 2.',
    ])
  })

  it('names an empty cell where there may be none', () => {
    expect(read('code,length\n,200').problems).toEqual([{ row: 2, column: 'code', sentence: 'This may not be empty.' }])
  })

  it('refuses a file without a header', () => {
    expect(() => read('')).toThrow(expect.objectContaining({ key: 'file-empty' }))
    expect(() => read('\n\nA,200')).toThrow(expect.objectContaining({ key: 'file-empty' }))
  })

  it('takes the apostrophe off again that keeps a spreadsheet from running a cell', () => {
    expect(read("code,length\n'=A1,200").rows[0]?.values.code).toBe('=A1')
    expect(read("code,length\n'tis,200").rows[0]?.values.code).toBe("'tis")
  })
})
