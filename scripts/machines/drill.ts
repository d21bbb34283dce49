import { setTimeout as pause } from 'node:timers/promises'
import { v4 as newId } from 'uuid'
import type { Machines } from './machines'

const WRITERS = 8
const EACH_MS = 300
const ASK_MS = 20_000

interface Tried {
  readonly atMs: number
  readonly outcome: 'kept' | 'refused' | 'unheard'
}

/** A kitchen's load: writers that record under an id of their own, and send it again until it is kept. */
export class Load {
  readonly kept = new Set<string>()
  readonly tried: Tried[] = []
  private stopped = false
  private readonly work: Promise<unknown>[]
  constructor(
    private readonly pages: string,
    private readonly cookie: string,
    private readonly knives: readonly string[],
  ) {
    this.work = Array.from({ length: WRITERS }, (_, at) => this.write(at))
  }

  private async send(id: string, knifeId: string): Promise<Tried['outcome']> {
    const event = { id, knifeId, kind: 'honed', at: new Date().toISOString(), payload: { tool: 'ceramic-rod' } }
    try {
      const answer = await fetch(`${this.pages}/api/events`, {
        method: 'POST',
        headers: { cookie: this.cookie, 'content-type': 'application/json' },
        body: JSON.stringify({ events: [event] }),
        signal: AbortSignal.timeout(ASK_MS),
      })
      await answer.arrayBuffer()
      return answer.ok ? 'kept' : 'refused'
    } catch {
      return 'unheard'
    }
  }

  private async write(at: number): Promise<void> {
    const knifeId = this.knives[at % this.knives.length] ?? ''
    while (!this.stopped) {
      const id = newId()
      for (;;) {
        const outcome = await this.send(id, knifeId)
        this.tried.push({ atMs: performance.now(), outcome })
        if (outcome === 'kept') {
          this.kept.add(id)
          break
        }
        if (this.stopped) return
        await pause(EACH_MS)
      }
      await pause(EACH_MS)
    }
  }

  async stop(): Promise<void> {
    this.stopped = true
    await Promise.all(this.work)
  }

  /** What came of a stretch of time: kept, refused, unheard, and the longest time in which nothing was kept, s. */
  between(fromMs: number, toMs: number): { kept: number; refused: number; unheard: number; silence: number } {
    const own = this.tried.filter(({ atMs }) => atMs >= fromMs && atMs < toMs)
    const count = (outcome: Tried['outcome']): number => own.filter((one) => one.outcome === outcome).length
    const moments = [fromMs, ...own.filter(({ outcome }) => outcome === 'kept').map(({ atMs }) => atMs), toMs]
    const silence = Math.max(...moments.slice(1).map((atMs, at) => atMs - (moments[at] ?? atMs)))
    return { kept: count('kept'), refused: count('refused'), unheard: count('unheard'), silence: silence / 1000 }
  }
}

async function ask(machines: Machines, cookie: string, path: string, body: unknown): Promise<Response> {
  const answer = await fetch(machines.pages + path, {
    method: 'POST',
    headers: { cookie, 'content-type': 'application/json' },
    body: JSON.stringify(body),
  })
  if (!answer.ok) throw new Error(`${path}: ${answer.status} ${await answer.text()}`)
  return answer
}

/** A house with a knife for each writer; who signed in. */
export async function furnish(machines: Machines): Promise<{ cookie: string; knives: string[] }> {
  const made = await ask(machines, '', '/api/first-run', {
    setUpCode: machines.setUpCode,
    houseName: 'Drill',
    zone: 'Europe/Berlin',
    units: 'mm',
    managerName: 'Drill',
    signInName: 'drill',
    password: 'a drill on loopback',
  })
  const cookie = made.headers
    .getSetCookie()
    .map((one) => one.split(';')[0])
    .join('; ')
  const fleet = (await (await fetch(`${machines.pages}/api/fleet`, { headers: { cookie } })).json()) as {
    stations: { id: string }[]
  }
  const knives: string[] = []
  for (let at = 0; at < WRITERS; at++) {
    const id = newId()
    await ask(machines, cookie, '/api/knives', { id, type: 'chef', lengthMm: 240, stationId: fleet.stations[0]?.id })
    knives.push(id)
  }
  return { cookie, knives }
}

export interface Step {
  readonly name: string
  readonly act: () => Promise<void>
  /** how long it is watched, s */
  readonly seconds: number
  readonly mend: () => Promise<void>
}

/** What may go wrong with one machine or server, each under load, and mended before the next. */
export function steps(machines: Machines): Step[] {
  let struck = ''
  const whole = async (): Promise<void> => {
    await machines.until('everybody back', 150, async () => {
      const { streaming, synchronous } = await machines.following()
      return streaming === machines.all.length - 1 && synchronous !== null
    })
  }
  const machine = (name: string): (typeof machines.all)[number] => {
    const found = machines.all.find((one) => one.name === name)
    if (!found) throw new Error(`no machine ${name}`)
    return found
  }
  const strike = (name: string, signal: NodeJS.Signals): void => {
    struck = name
    for (const part of ['patroni', 'etcd']) machines.signal(`${part}-${name}`, signal)
  }
  const comeBack = async (): Promise<void> => {
    machines.startEtcd(machine(struck))
    machines.startPatroni(machine(struck))
    await whole()
  }
  return [
    {
      name: 'machine of the leader killed (−9)',
      act: async () => {
        strike((await machines.leader()).name, 'SIGKILL')
      },
      seconds: 60,
      mend: comeBack,
    },
    {
      name: 'machine of the synchronous follower killed (−9)',
      act: async () => {
        strike((await machines.following()).synchronous ?? '', 'SIGKILL')
      },
      seconds: 40,
      mend: comeBack,
    },
    {
      name: 'leader’s machine stands still for 45 s, then goes on',
      act: async () => {
        strike((await machines.leader()).name, 'SIGSTOP')
        await pause(45_000)
        for (const part of ['etcd', 'patroni']) machines.signal(`${part}-${struck}`, 'SIGCONT')
      },
      seconds: 30,
      mend: whole,
    },
    {
      name: 'an app server killed (−9)',
      act: () => {
        machines.signal('app-0', 'SIGKILL')
        return Promise.resolve()
      },
      seconds: 15,
      mend: async () => {
        machines.startApp(0)
        await machines.until('app server 0', 60, () => machines.appReady(0))
      },
    },
    {
      name: 'rolling: both app servers one by one, then the lead handed on',
      act: async () => {
        for (const at of [0, 1]) {
          machines.signal(`app-${at}`, 'SIGTERM')
          await pause(7000)
          machines.startApp(at)
          await machines.until(`app server ${at}`, 60, () => machines.appReady(at))
        }
        await machines.switchOver()
      },
      seconds: 30,
      mend: whole,
    },
  ]
}
