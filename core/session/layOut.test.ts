import { describe, expect, it } from 'vitest'
import { TYPE_TEMPLATES } from '../knife/knifeTypes'
import { CHEF_BLADE, SHELF, sessionOf } from './testing'
import { RECIPES } from './recipes'
import { waysFor } from './ways'

const strokesOf = (plan: ReturnType<typeof sessionOf>, id: string): number =>
  plan.steps.find((step) => step.id === id)?.strokes ?? 0
const kinds = (plan: ReturnType<typeof sessionOf>): string[] => plan.steps.map(({ kind }) => kind)

describe('a session laid out', () => {
  it('looks first and tests last, and washes before it stows', () => {
    for (const { id } of RECIPES) {
      const plan = sessionOf(id)
      expect(kinds(plan)[0], id).toBe('look')
      expect(kinds(plan).slice(-3), id).toEqual(['test', 'clean', 'stow'])
      expect(new Set(plan.steps.map((step) => step.id)).size, id).toBe(plan.steps.length)
    }
  })

  it('goes through each stone: flat, angle, first side, second side, heel and tip, burr off, a try on paper', () => {
    const { steps, stages } = sessionOf('full')
    expect(stages.map(({ stone }) => stone.id)).toEqual(['#320', '#1000', '#3000'])
    expect(steps.filter(({ stage }) => stage === 0).map(({ kind }) => kind)).toEqual([
      'flatten',
      'angle',
      'side',
      'side',
      'ends',
      'deburr',
      'try',
    ])
    expect(steps.find(({ id }) => id === 'first-2')?.stoneId).toBe('#1000')
  })

  it('leaves out what does not apply: nobody flattens a diamond plate, or soaks a stone that is only wetted', () => {
    const none = new Set<string>()
    const dry = sessionOf('full', { shelf: { soaks: none, dishes: none, flattenDue: none } })
    expect(kinds(dry)).not.toContain('flatten')
    expect(kinds(dry)).not.toContain('soak')
    const ids = new Set(SHELF.map(({ id }) => id))
    const shelf = { soaks: ids, dishes: ids, flattenDue: new Set(['#320']) }
    const flattened = (way: string): string[] =>
      sessionOf('full', { shelf, choices: { flatten: way } })
        .steps.filter(({ kind }) => kind === 'flatten')
        .map(({ stoneId }) => stoneId ?? '')
    expect(flattened('every-knife')).toEqual(['#320', '#1000', '#3000'])
    expect(flattened('every-few')).toEqual(['#320'])
  })

  // The whole session 23–32 minutes; setting up and clearing away 10–14 of them, once for a sitting (common practice).
  it('splits a whole session into the knife and the sitting', () => {
    const full = sessionOf('full')
    expect(full.setUpMinutes).toBeGreaterThanOrEqual(10)
    expect(full.setUpMinutes).toBeLessThanOrEqual(14)
    expect(full.minutes + full.setUpMinutes).toBeGreaterThanOrEqual(23)
    expect(full.minutes + full.setUpMinutes).toBeLessThanOrEqual(32)
    const keptUp = sessionOf('maintenance', { condition: 'kept-up', progression: { bluntUm: 6 } })
    expect(keptUp.minutes).toBeGreaterThanOrEqual(5)
    expect(keptUp.minutes).toBeLessThanOrEqual(7)
  })

  it('adds what is owed to a side, never more than a quarter of its own', () => {
    const usual = strokesOf(sessionOf('full'), 'second-1')
    const some = sessionOf('full', { owes: { side: 'left', strokes: 7 } })
    expect(strokesOf(some, 'second-1')).toBe(usual + 7)
    expect(some.steps.find(({ id }) => id === 'second-1')?.owed).toBe(7)
    expect(strokesOf(some, 'first-1')).toBe(strokesOf(sessionOf('full'), 'first-1'))
    const much = sessionOf('full', { owes: { side: 'left', strokes: 900 } })
    expect(strokesOf(much, 'second-1')).toBeLessThanOrEqual(Math.ceil(1.25 * usual))
  })
})

