// @vitest-environment happy-dom
import { mount, type VueWrapper } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import type { Component } from 'vue'
import { EDGED_TYPES } from '../../core/knife/knifeTypes'
import { operate, OPERATION_KINDS, shoulderOf, type Operation, type OperationKind } from '../../core/workshop/operate'
import { planWorkshop, type WorkshopAsk } from '../../core/workshop/plan'
import { seriesAhead } from '../../core/workshop/series'
import { i18n } from '../spoken'
import { freeBlade, viewOfTriedBlade } from './freeBlade'
import LifePanel from './LifePanel.vue'
import { choicesOf, dragField, fieldsOf, likelyKind, usualOperation } from './operationFields'
import OperationPanel from './OperationPanel.vue'
import RegimeTable from './RegimeTable.vue'
import SectionView from './SectionView.vue'
import SeriesTable from './SeriesTable.vue'
import StageTable from './StageTable.vue'
import TipView from './TipView.vue'
import { controls } from '../ui/controls'

beforeEach(() => {
  setActivePinia(createPinia())
})
const shown = (component: Component, props: Record<string, unknown>): VueWrapper =>
  mount(component, { props, global: { plugins: [i18n, controls] } })

const STONES = [
  { id: 'coarse', name: 'Coarse', micron: 63, diamond: false, rate: 1 },
  { id: 'middle', name: 'Middle', micron: 11.5, diamond: false, rate: 1 },
  { id: 'fine', name: 'Fine', micron: 4, diamond: false, rate: 1 },
]
const chef = viewOfTriedBlade(freeBlade('chef'), STONES)
const askFor = (operation: Operation, view = chef): WorkshopAsk => ({
  blade: view.blade,
  type: view.type,
  operation,
  lengthMm: view.lengthMm,
  hrc: view.hrc,
  stones: view.stones,
  finishMicron: 4,
})
const stoneName = (id: string): string => STONES.find((stone) => stone.id === id)?.name ?? ''

describe('what each kind of work is asked for', () => {
  it('can be done to a blade of every type, as a sharpener would first ask for it', () => {
    for (const type of EDGED_TYPES) {
      const view = viewOfTriedBlade(freeBlade(type), STONES)
      const suits = (kind: OperationKind): boolean =>
        view.serrated ? ['serrated', 'chip', 'tip'].includes(kind) : kind !== 'serrated' && kind !== 'boning'
      for (const kind of OPERATION_KINDS.filter(suits).filter(
        (one) => one !== 'ratio' || view.blade.ratioRight < 100,
      )) {
        const operation = usualOperation(kind, view.blade, 0.8 * view.blade.bteMm, null)
        // a blade that is even already has no ratio to change
        if (kind === 'ratio' && view.blade.ratioRight === 50) continue
        expect(planWorkshop(askFor(operation, view)).minutes, `${kind} on ${type}`).toBeGreaterThan(0)
      }
    }
  })

  it('has its numbers within the range of their sliders', () => {
    for (const kind of OPERATION_KINDS) {
      const operation = usualOperation(kind, chef.blade, 0.3, null) as unknown as Record<string, number>
      for (const { name, low, high } of fieldsOf(kind, chef.blade)) {
        expect(operation[name], `${kind} ${name}`).toBeGreaterThanOrEqual(low)
        expect(operation[name], `${kind} ${name}`).toBeLessThanOrEqual(high)
      }
      for (const { name, options } of choicesOf(kind)) expect(options).toContain(operation[name])
      const dragged = dragField(kind)
      if (dragged) expect(operation[dragged.name]).toBeTypeOf('number')
    }
  })

  it('begins with what the blade was most likely brought for', () => {
    const { blade } = chef
    expect(likelyKind({ serrated: false, chipMm: null, tipHurt: false, blade })).toBe('thin')
    expect(likelyKind({ serrated: false, chipMm: 0.4, tipHurt: false, blade })).toBe('chip')
    expect(likelyKind({ serrated: false, chipMm: 0.4, tipHurt: true, blade })).toBe('tip')
    expect(likelyKind({ serrated: true, chipMm: null, tipHurt: false, blade })).toBe('serrated')
    expect(
      likelyKind({ serrated: false, chipMm: null, tipHurt: false, blade: { ...blade, grind: 'boning-shoulder' } }),
    ).toBe('boning')
  })
})

