import { spawn } from 'node:child_process'

export interface Run {
  readonly code: number
  /** what it printed, where it was kept */
  readonly output: string
}

interface RunOptions {
  readonly env?: NodeJS.ProcessEnv
  /** whether what it prints is kept; else it goes straight to the screen */
  readonly kept?: boolean
  /** whether what is kept is shown as it comes, too */
  readonly shown?: boolean
}

/** Runs a command to its end; its errors are shown in any case. */
export function runCommand(
  command: string,
  args: readonly string[],
  { env, kept = false, shown = false }: RunOptions = {},
): Promise<Run> {
  return new Promise((settle) => {
    const printed: string[] = []
    const child = spawn(command, [...args], {
      stdio: ['ignore', kept ? 'pipe' : 'inherit', 'inherit'],
      env: { ...process.env, ...env },
    })
    child.stdout?.on('data', (chunk: Buffer) => {
      printed.push(chunk.toString())
      if (shown) process.stdout.write(chunk)
    })
    child.on('close', (code) => {
      settle({ code: code ?? 1, output: printed.join('') })
    })
  })
}
