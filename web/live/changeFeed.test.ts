import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { openChangeFeed } from './changeFeed'
import { useFleet } from './fleet'

/** A change feed that a test holds the other end of. */
class FakeFeed extends EventTarget {
  static readonly CLOSED = 2
  static readonly all: FakeFeed[] = []
  readyState = 0
  constructor(readonly url: string) {
    super()
    FakeFeed.all.push(this)
  }

  close(): void {
    this.readyState = FakeFeed.CLOSED
  }

  open(): void {
    this.readyState = 1
    this.dispatchEvent(new Event('open'))
  }

  /** Refused, as by a 503: the browser gives up. */
  refuse(): void {
    this.readyState = FakeFeed.CLOSED
    this.dispatchEvent(new Event('error'))
  }

  change(): void {
    this.dispatchEvent(new Event('changed'))
  }

  static last(): FakeFeed {
    const last = FakeFeed.all.at(-1)
    if (!last) throw new Error('no feed was opened')
    return last
  }
}

let followed: number
beforeEach(() => {
  vi.useFakeTimers()
  vi.stubGlobal('EventSource', FakeFeed)
  FakeFeed.all.length = 0
  followed = 0
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const follow = (): Promise<void> => {
  followed++
  return Promise.resolve()
}
const settle = (): Promise<unknown> => vi.advanceTimersByTimeAsync(200)

describe('the change feed', () => {
  it('follows every change, and does not follow its own opening', async () => {
    const feed = openChangeFeed(follow)
    FakeFeed.last().open()
    await settle()
    expect(followed).toBe(0)
    FakeFeed.last().change()
    await settle()
    expect(followed).toBe(1)
    feed.close()
  })

  it('opens again after a 503, with growing pauses, and asks for what was missed', async () => {
    const feed = openChangeFeed(follow)
    FakeFeed.last().refuse()
    await vi.advanceTimersByTimeAsync(1000)
    expect(FakeFeed.all).toHaveLength(2)
    FakeFeed.last().refuse()
    await vi.advanceTimersByTimeAsync(1000)
    expect(FakeFeed.all).toHaveLength(2)
    await vi.advanceTimersByTimeAsync(1000)
    expect(FakeFeed.all).toHaveLength(3)
    FakeFeed.last().open()
    await settle()
    expect(followed).toBe(1)
    feed.close()
    await vi.advanceTimersByTimeAsync(60_000)
    expect(FakeFeed.all).toHaveLength(3)
  })

  it('asks once more for changes heard while it was asking', async () => {
    let finish: () => void = () => undefined
    const feed = openChangeFeed(() => {
      followed++
      return new Promise<void>((settled) => {
        finish = settled
      })
    })
    FakeFeed.last().change()
    FakeFeed.last().change()
    await settle()
    expect(followed).toBe(1)
    FakeFeed.last().change()
    FakeFeed.last().change()
    await settle()
    expect(followed).toBe(1)
    finish()
    await settle()
    expect(followed).toBe(2)
    finish()
    await settle()
    expect(followed).toBe(2)
    feed.close()
  })
})

describe('the fleet on the screen', () => {
  const answers: ((now: string) => void)[] = []
  beforeEach(() => {
    setActivePinia(createPinia())
    answers.length = 0
    vi.stubGlobal(
      'fetch',
      () =>
        new Promise((settled) => {
          answers.push((now) => {
            settled(new Response(JSON.stringify({ now, knives: [], people: [], stations: [], planned: [] })))
          })
        }),
    )
  })

  it('shows what changed while it was being fetched, not what was on its way by then', async () => {
    const fleet = useFleet()
    fleet.watch()
    await settle()
    answers[0]?.('first')
    await settle()
    FakeFeed.last().change()
    await settle()
    FakeFeed.last().change()
    await settle()
    expect(answers).toHaveLength(2)
    // the answer to the second request was made before the second change
    answers[1]?.('stale')
    await settle()
    expect(answers).toHaveLength(3)
    answers[2]?.('new')
    await settle()
    expect(fleet.fleet?.now).toBe('new')
    fleet.forget()
  })

  it('asks again when the house changes before it was ever seen', async () => {
    const fleet = useFleet()
    fleet.watch()
    await settle()
    FakeFeed.last().change()
    await settle()
    answers[0]?.('old')
    await settle()
    expect(answers).toHaveLength(2)
    answers[1]?.('new')
    await settle()
    expect(fleet.fleet?.now).toBe('new')
    fleet.forget()
  })
})
