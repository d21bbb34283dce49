// @vitest-environment happy-dom
import { flushPromises, mount, type VueWrapper } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { SectionMeasure } from '../../contract/workshop'
import type { SectionBlade } from '../../core/geometry/section'
import { i18n } from '../spoken'
import { useSession } from '../stores/session'
import SpotMeasure from './SpotMeasure.vue'
import { controls } from '../ui/controls'

const KNIFE = '73e764e8-09b4-54e7-98ee-4887e493436b'
const BLADE: SectionBlade = {
  heelHeightMm: 45,
  spineMm: 2.2,
  bteMm: 0.42,
  dpsLeft: 17,
  dpsRight: 17,
  grind: 'flat',
  ratioRight: 50,
}
let sent: { payload: Record<string, unknown> }[] = []
beforeEach(() => {
  setActivePinia(createPinia())
  sent = []
  vi.stubGlobal('fetch', (_url: string, init?: RequestInit) => {
    if (init?.body)
      sent.push(...(JSON.parse(String(init.body)) as { events: { payload: Record<string, unknown> }[] }).events)
    return Promise.resolve(new Response(JSON.stringify({ knives: [] }), { status: 200 }))
  })
  useSession().enter({
    person: { id: 'p', name: 'p', role: 'chef' },
    house: { id: 'h', name: 'h', zone: 'UTC', units: 'mm', serviceLimits: {}, isDemo: false },
    rights: [],
    deviceName: null,
    now: '2026-11-24T14:42:00Z',
  } as never)
})
afterEach(() => {
  vi.unstubAllGlobals()
})
const form = (measured: readonly SectionMeasure[] = []): VueWrapper =>
  mount(SpotMeasure, {
    props: { knifeId: KNIFE, blade: BLADE, measured, zone: 'belly' },
    global: { plugins: [i18n, controls] },
  })
const field = (screen: VueWrapper, label: string): ReturnType<VueWrapper['get']> => {
  const id =
    screen
      .findAll('label')
      .find((one) => one.text() === label)
      ?.attributes('for') ?? ''
  return screen.get(`[id="${id}"]`)
}
const keep = async (screen: VueWrapper): Promise<void> => {
  await screen.get('p > button').trigger('click')
  await flushPromises()
}

describe('a section measured at a spot', () => {
  it('cannot be kept empty', () => {
    expect(form().get('p > button').attributes('disabled')).toBeDefined()
  })

  it('sends what was typed, and thickness, height and spine for the whole knife', async () => {
    const screen = form()
    await field(screen, 'Thickness 3 mm up').setValue('0,55')
    await field(screen, 'Thickness behind the edge').setValue('0.4')
    await field(screen, 'Heel height').setValue('44.6')
    await keep(screen)
    expect(sent[0]?.payload).toEqual({
      bteMm: 0.4,
      heelHeightMm: 44.6,
      sections: [{ zone: 'belly', bteMm: 0.4, thicknessAt: [{ heightMm: 3, thicknessMm: 0.55 }] }],
    })
    expect(screen.emitted('kept')).toHaveLength(1)
  })

  it('sends a spine alone without making up a section', async () => {
    const screen = form()
    await field(screen, 'Spine').setValue('2.4')
    await keep(screen)
    expect(sent[0]?.payload).toEqual({ spineMm: 2.4 })
  })

  it('keeps the other spots beside the one that is measured', async () => {
    const heel: SectionMeasure = { zone: 'heel', thicknessAt: [{ heightMm: 5, thicknessMm: 0.8 }] }
    const screen = form([heel])
    await field(screen, 'Face angle').setValue('1.5')
    await keep(screen)
    expect(sent[0]?.payload['sections']).toEqual([heel, { zone: 'belly', thicknessAt: [], faceDps: 1.5 }])
  })

  it('shows what was measured there before, but only tells what work has left', () => {
    const before = form([{ zone: 'belly', thicknessAt: [{ heightMm: 5, thicknessMm: 0.8 }] }])
    expect((field(before, 'Thickness 5 mm up').element as HTMLInputElement).value).toBe('0.8')
    const left = form([{ zone: 'belly', thicknessAt: [{ heightMm: 5, thicknessMm: 0.7 }], worked: true }])
    expect((field(left, 'Thickness 5 mm up').element as HTMLInputElement).value).toBe('')
    expect(left.text()).toContain('worked out, not measured: 0.70 mm at 5 mm')
  })

  it('names what contradicts itself while it is typed, and what nobody has measured', async () => {
    const screen = form()
    expect(screen.text()).toContain(
      'because nobody measured it here: thickness behind the edge, thickness higher up, bevel widths',
    )
    await field(screen, 'Thickness 3 mm up').setValue('0.9')
    await field(screen, 'Thickness 10 mm up').setValue('0.7')
    expect(screen.get('.told').text()).toBe('Thinner at 10 mm than at 3 mm: one of them is misread.')
  })
})
