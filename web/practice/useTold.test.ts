// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { FakeSocket } from '../testing/fakeSocket'
import { useTold } from './useTold'

let scope: EffectScope
let told: number[]
let angles: ReturnType<typeof useTold>
beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('WebSocket', FakeSocket)
  FakeSocket.all.length = 0
  told = []
  scope = effectScope()
  angles = scope.run(() => useTold('angle', (dps) => told.push(dps))) as ReturnType<typeof useTold>
  FakeSocket.last().open()
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('angles for a drill', () => {
  it('are of one inclinometer, however many are on the line, until another is chosen', () => {
    FakeSocket.last().say('here 1 inclinometer phone-Oda', 'here 2 inclinometer phone-Bram', 'here 3 scale pan')
    FakeSocket.last().say('line 1 angle 15 0.4', 'line 2 angle 30', 'line 2 angle 31', 'line 1 angle 16 0.5')
    expect(told).toEqual([15, 16])
    expect(angles.sureDps.value).toBe(0.5)
    expect(angles.there.value.map(({ name }) => name)).toEqual(['phone-Oda', 'phone-Bram'])
    angles.chosen.value = '2'
    FakeSocket.last().say('line 1 angle 17', 'line 2 angle 32')
    expect(told).toEqual([15, 16, 32])
    // the chosen one leaves: the other is heard
    FakeSocket.last().say('gone 2', 'line 1 angle 18')
    expect(told).toEqual([15, 16, 32, 18])
    // one that is still there and says nothing any more gives way
    FakeSocket.last().say('here 4 inclinometer clip', 'line 4 angle 40')
    vi.advanceTimersByTime(3000)
    FakeSocket.last().say('line 4 angle 41')
    expect(told).toEqual([15, 16, 32, 18, 41])
  })

  it('are not believed from one that raves, and not waited for from one that fell silent', () => {
    FakeSocket.last().say('here 1 inclinometer clip', 'line 1 angle 15')
    expect(angles.trust.value).toBe('good')
    FakeSocket.last().say('line 1 angle 900', 'line 1 angle 901', 'line 1 angle -4')
    expect([angles.trust.value, told]).toEqual(['raving', [15]])
    FakeSocket.last().say('line 1 angle 16')
    expect(angles.trust.value).toBe('good')
    vi.advanceTimersByTime(3000)
    expect(angles.trust.value).toBe('silent')
    FakeSocket.last().say('gone 1')
    expect(angles.trust.value).toBe('none')
  })

  it('are forces where the drill is at a scale', () => {
    const pressed: number[] = []
    scope.run(() => useTold('press', (newtons) => pressed.push(newtons)))
    FakeSocket.last().open()
    FakeSocket.last().say('here 3 scale pan', 'here 1 inclinometer clip', 'line 1 angle 15', 'line 3 press 21.5')
    expect(pressed).toEqual([21.5])
  })
})
