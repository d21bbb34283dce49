import { readFileSync } from 'node:fs'
import { afterAll, beforeAll, describe, expect, it } from 'vitest'
import type { ExchangeOutcome, ReadingTold } from '../../contract/exchange'
import { readFile } from '../../sheets/readFile'
import { startApp, type TestApp, type TestHouse } from '../testing/harness'

/**
 * One list of six knives as sixty kitchens would keep it, written by Python's csv module, openpyxl and LibreOffice
 * (scripts/lists/make.py): read right, each of them, without a word from anybody unless `told` says so.
 */
interface ListFile {
  readonly file: string
  readonly told?: ReadingTold
  /** columns the file does not have */
  readonly without?: readonly string[]
  /** no labels, or the sheet's own padded numbers */
  readonly labels?: false | 'padded'
  /** lengths rounded to what inches can say */
  readonly about?: true
  /** rows that cannot be read, rightly */
  readonly problems?: number
}
const FOLDER = 'server/exchange/lists'
const { truth, files } = JSON.parse(readFileSync(`${FOLDER}/lists.json`, 'utf8')) as {
  truth: Readonly<Record<string, string | number>>[]
  files: ListFile[]
}

let test: TestApp
let house: TestHouse
beforeAll(async () => {
  test = await startApp()
  house = await test.house()
})
afterAll(() => test.close())

const dryRun = async ({ file, told = {} }: ListFile): Promise<ExchangeOutcome> => {
  const { sheets } = readFile(new Uint8Array(readFileSync(`${FOLDER}/${file}`)), file)
  const answer = await house.manager.post('/api/exchange/fleet', { sheets, told, take: 'none' })
  expect(answer.status).toBe(200)
  return answer.body
}
const HALF_INCH_MM = 12.7

describe('a list of knives', () => {
  it('is kept in at least fifty ways', () => {
    expect(files.length).toBeGreaterThanOrEqual(50)
  })

  it.each(files.map((file) => [file.file, file] as const))('is read right from %s', async (_name, file) => {
    const outcome = await dryRun(file)
    const rows = outcome.rows.filter(({ verb }) => verb !== 'note')
    expect(rows.filter(({ verb }) => verb === 'problem')).toHaveLength(file.problems ?? 0)
    if (file.problems) return
    expect([outcome.missing, outcome.questions]).toEqual([[], []])
    const read = rows.map(({ label, cells }) => ({
      code: label,
      ...Object.fromEntries(cells.map(({ column, to }) => [column, to])),
    })) as Record<string, string>[]
    const wanted = truth.map((knife, at) => ({
      ...knife,
      ...(file.labels === 'padded' ? { code: String(at + 1).padStart(3, '0') } : {}),
    }))
    expect(read).toHaveLength(wanted.length)
    const keyOf = (knife: Readonly<Record<string, unknown>>): string =>
      String(file.labels === false ? knife['type'] : knife['code'])
    for (const knife of wanted) {
      const found = read.find((one) => keyOf(one) === keyOf(knife))
      for (const [column, value] of Object.entries(knife)) {
        if (file.without?.includes(column) || (column === 'code' && file.labels === false)) continue
        const is = found?.[column] ?? ''
        if (column === 'length' && file.about)
          expect(Math.abs(Number(is) - Number(value))).toBeLessThanOrEqual(HALF_INCH_MM)
        else expect([column, is]).toEqual([column, String(value)])
      }
    }
  })
})
