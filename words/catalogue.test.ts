import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { HONE_TOOLS } from '../core/edge/model/hone'
import { LADDER } from '../core/edge/model/ladder'
import { EDGE_WORDS } from '../core/edge/model/scale'
import { ACTIONS } from '../core/edge/verdict/verdict'
import { BOARDS, PRODUCTS } from '../core/house/stations'
import { MEASURABLE } from '../core/knife/blade'
import { GRINDS, KNIFE_TYPES } from '../core/knife/knifeTypes'
import en from './en.json'
import { catalogues, speaker } from './say'

function flatten(tree: object, path = ''): [string, string][] {
  return Object.entries(tree).flatMap(([key, value]): [string, string][] =>
    typeof value === 'string' ? [[`${path}${key}`, value]] : flatten(value as object, `${path}${key}.`),
  )
}
const keys = new Map(flatten(en))

function sources(directory: string): string[] {
  return readdirSync(directory).flatMap((name) => {
    const path = join(directory, name)
    if (statSync(path).isDirectory()) return sources(path)
    return /\.(vue|ts)$/.test(name) && !name.endsWith('.test.ts') ? [path] : []
  })
}

describe('the catalogue', () => {
  it('has every sentence the code asks for by name', () => {
    const asked = ['web', 'server', 'words'].flatMap(sources).flatMap((path) =>
      [...readFileSync(path, 'utf8').matchAll(/(?:\$t|\bsay)\(\s*'([\w.-]+)'/g)].map((match) => ({
        path,
        key: match[1] ?? '',
      })),
    )
    expect(asked.length).toBeGreaterThan(150)
    expect(asked.filter(({ key }) => !keys.has(key))).toEqual([])
  })

  it('has a sentence for every fault the server knows', () => {
    const faults = sources('server').flatMap((path) =>
      [...readFileSync(path, 'utf8').matchAll(/new Fault\('[\w-]+', '([\w-]+)'/g)].map((match) => `fault.${match[1]}`),
    )
    const cells = sources('server/exchange').flatMap((path) =>
      [...readFileSync(path, 'utf8').matchAll(/(?:new CellFault\(|problems\.add\([\w.]+, [^,]+, )'([\w-]+)'/g)].map(
        (match) => `cell.${match[1]}`,
      ),
    )
    expect(faults.length + cells.length).toBeGreaterThan(30)
    expect([...faults, ...cells].filter((key) => !keys.has(key))).toEqual([])
  })

  it.each([
    ['action', ACTIONS],
    ['edge', EDGE_WORDS],
    ['ladder', LADDER],
    ['tool', HONE_TOOLS],
    ['type', KNIFE_TYPES],
    ['grind', GRINDS],
    ['board', BOARDS],
    ['product', PRODUCTS],
    ['gain', MEASURABLE],
  ])('has a word for every %s', (group, names) => {
    expect(names.filter((name) => !keys.has(`${group}.${name}`))).toEqual([])
  })

  it('chooses singular and plural and fills values', () => {
    const say = speaker()
    expect(say('day.dullNow', { n: 1 })).toBe('1 edge is dull.')
    expect(say('day.dullNow', { n: 3 })).toBe('3 edges are dull.')
    expect(say('rack.orWorse', { word: 'dull' })).toBe('dull or worse')
  })
})

/** What is wrong with a catalogue against the English one: keys missing or unknown, and values left out or made up. */
function faultsOf(reference: object, other: object): string[] {
  const [wanted, found] = [new Map(flatten(reference)), new Map(flatten(other))]
  const valuesIn = (text: string): string => [...new Set(text.match(/\{\w+\}/g) ?? [])].sort().join(' ')
  return [
    ...[...wanted.keys()].filter((key) => !found.has(key)).map((key) => `${key} is missing`),
    ...[...found.keys()].filter((key) => !wanted.has(key)).map((key) => `${key} is unknown`),
    ...[...found].flatMap(([key, text]) => {
      const english = wanted.get(key)
      return english !== undefined && valuesIn(english) !== valuesIn(text) ? [`${key} is filled otherwise`] : []
    }),
  ]
}

describe('every catalogue', () => {
  it('has the keys of the English one, filled with the same values', () => {
    for (const [locale, catalogue] of Object.entries(catalogues))
      expect([locale, faultsOf(en, catalogue)]).toEqual([locale, []])
  })

  it('would be caught lacking one', () => {
    const wrong = { a: { b: 'Noch {n}', c: 'da' } }
    expect(faultsOf({ a: { b: '{n} left', d: 'x' } }, wrong)).toEqual(['a.d is missing', 'a.c is unknown'])
    expect(faultsOf({ a: '{n} of {most}' }, { a: '{n}' })).toEqual(['a is filled otherwise'])
  })
})
