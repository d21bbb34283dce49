// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, type EffectScope } from 'vue'
import { FakeSocket } from '../testing/fakeSocket'
import { useInstruments } from './useInstruments'

let scope: EffectScope
let pictures: unknown[]
let live: ReturnType<typeof useInstruments>
beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('WebSocket', FakeSocket)
  FakeSocket.all.length = 0
  pictures = []
  scope = effectScope()
  live = scope.run(() =>
    useInstruments((picture) => {
      pictures.push(picture)
    }),
  ) as ReturnType<typeof useInstruments>
  FakeSocket.last().open()
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('the instruments at the bench', () => {
  it('are asked for when the line is open, and unknown until one says it is here', () => {
    expect(FakeSocket.last().sent).toEqual(['watch'])
    expect([live.angle.value, live.press.value]).toEqual([null, null])
    FakeSocket.last().say('here 7 force-tester bridge', 'here 1 inclinometer clip')
    expect(live.angle.value).toMatchObject({ name: 'clip', value: null, trust: 'good' })
    expect(live.press.value).toBeNull()
  })

  it('say the angle and the pressing, with what came just before', () => {
    FakeSocket.last().say(
      'here 1 inclinometer clip',
      'here 2 scale pan',
      'line 1 angle 16.5',
      'line 1 angle 17',
      'line 2 press 20 N',
      'line 2 press 1000 gf',
    )
    expect(live.angle.value).toMatchObject({ value: 17, recent: [16.5, 17] })
    // 1000 gf are 9.81 N (standard gravity, CGPM 1901)
    expect(live.press.value?.value).toBeCloseTo(9.80665, 5)
  })

  it('keep no more than the last two dozen values', () => {
    FakeSocket.last().say(
      'here 1 inclinometer clip',
      ...Array.from({ length: 40 }, (_, at) => `line 1 angle ${at / 2}`),
    )
    expect(live.angle.value?.recent).toHaveLength(24)
    expect(live.angle.value?.recent.at(-1)).toBe(19.5)
  })

  it('are not believed when they rave, and again when they come to their senses', () => {
    FakeSocket.last().say('here 1 inclinometer clip', 'line 1 angle 17', 'line 1 angle 400', 'line 1 angle -90')
    expect(live.angle.value).toMatchObject({ value: 17, trust: 'good' })
    FakeSocket.last().say('line 1 angle 7000')
    expect(live.angle.value).toMatchObject({ value: 17, trust: 'raving' })
    FakeSocket.last().say('line 1 angle 18')
    expect(live.angle.value).toMatchObject({ value: 18, trust: 'good' })
  })

  it('are called silent after five seconds without a word', async () => {
    FakeSocket.last().say('here 1 scale pan', 'line 1 press 12')
    await vi.advanceTimersByTimeAsync(4000)
    expect(live.press.value?.trust).toBe('good')
    await vi.advanceTimersByTimeAsync(3000)
    await nextTick()
    expect(live.press.value?.trust).toBe('silent')
  })

  it('hand on pictures of the edge that can be true, and no others', () => {
    FakeSocket.last().say(
      'here 1 loupe eye',
      'line 1 picture tip 8.5 0.2',
      'line 1 picture tip 9000',
      'line 1 picture spine 4',
      'line 2 picture heel 4',
    )
    expect(pictures).toEqual([expect.objectContaining({ zone: 'tip', bluntUm: 8.5, roll: 0.2 })])
  })

  it('are forgotten when they go, or when the line breaks, which is then tried again', async () => {
    FakeSocket.last().say('here 1 inclinometer clip', 'here 2 scale pan', 'gone 1')
    expect(live.angle.value).toBeNull()
    FakeSocket.last().close()
    expect(live.press.value).toBeNull()
    expect(FakeSocket.all).toHaveLength(1)
    await vi.advanceTimersByTimeAsync(3500)
    expect(FakeSocket.all).toHaveLength(2)
  })

  it('are not called any more once the screen is left', async () => {
    scope.stop()
    await vi.advanceTimersByTimeAsync(10_000)
    expect(FakeSocket.all).toHaveLength(1)
    expect(FakeSocket.last().readyState).toBe(3)
  })

  it('are one of a kind: the first that speaks, a real one before a stand-in, the next where it falls silent', () => {
    FakeSocket.last().say('here 1 inclinometer simulated-inclinometer', 'line 1 angle 10')
    FakeSocket.last().say('here 2 inclinometer phone-Oda', 'here 3 inclinometer phone-Bram')
    FakeSocket.last().say('line 2 angle 15', 'line 3 angle 20', 'line 1 angle 11')
    expect(live.angle.value).toMatchObject({ name: 'phone-Oda', value: 15 })
    vi.advanceTimersByTime(4000)
    FakeSocket.last().say('line 3 angle 21')
    vi.advanceTimersByTime(2000)
    expect(live.angle.value).toMatchObject({ name: 'phone-Bram', value: 21 })
  })
})
