// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { v7 as newId } from 'uuid'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { BenchAction } from '../../contract/bench'
import type { SignedIn } from '../../contract/house'
import { chance, type Chance } from '../../core/statistics/random'
import { useSession } from '../stores/session'
import { useOutbox } from './outbox'
import { useRecords } from './records'

/** As a device marks a record: under the key of whoever is signed in, not at once. */
vi.mock('./marks', () => ({
  markText: async ({ key }: { readonly key: string }, text: string) => {
    await Promise.resolve()
    return `${key} made ${text}`
  },
}))

const PEOPLE = ['ilse', 'oda', 'bram'] as const
const KNIVES = ['73e764e8-09b4-54e7-98ee-4887e493436b', '0b9e9a58-3c43-4f0e-8f6b-7a6f1e0f7d11'] as const
const SESSION = '9a1cf0de-5a4e-4d0d-9a7f-3e0c6a7d2b11'
const RUNS = 200
const STEPS = 30

const person = (id: string): SignedIn =>
  ({
    person: { id, name: id, role: 'sharpener' },
    house: { id: 'h', name: 'h', zone: 'UTC', units: 'mm', serviceLimits: {}, isDemo: false },
    rights: [],
    deviceName: null,
    now: new Date().toISOString(),
    marking: { begin: '', key: id },
  }) as unknown as SignedIn

interface Sent {
  readonly id: string
  readonly kind: string
  readonly payload?: { readonly eventId?: string }
}

interface SentBody {
  readonly events?: readonly Sent[]
  readonly actions?: readonly Sent[]
  /** a count is sent as it is */
  readonly id?: string
  readonly present?: readonly string[]
  readonly personId?: string
  readonly text?: string
  readonly mark?: string
}

/** A server as the contract has it, behind a network that is cut where luck has it. */
class Cellar {
  /** who did what, by its id, in the order in which it came */
  readonly kept = new Map<string, { readonly by: string; readonly kind: string }>()
  /** everything that was asked in a name that was not the session's, and everything taken back before it was there */
  readonly wrongs: string[] = []
  signedIn: string = PEOPLE[0]
  /** records that another's session brought */
  brought = 0
  network: 'whole' | 'bad' | 'gone' = 'whole'

  constructor(private readonly luck: Chance) {}

  answer(init: RequestInit): Promise<Response> {
    const cut = (): Promise<Response> => Promise.reject(new TypeError('cut'))
    const refuse = (code: string, status: number): Promise<Response> =>
      Promise.resolve(new Response(JSON.stringify({ error: { code, sentence: code, issues: [] } }), { status }))
    const bad = this.network === 'bad' ? this.luck.next() : 1
    if (this.network === 'gone' || bad < 0.3) return cut()
    if (bad < 0.45) return refuse('unavailable', 503)
    const body = JSON.parse(String(init.body)) as SentBody
    const { text } = body
    const sender = new Headers(init.headers).get('yorvik-person')
    const by = text === undefined ? sender : (body.personId ?? '')
    const isOwn = text === undefined ? by === this.signedIn : body.mark === `${by} made ${text}`
    if (!isOwn || by === null) return refuse('other-person', 409)
    // one made on a tablet that has been revoked since
    if (text !== undefined && this.luck.next() < 0.1) return refuse('other-person', 409)
    const record = text === undefined ? {} : (JSON.parse(text) as { event?: Sent; action?: Sent; count?: Sent })
    if (text !== undefined) this.brought++
    const own = [...(body.events ?? []), ...(body.actions ?? []), record.event, record.action, record.count]
    if (body.id !== undefined && body.present) own.push({ id: body.id, kind: 'count' })
    for (const one of own.filter((sent) => sent !== undefined)) {
      const taken = one.payload?.eventId
      if (taken !== undefined && !this.kept.has(taken)) this.wrongs.push(`${one.id} takes back what is not there`)
      if (!this.kept.has(one.id)) this.kept.set(one.id, { by, kind: one.kind })
    }
    // it was kept, and the answer did not come back: it will be sent again
    return bad < 0.7
      ? cut()
      : Promise.resolve(new Response(JSON.stringify({ knives: [], id: SESSION, actions: [] }), { status: 200 }))
  }
}

let cellar: Cellar
const later = (ms: number): Promise<unknown> => vi.advanceTimersByTimeAsync(ms)
/** What a person waits for, with the time that takes: one that is behind another's try waits for that. */
async function waitedFor<T>(work: Promise<T>): Promise<T> {
  let isDone = false
  void work.finally(() => {
    isDone = true
  })
  for (let second = 0; second < 30; second++) {
    await later(second === 0 ? 0 : 1000)
    if (isDone) return await work
  }
  throw new Error('somebody stood there for half a minute')
}
const waiting = (): number => Object.keys(localStorage).filter((key) => key.startsWith('yorvik.outbox.')).length

