// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { FakeSocket } from '../testing/fakeSocket'
import { useSimulatedTester } from './useSimulatedTester'
import { useTester, type TesterLink } from './useTester'

let scope: EffectScope
let peaks: [number, boolean][]
let prefers: string | null
let link: TesterLink
beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('WebSocket', FakeSocket)
  FakeSocket.all.length = 0
  peaks = []
  prefers = null
  scope = effectScope()
  link = scope.run(() =>
    useTester(
      () => prefers,
      (forceGf, zeroed) => {
        peaks.push([forceGf, zeroed])
      },
    ),
  ) as TesterLink
  FakeSocket.last().open()
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('the force tester of a check', () => {
  it('is the first that stands in the house; a simulator only where it is this screen’s own', () => {
    FakeSocket.last().say('here 1 force-tester simulator-abc', 'here 2 scale pan')
    expect(link.testers.value).toEqual([{ id: '1', name: 'simulator-abc' }])
    expect(link.chosen.value).toBeNull()
    FakeSocket.last().say('here 3 force-tester bridge', 'here 4 force-tester other')
    expect(link.chosen.value).toBe('3')
    prefers = 'simulator-xyz'
    FakeSocket.last().say('here 5 force-tester simulator-xyz')
    expect(link.chosen.value).toBe('5')
  })

  it('reads a cut by its peak, and whether it was zeroed before', () => {
    FakeSocket.last().say('here 3 force-tester bridge', 'line 3 zero')
    expect([link.zeroed.value, link.live.value]).toEqual([true, 0])
    FakeSocket.last().say('line 3 force 120 gf')
    expect(link.live.value).toBe(120)
    FakeSocket.last().say('line 3 peak 212 gf', 'line 3 force 90 gf', 'line 3 peak 230 gf')
    // each peak wants a zero of its own
    expect(peaks).toEqual([
      [212, true],
      [230, false],
    ])
    expect(link.live.value).toBeNull()
  })

  it('hears nothing of another tester, and nothing it cannot read', () => {
    FakeSocket.last().say(
      'here 3 force-tester bridge',
      'here 4 force-tester other',
      'line 4 peak 300 gf',
      'line 3 peak three hundred',
      'nonsense',
    )
    expect(peaks).toEqual([])
  })

  it('is asked to zero itself, where one is chosen', () => {
    link.askZero()
    FakeSocket.last().say('here 3 force-tester bridge')
    link.askZero()
    expect(FakeSocket.last().sent).toEqual(['watch', 'do 3 zero'])
  })

  it('is let go when it leaves, and found again after a broken line', async () => {
    FakeSocket.last().say('here 3 force-tester bridge', 'gone 3')
    expect([link.chosen.value, link.testers.value]).toEqual([null, []])
    FakeSocket.last().say('here 3 force-tester bridge')
    FakeSocket.last().close()
    expect(link.testers.value).toEqual([])
    await vi.advanceTimersByTimeAsync(3500)
    FakeSocket.last().open()
    FakeSocket.last().say('here 9 force-tester bridge')
    expect(link.chosen.value).toBe('9')
  })
})

describe('the simulated tester', () => {
  it('speaks like a real one: hello, a rising force, its peak; and zeroes when it is told to', () => {
    const simulated = scope.run(useSimulatedTester)
    const socket = FakeSocket.last()
    simulated?.cut(300)
    expect(socket.sent).toEqual([])
    socket.open()
    expect(socket.sent).toEqual([`hello force-tester ${simulated?.name ?? ''}`])
    expect(simulated?.connected.value).toBe(false)
    socket.say('welcome')
    expect(simulated?.connected.value).toBe(true)
    simulated?.cut(300)
    socket.say('do zero')
    expect(socket.sent.slice(1)).toEqual([
      'force 60 gf',
      'force 165 gf',
      'force 255 gf',
      'force 300 gf',
      'peak 300 gf',
      'zero',
    ])
    socket.close()
    expect(simulated?.connected.value).toBe(false)
  })
})
