// @vitest-environment happy-dom
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { ref } from 'vue'
import { knownFleet } from '../testing/knownFleet'
import { useDragWords } from './useDragWords'

const START = Date.UTC(2026, 10, 24, 15)
const PROBLEM = {
  windows: [{ id: 'w', name: 'afternoon', startMs: START }],
  benches: [{ id: 'back', name: 'Back bench' }],
}
const lifted = { jobId: 'k' }
const bench = { windowId: 'w', benchId: 'back' }
const hands = { windowId: 'w', personId: 'oda' }

beforeEach(() => {
  setActivePinia(createPinia())
  knownFleet({ knives: [{ id: 'k', code: 'CH-07' }], people: [{ id: 'oda', name: 'Oda Finch' }] })
})

function drag(fits = true) {
  const heard: unknown[][] = []
  const chosen = ref<string | null>(null)
  const words = useDragWords(
    { problem: ref(PROBLEM) } as never,
    {
      put: (...all) => heard.push(['put', ...all]),
      hand: (...all) => heard.push(['hand', ...all]),
      offer: () => undefined,
      takes: () => fits,
    },
    chosen,
  )
  return { ...words, heard, chosen }
}

describe('a session that is carried', () => {
  it('says what is lifted, where it is, and where it was put down', () => {
    const { dragWords } = drag()
    expect(dragWords('lifted', lifted, null)).toMatch(/^CH-07 lifted/)
    expect(dragWords('over', lifted, bench)).toBe('CH-07 over Back bench, Tuesday afternoon.')
    expect(dragWords('dropped', lifted, hands)).toBe('CH-07 put down at Oda Finch, Tuesday afternoon.')
    expect(dragWords('back', lifted, null)).toBe('CH-07 put back.')
  })
  it('says where it does not fit, while it is still in the hand', () => {
    const { dragWords } = drag(false)
    expect(dragWords('over', lifted, bench)).toMatch(/does not fit at Back bench/)
    expect(dragWords('dropped', lifted, bench)).toMatch(/but it does not fit there/)
  })
  it('gives it to the bench or to the person it was put down on, and nothing else', () => {
    const { putDown, heard } = drag()
    putDown(lifted, bench)
    putDown(lifted, hands)
    putDown(lifted, { somewhere: 'else' })
    putDown({}, bench)
    expect(heard).toEqual([
      ['put', 'k', 'w', 'back'],
      ['hand', 'k', 'w', 'oda'],
    ])
  })
  it('is the chosen one as soon as it is lifted', () => {
    const { lifted: lift, chosen } = drag()
    lift(lifted)
    expect(chosen.value).toBe('k')
  })
})
