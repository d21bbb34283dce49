import { describe, expect, it } from 'vitest'
import type { BenchPlan } from '../../../contract/bench'
import { NewEvent } from '../../../contract/events'
import type { WorkshopResult } from '../../../contract/workshop'
import { grainMicrons } from '../../../core/abrasive/grain'
import { RECIPES } from '../../../core/session/recipes'
import { planSession } from '../../../core/session/layOut'
import { sessionState, type SessionAction, type SessionState } from '../../../core/session/session'
import { MINUTE_MS } from '../../../core/time'
import type { StoredSession } from '../../db/queries/bench/sessions'
import type { Caller } from '../../signIn/sessions'
import { describeKnife } from '../fleet/knives'
import { planView } from './planView'
import { newDescription, sessionEvents } from './sessionEvents'

const ID = '73e764e8-09b4-54e7-98ee-4887e493436b'
const KNIFE = '1c1f4a80-6a4e-4a38-8f0c-2f4b5a3d9e11'
const ODA = '2d2f4a80-6a4e-4a38-8f0c-2f4b5a3d9e22'
const STARTED = new Date('2026-03-10T15:00:00Z')
const ENDED = new Date('2026-03-10T15:25:00Z')
const caller = { person: { id: ODA }, deviceId: null } as unknown as Caller
const stones = [320, 1000, 3000].map((grit) => ({
  id: `#${grit}`,
  micron: grainMicrons({ scale: 'JIS', value: grit }),
}))

function planned(recipeId: string, workshop: WorkshopResult | null = null): BenchPlan {
  const recipe = RECIPES.find(({ id }) => id === recipeId)
  if (!recipe) throw new Error(recipeId)
  const blade = { lengthMm: 240, heelHeightMm: 48, spineMm: 2.4, bteMm: 0.35, dps: 17, hrc: 57 }
  const plan = planSession({
    recipe,
    progression:
      recipe.stones === 'none'
        ? null
        : { blade, stones, ...(recipe.worksOn === 'face' ? { thinning: { byMm: 0.05 } } : { recessionMm: 0.12 }) },
    condition: 'dull',
    ratioRight: 50,
    choices: {},
  })
  return planView({ plan }, [], { workshop })
}
function told(
  plan: BenchPlan,
  acts: (plan: BenchPlan) => readonly object[],
  described: Parameters<typeof sessionEvents>[4] = null,
): ReturnType<typeof sessionEvents> {
  const actions = [...acts(plan), { kind: 'finish' }].map((act, at) => ({
    id: `a${at}`,
    atMs: STARTED.getTime() + (at + 1) * MINUTE_MS,
    personId: ODA,
    ...act,
  })) as SessionAction[]
  const state: SessionState = sessionState(
    {
      ...plan,
      notes: [],
      stages: plan.stages.map((stage) => ({
        ...stage,
        stone: { id: stage.stoneId, micron: stage.micron },
        removesMm3: 0,
      })),
    },
    STARTED.getTime(),
    ODA,
    actions,
  )
  const session: StoredSession = {
    id: ID,
    knifeId: KNIFE,
    startedBy: ODA,
    besideId: null,
    startedAt: STARTED,
    endedAt: null,
    outcome: null,
    skill: 'full',
    plan,
  }
  return sessionEvents(session, state, ENDED, caller, described)
}
const sides = (plan: BenchPlan): readonly object[] =>
  plan.steps
    .filter(({ kind }) => kind === 'side')
    .flatMap(({ id, side }) => [
      { kind: 'go', stepId: id },
      { kind: 'strokes', stepId: id, zone: 'belly', count: side === 'first' ? 12 : 10 },
    ])
const WORK: WorkshopResult = {
  operation: { kind: 'chip', depthMm: 0.4, sessions: 2 },
  lossMm: 0.2,
  bteMm: 0.37,
  dpsLeft: 17,
  dpsRight: 17,
  ratioRight: 50,
  areaMm2: 0.05,
  grams: 0.1,
  lengthLossMm: 0,
  rest: { kind: 'chip', depthMm: 0.2, sessions: 1 },
  thicknessAt: [],
} as unknown as WorkshopResult

