// @vitest-environment happy-dom
import { mount, type VueWrapper } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import type { Component } from 'vue'
import type { SessionStep } from '../../core/session/plan'
import type { StepState } from '../../core/session/session'
import { i18n } from '../spoken'
import ApexDrawing from './ApexDrawing.vue'
import CheckTicks from './CheckTicks.vue'
import EdgePictures from './EdgePictures.vue'
import LiveLine from './LiveLine.vue'
import StrokeCount from './StrokeCount.vue'
import type { LiveValue } from './useInstruments'
import { controls } from '../ui/controls'

beforeEach(() => {
  setActivePinia(createPinia())
})
const shown = (component: Component, props: Record<string, unknown>): VueWrapper =>
  mount(component, { props, global: { plugins: [i18n, controls] } })

const step = { id: 'first-1', kind: 'side', work: 'edge', strokes: 57, only: null } as SessionStep
const here: StepState = {
  strokes: { heel: 18, belly: 14, tip: 0 },
  burr: { heel: true, belly: false, tip: false },
  ticked: [],
  spentMs: 0,
  burrAfterMs: null,
}

describe('the count of strokes', () => {
  it('shows the zone being worked, its usual count, and the burr of all three', async () => {
    const count = shown(StrokeCount, { step, here, zone: 'belly' })
    expect(count.find('.big').text()).toBe('14')
    expect(count.text()).toContain('strokes at the belly, about 19 here')
    expect(count.findAll('button').map((zone) => zone.text())).toEqual([
      'heel18 · burr felt',
      'belly14 · not yet',
      'tip0 · not yet',
    ])
    await count.findAll('button')[2]?.trigger('click')
    expect(count.emitted('update:zone')).toEqual([['tip']])
  })
})

describe('the drawing of the apex', () => {
  const knife = (bluntUm: number, roll: number): object => ({
    worstZone: 'tip',
    zones: { tip: { bluntUm, roll } },
    verdict: { dps: 17 },
  })
  const corners = (path: string): [number, number][] =>
    [...path.matchAll(/[ML](-?[\d.]+) (-?[\d.]+)/g)].map(([, x, y]) => [Number(x), Number(y)])
  const drawn = (
    bluntUm: number,
    roll: number,
  ): { readonly before: [number, number][]; readonly after: [number, number][] } => {
    const apex = shown(ApexDrawing, { knife: knife(bluntUm, roll) })
    return {
      before: corners(apex.get('path.before').attributes('d') ?? ''),
      after: corners(apex.get('path.after').attributes('d') ?? ''),
    }
  }

  it('puts the new edge inside the old one: no steel comes back', () => {
    for (const bluntUm of [2, 8, 15.5, 40]) {
      const { before, after } = drawn(bluntUm, 0)
      const [left, right] = [Math.min(...before.map(([x]) => x)), Math.max(...before.map(([x]) => x))]
      for (const [x, y] of after) {
        expect(x).toBeGreaterThan(left)
        expect(x).toBeLessThan(right)
        // edge down: nothing hangs below the apex there is
        expect(y).toBeLessThanOrEqual(Math.max(...before.map(([, old]) => old)))
      }
      const [first, second] = after.filter(([, y]) => y === Math.max(...after.map(([, one]) => one)))
      expect(first).toEqual(second)
    }
  })

  it('keeps the angle of the bevels, and leans over as far as it is bent', () => {
    const { before } = drawn(10, 0)
    const [[left = NaN, top = NaN] = [], , , [apex = NaN, low = NaN] = []] = before
    expect((Math.atan((apex - left) / (low - top)) * 180) / Math.PI).toBeCloseTo(17, 6)
    expect((drawn(10, 1).before[2]?.[0] ?? NaN) - (before[2]?.[0] ?? NaN)).toBeGreaterThan(10)
  })
})

describe('things to see and feel', () => {
  it('are ticked and unticked', async () => {
    const ticks = shown(CheckTicks, { checks: ['scratches-gone', 'heel-and-tip'], ticked: ['heel-and-tip'] })
    const [scratches, ends] = ticks.findAll<HTMLInputElement>('input[type=checkbox]')
    expect(scratches?.element.checked).toBe(false)
    expect(ends?.element.checked).toBe(true)
    await scratches?.trigger('change')
    await ends?.trigger('change')
    expect(ticks.emitted('tick')).toEqual([
      ['scratches-gone', true],
      ['heel-and-tip', false],
    ])
  })
})

describe('a live angle and pressing', () => {
  const live = (value: number, more: Partial<LiveValue> = {}): LiveValue => ({
    name: 'bench',
    value,
    recent: [value],
    trust: 'good',
    ...more,
  })
  const line = (angle: LiveValue | null, press: LiveValue | null, wantedNewtons: number | null = 12): string =>
    shown(LiveLine, { angle, press, wantedDps: 17, wantedNewtons }).text()

  it('are said in words, with what a wrong one does', () => {
    expect(line(live(17.4), null)).toContain('bench on the line: 17.4°, on the angle')
    expect(line(live(21), null)).toContain('4° too steep: it puts on a micro-bevel')
    expect(line(live(13), null)).toContain('4° too flat: it touches only the shoulder')
    expect(line(null, live(30))).toContain('Pressing 30 N: too heavy; about 12 N here')
    expect(line(null, live(12))).toContain('as it should be')
  })

  it('are not believed from an instrument that raves or has gone silent, and missed by nobody when there is none', () => {
    expect(line(live(17, { trust: 'raving' }), null)).toContain('they are not used')
    expect(line(live(17, { trust: 'silent' }), null)).toContain('sends nothing any more')
    expect(line(null, null, null)).toBe('')
    expect(line(null, null, 17)).toBe('Press about 17 N now; a litre bottle weighs 10 N.')
  })
})

describe('pictures of the edge', () => {
  it('stand before and after, zone by zone', () => {
    const pictures = shown(EdgePictures, {
      pictures: [
        { when: 'before', zone: 'tip', bluntUm: 8.2, roll: 0.3 },
        { when: 'after', zone: 'tip', bluntUm: 0.6, roll: 0.03 },
      ],
    })
    expect(pictures.findAll('tr')).toHaveLength(2)
    expect(pictures.text()).toContain('tip 8.2 µm')
    expect(pictures.text()).toContain('tip 0.6 µm')
    expect(shown(EdgePictures, { pictures: [] }).find('figure').exists()).toBe(false)
  })
})
