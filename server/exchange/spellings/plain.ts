/** Texts compared without case, accents, apostrophes, punctuation and doubled spaces. */
export function plain(text: string): string {
  return text
    .normalize('NFKD')
    .replaceAll(/\p{Mark}/gu, '')
    .toLowerCase()
    .replaceAll('ß', 'ss')
    .replaceAll(/['’`´]/g, '')
    .replaceAll(/[^\p{Letter}\p{Number}]+/gu, ' ')
    .trim()
}

/** Words parted by commas, as a list. */
export const said = ([words = '']: TemplateStringsArray): readonly string[] =>
  words.split(',').map((word) => word.trim().replaceAll(/\s+/g, ' '))

/** How a spelling was found in a text: it is the text, or it is some words of it. */
export interface Found<T> {
  readonly value: T
  readonly exact: boolean
}

/** From this length on a word is known at the end of a longer one too, as German writes them together. */
const COMPOUND_LETTERS = 7
/** Texts kept with what they stand for: a column says the same few again and again. */
const MOST_KEPT = 2000

/** Words a trade writes for a set of values, in the languages of its kitchens. */
export class Spellings<T> {
  private readonly byText: ReadonlyMap<string, T>
  private readonly seen = new Map<string, Found<T> | null>()
  private readonly longestFirst: readonly (readonly [text: string, value: T])[]

  constructor(words: readonly (readonly [value: T, spellings: readonly string[]])[]) {
    this.byText = new Map(words.flatMap(([value, spellings]) => spellings.map((one) => [plain(one), value] as const)))
    this.longestFirst = [...this.byText].sort(([a], [b]) => b.length - a.length)
  }

  /** Whether every word of a text is one that some spelling of a value has. */
  hasNoOther(value: T, text: string): boolean {
    const own = new Set([...this.byText].flatMap(([spelling, one]) => (one === value ? spelling.split(' ') : [])))
    return plain(text)
      .split(' ')
      .every((word) => word === '' || own.has(word))
  }

  /** The value a text stands for: the text itself is one of the spellings, or the longest of them is in it. */
  find(text: string): Found<T> | null {
    const before = this.seen.get(text)
    if (before !== undefined) return before
    const found = this.look(text)
    if (this.seen.size < MOST_KEPT) this.seen.set(text, found)
    return found
  }

  private look(text: string): Found<T> | null {
    const wanted = plain(text)
    const value = this.byText.get(wanted)
    if (value !== undefined) return { value, exact: true }
    const padded = ` ${wanted} `
    const inside = this.longestFirst.find(
      ([spelling]) =>
        padded.includes(` ${spelling} `) ||
        (spelling.length >= COMPOUND_LETTERS && !spelling.includes(' ') && padded.includes(`${spelling} `)),
    )
    return inside ? { value: inside[1], exact: false } : null
  }
}
