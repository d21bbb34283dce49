import { describe, expect, it } from 'vitest'
import type { BenchOffer, BenchPlan } from '../contract/bench'
import { RECIPES } from '../core/session/recipes'
import { sessionOf } from '../core/session/testing'
import { noteWords, startWords, stepName, stepWords } from './bench'
import { formats } from './format'
import { speaker } from './say'

const say = speaker()
const format = formats('en-GB', 'Europe/Dublin', 'mm')
function plan(recipeId: string, ratioRight = 50): BenchPlan {
  const laid = sessionOf(recipeId, { ratioRight })
  return {
    ...laid,
    choices: {},
    asked: { choices: {} },
    because: [],
    notes: [],
    workshop: null,
    stages: laid.stages.map(({ stone, ...stage }) => ({
      ...stage,
      stoneId: stone.id,
      stoneName: stone.id,
      micron: stone.micron,
    })),
    steps: laid.steps.map((step) => ({
      ...step,
      rungs: [...step.rungs],
      checks: [...step.checks],
      cautions: [...step.cautions],
      ways: [...step.ways],
    })),
  }
}

describe('the words of a session', () => {
  it.each(RECIPES.map(({ id }) => id))('say of %s what to do and why, with nothing left open', (recipeId) => {
    const laid = plan(recipeId)
    for (const step of laid.steps) {
      const stone = laid.stages[step.stage ?? -1]?.stoneName ?? ''
      const { what, why } = stepWords(laid, step, stone, say, format)
      const name = stepName(step, stone, say)
      for (const text of [what, why, name]) {
        expect(text.length).toBeGreaterThan(2)
        expect(text).not.toMatch(/[{}]|bench\.|undefined/)
      }
    }
    expect(say(`bench.recipe.${recipeId}`)).not.toMatch(/^bench\./)
  })

  it('have a sentence for every check and caution a recipe may use', () => {
    for (const step of RECIPES.flatMap(({ steps }) => steps)) {
      for (const check of step.checks) expect(say(`bench.check.${check}`)).not.toMatch(/^bench\./)
      for (const caution of step.cautions) expect(say(`bench.caution.${caution}`)).not.toMatch(/^bench\./)
    }
    for (const choice of RECIPES.flatMap(({ choices }) => choices)) {
      expect(say(`bench.choice.${choice.id}`)).not.toMatch(/^bench\./)
      for (const option of choice.options) expect(say(`bench.option.${option}`)).not.toMatch(/^bench\./)
    }
  })

  it('name side, stone and falling pressure', () => {
    const laid = plan('full')
    const sides = laid.steps.filter(({ kind }) => kind === 'side')
    const first = sides[0]
    const last = sides.at(-1)
    if (!first || !last) throw new Error('no sides')
    expect(stepWords(laid, first, '#320', say, format).what).toBe(
      '#320, right side: section by section, until a burr is felt all along.',
    )
    expect(stepWords(laid, first, '#320', say, format).why).toContain('firm at first, lighter set by set')
    expect(stepWords(laid, last, '#3000', say, format).why).toMatch(/About \d+ strokes/)
    expect(stepName(last, '#3000', say)).toBe('#3000 left side')
  })

  it('give way to the house’s own', () => {
    const laid = plan('full')
    const [look] = laid.steps
    if (!look) throw new Error('no steps')
    expect(
      stepWords(laid, { ...look, words: { what: 'To the window.', why: 'Our lamp is broken.' } }, '', say, format),
    ).toEqual({ what: 'To the window.', why: 'Our lamp is broken.' })
  })
})

describe('overruling and notes', () => {
  const start: BenchOffer['starts'][number] = {
    stoneId: 'x',
    stoneName: '#1000',
    minutesToBurr: 34.2,
    minutes: 41,
    roundsBevel: true,
    planned: false,
  }

  it('say what a choice costs', () => {
    expect(startWords(start, say, format)).toBe('#1000 first: about 34 min to the burr and likely a rounded bevel.')
    expect(startWords({ ...start, minutesToBurr: 9.8, minutes: 18, roundsBevel: false }, say, format)).toBe(
      '#1000 first: about 10 min to the burr, 18 min in all.',
    )
  })

  it('say what to buy or borrow', () => {
    expect(noteWords({ code: 'nothing-coarse-enough', minutes: 52, wantedMicron: 31 }, say, format)).toContain(
      'Buy or borrow a stone of about 31 µm',
    )
    expect(noteWords({ code: 'coarser-finish', micron: 11.5, wantedMicron: 4 }, say, format)).toContain('11.5 µm')
  })
})