describe('asymmetric and single bevels', () => {
  it('share the strokes by ratio, begin on the wide side, and have a lift for each', () => {
    const right = sessionOf('asymmetric', { ratioRight: 70, dps: { left: 11, right: 15 } })
    expect(right.firstSide).toBe('right')
    const share = strokesOf(right, 'first-1') / (strokesOf(right, 'first-1') + strokesOf(right, 'second-1'))
    expect(share).toBeCloseTo(0.7, 1)
  })

  it('a left-handed blade begins on its left', () => {
    const left = sessionOf('asymmetric', { ratioRight: 30 })
    expect(left.firstSide).toBe('left')
    expect(left.steps.find(({ id }) => id === 'first-1')?.hand).toBe('left')
    const single = sessionOf('single-bevel', { ratioRight: 0 })
    expect(single.steps.find(({ id }) => id === 'front-1')?.hand).toBe('left')
    expect(single.steps.find(({ kind, work }) => kind === 'side' && work === 'face')?.hand).toBe('right')
  })

  // Front by the bevel on every stone; back flat, a few strokes, on the fine stone only; 8–15 minutes kept up (common practice).
  it('a single bevel is worked by its bevel, its back flat on the fine stone only', () => {
    const template = TYPE_TEMPLATES['single-bevel-slicer']
    const blade = {
      lengthMm: template.typicalLengthMm,
      heelHeightMm: template.typicalHeightMm,
      spineMm: template.spineMm,
      bteMm: template.bteMm,
      dps: template.dpsRight,
      hrc: 61,
    }
    const plan = sessionOf('single-bevel', {
      ratioRight: 100,
      progression: { blade, bluntUm: 7 },
      section: blade,
      hrc: 61,
    })
    const backs = plan.steps.filter(({ kind, work }) => kind === 'side' && work === 'face')
    expect(backs).toHaveLength(1)
    expect(backs[0]?.stage).toBe(plan.stages.length - 1)
    expect(backs[0]?.strokes).toBeLessThanOrEqual(6)
    expect(backs[0]?.liftMm).toBe(0)
    expect(plan.minutes).toBeGreaterThanOrEqual(8)
    expect(plan.minutes).toBeLessThanOrEqual(15)
  })
})

describe('faces', () => {
  it('are laid flat: the angle of a face step is the face’s own, and its spine lies on the stone', () => {
    const thin = sessionOf('thin')
    const side = thin.steps.find(({ id }) => id === 'first-1')
    expect(side?.dps).toBeCloseTo((Math.atan(2.4 / 2 / 48) * 180) / Math.PI, 1)
    expect(side?.liftMm).toBe(0)
    expect(side?.checks).not.toContain('burr-all-along')
    expect(thin.takesUm).toBe(0)
    expect(thin.leavesBteMm).toBeCloseTo(0.28, 9)
  })

  it('thinning a little takes a quarter of an hour, and no first stone of a chip', () => {
    const little = sessionOf('thin-little', { progression: { thinning: { byMm: 0.02 } } })
    expect(little.minutes).toBeGreaterThanOrEqual(10)
    expect(little.minutes).toBeLessThanOrEqual(22)
  })
})

describe('boning knives', () => {
  const blade = { ...CHEF_BLADE, lengthMm: 150, heelHeightMm: 25, bteMm: 0.45, dps: 25 }

  // #1000, or #400 and #1000, polish; six up-and-backs a side, then alternating; 8–15 minutes; #3000 for chilled meat (common practice).
  it('are done every time in 8 to 15 minutes, and polished for chilled meat', () => {
    const everyTime = sessionOf('boning', { progression: { blade, bluntUm: 15 } })
    expect(everyTime.stages.at(-1)?.stone.id).toBe('#1000')
    const sides = everyTime.steps.filter(({ kind }) => kind === 'side')
    expect(sides.at(0)?.rungs.map(({ strokes }) => strokes)).toEqual([6])
    expect(sides.at(-1)?.side).toBe('alternating')
    const chilled = sessionOf('boning', {
      progression: { blade, bluntUm: 15 },
      choices: { polish: 'for-chilled-meat' },
    })
    expect(chilled.finishMicron).toBeLessThanOrEqual(4)
    for (const plan of [everyTime, chilled]) {
      expect(plan.minutes).toBeGreaterThanOrEqual(8)
      expect(plan.minutes).toBeLessThanOrEqual(15)
    }
  })

  it('set up anew are rubbed, shouldered and edged in that order, each at its own angle', () => {
    const anew = sessionOf('boning-anew')
    const cuts = anew.steps.filter(({ stage, kind }) => stage === 0 && kind === 'side')
    expect(cuts.map(({ recipeStep }) => recipeStep)).toEqual([
      'rub-first',
      'rub-second',
      'shoulder-first',
      'shoulder-second',
      'edge-first',
      'edge-second',
    ])
    const face = Math.round((10 * Math.atan(2.4 / 2 / 48) * 180) / Math.PI) / 10
    expect(cuts.map(({ dps }) => dps)).toEqual([face, face, 12.5, 12.5, 25, 25])
    expect(cuts[0]?.liftMm).toBe(0)
  })
})

