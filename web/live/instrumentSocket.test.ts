// @vitest-environment happy-dom
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import { FakeSocket } from '../testing/fakeSocket'
import { useInstrumentSocket } from './instrumentSocket'

let scopes: EffectScope[]
beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('WebSocket', FakeSocket)
  FakeSocket.all.length = 0
  scopes = []
})
afterEach(() => {
  for (const scope of scopes) scope.stop()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const listen = (): { lines: string[]; lost: () => number; stop: () => void } => {
  const lines: string[] = []
  let lost = 0
  const scope = effectScope()
  scopes.push(scope)
  scope.run(() =>
    useInstrumentSocket(
      (line) => lines.push(line),
      () => lost++,
    ),
  )
  return {
    lines,
    lost: () => lost,
    stop: () => {
      scope.stop()
    },
  }
}

describe('the line to the instruments', () => {
  it('is one for everybody on the screen; who comes later is told who is here', () => {
    const bench = listen()
    FakeSocket.last().open()
    FakeSocket.last().say('here 1 scale pan', 'here 2 inclinometer clip', 'gone 2')
    const check = listen()
    expect(FakeSocket.all).toHaveLength(1)
    expect(check.lines).toEqual(['here 1 scale pan'])
    FakeSocket.last().say('line 1 press 20 N')
    expect([bench.lines.at(-1), check.lines.at(-1)]).toEqual(['line 1 press 20 N', 'line 1 press 20 N'])
  })

  it('stays open until the last has left', () => {
    const [bench, check] = [listen(), listen()]
    const socket = FakeSocket.last()
    socket.open()
    bench.stop()
    expect(socket.readyState).toBe(FakeSocket.OPEN)
    check.stop()
    expect(socket.readyState).toBe(3)
    vi.advanceTimersByTime(10_000)
    expect(FakeSocket.all).toHaveLength(1)
  })

  it('tells everybody when it is lost, and is opened again once', () => {
    const [bench, check] = [listen(), listen()]
    FakeSocket.last().open()
    FakeSocket.last().close()
    expect([bench.lost(), check.lost()]).toEqual([1, 1])
    vi.advanceTimersByTime(4000)
    expect(FakeSocket.all).toHaveLength(2)
    FakeSocket.last().open()
    expect(FakeSocket.last().sent).toEqual(['watch'])
  })
})
