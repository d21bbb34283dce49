import { runCommand } from './runs'

/** Lint and types side by side: neither changes anything, and each leaves a core idle. */
const found = await Promise.all(
  ['lint', 'types'].map((script) => runCommand('npm', ['run', '--silent', script], { kept: true })),
)
for (const { output } of found) process.stdout.write(output)
process.exitCode = Math.max(...found.map(({ code }) => code))
