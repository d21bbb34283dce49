import { readFileSync } from 'node:fs'
import type { Plugin } from 'vite'

/** Parts of a catalogue that signing in, Today and the frame around every screen speak with; the rest comes while they are drawn. */
const FIRST = new Set(
  `zone edge tool type role grind board product person ladder action reason verdict skill fault shell nav pad finder status
   clock door day today next rack defect caution theme chart habit place turn span field account houses myday movingIn form
   sort scan control`.split(/\s+/),
)
const NAME = /^virtual:words\/(\w+)\/(first|rest)$/

/** Each catalogue as two modules, `virtual:words/<language>/first` and `/rest`. */
export function catalogueParts(): Plugin {
  return {
    name: 'catalogue-parts',
    resolveId: (id) => (NAME.test(id) ? `\0${id}` : null),
    load(id) {
      const [, language, part] = NAME.exec(id.slice(1)) ?? []
      if (language === undefined) return null
      const file = new URL(`../words/${language}.json`, import.meta.url)
      this.addWatchFile(file.pathname)
      const all = JSON.parse(readFileSync(file, 'utf8')) as Readonly<Record<string, unknown>>
      const own = Object.fromEntries(Object.entries(all).filter(([key]) => FIRST.has(key) === (part === 'first')))
      return `export default JSON.parse(${JSON.stringify(JSON.stringify(own))})`
    },
  }
}
