import { readdirSync, readFileSync } from 'node:fs'
import type { Plugin } from 'vite'

/** Parts of a catalogue that signing in, Today and the frame around every screen speak with; the rest comes while they are drawn. */
const FIRST = new Set(
  `zone edge tool type role grind board product person ladder action reason verdict skill fault shell nav pad finder status
   clock door day today next rack defect caution theme chart habit place turn span field account houses myday movingIn form
   sort scan control`.split(/\s+/),
)
const ALL = 'virtual:words'
const PART = /^virtual:words\/(\w+)\/(first|rest)$/
const WORDS = new URL('../words/', import.meta.url)

/** Languages that have a catalogue, by its file. */
export const catalogueTags = (): string[] =>
  readdirSync(WORDS).flatMap((file) => /^([a-z]{2,3})\.json$/.exec(file)?.[1] ?? [])
/** A catalogue as it is written. */
export const catalogueOf = (language: string): Readonly<Record<string, unknown>> =>
  JSON.parse(readFileSync(new URL(`${language}.json`, WORDS), 'utf8')) as Readonly<Record<string, unknown>>

/**
 * Each catalogue as two modules, `virtual:words/<language>/first` and `/rest`, and `virtual:words`, which loads the two of
 * every language that has a catalogue.
 */
export function catalogueParts(): Plugin {
  return {
    name: 'catalogue-parts',
    resolveId: (id) => (id === ALL || PART.test(id) ? `\0${id}` : null),
    load(id) {
      if (id === `\0${ALL}`) return loaders()
      const [, language, part] = PART.exec(id.slice(1)) ?? []
      if (language === undefined) return null
      this.addWatchFile(new URL(`${language}.json`, WORDS).pathname)
      const own = Object.fromEntries(
        Object.entries(catalogueOf(language)).filter(([key]) => FIRST.has(key) === (part === 'first')),
      )
      return `export default JSON.parse(${JSON.stringify(JSON.stringify(own))})`
    },
  }
}

function loaders(): string {
  const lines = catalogueTags().map(
    (tag) => `${tag}: { first: () => import('${ALL}/${tag}/first'), rest: () => import('${ALL}/${tag}/rest') }`,
  )
  return `export default { ${lines.join(', ')} }`
}
