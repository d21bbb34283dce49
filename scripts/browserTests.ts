import { spawn } from 'node:child_process'
import { rmSync } from 'node:fs'
import { serveHouses } from './houses'

/** Serves a sample and an empty house, runs the browser tests against them, and cleans up. */
async function main(): Promise<number> {
  rmSync('.data/browser', { recursive: true, force: true })
  const houses = await serveHouses('browser')
  try {
    return await new Promise((settle) => {
      const env = { ...process.env, YORVIK_DEMO_URL: houses.demoUrl, YORVIK_EMPTY_URL: houses.emptyUrl }
      spawn('npx', ['playwright', 'test', ...process.argv.slice(2)], { stdio: 'inherit', env }).on('close', (code) => {
        settle(code ?? 1)
      })
    })
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
