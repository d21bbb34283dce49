// @vitest-environment happy-dom
import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import type { KnifeView } from '../../contract/knives'
import type { SessionStep } from '../../core/session/plan'
import { sessionOf } from '../../core/session/testing'
import { i18n } from '../spoken'
import StepDrawing from './StepDrawing.vue'
import { controls } from '../ui/controls'

beforeEach(() => {
  setActivePinia(createPinia())
})
const CHEF = { grind: 'flat', heelHeightMm: 48, spineMm: 2.4, bteMm: 0.38, dpsLeft: 17, dpsRight: 17 }
const PIECES = [
  { name: '1 €', mm: 2.33, count: 6 },
  { name: 'card', mm: 0.76, count: 6 },
]

/** The drawing of one step of a recipe: what it is called, and what stands under it. */
function drawn(recipeId: string, recipeStep: string, knife: Partial<KnifeView> = {}): { label: string; text: string } {
  const step = sessionOf(recipeId, recipeId === 'single-bevel' ? { ratioRight: 100 } : {}).steps.find(
    (one) => one.recipeStep === recipeStep,
  ) as SessionStep
  const blade = { ...CHEF, ...knife } as KnifeView
  const shown = mount(StepDrawing, {
    props: { knife: blade, step, dps: step.dps ?? blade.dpsRight, stoneName: '#1000', pieces: PIECES, liveDps: null },
    global: { plugins: [i18n, controls] },
  })
  return { label: shown.find('svg').attributes('aria-label') ?? '', text: shown.text() }
}

describe('the drawing of a step is its own', () => {
  it('an edge lies at its angle on a stack, which says where along the blade it holds', () => {
    const { label, text } = drawn('full', 'first')
    expect(label).toContain('17°')
    expect(text).toMatch(/Spine 12\.9 mm up/)
    expect(text).toMatch(/holds where the blade is 48 mm tall; at the tip, lower, the same stack is (2|3)\d/)
  })

  it('a face lies flat, and nothing goes under it', () => {
    const { label, text } = drawn('thin', 'first')
    expect(label).toContain('1.4°')
    expect(text).toContain('Flat on its face: no stack')
    expect(text).not.toMatch(/mm up/)
  })

  it('the back of a single bevel lies flat, its front on the bevel', () => {
    const single = { grind: 'single', heelHeightMm: 33, spineMm: 3.4, bteMm: 0.3, dpsRight: 13 } as const
    expect(drawn('single-bevel', 'back', single).text).toContain('Back flat on the stone: no stack, nothing lifted.')
    const front = drawn('single-bevel', 'front', single)
    expect(front.label).toContain('13°')
    expect(front.text).toContain('The bevel lies flush on the stone.')
  })

  it('a serrated edge is drawn with its teeth, a rod upright', () => {
    expect(drawn('serrated-ground-side', 'teeth').label).toMatch(/Teeth from the side, and the fine diamond/)
    expect(drawn('serrated-flat-back', 'back').text).toContain('back almost flat')
    expect(drawn('rod-ceramic', 'medium').label).toBe('The blade at 17° to the rod')
  })

  it('a boning shoulder lies at its own angle, not the edge’s', () => {
    expect(drawn('boning-anew', 'shoulder-first', { heelHeightMm: 25, dpsRight: 25 }).label).toContain('12.5°')
  })
})
