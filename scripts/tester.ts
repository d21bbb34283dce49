import { setTimeout as wait } from 'node:timers/promises'
import { parseArgs } from 'node:util'
import { WebSocket } from 'ws'

/** A force tester as a script: zeroes and sends peaks over the line protocol of docs/instruments.md. */
async function main(): Promise<void> {
  const { values } = parseArgs({
    options: {
      url: { type: 'string', default: 'ws://localhost:4310/api/instruments' },
      key: { type: 'string' },
      name: { type: 'string', default: 'script' },
      peaks: { type: 'string', default: '250' },
    },
  })
  if (!values.key) throw new Error('Give the key made under House, Tablets and instruments: --key KEY')
  const socket = new WebSocket(values.url)
  socket.on('message', (line) => {
    console.log(`< ${String(line)}`)
  })
  await new Promise((settle, fail) => {
    socket.once('open', settle)
    socket.once('error', fail)
  })
  const say = (line: string): void => {
    console.log(`> ${line.replace(values.key ?? '', '…')}`)
    socket.send(line)
  }
  say(`hello force-tester ${values.name} ${values.key}`)
  for (const peak of values.peaks.split(',')) {
    await wait(500)
    say('zero')
    await wait(500)
    say(`peak ${peak} gf`)
  }
  say('bye')
  socket.close()
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error)
  process.exit(1)
})
