import { zipSync } from 'fflate'
import { readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { readFile } from './readFile'
import { writeBook } from './writeBook'

const bytes = (text: string): Uint8Array => new TextEncoder().encode(text)
const refused = (file: Uint8Array): { key: string; values: object } => {
  try {
    readFile(file, 'file')
  } catch (error) {
    return error as { key: string; values: object }
  }
  throw new Error('it was read')
}
const PNG = 'iVBORw0KGgoAAAANSUhEUgAAAAEAAAABCAYAAAAfFcSJAAAADUlEQVR42mP8z8BQDwAEhQGAhKmMIQAAAABJRU5ErkJggg=='

describe('a file that is no list', () => {
  it.each([
    ['a picture', new Uint8Array(Buffer.from(PNG, 'base64')), 'picture'],
    ['a photograph', new Uint8Array([0xff, 0xd8, 0xff, 0xe0, 0, 16, 0x4a, 0x46, 0x49, 0x46, 0, 1]), 'picture'],
    ['a PDF', bytes('%PDF-1.7\n1 0 obj\n<< /Type /Catalog >>'), 'pdf'],
    ['a web page', bytes('<!DOCTYPE html><html><body>knives</body></html>'), 'page'],
    ['a written text', bytes('{\\rtf1\\ansi knives}'), 'letter'],
    ['a text document', zipSync({ 'word/document.xml': bytes('<w/>') }), 'letter'],
    ['slides', zipSync({ 'ppt/presentation.xml': bytes('<p/>') }), 'slides'],
    ['a packed folder', zipSync({ 'knives.csv': bytes('a,b') }), 'packed'],
  ])('is named: %s', (_what, file, kind) => {
    expect(refused(file)).toMatchObject({ key: 'wrong-kind', values: { kind } })
  })

  it('is refused when it is empty, broken, locked or no writing at all', () => {
    expect(refused(new Uint8Array())).toMatchObject({ key: 'empty-file' })
    expect(refused(bytes(' \n , ,\n'))).toMatchObject({ key: 'nothing-in-it' })
    const book = writeBook([{ name: 'a', rows: [['x', 1]] }])
    expect(refused(book.subarray(0, book.length / 2))).toMatchObject({ key: 'broken-file' })
    expect(refused(new Uint8Array([1, 2, 0, 0, 3, 9, 0, 7]))).toMatchObject({ key: 'not-text' })
    expect(refused(bytes('a,b\n"open,1\n2,3\n'))).toMatchObject({ key: 'open-quote' })
  })

  it('is refused when it is large, or would be once unpacked, whatever it says of itself', () => {
    expect(refused(new Uint8Array(20_000_001))).toMatchObject({ key: 'too-big' })
    // 200 MB of zeros pack into 200 kB
    const bomb = zipSync({ 'xl/workbook.xml': bytes('<workbook/>'), 'xl/big.xml': new Uint8Array(200_000_000) })
    expect(bomb.length).toBeLessThan(400_000)
    expect(refused(bomb)).toMatchObject({ key: 'too-big-unpacked' })
    // the same with sizes of nought in its directory
    const lying = Uint8Array.from(bomb)
    const view = new DataView(lying.buffer)
    for (let at = 0; at < lying.length - 46; at += 1)
      if (view.getUint32(at, true) === 0x02014b50) view.setUint32(at + 24, 0, true)
    expect(['too-big-unpacked', 'broken-file']).toContain(refused(lying).key)
  })

  it('is refused when it has more rows or columns than any list', () => {
    const long = Array.from({ length: 20_100 }, (_, row) => `K${row},chef`).join('\n')
    expect(refused(bytes(long))).toMatchObject({ key: 'too-long' })
    expect(refused(bytes(Array.from({ length: 300 }, (_, at) => `c${at}`).join(',')))).toMatchObject({
      key: 'too-wide',
    })
  })
})

describe('a spreadsheet', () => {
  it('that we write is read back cell by cell, and starts no formula', () => {
    const rows = [
      ['label', 'length', 'name'],
      ['K1', 240.5, '=HYPERLINK("x")'],
      ['K2', 90, '+1'],
    ]
    const [sheet] = readFile(writeBook([{ name: 'Knives', rows }]), 'a.xlsx').sheets
    expect(sheet?.rows).toEqual([rows[0], ['K1', 240.5, '\'=HYPERLINK("x")'], ['K2', 90, '+1']])
  })

  it('gives the results of formulas, days as days, and what formats show', () => {
    const read = (name: string): readonly (readonly unknown[])[] =>
      readFile(new Uint8Array(readFileSync(`server/exchange/lists/${name}`)), name).sheets[0]?.rows ?? []
    expect(read('formulas.xlsx')[1]?.[2]).toBe(240)
    expect(read('formulas-bare.xlsx')[1]?.[2]).toBe('=240/1')
    expect(read('plain.xlsx')[1]?.[5]).toBe('2024-11-03')
    expect(read('epoch-1904.xlsx')[1]?.[5]).toBe('2024-11-03')
    expect(read('cm-by-format.xlsx')[1]?.[2]).toBe('24.0 cm')
    expect(read('merged.xlsx')[2]?.[3]).toBe('Sauté')
    expect(read('padded.xlsx')[1]?.[0]).toBe('001')
  })
})
