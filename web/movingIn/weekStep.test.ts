// @vitest-environment happy-dom
import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { i18n, say } from '../spoken'
import { controls } from '../ui/controls'
import WeekStep from './WeekStep.vue'

/** The house's week comes when a test lets it. */
let letCome: (week: unknown) => void
beforeEach(() => {
  setActivePinia(createPinia())
  const coming = new Promise<unknown>((resolve) => (letCome = resolve))
  vi.stubGlobal(
    'fetch',
    vi.fn(async () => Response.json(await coming)),
  )
})
afterEach(() => {
  vi.unstubAllGlobals()
})

const KEPT = [
  {
    id: '1c1f4a80-6a4e-4a38-8f0c-2f4b5a3d9e11',
    weekday: 2,
    kind: 'service',
    name: 'Market hall',
    starts: '12:00',
    ends: '15:00',
  },
]
const step = () => mount(WeekStep, { global: { plugins: [i18n, controls], stubs: { MoreMenu: true } } })
const isClosed = (text: string): boolean => text.includes(say('house.closed'))

describe('the week of a house that moves in', () => {
  it('is the one the house has', async () => {
    const shown = step()
    letCome(KEPT)
    await flushPromises()
    expect(shown.text()).toContain('Market hall')
  })

  it('keeps a pattern that was chosen before the house’s own came', async () => {
    const shown = step()
    const evenings = shown.findAll('.pattern').find((one) => one.text().includes(say('movingIn.pattern.evenings')))
    await evenings?.trigger('click')
    expect(isClosed(shown.text())).toBe(true)
    letCome(KEPT)
    await flushPromises()
    expect(evenings?.attributes('aria-pressed')).toBe('true')
    expect(isClosed(shown.text())).toBe(true)
    expect(shown.text()).not.toContain('Market hall')
  })
})