describe('the panel of an operation', () => {
  const panel = (operation: Operation, wrong = ''): VueWrapper =>
    shown(OperationPanel, {
      modelValue: operation,
      blade: chef.blade,
      plan: planWorkshop(askFor(operation)),
      wrong,
      thinToMm: 0.3,
      lengthMm: 240,
    })

  it('says what thickness, height and length become', () => {
    expect(panel({ kind: 'thin', targetBteMm: 0.3 }).text()).toContain('0.35 mm → 0.30 mm')
    expect(panel({ kind: 'chip', depthMm: 0.4, sessions: 1 }).text()).toContain('48.00 mm → 47.58 mm')
    expect(panel({ kind: 'tip', lostMm: 4, from: 'spine', sessions: 1 }).text()).toContain('240 mm → 236 mm')
  })

  it('passes on what is dragged and chosen', async () => {
    const chip = panel({ kind: 'chip', depthMm: 0.4, sessions: 1 })
    await chip.get('[role=slider]').trigger('keydown', { code: 'ArrowRight' })
    expect(chip.emitted('update:modelValue')?.at(-1)).toEqual([{ kind: 'chip', depthMm: 0.45, sessions: 1 }])
    await chip.findAll('[role=group] button')[2]?.trigger('click')
    expect(chip.emitted('update:modelValue')?.at(-1)).toEqual([{ kind: 'chip', depthMm: 0.45, sessions: 3 }])
    const thin = panel({ kind: 'thin', targetBteMm: 0.3 })
    await thin.find('.presets button').trigger('click')
    expect(thin.emitted('update:modelValue')?.at(-1)).toEqual([{ kind: 'thin', targetBteMm: 0.32 }])
  })

  it('says what cannot be, and no numbers with it', () => {
    const wrong = panel({ kind: 'thin', targetBteMm: 0.3 }, 'It cannot be.')
    expect(wrong.get('[role=alert]').text()).toBe('It cannot be.')
    expect(wrong.find('dl').exists()).toBe(false)
  })
})

describe('the section on the screen', () => {
  const operation: Operation = { kind: 'thin', targetBteMm: 0.28 }
  const done = operate(chef.blade, operation)
  const section = (): VueWrapper =>
    shown(SectionView, {
      before: done.before,
      after: done.after,
      heightMm: 48,
      spineMm: 2.4,
      bteMm: 0.28,
      shoulder: shoulderOf(done, null),
      start: 0.72,
    })

  it('draws both outlines to one scale, thickness at 1 and 3 mm, and the shoulder to take hold of', () => {
    const drawn = section()
    expect(drawn.findAll('polygon')).toHaveLength(3)
    expect(drawn.findAll('.value').map((one) => one.text())[1]).toMatch(/^0\.\d\d mm$/)
    const points =
      drawn
        .get('polygon.after')
        .attributes('points')
        ?.split(' ')
        .map((pair) => pair.split(',').map(Number)) ?? []
    // one scale both ways: as wide as the spine where the spine is, as high as the blade
    const xs = points.map(([x = 0]) => x)
    const ys = points.map(([, y = 0]) => y)
    expect((Math.max(...xs) - Math.min(...xs)) / (Math.max(...ys) - Math.min(...ys))).toBeCloseTo(2.4 / 48, 3)
    expect(drawn.find('circle.handle').exists()).toBe(true)
    expect(
      shown(SectionView, { ...drawn.props(), shoulder: null })
        .find('circle.handle')
        .exists(),
    ).toBe(false)
  })

  it('zooms from the whole blade to the edge', async () => {
    const drawn = section()
    const widest = (): number =>
      Math.max(
        ...(drawn
          .get('polygon.after')
          .attributes('points')
          ?.split(' ')
          .map((pair) => Number(pair.split(',')[0])) ?? []),
      )
    await drawn.get('[role=slider]').trigger('keydown', { code: 'Home' })
    const whole = widest()
    await drawn.get('[role=slider]').trigger('keydown', { code: 'End' })
    expect(widest()).toBeGreaterThan(whole)
  })
})

