import { describe, expect, it } from 'vitest'
import en from '../../words/en.json'
import { section } from '../geometry/section'
import { knifeDefaults } from '../knife/knifeTypes'
import { STEP_KINDS, STEP_WORKS } from '../session/recipe'
import { WAYS } from '../session/ways'
import { DAY_MS } from '../time'
import { drillVerdict } from './drillVerdict'
import { LESSON_IDS, LESSONS, lessonFor, type Lesson } from './lessons'
import { nextPractice, type PastDrill } from './nextPractice'

const CHEF = { serrated: false, ratioRight: 50, hrc: 57, grind: 'flat' } as const

describe('the course', () => {
  it.each(LESSON_IDS)('%s has its words, of this house’s ways too, and one right answer of three', (id) => {
    const lesson: Lesson = LESSONS[id]
    const words = en.course.lesson[id] as { answers: object; how: object; ways?: object }
    expect(Object.keys(words.answers)).toEqual(['0', '1', '2'])
    expect(Object.keys(words.how)).toEqual(['1', '2', '3'])
    expect(Object.keys(words.ways ?? {}).sort()).toEqual(
      lesson.way ? [...WAYS[lesson.way]].filter((way) => way in (words.ways ?? {})).sort() : [],
    )
    if (lesson.way) expect(Object.keys(words.ways ?? {}).length).toBeGreaterThan(1)
    expect(lesson.figures.length).toBeGreaterThan(0)
  })

  it('draws every blade at an angle its section can lie at', () => {
    for (const { figures } of Object.values(LESSONS) as Lesson[])
      for (const figure of figures)
        if (figure.view === 'end') expect(section(knifeDefaults(figure.type, 200)).outline.length).toBeGreaterThan(3)
  })

  it('does not always hide the right answer in the same place', () => {
    expect(new Set(LESSON_IDS.map((id) => LESSONS[id].answer))).toEqual(new Set([0, 1, 2]))
  })
})

describe('the lesson of a step', () => {
  const step = (more: Partial<Parameters<typeof lessonFor>[0]>) => ({
    kind: 'side' as const,
    work: 'edge' as const,
    side: 'first' as const,
    stage: 0,
    ...more,
  })
  it('follows the knife before the step', () => {
    expect(lessonFor(step({}), CHEF)).toBe('first-stone')
    expect(lessonFor(step({ side: 'second' }), CHEF)).toBe('second-side')
    expect(lessonFor(step({ stage: 1 }), CHEF)).toBe('second-stone')
    expect(lessonFor(step({ work: 'face' }), CHEF)).toBe('thinning')
    expect(lessonFor(step({}), { ...CHEF, ratioRight: 70 })).toBe('asymmetric')
    expect(lessonFor(step({}), { ...CHEF, ratioRight: 100, grind: 'single' })).toBe('single-bevel')
    expect(lessonFor(step({}), { ...CHEF, hrc: 64 })).toBe('hard-steel')
    expect(lessonFor(step({}), { ...CHEF, grind: 'boning-shoulder' })).toBe('boning')
    expect(lessonFor(step({ kind: 'teeth' }), { ...CHEF, serrated: true })).toBe('serrated')
  })

  it('is there for every kind of step', () => {
    for (const kind of STEP_KINDS)
      for (const work of STEP_WORKS) expect(lessonFor(step({ kind, work }), CHEF), `${kind} ${work}`).not.toBeNull()
  })
})

describe('what to practise next', () => {
  const NOW = Date.parse('2026-11-24T12:00:00Z')
  const drill = (more: Partial<PastDrill>): PastDrill => ({
    kind: 'hold',
    hand: 'right',
    atMs: NOW - DAY_MS,
    steady: true,
    progress: 1,
    ...more,
  })
  const both = [drill({}), drill({ hand: 'left', progress: 1.2 })]

  it('is the first lesson, then the angle, then the other hand', () => {
    expect(nextPractice([], [], NOW)).toMatchObject({ lesson: 'safety', why: 'lesson' })
    expect(nextPractice(['safety', 'rod'], [], NOW)).toMatchObject({ kind: 'hold', hand: 'right', why: 'never' })
    expect(nextPractice(['safety', 'rod'], [drill({})], NOW)).toMatchObject({ hand: 'left', why: 'weak-side' })
  })

  it('is the weak side while it is weak, then what was off, then the next lesson', () => {
    const weak = [drill({}), drill({ hand: 'left', progress: 3, steady: false })]
    expect(nextPractice([], weak, NOW)).toMatchObject({ kind: 'hold', hand: 'left', why: 'weak-side' })
    const off = [...both, drill({ kind: 'press', steady: false, atMs: NOW })]
    expect(nextPractice([], off, NOW)).toMatchObject({ kind: 'press', why: 'fault' })
    expect(nextPractice([], both, NOW)).toMatchObject({ lesson: 'safety', why: 'lesson' })
  })

  it('is what has rested longest once all is learned', () => {
    const old = [...both, drill({ kind: 'burr', hand: null, atMs: NOW - 40 * DAY_MS })]
    expect(nextPractice(LESSON_IDS, old, NOW)).toMatchObject({ kind: 'burr', why: 'rested' })
    expect(nextPractice(LESSON_IDS, both, NOW)).toMatchObject({ kind: 'hold', why: 'keep' })
  })
})

describe('a verdict', () => {
  it('is one thing to work on, figures, and one that shows progress', () => {
    expect(drillVerdict({ kind: 'dry', perMinute: 40, silentStrokes: 8, tappedMs: 12_000 })).toMatchObject({
      advice: 'steady',
      progress: 0,
    })
    expect(
      drillVerdict({
        kind: 'burr',
        edges: [
          { felt: [], seen: ['tip'] },
          { felt: [], seen: [] },
        ],
      }),
    ).toMatchObject({
      advice: 'misses',
      figures: { missed: 1 },
    })
  })
})
