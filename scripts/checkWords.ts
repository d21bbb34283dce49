import { readdirSync, readFileSync } from 'node:fs'
import { LANGUAGES } from '../contract/languages'
import { faultsOf } from '../words/catalogueFaults'

/** Part of lint: every language has a catalogue and no other file does, with the keys and the values of the English one. */
const WORDS = new URL('../words/', import.meta.url)
const tags = readdirSync(WORDS).flatMap((file) => /^([a-z]{2,3})\.json$/.exec(file)?.[1] ?? [])
const read = (language: string): object =>
  JSON.parse(readFileSync(new URL(`${language}.json`, WORDS), 'utf8')) as object
const english = read('en')
const known: readonly string[] = LANGUAGES
const faults = [
  ...known
    .filter((tag) => !tags.includes(tag))
    .map((tag) => `${tag}.json is missing, and contract/languages.ts has it`),
  ...tags.filter((tag) => !known.includes(tag)).map((tag) => `${tag}.json is nobody's: contract/languages.ts lacks it`),
  ...tags.flatMap((tag) => faultsOf(english, read(tag)).map((fault) => `${tag}: ${fault}`)),
]
for (const fault of faults) console.error(`words/${fault}`)
if (faults.length > 0) {
  console.error(`${faults.length} things are not as words/en.json and contract/languages.ts have them.`)
  process.exit(1)
}
