import { LANGUAGES } from '../contract/languages'
import { faultsOf } from '../words/catalogueFaults'
import { catalogueOf, catalogueTags } from './catalogueParts'

/** Part of lint: every language has a catalogue and no other file does, with the keys and the values of the English one. */
const tags = catalogueTags()
const english = catalogueOf('en')
const known: readonly string[] = LANGUAGES
const faults = [
  ...known
    .filter((tag) => !tags.includes(tag))
    .map((tag) => `${tag}.json is missing, and contract/languages.ts has it`),
  ...tags.filter((tag) => !known.includes(tag)).map((tag) => `${tag}.json is nobody's: contract/languages.ts lacks it`),
  ...tags.flatMap((tag) => faultsOf(english, catalogueOf(tag)).map((fault) => `${tag}: ${fault}`)),
]
for (const fault of faults) console.error(`words/${fault}`)
if (faults.length > 0) {
  console.error(`${faults.length} things are not as words/en.json and contract/languages.ts have them.`)
  process.exit(1)
}
