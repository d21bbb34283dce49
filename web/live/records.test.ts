// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { NewEvent } from '../../contract/events'
import { Refusal } from '../api'
import { useSession } from '../stores/session'
import { useOutbox } from './outbox'
import { useRecords, type EventDraft } from './records'

let sent: NewEvent[]
beforeEach(() => {
  setActivePinia(createPinia())
  useSession().enter({
    person: { id: 'p', name: 'Maren Voss', role: 'chef' },
    house: { id: 'h', name: 'h', zone: 'UTC', units: 'mm', serviceLimits: {}, isDemo: false },
    rights: [],
    deviceName: null,
    now: '2026-11-24T14:42:00Z',
  } as never)
  sent = []
  vi.spyOn(useOutbox(), 'sendEvent').mockImplementation((_person, event) => {
    if (event.knifeId === 'gone' && event.kind !== 'voided')
      return Promise.reject(new Refusal('conflict', 'That knife is retired.'))
    sent.push(event)
    return Promise.resolve()
  })
})
const out = (knifeId: string): EventDraft => ({ kind: 'quarantined', knifeId, payload: { reason: 'crack' } })

describe('the same for several knives', () => {
  it('is taken back as a whole', async () => {
    const undo = await useRecords().recordAll([out('a'), out('b')])
    const made = sent.map(({ id }) => id)
    await undo()
    expect(sent.slice(2).map((event) => event.kind === 'voided' && event.payload.eventId)).toEqual(made)
  })

  it('is recorded for none where one is refused, and says why', async () => {
    await expect(useRecords().recordAll([out('a'), out('gone'), out('b')])).rejects.toThrow('That knife is retired.')
    expect(sent.map(({ knifeId, kind }) => `${knifeId} ${kind}`)).toEqual([
      'a quarantined',
      'b quarantined',
      'a voided',
      'b voided',
    ])
  })
})
