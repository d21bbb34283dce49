import { spawn } from 'node:child_process'

interface Read {
  readonly code: number
  readonly output: string
}

/** Runs what only reads the source; what it prints is kept. */
const read = (script: string): Promise<Read> =>
  new Promise((settle) => {
    const kept: string[] = []
    const child = spawn('npm', ['run', '--silent', script], { stdio: ['ignore', 'pipe', 'pipe'] })
    for (const pipe of [child.stdout, child.stderr]) pipe.on('data', (chunk: Buffer) => kept.push(chunk.toString()))
    child.on('close', (code) => {
      settle({ code: code ?? 1, output: kept.join('') })
    })
  })

/** Lint and types side by side: neither changes anything, and each leaves a core idle. */
const found = await Promise.all(['lint', 'types'].map(read))
for (const { output } of found) process.stdout.write(output)
process.exitCode = Math.max(...found.map(({ code }) => code))
