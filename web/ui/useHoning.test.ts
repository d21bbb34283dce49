// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { KnifeView } from '../../contract/knives'
import { useNotices } from '../stores/notices'
import { useHoning } from './useHoning'

const record = vi.fn(() => Promise.resolve('an id'))
const undo = vi.fn(() => Promise.resolve())
vi.mock('../live/records', () => ({ useRecords: () => ({ record, recordAll: record, undo }) }))

const knife = (id: string): KnifeView =>
  ({ id, code: id, hrc: 58, verdict: { tool: 'ceramic-rod', action: 'check', cost: {} } }) as unknown as KnifeView

describe('honing by a tap', () => {
  beforeEach(() => {
    setActivePinia(createPinia())
    vi.useFakeTimers()
    vi.setSystemTime(new Date('2026-03-10T15:00:00Z'))
    record.mockClear()
  })

  it('is one honing for two taps of one finger, and two for two knives', async () => {
    const { honed } = useHoning()
    await Promise.all([honed(knife('one')), honed(knife('one'))])
    await honed(knife('one'))
    expect(record).toHaveBeenCalledTimes(1)
    await honed(knife('two'))
    expect(record).toHaveBeenCalledTimes(2)
    vi.advanceTimersByTime(3001)
    await honed(knife('one'))
    expect(record).toHaveBeenCalledTimes(3)
  })

  it('counts again at once after it was taken back', async () => {
    const { honed } = useHoning()
    await honed(knife('three'))
    await useNotices().notices.at(-1)?.undo?.()
    expect(undo).toHaveBeenCalledTimes(1)
    await honed(knife('three'))
    expect(record).toHaveBeenCalledTimes(2)
  })
})