describe('what a finished session says of the knife', () => {
  it('is a sharpening with its first stone, its minutes and the strokes each side got', () => {
    const [done] = told(planned('full'), sides)
    expect(done).toMatchObject({ kind: 'sharpened', knifeId: KNIFE, at: ENDED, personId: ODA })
    // twelve strokes on the right of each of three stones, ten on the left
    expect(done?.payload).toMatchObject({ startGrit: 320, strokes: { right: 36, left: 30 }, finishMicron: 4 })
    expect((done?.payload as { minutes: number }).minutes).toBeGreaterThan(10)
  })

  it('is a honing where nothing but a rod or a strop was used, with what it was drawn over', () => {
    expect(told(planned('steel'), () => [])[0]).toMatchObject({ kind: 'honed', payload: { tool: 'smooth-steel' } })
    expect(told(planned('strop'), () => [])[0]).toMatchObject({ kind: 'honed', payload: { tool: 'strop' } })
    expect(told(planned('rod-ladder'), () => [])[0]).toMatchObject({ kind: 'honed', payload: { tool: 'diamond-rod' } })
  })

  it('is a claim where no stroke was counted, no burr felt and no test made, and is none with any of them', () => {
    const claimed = (acts: (plan: BenchPlan) => readonly object[]): unknown =>
      (told(planned('full'), acts).find(({ kind }) => kind === 'sharpened')?.payload as { claimed?: boolean }).claimed
    const stepOf = (plan: BenchPlan): string => plan.steps.find(({ kind }) => kind === 'side')?.id ?? ''
    // ten seconds of "Next"
    expect(claimed((plan) => plan.steps.map(({ id }) => ({ kind: 'go', stepId: id })))).toBe(true)
    expect(claimed(sides)).toBeUndefined()
    expect(claimed((plan) => [{ kind: 'burr', stepId: stepOf(plan), zone: 'belly', felt: true }])).toBeUndefined()
    expect(claimed(() => [{ kind: 'force', when: 'after', zone: 'tip', forceGf: 184 }])).toBeUndefined()
  })

  it('has what was seen at the first look as a check, signs and defects too: a house needs no tester for it', () => {
    const [look, done] = told(planned('full'), () => [
      {
        kind: 'looked',
        signs: [{ zone: 'whole', rung: 'skates' }],
        glint: ['tip'],
        chip: { zone: 'heel', depthMm: 0.3 },
      },
    ])
    expect(look).toMatchObject({
      kind: 'checked',
      at: STARTED,
      payload: {
        readings: [],
        ladder: [{ zone: 'whole', rung: 'skates' }],
        defects: { glint: ['tip'], chip: { zone: 'heel', depthMm: 0.3 } },
      },
    })
    expect(done?.kind).toBe('sharpened')
  })

  it('leaves a thinned blade thinner and as tall as before; one nobody is seen to have worked, as it was', () => {
    const payload = (acts: (plan: BenchPlan) => readonly object[]): { bteMm?: number; estimateMm?: number } =>
      told(planned('thin'), acts).find(({ kind }) => kind === 'sharpened')?.payload as { bteMm?: number }
    const looked = payload((plan) =>
      plan.steps
        .filter(({ work }) => work === 'face')
        .map(({ id }) => ({ kind: 'tick', stepId: id, check: 'fits-the-face', done: true })),
    )
    expect(looked.bteMm).toBeCloseTo(0.3, 9)
    expect(looked.estimateMm).toBe(0)
    expect(payload(() => [])).not.toHaveProperty('bteMm')
  })

  it('has the test before at its beginning and the test after right behind it, by spot', () => {
    const log = told(planned('full'), () => [
      { kind: 'force', when: 'before', zone: 'tip', forceGf: 410 },
      { kind: 'force', when: 'after', zone: 'heel', forceGf: 171 },
      { kind: 'force', when: 'after', zone: 'tip', forceGf: 184 },
    ])
    expect(log.map(({ kind }) => kind)).toEqual(['checked', 'sharpened', 'checked'])
    expect(log[0]).toMatchObject({ at: STARTED, payload: { readings: [{ zone: 'tip', forcesGf: [410] }] } })
    expect(log[2]?.at.getTime()).toBeGreaterThan(ENDED.getTime())
    expect(log[2]?.payload).toMatchObject({
      readings: [
        { zone: 'heel', forcesGf: [171] },
        { zone: 'tip', forcesGf: [184] },
      ],
    })
  })

  it('has the same ids however often it is told, so that it is recorded once', () => {
    const ids = (): string[] =>
      told(planned('full'), () => [{ kind: 'force', when: 'after', zone: 'tip', forceGf: 184 }]).map(({ id }) => id)
    expect(ids()).toEqual(ids())
    expect(new Set(ids()).size).toBe(2)
  })

  it('says what workshop work took, left and leaves for later', () => {
    const [done] = told(planned('full', WORK), sides)
    expect(done?.payload).toMatchObject({ recessionMm: 0.2, bteMm: 0.37, chipLeftMm: 0.2 })
    expect(done?.payload).not.toHaveProperty('lengthLossMm')
    // more edge than before there cannot be
    expect(told(planned('full', { ...WORK, lossMm: -1e-9, rest: null }), sides)[0]?.payload).toMatchObject({
      recessionMm: 0,
    })
    expect(told(planned('full', { ...WORK, lossMm: -1e-9, rest: null }), sides)[0]?.payload).not.toHaveProperty(
      'chipLeftMm',
    )
  })

  it('is written as the log’s own schema wants it', () => {
    for (const one of told(planned('full', WORK), (plan) => [
      ...sides(plan),
      { kind: 'force', when: 'after', zone: 'tip', forceGf: 184 },
    ])) {
      expect(
        NewEvent.safeParse({
          id: one.id,
          knifeId: one.knifeId,
          kind: one.kind,
          at: one.at.toISOString(),
          payload: one.payload,
        }).error,
      ).toBeUndefined()
    }
  })
})

describe('how work changes what a knife is described as', () => {
  const knife = describeKnife(
    {
      id: KNIFE,
      code: 'CH-01',
      type: 'chef',
      lengthMm: 240,
      stationId: null,
      holderId: null,
      condition: 'new',
      dpsLeft: 17,
      dpsRight: 17,
    } as never,
    'CH-01',
  )

  it('is not at all, where angle, ratio and length are as they were', () => {
    expect(newDescription(knife, null)).toBeNull()
    expect(newDescription(knife, WORK)).toBeNull()
  })

  it('keeps what it was beside what it is', () => {
    expect(newDescription(knife, { ...WORK, dpsLeft: 15, dpsRight: 15 })).toEqual({
      before: { dpsLeft: 17, dpsRight: 17, ratioRight: 50, lengthMm: 240 },
      after: { dpsLeft: 15, dpsRight: 15, ratioRight: 50, lengthMm: 240 },
    })
    expect(newDescription(knife, { ...WORK, lengthLossMm: 3.04 })?.after.lengthMm).toBe(237)
    expect(newDescription(knife, { ...WORK, ratioRight: 59.7 })?.after.ratioRight).toBe(60)
  })
})
