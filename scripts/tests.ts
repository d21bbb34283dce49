import { runCommand } from './runs'

const STEPS = [
  ['Lint and room rules, and types beside them', 'npx', ['tsx', 'scripts/readOnly.ts']],
  ['Unit and server tests', 'npx', ['vitest', 'run']],
  ['Browser tests', 'npx', ['tsx', 'scripts/browserTests.ts']],
] as const

/** Runs every check in order, each printing its own closing lines, and stops at the first that fails. */
export async function runTests(): Promise<number> {
  for (const [title, command, args] of STEPS) {
    console.log(`\n== ${title}`)
    const { code } = await runCommand(command, args)
    if (code !== 0) {
      console.error(`${title} failed.`)
      return code
    }
  }
  return 0
}