describe('serrated edges, both ways', () => {
  // 15–25 strokes along the ground side, 3–4 nearly flat on the back, 6–12 minutes in all, no stone (common practice).
  it('along the ground side', () => {
    const plan = sessionOf('serrated-ground-side')
    expect(strokesOf(plan, 'teeth')).toBeGreaterThanOrEqual(15)
    expect(strokesOf(plan, 'teeth')).toBeLessThanOrEqual(25)
    expect(strokesOf(plan, 'back')).toBeGreaterThanOrEqual(3)
    expect(strokesOf(plan, 'back')).toBeLessThanOrEqual(4)
    expect(plan.steps.find(({ id }) => id === 'back')?.dps).toBeLessThan(4)
    expect(plan.minutes).toBeGreaterThanOrEqual(6)
    expect(plan.minutes).toBeLessThanOrEqual(12)
    expect(plan.stages).toEqual([])
  })

  // 6–10 light strokes at almost zero on the back, the burr back through the gullets, strop; 6–15 minutes (common practice).
  it('from the flat back', () => {
    const plan = sessionOf('serrated-flat-back')
    expect(strokesOf(plan, 'back')).toBeGreaterThanOrEqual(6)
    expect(strokesOf(plan, 'back')).toBeLessThanOrEqual(10)
    expect(plan.steps.find(({ id }) => id === 'back')?.liftMm).toBe(0)
    expect(plan.steps.some(({ recipeStep }) => recipeStep === 'gullets')).toBe(true)
    expect(plan.minutes).toBeGreaterThanOrEqual(6)
    expect(plan.minutes).toBeLessThanOrEqual(15)
    expect(plan.stages).toEqual([])
  })

  it('begin under the loupe, and broken teeth are left', () => {
    for (const id of ['serrated-ground-side', 'serrated-flat-back']) {
      const [loupe] = sessionOf(id).steps
      expect(loupe).toMatchObject({ tool: 'loupe', checks: ['teeth-rolled'], ifNot: 'leave-it' })
    }
  })
})

describe('house ways that act', () => {
  it('deburr between stones or once at the end', () => {
    const burrs = (way: string): (number | null)[] =>
      sessionOf('full', { choices: { deburr: way } })
        .steps.filter(({ kind }) => kind === 'deburr')
        .map(({ stage }) => stage)
    expect(burrs('between-stones')).toEqual([0, 1, 2])
    expect(burrs('at-the-end')).toEqual([2])
  })

  it('take the burr off on cork or plastic, or on a ceramic rod after the coarse stone only', () => {
    const tools = (way: string): (string | null)[] =>
      sessionOf('full', { choices: { 'burr-on': way } })
        .steps.filter(({ kind }) => kind === 'deburr')
        .map(({ tool }) => tool)
    expect(tools('cork')).toEqual(['cork', 'cork', 'cork'])
    expect(tools('ceramic-rod')).toEqual(['ceramic-rod', null, null])
    expect(tools('stone')).toEqual([null, null, null])
  })

  it('begin on the other side, raise the tip, use one stone only, polish for looks', () => {
    expect(sessionOf('full', { choices: { 'first-side': 'left' } }).firstSide).toBe('left')
    const ends = (way: string): number | null | undefined =>
      sessionOf('full', { choices: { tip: way } }).steps.find(({ kind }) => kind === 'ends')?.dps
    expect(ends('same-angle')).toBeNull()
    expect(ends('higher')).toBe(19)
    expect(sessionOf('full', { choices: { stones: 'one-stone' } }).stages).toHaveLength(1)
    expect(sessionOf('thin', { choices: { polish: 'for-looks' } }).finishMicron).toBeLessThan(
      sessionOf('thin', { choices: { polish: 'for-work' } }).finishMicron,
    )
  })

  it('wipe compound off only where there is any, and take the smooth side alone to very hard steel', () => {
    const ids = (choices: Record<string, string>, hrc = 57): string[] =>
      sessionOf('strop', { choices, hrc }).steps.map(({ id }) => id)
    expect(ids({ compound: 'compound' })).toContain('wipe-compound')
    expect(ids({ compound: 'bare' })).not.toContain('wipe-compound')
    expect(ids({}, 57)).toContain('strop-rough')
    expect(ids({}, 63)).not.toContain('strop-rough')
  })

  it('are the recipe’s, over them the house’s, over them the person’s, over them this once', () => {
    const recipe = RECIPES.find(({ id }) => id === 'full')
    if (!recipe) throw new Error('full')
    expect(waysFor(recipe)['deburr']).toBe('between-stones')
    expect(waysFor(recipe, { deburr: 'at-the-end' })['deburr']).toBe('at-the-end')
    expect(waysFor(recipe, { deburr: 'at-the-end' }, { deburr: 'between-stones' })['deburr']).toBe('between-stones')
    expect(waysFor(recipe, { deburr: 'nonsense' })['deburr']).toBe('between-stones')
    expect(waysFor(recipe, { liquid: 'oil' })).not.toHaveProperty('liquid')
  })

  it('every way of a recipe shows in one of its steps, or changes the session', () => {
    for (const recipe of RECIPES)
      for (const { id, options } of recipe.choices) {
        const plans = options.map((option) => {
          const { choices: _, ...plan } = sessionOf(recipe.id, {
            choices: { ...Object.fromEntries(recipe.choices.map((one) => [one.id, one.chosen])), [id]: option },
          })
          return plan
        })
        const shows = plans.some(({ steps }) => steps.some(({ ways }) => ways.includes(id)))
        const changes = new Set(plans.map((plan) => JSON.stringify(plan))).size > 1
        expect(shows || changes, `${recipe.id}: ${id}`).toBe(true)
      }
  })
})

