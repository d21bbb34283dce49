import { spawn } from 'node:child_process'

const STEPS = [
  ['Lint and room rules, and types beside them', 'npx', ['tsx', 'scripts/readOnly.ts']],
  ['Unit and server tests', 'npx', ['vitest', 'run']],
  ['Browser tests', 'npx', ['tsx', 'scripts/browserTests.ts']],
] as const

const run = (command: string, args: readonly string[]): Promise<number> =>
  new Promise((settle) => {
    spawn(command, [...args], { stdio: 'inherit' }).on('close', (code) => {
      settle(code ?? 1)
    })
  })

/** Runs every check in order, each printing its own closing lines, and stops at the first that fails. */
export async function runTests(): Promise<number> {
  for (const [title, command, args] of STEPS) {
    console.log(`\n== ${title}`)
    const code = await run(command, args)
    if (code !== 0) {
      console.error(`${title} failed.`)
      return code
    }
  }
  return 0
}
