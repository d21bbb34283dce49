import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { NewEvent } from '../../contract/events'
import type { SignedIn } from '../../contract/house'
import { useFleet } from './fleet'
import { useRecords } from './records'
import { useSession } from './session'

const KNIFE = '73e764e8-09b4-54e7-98ee-4887e493436b'
const person = (id: string): SignedIn =>
  ({
    person: { id, name: id, role: 'cook' },
    house: { id: 'h', name: 'h', zone: 'UTC', units: 'mm', serviceLimits: {}, isDemo: false },
    rights: [],
    deviceName: null,
    now: '2026-11-24T14:42:00Z',
  }) as unknown as SignedIn

let sent: NewEvent[][]
let respond: () => Response | Promise<never>
const accepted = (): Response => new Response(JSON.stringify({ knives: [] }), { status: 200 })
const refused = (code: string, status: number): Response =>
  new Response(JSON.stringify({ error: { code, sentence: `said ${code}`, issues: [] } }), { status })

beforeEach(() => {
  vi.useFakeTimers({ now: new Date('2026-11-24T10:00:00Z') })
  setActivePinia(createPinia())
  sent = []
  respond = accepted
  vi.stubGlobal('fetch', (_url: string, init: RequestInit) => {
    sent.push((JSON.parse(String(init.body)) as { events: NewEvent[] }).events)
    return Promise.resolve(respond())
  })
  useSession().enter(person('ilse'))
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

const hone = { kind: 'honed', knifeId: KNIFE, payload: { tool: 'strop' } } as const

describe('recording from a screen', () => {
  it('dates an event by the server’s clock, not the tablet’s', async () => {
    await useRecords().record(hone)
    expect(sent[0]?.[0]).toMatchObject({ kind: 'honed', knifeId: KNIFE, at: '2026-11-24T14:42:00.000Z' })
    expect(useRecords().waitingCount).toBe(0)
  })

  it('keeps what could not be sent, and sends the very same event later', async () => {
    respond = () => Promise.reject(new TypeError('offline'))
    const id = await useRecords().record(hone)
    expect(useRecords().waitingCount).toBe(1)
    respond = accepted
    await useRecords().flush()
    expect(useRecords().waitingCount).toBe(0)
    expect(sent.map((events) => events[0]?.id)).toEqual([id, id])
  })

  it('keeps waiting while the database is away', async () => {
    respond = () => refused('unavailable', 503)
    await useRecords().record(hone)
    await useRecords().flush()
    expect(useRecords().waitingCount).toBe(1)
  })

  it('tries again by itself', async () => {
    respond = () => Promise.reject(new TypeError('offline'))
    await useRecords().record(hone)
    respond = accepted
    await vi.advanceTimersByTimeAsync(6000)
    expect(useRecords().waitingCount).toBe(0)
  })

  it('throws what the server refuses instead of keeping it', async () => {
    respond = () => refused('invalid', 422)
    await expect(useRecords().record(hone)).rejects.toMatchObject({ sentence: 'said invalid' })
    expect(useRecords().waitingCount).toBe(0)
  })

  it('drops with its sentence what is refused after waiting', async () => {
    respond = () => Promise.reject(new TypeError('offline'))
    await useRecords().record(hone)
    respond = () => refused('conflict', 409)
    await useRecords().flush()
    expect(useRecords().waitingCount).toBe(0)
    expect(useRecords().refusal).toBe('said conflict')
  })

  it('never sends one person’s work in another’s name', async () => {
    respond = () => Promise.reject(new TypeError('offline'))
    await useRecords().record(hone)
    respond = accepted
    useSession().enter(person('oda'))
    const before = sent.length
    await useRecords().flush()
    expect(sent.length).toBe(before)
    useSession().enter(person('ilse'))
    await useRecords().flush()
    expect(sent.length).toBe(before + 1)
  })

  it('takes back by voiding', async () => {
    await useRecords().undo(KNIFE, '0b9e9a58-3c43-4f0e-8f6b-7a6f1e0f7d11', 'undone')
    expect(sent[0]?.[0]).toMatchObject({
      kind: 'voided',
      payload: { eventId: '0b9e9a58-3c43-4f0e-8f6b-7a6f1e0f7d11', reason: 'undone' },
    })
  })
})

describe('the fleet on a screen', () => {
  const view = (id: string, code: string, name = ''): never => ({ id, code, name }) as never
  const fleetOf = (...knives: never[]): Response =>
    new Response(
      JSON.stringify({
        now: '2026-11-24T14:42:00Z',
        knives,
        people: [],
        stations: [],
        day: { startsAt: '', services: [], quiet: [] },
      }),
    )

  it('is fetched once when asked for twice, and kept when the next fetch fails', async () => {
    const asked = vi.fn(() => Promise.resolve(fleetOf(view('1', 'CH-01'))))
    vi.stubGlobal('fetch', asked)
    const fleet = useFleet()
    await Promise.all([fleet.load(), fleet.load()])
    expect(asked).toHaveBeenCalledOnce()
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('offline')))
    await fleet.load()
    expect(fleet.stale).toBe(true)
    expect(fleet.byCode('ch-01')).toMatchObject({ id: '1' })
  })

  it('takes in what a write returned, in the order of codes', async () => {
    vi.stubGlobal('fetch', () => Promise.resolve(fleetOf(view('2', 'CH-02'), view('3', 'CH-03'))))
    const fleet = useFleet()
    await fleet.load()
    fleet.accept([view('3', 'CH-03', 'renamed'), view('1', 'CH-01')])
    expect(fleet.knives.map((knife) => knife.code)).toEqual(['CH-01', 'CH-02', 'CH-03'])
    expect(fleet.byId('3')).toMatchObject({ name: 'renamed' })
  })
})
