import { readFileSync } from 'node:fs'
import { faultsOf } from '../words/catalogueFaults'
import { LANGUAGES } from '../words/message'

/** Part of lint: every catalogue has the keys of the English one, and fills them with the same values. */
const read = (language: string): object =>
  JSON.parse(readFileSync(new URL(`../words/${language}.json`, import.meta.url), 'utf8')) as object
const english = read('en')
const faults = LANGUAGES.flatMap((language) =>
  faultsOf(english, read(language)).map((fault) => `${language}: ${fault}`),
)
for (const fault of faults) console.error(`words/${fault}`)
if (faults.length > 0) {
  console.error(`${faults.length} messages are not as words/en.json has them.`)
  process.exit(1)
}