describe('stages, sessions, tips, schools', () => {
  const stages = (operation: Operation, stack = ''): VueWrapper =>
    shown(StageTable, {
      modelValue: 0,
      plan: planWorkshop(askFor(operation)),
      stoneName,
      lengthMm: 240,
      stackFor: () => stack,
    })

  it('give each cut its angle, lift, stack, strokes, minutes and steel', () => {
    const table = stages({ kind: 're-bevel', dps: 14 }, '2 × 1 €')
    const cells = table.findAll('tbody td').map((cell) => cell.text())
    expect(cells[1]).toMatch(/^14°.*off the face/)
    expect(cells[2]).toMatch(/mm2 × 1 €$/)
    expect(cells[3]).toMatch(/^\d+ \/ \d+$/)
    expect(cells[5]).toMatch(/g.*mm², \d+ mm³$/)
    expect(table.text()).toContain('The edge keeps its height.')
    expect(stages({ kind: 'chip', depthMm: 0.4, sessions: 1 }).text()).toContain('The edge loses 0.42 mm of height.')
  })

  it('choose the stage that is drawn', async () => {
    const table = stages({ kind: 'full-convex', targetBteMm: 0.28 })
    await table.findAll('tbody button')[2]?.trigger('click')
    expect(table.emitted('update:modelValue')).toEqual([[2]])
  })

  it('list the sessions ahead with the ratio each leaves', () => {
    const slicer = viewOfTriedBlade(
      { ...freeBlade('slicer'), blade: { ...freeBlade('slicer').blade, ratioRight: 70 } },
      STONES,
    )
    const series = seriesAhead(askFor({ kind: 'ratio', toRight: 50, sessions: 2 }, slicer))
    const rows = shown(SeriesTable, { series, ofRatio: true })
      .findAll('tbody tr')
      .map((row) => row.text())
    expect(rows[0]).toMatch(/^140 \/ 60/)
    expect(rows[1]).toMatch(/^250 \/ 50/)
  })

  it('draw a tip from the side: as made, as broken, as ground', () => {
    const { tip } = planWorkshop(askFor({ kind: 'tip', lostMm: 4, from: 'spine', sessions: 1 }))
    const drawn = shown(TipView, { tip })
    expect(drawn.findAll('polygon').map((one) => one.classes()[0] ?? 'goes')).toEqual([
      'whole',
      'goes',
      'after',
      'before',
    ])
    expect(stages({ kind: 'tip', lostMm: 4, from: 'spine', sessions: 1 }).text()).toMatch(
      /The new point stands at \d+°/,
    )
  })

  it('say what is left, at other angles, and what it can become', () => {
    const life = shown(LifePanel, {
      view: chef,
      plan: planWorkshop(askFor({ kind: 'chip', depthMm: 1, sessions: 1 })),
    }).text()
    const [, now = 0] = /(\d+) sessions until it is too low/.exec(life)?.map(Number) ?? []
    const [, after = 0] = /After this work: (\d+) sessions/.exec(life)?.map(Number) ?? []
    expect(after).toBeLessThan(now)
    expect(life).toContain('it can go on as a slicer')
    expect(life).toMatch(/About \w+ \d{4}, in [\d.]+ years, at this pace; between \w+ \d{4} and \w+ \d{4}\./)
    expect(life).toMatch(/At 14°: \d+ sessions/)
    expect(life).toMatch(/At the end 34\.5 mm high and 2\d\d mm long/)
  })

  it('say what another school would make of it, and where the edge would be dull meanwhile', () => {
    const rows = shown(RegimeTable, { view: chef })
      .findAll('tbody tr')
      .map((row) => row.text())
    expect(rows).toHaveLength(5)
    expect(rows.at(-1)).toMatch(/two or three times a year, dull 16 times over between sessions/)
    expect(rows[1]).not.toContain('dull')
  })
})
