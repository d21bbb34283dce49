import type { ExchangeOutcome, ReadingTold } from '../../contract/exchange'
import type { Station } from '../../contract/house'
import { v4 as newId } from 'uuid'
import type { PersonWrite, StoredPerson } from '../db/queries/house/people'
import type { Present } from './plan'
import type { ReadTable } from './readTable'
import { productsByName } from './spellings/others'
import { plain } from './spellings/plain'

type ReadValue = ExchangeOutcome['values'][number]
type NewStation = ExchangeOutcome['stations'][number]
type NewPerson = ExchangeOutcome['people'][number]
type Meaning = ReadTable<Record<never, never>>['meaning']

/** Somebody a list names and the house does not know yet; they sign in by a PIN once they are given one. */
export const personNamed = ({ name, role }: Pick<NewPerson, 'name' | 'role'>): PersonWrite => ({
  id: newId(),
  name,
  role,
  active: true,
  signInName: null,
  passwordHash: null,
  pinHash: null,
})

/** Whom or where a cell names: one the house knows, one that is to be made, nobody, or none that is known. */
export type Named<T, N> = { readonly known: T } | { readonly fresh: N } | 'nobody' | 'unknown'

const NOBODY = new Set(
  [
    '',
    '-',
    'none',
    'nobody',
    'no one',
    'shared',
    'all',
    'everybody',
    'everyone',
    'any',
    'anyone',
    'n/a',
    'house',
    'spare',
  ]
    .concat(['niemand', 'alle', 'keiner', 'personne', 'tous', 'nadie', 'todos', 'nessuno', 'tutti', 'ninguém', 'pool'])
    .map(plain),
)

/** People that a text may stand for: a first name, or parts of both. */
function alike(people: readonly StoredPerson[], text: string): StoredPerson[] {
  const wanted = plain(text).split(' ').filter(Boolean)
  return people.filter(({ name }) => {
    const parts = plain(name).split(' ')
    return wanted.length > 0 && wanted.every((one) => parts.some((part) => part.startsWith(one)))
  })
}

/** Names found in a file, each said once: what it means, how that is known, and who or what would be made for it. */
export interface NameBook<T, N> {
  readonly find: (text: string) => Named<T, N>
  readonly fresh: () => readonly N[]
  readonly values: () => readonly ReadValue[]
}

function nameBook<T extends { readonly name: string }, N extends { readonly name: string; readonly make: boolean }>(
  column: string,
  meaning: Meaning,
  known: readonly T[],
  how: {
    readonly guess: (text: string) => readonly T[]
    readonly make: (name: string) => N
    readonly nobody: boolean
  },
): NameBook<T, N> {
  const byName = new Map(known.map((one) => [plain(one.name), one]))
  const made = new Map<string, N>()
  const said = new Map<string, { value: ReadValue; named: Named<T, N> }>()
  const resolve = (text: string): { named: Named<T, N>; how: ReadValue['how']; means: string | null } => {
    const told = meaning(column, text)
    const name = told?.means ?? text
    if (how.nobody && NOBODY.has(plain(name))) return { named: 'nobody', how: told?.how ?? 'word', means: '' }
    const one = byName.get(plain(name))
    if (one) return { named: { known: one }, how: told?.how ?? 'word', means: one.name }
    const [guess, ...others] = told ? [] : how.guess(name)
    if (guess && others.length === 0) return { named: { known: guess }, how: 'guess', means: guess.name }
    const fresh = made.get(plain(name)) ?? how.make(name)
    made.set(plain(name), fresh)
    const named = fresh.make ? { fresh } : how.nobody ? 'nobody' : 'unknown'
    return { named, how: told?.how ?? 'word', means: fresh.name }
  }
  return {
    find: (text) => {
      const before = said.get(text)
      if (before) {
        said.set(text, { ...before, value: { ...before.value, rows: before.value.rows + 1 } })
        return before.named
      }
      const { named, how: known, means } = resolve(text)
      said.set(text, { named, value: { column, text, rows: 1, means, how: known } })
      return named
    },
    fresh: () => [...made.values()],
    values: () => [...said.values()].map(({ value }) => value).filter((value) => value.how !== 'word'),
  }
}

/** Stations a file names; one the house does not know is offered to be made, as the commonest kind. */
export function stationNames(present: Present, told: ReadingTold, meaning: Meaning): NameBook<Station, NewStation> {
  return nameBook('station', meaning, present.context.stations, {
    guess: () => [],
    nobody: false,
    make: (name) =>
      told.stations?.find((one) => plain(one.name) === plain(name)) ?? {
        name,
        board: 'soft-plastic',
        product: productsByName.find(name)?.value ?? 'mixed',
        make: true,
      },
  })
}

/** People a file names; one the house does not know is offered to be made. */
export function peopleNames(
  present: Present,
  told: ReadingTold,
  meaning: Meaning,
  column: string,
): NameBook<StoredPerson, NewPerson> {
  return nameBook(column, meaning, present.people, {
    guess: (text) => alike(present.people, text),
    nobody: true,
    make: (name) =>
      told.people?.find((one) => plain(one.name) === plain(name)) ?? { name, role: 'cook' as const, make: true },
  })
}
