import { spawn } from 'node:child_process'
import { LANGUAGES } from '../words/message'

/** Runs every browser test in each language, one after another: each takes as long as the browser tests do, so it is not one of the tests. */
const run = (language: string): Promise<number> =>
  new Promise((settle) => {
    spawn('npx', ['tsx', 'scripts/browserTests.ts', ...process.argv.slice(2)], {
      stdio: 'inherit',
      env: { ...process.env, YORVIK_TEST_LANGUAGE: language },
    }).on('close', (code) => {
      settle(code ?? 1)
    })
  })

let worst = 0
for (const language of LANGUAGES) {
  console.log(`\n== Browser tests, ${language}`)
  worst = Math.max(worst, await run(language))
}
process.exitCode = worst
