import { readdirSync, readFileSync, statSync } from 'node:fs'
import { join } from 'node:path'
import { parse, TYPE } from '@formatjs/icu-messageformat-parser'
import { describe, expect, it } from 'vitest'
import { LANGUAGES, type Language } from '../contract/languages'
import { LEAVING_KINDS } from '../contract/papers'
import { HONE_TOOLS } from '../core/edge/model/hone'
import { LADDER } from '../core/edge/model/ladder'
import { EDGE_WORDS } from '../core/edge/model/scale'
import { ACTIONS } from '../core/edge/verdict/verdict'
import { BOARDS, PRODUCTS } from '../core/house/stations'
import { MEASURABLE } from '../core/knife/blade'
import { GRINDS, KNIFE_TYPES } from '../core/knife/knifeTypes'
import { faultsOf, flatten, formsOf, valuesIn } from './catalogueFaults'
import en from './en.json'
import { compiledMessage } from './message'
import { catalogues, speaker } from './say'

const keys = new Map(flatten(en))

/** Messages whose count is never one: limits, rules of weeks, spans to choose from, steps that have a count of their own. */
const NEVER_ONE = [
  'bench.recipeStep.serrated-flat-back.back.what',
  'bench.recipeStep.serrated-ground-side.back.what',
  'bench.recipeStep.single-bevel.back.what',
  'check.repeats',
  'curve.weeks',
  'fault.calendar-empty',
  'fault.calendar-too-many',
  'learned.fromOwn',
  'practice.dry.ready',
  'reason.rule-due',
  'reason.rule-unknown',
  'year.playing',
]

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
    ['report.kind', LEAVING_KINDS],
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

describe('every catalogue', () => {
  it('has the keys of the English one, filled with the same values', () => {
    for (const [locale, catalogue] of Object.entries(catalogues))
      expect([locale, faultsOf(en, catalogue)]).toEqual([locale, []])
  })

  it('would be caught lacking one', () => {
    const wrong = { a: { b: 'Noch {n}', c: 'da' } }
    expect(faultsOf({ a: { b: '{n} left', d: 'x' } }, wrong)).toEqual(['a.d is missing', 'a.c is unknown'])
    expect(faultsOf({ a: '{n} of {most}' }, { a: '{n}' })).toEqual(['a is filled otherwise'])
    expect(faultsOf({ a: '{n} left' }, { a: '{n left' })).toEqual(['a is no message'])
    expect(faultsOf({ a: 'left' }, { a: ' ' })).toEqual(['a is empty'])
  })

  it('chooses plurals by the rules of its language (Unicode CLDR)', () => {
    // French says 0 and 1 with the singular, German and Spanish only 1
    const message = '{n, plural, one {# lame} other {# lames}}'
    expect([0, 1, 2].map((n) => compiledMessage(message, 'fr')({ n }))).toEqual(['0 lame', '1 lame', '2 lames'])
    expect([0, 1, 2].map((n) => compiledMessage(message, 'es')({ n }))).toEqual(['0 lames', '1 lame', '2 lames'])
    for (const language of LANGUAGES)
      for (const n of [0, 1, 2, 5, 21, 1_000_000]) {
        const rule = new Intl.PluralRules(language).select(n)
        const told = compiledMessage('{n, plural, one {one} many {many} other {other}}', language)({ n })
        expect([language, n, told]).toEqual([language, n, rule])
      }
  })

  it('chooses by a word, so that articles and cases agree', () => {
    const message = 'Ausbruch {zone, select, Ferse {an der Ferse} Bauch {am Bauch} other {an der Spitze}}'
    expect(compiledMessage(message, 'de')({ zone: 'Bauch' })).toBe('Ausbruch am Bauch')
    expect(valuesIn(message)).toEqual(['zone'])
    const knives = '{n, plural, one {ein Messer} other {{n} Messer}}'
    expect(formsOf(knives)).toEqual(['ein Messer', '{n} Messer'])
    expect(formsOf(knives, { n: 1 }, 'de')).toEqual(['ein Messer'])
    // French says none with the singular
    expect(formsOf(`{n, plural, =3 {trois} one {{n} lame} other {{n} lames}}`, { n: 0 }, 'fr')).toEqual(['{n} lame'])
    expect(formsOf(message, { zone: 'Ferse' }, 'de')).toEqual(['Ausbruch an der Ferse'])
  })

  it('divides a fraction as the language does, and leaves a count the number it is', () => {
    const of = (locale: string): string =>
      compiledMessage(
        '{n, plural, one {one} other {{n} knives}}: {mm} mm, {year}',
        locale,
      )({ n: 2, mm: 0.35, year: 2031 })
    expect(['en', 'de', 'fr', 'es'].map(of)).toEqual([
      '2 knives: 0.35 mm, 2031',
      ...Array<string>(3).fill('2 knives: 0,35 mm, 2031'),
    ])
  })

  it('chooses by a fraction, and divides it all the same', () => {
    // French says up to two with the singular (Unicode CLDR)
    const years = (language: Language, n: number): string => speaker(language)('workshop.years', { n })
    expect(LANGUAGES.map((language) => years(language, 1.5))).toEqual(['1.5 years', '1,5 Jahren', '1,5 an', '1,5 años'])
    expect(LANGUAGES.map((language) => years(language, 1))).toEqual(['1 year', '1 Jahr', '1 an', '1 año'])
    expect(LANGUAGES.map((language) => years(language, 2.5))).toEqual([
      '2.5 years',
      '2,5 Jahren',
      '2,5 ans',
      '2,5 años',
    ])
  })

  it('never counts things in a way that one of them would not fit', () => {
    const things =
      /^ (light )?(strokes|sessions|drills|lessons|knives|days|weeks|years|months|readings|checks|people|stations|shifts)\b/
    const counted = flatten(en).flatMap(([key, message]) =>
      parse(message, { ignoreTag: true }).flatMap((element, at, all) => {
        const next = all[at + 1]
        return element.type === TYPE.argument && next?.type === TYPE.literal && things.test(next.value) ? [key] : []
      }),
    )
    expect(counted.sort()).toEqual(NEVER_ONE)
  })

  it('says nothing for a value that was left out, and does not fail', () => {
    expect(compiledMessage('von {name}, {n, plural, one {einmal} other {öfter}}', 'de')({})).toBe('von , öfter')
  })
})
