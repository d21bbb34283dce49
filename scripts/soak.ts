import { spawn } from 'node:child_process'
import { readFileSync, rmSync } from 'node:fs'
import { setTimeout as pause } from 'node:timers/promises'
import { v4 as newId } from 'uuid'
import { DEMO_SIGN_IN } from '../demo/house'
import { freePort } from './cluster'

const MINUTES = Number(process.argv[2] ?? 30)
const DATA = '.data/soak'
const TOKEN = 'soak'
const SAMPLE_MS = 15_000
const EACH_MS = 60

interface Sample {
  readonly seconds: number
  readonly rssMb: number
  readonly heapMb: number
}

const median = (values: readonly number[]): number =>
  [...values].sort((a, b) => a - b)[Math.floor(values.length / 2)] ?? NaN

/** Growth by a straight line through the samples, MB an hour (least squares). */
function slope(samples: readonly Sample[], of: (one: Sample) => number): number {
  const [x, y] = [samples.map(({ seconds }) => seconds / 3600), samples.map(of)]
  const [mx, my] = [x.reduce((a, b) => a + b, 0) / x.length, y.reduce((a, b) => a + b, 0) / y.length]
  const top = x.reduce((sum, one, at) => sum + (one - mx) * ((y[at] ?? 0) - my), 0)
  return top / x.reduce((sum, one) => sum + (one - mx) ** 2, 0)
}

/** The sample house under a kitchen's load for half an hour: whether its server's memory stays flat. */
async function main(): Promise<number> {
  rmSync(DATA, { recursive: true, force: true })
  const port = await freePort()
  const base = `http://127.0.0.1:${port}`
  const server = spawn(
    process.execPath,
    ['--import', 'tsx', 'scripts/yorvik.ts', 'demo', '--port', String(port), '--data', DATA],
    { stdio: ['ignore', 'ignore', 'inherit'], env: { ...process.env, YORVIK_METRICS_TOKEN: TOKEN } },
  )
  const isReady = async (): Promise<boolean> => (await fetch(`${base}/api/ready`).catch(() => null))?.ok ?? false
  while (!(await isReady())) await pause(500)
  const sent = new Map<number, number>()
  let cookie = ''
  const ask = async (method: string, path: string, body?: unknown): Promise<Response> => {
    const answer = await fetch(base + path, {
      method,
      headers: { cookie, ...(body === undefined ? {} : { 'content-type': 'application/json' }) },
      ...(body === undefined ? {} : { body: JSON.stringify(body) }),
    })
    sent.set(answer.status, (sent.get(answer.status) ?? 0) + 1)
    return answer
  }
  const signIn = async (): Promise<void> => {
    const { signInName, password } = DEMO_SIGN_IN
    const answer = await ask('POST', '/api/session', { signInName, password })
    cookie = answer.headers.getSetCookie()[0]?.split(';')[0] ?? ''
    await answer.arrayBuffer()
  }
  await signIn()
  const { knives } = (await (await ask('GET', '/api/fleet')).json()) as { knives: { id: string }[] }
  const samples: Sample[] = []
  const began = performance.now()
  const seconds = (): number => (performance.now() - began) / 1000
  const sample = async (): Promise<void> => {
    const status = readFileSync(`/proc/${server.pid}/status`, 'utf8')
    const metrics = await (await fetch(`${base}/api/metrics`, { headers: { authorization: `Bearer ${TOKEN}` } })).text()
    samples.push({
      seconds: seconds(),
      rssMb: Number(/VmRSS:\s+(\d+)/.exec(status)?.[1]) / 1024,
      heapMb: Number(/^nodejs_heap_size_used_bytes ([\d.e+]+)$/m.exec(metrics)?.[1]) / 2 ** 20,
    })
  }
  /** A screen that is open for a while and hears of changes. */
  const watching = async (): Promise<void> => {
    while (seconds() < MINUTES * 60) {
      const ended = new AbortController()
      const stream = fetch(`${base}/api/changes`, { headers: { cookie }, signal: ended.signal })
        .then((answer) => answer.text())
        .catch(() => undefined)
      await pause(20_000)
      ended.abort()
      await stream
    }
  }
  const working = async (): Promise<void> => {
    for (let at = 0; seconds() < MINUTES * 60; at++) {
      const { id: knifeId = '' } = knives[at % knives.length] ?? {}
      const event = {
        id: newId(),
        knifeId,
        at: new Date().toISOString(),
        kind: 'honed',
        payload: { tool: 'ceramic-rod' },
      }
      const asked = [
        () => ask('GET', '/api/fleet'),
        () => ask('GET', `/api/knives/${knifeId}/events`),
        () => ask('POST', '/api/events', { events: [event] }),
        () => ask('POST', `/api/knives/${knifeId}/bench`, { choices: {} }),
        () => ask('GET', '/api/plan'),
        () => ask('GET', `/api/knives/${knifeId}/edge`),
        () => ask('GET', '/api/exchange/fleet.csv'),
      ]
      const answer = await asked[at % asked.length]?.()
      await answer?.arrayBuffer()
      if (at % 500 === 499) await signIn()
      await pause(EACH_MS)
    }
  }
  const sampling = setInterval(() => void sample().catch(() => undefined), SAMPLE_MS)
  await Promise.all([working(), working(), watching(), watching(), watching()])
  clearInterval(sampling)
  const third = Math.floor(samples.length / 3)
  const [warm, last] = [samples.slice(third, 2 * third), samples.slice(2 * third)]
  console.log(`${MINUTES} min: ${[...sent].map(([status, count]) => `${count} × ${status}`).join(', ')}`)
  for (const [name, of] of [
    ['memory of the process', ({ rssMb }: Sample) => rssMb],
    ['heap', ({ heapMb }: Sample) => heapMb],
  ] as const)
    console.log(
      `${name}, MB: second third ${median(warm.map(of)).toFixed(0)}, last third ${median(last.map(of)).toFixed(0)}, slope over both ${slope([...warm, ...last], of).toFixed(1)} an hour`,
    )
  server.kill('SIGTERM')
  await new Promise((settle) => server.once('exit', settle))
  return 0
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
