import type { ExchangeOutcome } from '../contract/exchange'
import { readFile } from '../sheets/readFile'
import type { Sheet } from '../sheets/sheet'
import { writeBook } from '../sheets/writeBook'

const TYPES = ['chef’s', 'boning', 'paring', 'slicing', 'bread'] as const

/** A list of invented knives as a spreadsheet, with titles of its own. */
const listOf = (rows: number): Uint8Array =>
  writeBook([
    {
      name: 'Knives',
      rows: [
        ['Knife', 'Kind', 'Blade (cm)', 'Where', 'Who'],
        ...Array.from({ length: rows }, (_, at) => [
          `X${at + 1}`,
          TYPES[at % TYPES.length] ?? 'chef’s',
          14 + (at % 12),
          `Line ${1 + (at % 8)}`,
          `Cook ${1 + (at % 40)}`,
        ]),
      ],
    },
  ])

/** Opens, looks through and brings in lists of a size, in a house without knives. */
export async function benchLists(
  sizes: readonly number[],
  emptyHouse: () => Promise<{ readonly base: string; readonly cookie: string; readonly close: () => Promise<void> }>,
  note: (what: string, measured: string, limit?: string) => void,
): Promise<void> {
  const seconds = (ms: number): string => `${(ms / 1000).toFixed(1)} s`
  for (const size of sizes) {
    const house = await emptyHouse()
    try {
      const bytes = listOf(size)
      const opened = performance.now()
      const { sheets } = readFile(bytes, 'knives.xlsx')
      const openMs = performance.now() - opened
      const ask = async (take: 'none' | 'all'): Promise<{ outcome: ExchangeOutcome; spent: number }> => {
        const started = performance.now()
        const answer = await fetch(`${house.base}/api/exchange/fleet`, {
          method: 'POST',
          headers: { cookie: house.cookie, 'content-type': 'application/json' },
          body: JSON.stringify({ sheets: sheets satisfies readonly Sheet[], told: {}, take }),
        })
        if (!answer.ok) throw new Error(await answer.text())
        return { outcome: (await answer.json()) as ExchangeOutcome, spent: performance.now() - started }
      }
      const dry = await ask('none')
      const taken = await ask('all')
      if (dry.outcome.counts.add !== size || taken.outcome.applied !== size)
        throw new Error(`${size} rows: ${dry.outcome.counts.add} to add, ${taken.outcome.applied ?? 0} brought in`)
      const limit = size <= 5000 ? '10 s' : ''
      note(`A list of ${size.toLocaleString('en')} knives as .xlsx opened`, seconds(openMs))
      note(`The same looked through, a dry run`, seconds(dry.spent), limit)
      note(`The same brought in`, seconds(taken.spent), limit)
    } finally {
      await house.close()
    }
  }
}
