import { spawn } from 'node:child_process'
import { rmSync } from 'node:fs'
import { serveHouses, SET_UP_CODE } from './houses'

/** Tests that only look, or break off what they begin, at a sample house of their own: they run beside those that change theirs. */
const LOOKING = ['everyScreen.spec', 'recipes.spec', 'paper.spec', 'hardInput.spec', 'phone.spec']

interface Run {
  readonly code: number
  readonly output: string
}

/** Runs Playwright against a house; what it prints is kept, and shown at once where asked. */
function playwright(args: readonly string[], env: NodeJS.ProcessEnv, shown: boolean): Promise<Run> {
  return new Promise((settle) => {
    const kept: string[] = []
    const child = spawn('npx', ['playwright', 'test', ...args], {
      stdio: ['ignore', 'pipe', 'inherit'],
      env: { ...process.env, ...env },
    })
    child.stdout.on('data', (chunk: Buffer) => {
      kept.push(chunk.toString())
      if (shown) process.stdout.write(chunk)
    })
    child.on('close', (code) => {
      settle({ code: code ?? 1, output: kept.join('') })
    })
  })
}

const LINES_OF_FAULTS = 160

/** What Playwright says at its end of tests that failed, so that it stands last where two runs are printed. */
function faultsOf({ code, output }: Run): string {
  if (code === 0) return ''
  const lines = output.split('\n')
  const first = lines.findIndex((line) => /^\s+1\) /.test(line))
  return lines.slice(Math.max(first, 0)).slice(0, LINES_OF_FAULTS).join('\n')
}

/**
 * Serves sample houses and an empty one, runs the browser tests against them, and cleans up. All of them are run as
 * two side by side, those that look and those that change things; single ones named on the command line as one.
 */
async function main(): Promise<number> {
  rmSync('.data/browser', { recursive: true, force: true })
  const named = process.argv.slice(2)
  const houses = await serveHouses('browser', { lookedAt: named.length === 0 })
  const env = { YORVIK_DEMO_URL: houses.demoUrl, YORVIK_EMPTY_URL: houses.emptyUrl, YORVIK_SET_UP_CODE: SET_UP_CODE }
  try {
    if (houses.lookedAtUrl === null) return (await playwright(named, env, true)).code
    const looking = playwright(
      [...LOOKING, '--output=test-results/looking'],
      { ...env, YORVIK_DEMO_URL: houses.lookedAtUrl },
      false,
    )
    const changing = await playwright(
      [`--grep-invert=${LOOKING.join('|')}`, '--output=test-results/changing'],
      env,
      true,
    )
    const looked = await looking
    process.stdout.write(looked.output + faultsOf(changing))
    return changing.code || looked.code
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
