// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref, type EffectScope } from 'vue'
import { MINUTE_MS } from '../../core/time'
import { useSoakTimers } from './soakTimers'
import { useRhythm } from './useRhythm'

let scope: EffectScope
let tones: number
/** A loudspeaker that only counts. */
class FakeAudio {
  readonly currentTime = 0
  readonly destination = {}
  createOscillator(): object {
    tones++
    return { frequency: { value: 0 }, connect: (next: unknown) => next, start: () => undefined, stop: () => undefined }
  }
  createGain(): object {
    return {
      gain: { setValueAtTime: () => undefined, exponentialRampToValueAtTime: () => undefined },
      connect: (next: unknown) => next,
    }
  }
}
beforeEach(() => {
  vi.useFakeTimers({ now: new Date('2026-11-24T14:45:00Z') })
  localStorage.clear()
  setActivePinia(createPinia())
  tones = 0
  vi.stubGlobal('AudioContext', FakeAudio)
  scope = effectScope()
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})

describe('a stone under water', () => {
  const coarse = { stoneId: 's', stoneName: 'Coarse 320', minutes: 15 }

  it('counts down, rings once when its time is up, and stays to be lifted out', async () => {
    const soaks = useSoakTimers()
    soaks.start(coarse)
    await vi.advanceTimersByTimeAsync(5 * MINUTE_MS)
    expect(soaks.running[0]?.leftMs).toBe(10 * MINUTE_MS)
    expect(tones).toBe(0)
    await vi.advanceTimersByTimeAsync(11 * MINUTE_MS)
    expect(soaks.running[0]).toMatchObject({ stoneName: 'Coarse 320', leftMs: 0, rang: true })
    // one ring is two tones
    expect(tones).toBe(2)
    await vi.advanceTimersByTimeAsync(10 * MINUTE_MS)
    expect(tones).toBe(2)
    soaks.lift('s')
    expect(soaks.running).toEqual([])
  })

  it('starts over when it is put back, and is known by its stone', () => {
    const soaks = useSoakTimers()
    soaks.start(coarse)
    soaks.start({ ...coarse, minutes: 30 })
    expect(soaks.running).toHaveLength(1)
    expect(soaks.of('s')?.untilMs).toBe(Date.now() + 30 * MINUTE_MS)
    expect(soaks.of('other')).toBeUndefined()
  })

  it('is remembered when the page is opened again', async () => {
    useSoakTimers().start(coarse)
    await nextTick()
    setActivePinia(createPinia())
    expect(useSoakTimers().of('s')?.stoneName).toBe('Coarse 320')
  })

  // soaked for days a stone cracks (common practice): nobody waits for this one any more
  it('is forgotten after half a day', async () => {
    const soaks = useSoakTimers()
    soaks.start(coarse)
    await vi.advanceTimersByTimeAsync(13 * 60 * MINUTE_MS)
    expect(soaks.running).toEqual([])
  })
})

describe('a rhythm for wet hands', () => {
  it('counts a stroke at every tick while it is on', async () => {
    let strokes = 0
    const { ticking } = scope.run(() =>
      useRhythm(ref(0), () => {
        strokes++
      }),
    ) as ReturnType<typeof useRhythm>
    await vi.advanceTimersByTimeAsync(5000)
    expect(strokes).toBe(0)
    ticking.value = true
    await nextTick()
    await vi.advanceTimersByTimeAsync(5 * 1300 + 100)
    expect(strokes).toBe(5)
    expect(tones).toBe(5)
    ticking.value = false
    await nextTick()
    await vi.advanceTimersByTimeAsync(5000)
    expect(strokes).toBe(5)
  })

  it('still counts where there is no sound', async () => {
    vi.stubGlobal('AudioContext', function noSound(): never {
      throw new Error('no sound here')
    })
    let strokes = 0
    const { ticking } = scope.run(() =>
      useRhythm(ref(0), () => {
        strokes++
      }),
    ) as ReturnType<typeof useRhythm>
    ticking.value = true
    await nextTick()
    await vi.advanceTimersByTimeAsync(1400)
    expect(strokes).toBe(1)
  })

  it('says every fifth count aloud if it is wanted, and never when a stroke is taken back', async () => {
    const said: string[] = []
    vi.stubGlobal('speechSynthesis', {
      speak: ({ text }: { text: string }) => {
        said.push(text)
      },
    })
    vi.stubGlobal(
      'SpeechSynthesisUtterance',
      class {
        constructor(readonly text: string) {}
      },
    )
    const count = ref(0)
    const { speaking } = scope.run(() => useRhythm(count, () => undefined)) as ReturnType<typeof useRhythm>
    const upTo = async (to: number): Promise<void> => {
      while (count.value < to) {
        count.value++
        await nextTick()
      }
    }
    await upTo(6)
    expect(said).toEqual([])
    speaking.value = true
    await upTo(11)
    count.value = 10
    await nextTick()
    expect(said).toEqual(['10'])
  })
})