/** Opens the page anew, as whoever the server says is signed in; what ran in the one before is gone with it. */
function openPage(): void {
  vi.clearAllTimers()
  setActivePinia(createPinia())
  useSession().enter(person(cellar.signedIn))
  useOutbox()
}

beforeEach(() => {
  vi.useFakeTimers({ now: new Date('2026-11-24T10:00:00Z') })
  localStorage.clear()
  vi.stubGlobal('fetch', (_url: string, init: RequestInit) => cellar.answer(init))
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

/** One shift on one tablet: people record, take back, count knives and strokes, come and go, and the page and the network with them. */
async function shift(luck: Chance): Promise<Map<string, string>> {
  const made = new Map<string, string>()
  const own: { id: string; knifeId: string; by: string }[] = []
  openPage()
  const doing = async (): Promise<void> => {
    const by = useSession().person?.id ?? ''
    const knifeId = KNIVES[Math.floor(luck.next() * KNIVES.length)] ?? KNIVES[0]
    const which = luck.next()
    const mine = own.filter((one) => one.by === by)
    if (which < 0.4) {
      const id = await waitedFor(useRecords().record({ kind: 'honed', knifeId, payload: { tool: 'strop' } }))
      made.set(id, by)
      own.push({ id, knifeId, by })
    } else if (which < 0.55) {
      made.set(
        await waitedFor(
          useRecords().record({
            kind: 'checked',
            knifeId,
            payload: { readings: [{ zone: 'belly', forcesGf: [300] }], ladder: [] },
          }),
        ),
        by,
      )
    } else if (which < 0.7 && mine.length > 0) {
      const last = mine.at(-1)
      if (!last) return
      own.splice(own.indexOf(last), 1)
      made.set(await waitedFor(useRecords().undo(last.knifeId, last.id, 'undone')), by)
    } else if (which < 0.8) {
      const count = {
        id: newId(),
        startedAt: new Date().toISOString(),
        endedAt: new Date().toISOString(),
        whose: { of: 'all' as const },
        present: [knifeId],
        missing: [],
      }
      await waitedFor(useOutbox().sendCount(by, count))
      made.set(count.id, by)
    } else {
      const action = { id: newId(), at: new Date().toISOString(), kind: 'pause' } as BenchAction
      await waitedFor(useOutbox().sendTouch(by, SESSION, action))
      made.set(action.id, by)
    }
  }
  for (let step = 0; step < STEPS; step++) {
    const turn = luck.next()
    if (turn < 0.65) await doing()
    else if (turn < 0.78) cellar.network = luck.next() < 0.4 ? 'whole' : luck.next() < 0.5 ? 'bad' : 'gone'
    else if (turn < 0.86) openPage()
    else if (turn < 0.94) {
      // somebody else signs in here, or in another window of the same browser, which this page has not heard of
      cellar.signedIn = PEOPLE[Math.floor(luck.next() * PEOPLE.length)] ?? PEOPLE[0]
      if (luck.next() < 0.7) useSession().enter(person(cellar.signedIn))
    } else await later(1000 * Math.floor(30 * luck.next()))
  }
  return made
}

describe('what is recorded on one tablet, by whoever holds it', () => {
  it(`is neither lost, nor doubled, nor in another’s name, over ${RUNS} shifts with cuts`, async () => {
    let all = 0
    let cutShifts = 0
    let brought = 0
    for (let seed = 0; seed < RUNS; seed++) {
      localStorage.clear()
      const luck = chance(seed)
      cellar = new Cellar(luck)
      const made = await shift(luck)
      if (waiting() > 0) cutShifts++
      // the network is back, and one after the other signs in
      cellar.network = 'whole'
      for (const who of PEOPLE) {
        cellar.signedIn = who
        openPage()
        await later(30_000)
      }
      const told = `shift ${seed}`
      expect(waiting(), told).toBe(0)
      expect([...cellar.kept.keys()].sort(), told).toEqual([...made.keys()].sort())
      for (const [id, by] of made) expect(cellar.kept.get(id)?.by, `${told} ${id}`).toBe(by)
      expect(cellar.wrongs, told).toEqual([])
      all += made.size
      brought += cellar.brought
    }
    // there was something to lose
    expect(all).toBeGreaterThan(15 * RUNS)
    expect(cutShifts).toBeGreaterThan(RUNS / 3)
    expect(brought).toBeGreaterThan(RUNS)
  }, 120_000)
})