describe('rods, strops and wheels', () => {
  // 20, 10, 5, 3, 2, 1 on medium then fine for a dull edge; 10, 5, 3, 2, 1 where it is kept up (common practice).
  it('count the ladder on the medium rod and again on the fine one, with a scrub before it for the very dull', () => {
    const rungs = (condition: 'kept-up' | 'dull' | 'very-dull', id: string): number[] | undefined =>
      sessionOf('rod-ceramic', { condition })
        .steps.find((step) => step.id === id)
        ?.rungs.map(({ strokes }) => strokes)
    expect(rungs('dull', 'medium')).toEqual([20, 10, 5, 3, 2, 1])
    expect(rungs('dull', 'fine')).toEqual([20, 10, 5, 3, 2, 1])
    expect(rungs('kept-up', 'fine')).toEqual([10, 5, 3, 2, 1])
    expect(rungs('dull', 'scrub')).toBeUndefined()
    expect(rungs('very-dull', 'scrub')).toBeDefined()
  })

  it('smooth steel has both schools of pressure', () => {
    const newtons = (id: string): number | null | undefined =>
      sessionOf(id).steps.find(({ kind }) => kind === 'hone')?.newtons
    expect(newtons('steel')).toBeGreaterThanOrEqual(18)
    expect(newtons('steel')).toBeLessThanOrEqual(27)
    expect(newtons('steel-light')).toBeLessThanOrEqual(4)
  })

  // 30–40 alternating turns a hair steeper, then paste on film (common practice).
  it('take the burr of very hard steel off a hair steeper, then with paste on film', () => {
    const hard = { ...CHEF_BLADE, hrc: 64 }
    const { steps } = sessionOf('hard-steel', { progression: { blade: hard }, hrc: 64 })
    const off = steps.find(({ recipeStep }) => recipeStep === 'burr-off')
    expect(off?.dps).toBe(18)
    expect(off?.strokes).toBeGreaterThanOrEqual(30)
    expect(off?.strokes).toBeLessThanOrEqual(40)
    expect(steps.find(({ tool }) => tool === 'paste-film')).toBeDefined()
  })

  it('a powered wheel asks for its own sign-off and says what it may not touch', () => {
    const wheel = RECIPES.find(({ id }) => id === 'wheel')
    expect(wheel?.skill).toBe('machine')
    const cautions = sessionOf('wheel').steps.flatMap((step) => step.cautions)
    expect(cautions).toEqual(expect.arrayContaining(['wheel-eyes', 'wheel-catches', 'wheel-not-for-this']))
  })

  it('the butcher’s session after a job is one stone, a wipe and the polished steel, ten and ten', () => {
    const job = sessionOf('after-job')
    expect(job.stages.map(({ stone }) => stone.id)).toEqual(['#1000'])
    const [wipe, steel] = job.steps.slice(job.steps.findIndex(({ kind }) => kind === 'wipe'))
    expect(wipe?.kind).toBe('wipe')
    expect(steel).toMatchObject({ tool: 'polished-steel', strokes: 10 })
  })
})
