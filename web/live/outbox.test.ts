// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { NewEvent } from '../../contract/events'
import type { SignedIn } from '../../contract/house'
import { MINUTE_MS } from '../../core/time'
import { useSession } from '../stores/session'
import { useOutbox } from './outbox'
import { useRecords } from './records'

const KNIFE = '73e764e8-09b4-54e7-98ee-4887e493436b'
const person = (id: string): SignedIn =>
  ({
    person: { id, name: id, role: 'cook' },
    house: { id: 'h', name: 'h', zone: 'UTC', units: 'mm', serviceLimits: {}, isDemo: false },
    rights: [],
    deviceName: null,
    now: '2026-11-24T14:42:00Z',
  }) as unknown as SignedIn

let sent: NewEvent[]
let people: (string | null)[]
let respond: (event: NewEvent) => Response | Promise<Response>
const accepted = (): Response => new Response(JSON.stringify({ knives: [] }), { status: 200 })
const refused = (code: string, status: number): Response =>
  new Response(JSON.stringify({ error: { code, sentence: `said ${code}`, issues: [] } }), { status })
const offline = (): Promise<Response> => Promise.reject(new TypeError('offline'))
const later = (ms: number): Promise<unknown> => vi.advanceTimersByTimeAsync(ms)
const kept = (): number => Object.keys(localStorage).filter((key) => key.startsWith('yorvik.outbox.')).length

beforeEach(() => {
  vi.useFakeTimers({ now: new Date('2026-11-24T10:00:00Z') })
  localStorage.clear()
  setActivePinia(createPinia())
  sent = []
  people = []
  respond = accepted
  vi.stubGlobal('fetch', (_url: string, init: RequestInit) => {
    const { events } = JSON.parse(String(init.body)) as { events: NewEvent[] }
    sent.push(...events)
    people.push(new Headers(init.headers).get('yorvik-person'))
    const [event] = events
    return event ? Promise.resolve(respond(event)) : Promise.reject(new Error('nothing was sent'))
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
    expect(sent[0]).toMatchObject({ kind: 'honed', knifeId: KNIFE, at: '2026-11-24T14:42:00.000Z' })
    expect(people).toEqual(['ilse'])
    expect(kept()).toBe(0)
  })

  it('keeps what could not be sent, and sends the very same event later by itself', async () => {
    respond = offline
    const id = await useRecords().record(hone)
    expect([useOutbox().waitingCount, kept()]).toEqual([1, 1])
    respond = accepted
    await later(6000)
    expect([useOutbox().waitingCount, kept()]).toEqual([0, 0])
    expect(sent.map((event) => event.id)).toEqual([id, id])
  })

  it('says so where the device has no room to keep it', async () => {
    const full = vi.spyOn(localStorage, 'setItem').mockImplementation(() => {
      throw new DOMException('full', 'QuotaExceededError')
    })
    respond = offline
    await useRecords().record(hone)
    full.mockRestore()
    expect([useOutbox().waitingCount, kept()]).toEqual([1, 0])
    expect(useOutbox().refusal).toMatch(/no room left.*Leave this page open/)
    respond = accepted
    await later(6000)
    expect(sent).toHaveLength(2)
  })

  it('keeps waiting while the database is away, however long', async () => {
    respond = () => refused('unavailable', 503)
    await useRecords().record(hone)
    await later(10 * MINUTE_MS)
    expect(useOutbox().waitingCount).toBe(1)
  })

  it('is still to be sent after the page was closed and opened again', async () => {
    respond = offline
    const id = await useRecords().record(hone)
    setActivePinia(createPinia())
    respond = accepted
    useSession().enter(person('ilse'))
    useOutbox()
    await later(10)
    expect(sent.at(-1)?.id).toBe(id)
    expect(kept()).toBe(0)
  })

  it('takes over what an earlier release left waiting', async () => {
    const event = { ...hone, id: '0b9e9a58-3c43-4f0e-8f6b-7a6f1e0f7d11', at: '2026-11-24T09:00:00.000Z' }
    localStorage.setItem('yorvik.waiting', JSON.stringify([{ personId: 'ilse', event }]))
    useOutbox()
    await later(10)
    expect(sent).toEqual([event])
    expect(localStorage.getItem('yorvik.waiting')).toBeNull()
  })

  it('opens with whatever else lies under its keys on the device', async () => {
    localStorage.setItem('yorvik.outbox.broken', '{"id":')
    localStorage.setItem('yorvik.outbox.strange', '"text"')
    expect(useOutbox().entries).toEqual([])
    await useRecords().record(hone)
    expect(sent).toHaveLength(1)
  })

  it('throws what the server refuses instead of keeping it', async () => {
    respond = () => refused('invalid', 422)
    await expect(useRecords().record(hone)).rejects.toMatchObject({ sentence: 'said invalid' })
    expect(kept()).toBe(0)
  })

  it('drops with its sentence what is refused after waiting, and nothing behind it', async () => {
    respond = offline
    const first = await useRecords().record(hone)
    const second = await useRecords().record(hone)
    respond = (event) => (event.id === first ? refused('conflict', 409) : accepted())
    await later(6000)
    expect(kept()).toBe(0)
    expect(useOutbox().refusal).toBe('said conflict')
    expect(sent.at(-1)?.id).toBe(second)
  })

  it('does not let one record that the server stumbles over hold up all the others', async () => {
    const records = useRecords()
    respond = () => refused('unexpected', 500)
    const stumbling = await records.record(hone)
    respond = (event) => (event.id === stumbling ? refused('unexpected', 500) : accepted())
    const next = await records.record(hone)
    await later(MINUTE_MS)
    expect(sent.at(-1)?.id).toBe(next)
    expect(useOutbox().refusal).toBe('said unexpected')
  })

  it('never sends one person’s work in another’s name, and sends it when they are back', async () => {
    respond = offline
    await useRecords().record(hone)
    respond = accepted
    useSession().enter(person('oda'))
    const before = sent.length
    await later(MINUTE_MS)
    expect(sent.length).toBe(before)
    expect([useOutbox().waitingCount, kept()]).toEqual([0, 1])
    useSession().enter(person('ilse'))
    await later(10)
    expect(sent.length).toBe(before + 1)
    expect(kept()).toBe(0)
  })

  it('keeps what was refused because somebody else is signed in', async () => {
    respond = () => refused('other-person', 409)
    await useRecords().record(hone)
    expect(kept()).toBe(1)
  })
})

