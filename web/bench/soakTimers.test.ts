// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { MINUTE_MS } from '../../core/time'
import { useSoakTimers } from './soakTimers'

let rung = 0
beforeEach(() => {
  vi.useFakeTimers({ now: Date.UTC(2026, 10, 24, 14) })
  localStorage.clear()
  setActivePinia(createPinia())
  rung = 0
  vi.stubGlobal('AudioContext', function silent() {
    rung++
    throw new Error('no sound here')
  })
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('a stone under water', () => {
  it('rings when it is ready, and once more when it has been there too long', () => {
    const timers = useSoakTimers()
    timers.start({ stoneId: 'coarse', stoneName: 'Coarse 320', minutes: 30 })
    vi.advanceTimersByTime(29 * MINUTE_MS)
    expect(rung).toBe(0)
    vi.advanceTimersByTime(2 * MINUTE_MS)
    expect(rung).toBe(1)
    expect(timers.running[0]).toMatchObject({ leftMs: 0, tooLong: false })
    vi.advanceTimersByTime(46 * MINUTE_MS)
    expect(rung).toBe(2)
    expect(timers.running[0]?.tooLong).toBe(true)
    vi.advanceTimersByTime(60 * MINUTE_MS)
    expect(rung).toBe(2)
    timers.lift('coarse')
    expect(timers.running).toEqual([])
  })
})
