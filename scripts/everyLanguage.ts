import { LANGUAGES } from '../contract/languages'
import { runCommand } from './runs'

/** Every browser test in each language, one after another: each takes as long as the browser tests do, so it is not one of the tests. */
let worst = 0
for (const language of LANGUAGES) {
  console.log(`\n== Browser tests, ${language}`)
  const { code } = await runCommand('npx', ['tsx', 'scripts/browserTests.ts', ...process.argv.slice(2)], {
    env: { YORVIK_TEST_LANGUAGE: language },
  })
  worst = Math.max(worst, code)
}
process.exitCode = worst