describe('an undo', () => {
  it('voids', async () => {
    await useRecords().undo(KNIFE, '0b9e9a58-3c43-4f0e-8f6b-7a6f1e0f7d11', 'undone')
    expect(sent[0]).toMatchObject({
      kind: 'voided',
      payload: { eventId: '0b9e9a58-3c43-4f0e-8f6b-7a6f1e0f7d11', reason: 'undone' },
    })
  })

  it('never overtakes the record it takes back, however short the outage was', async () => {
    const records = useRecords()
    respond = offline
    const id = await records.record(hone)
    // the server is back before the record is tried again: the undo waits behind it all the same
    const known = new Set<string>()
    respond = (event) => {
      if (event.kind === 'voided' && !known.has(event.payload.eventId)) return refused('not-found', 404)
      known.add(event.id)
      return accepted()
    }
    await records.undo(KNIFE, id, 'undone')
    await later(6000)
    expect(sent.slice(1).map(({ kind }) => kind)).toEqual(['honed', 'voided'])
    expect(useOutbox().refusal).toBeNull()
    expect(kept()).toBe(0)
  })

  it('comes after a record that is still on its way', async () => {
    const records = useRecords()
    let answer: (response: Response) => void = () => undefined
    respond = () =>
      new Promise((settle) => {
        answer = settle
      })
    const recording = records.record(hone)
    await later(10)
    const undoing = records.undo(KNIFE, sent[0]?.id ?? '', 'undone')
    await later(10)
    expect(sent).toHaveLength(1)
    respond = accepted
    answer(accepted())
    await recording
    await undoing
    expect(sent.map(({ kind }) => kind)).toEqual(['honed', 'voided'])
  })
})
