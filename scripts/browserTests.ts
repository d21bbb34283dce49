import { rmSync } from 'node:fs'
import { isLanguage, LANGUAGES, type Language } from '../contract/languages'
import { serveHouses, SET_UP_CODE } from './houses'
import { runCommand, type Run } from './runs'

interface Row {
  readonly files: readonly string[]
  readonly language: Language
}
/**
 * Tests that run side by side, each row at a sample house of its own that speaks its own language: those that only look
 * in the longest of them, those that work at the bench, and, in a row of their own and in English, all others.
 */
const SIDE_BY_SIDE: Readonly<Record<string, Row>> = {
  looking: {
    files: ['everyScreen.spec', 'untranslated.spec', 'hardInput.spec', 'paper.spec', 'phone.spec'],
    language: 'de',
  },
  benches: {
    files: ['recipes.spec', 'workshop.spec', 'bench.spec', 'practice.spec', 'listening.spec'],
    language: 'fr',
  },
}

/** Runs Playwright against a house; what it prints is kept, and shown at once where asked. */
const playwright = (args: readonly string[], env: NodeJS.ProcessEnv, shown: boolean): Promise<Run> =>
  runCommand('npx', ['playwright', 'test', ...args], { env, kept: true, shown })

const LINES_OF_FAULTS = 160

/** What Playwright says at its end of tests that failed, so that it stands last where two runs are printed. */
function faultsOf({ code, output }: Run): string {
  if (code === 0) return ''
  const lines = output.split('\n')
  const first = lines.findIndex((line) => /^\s+1\) /.test(line))
  return lines.slice(Math.max(first, 0)).slice(0, LINES_OF_FAULTS).join('\n')
}

/**
 * Serves sample houses and an empty one, runs the browser tests against them, and cleans up. All of them are run side
 * by side; single ones named on the command line alone. YORVIK_TEST_LANGUAGE makes all houses speak one language.
 */
async function main(): Promise<number> {
  rmSync('.data/browser', { recursive: true, force: true })
  const named = process.argv.slice(2)
  const asked = process.env['YORVIK_TEST_LANGUAGE']
  if (asked !== undefined && !isLanguage(asked)) throw new Error(`Yorvik speaks ${LANGUAGES.join(', ')}, not ${asked}.`)
  const language = asked ?? 'en'
  const rows = Object.entries(SIDE_BY_SIDE)
  const houses = await serveHouses('browser', [
    language,
    ...(named.length > 0 ? [] : rows.map(([, row]) => asked ?? row.language)),
  ])
  const { demoUrl, demoUrls, emptyUrl } = houses
  const env = {
    YORVIK_DEMO_URL: demoUrl,
    YORVIK_EMPTY_URL: emptyUrl,
    YORVIK_SET_UP_CODE: SET_UP_CODE,
    YORVIK_TEST_LANGUAGE: language,
  }
  try {
    if (named.length > 0) return (await playwright(named, env, true)).code
    const beside = rows.map(([name, row], at) =>
      playwright(
        [...row.files, `--output=test-results/${name}`],
        { ...env, YORVIK_DEMO_URL: demoUrls[at + 1], YORVIK_TEST_LANGUAGE: asked ?? row.language },
        false,
      ),
    )
    const elsewhere = rows.flatMap(([, { files }]) => files).join('|')
    const others = await playwright([`--grep-invert=${elsewhere}`, '--output=test-results/others'], env, true)
    const runs = await Promise.all(beside)
    process.stdout.write(runs.map(({ output }) => output).join(''))
    // what failed stands last, where it is looked for
    process.stdout.write([others, ...runs].map(faultsOf).join(''))
    return Math.max(others.code, ...runs.map(({ code }) => code))
  } finally {
    await houses.stop()
  }
}

main().then(
  (code) => {
    process.exit(code)
  },
  (error: unknown) => {
    console.error(error)
    process.exit(1)
  },
)
