// @vitest-environment happy-dom
import { flushPromises } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, type EffectScope } from 'vue'
import type { BenchAction, BenchPlan, BenchSession } from '../../contract/bench'
import { planWorkshop } from '../../core/workshop/plan'
import { workshopSession } from '../../core/workshop/session'
import { useSession } from '../stores/session'
import { useBenchSession, type RunningSession } from './useBenchSession'

const SESSION = '73e764e8-09b4-54e7-98ee-4887e493436b'
const CHEF = {
  heelHeightMm: 45,
  spineMm: 2.2,
  bteMm: 0.42,
  dpsLeft: 17,
  dpsRight: 17,
  grind: 'flat',
  ratioRight: 50,
} as const
const plan = workshopSession(
  planWorkshop({
    blade: CHEF,
    type: 'chef',
    operation: { kind: 'thin', targetBteMm: 0.36 },
    lengthMm: 240,
    hrc: 57,
    stones: [
      { id: 'a', micron: 63 },
      { id: 'b', micron: 11.5 },
    ],
    finishMicron: 11.5,
  }),
  11.5,
)
const begun = (actions: BenchSession['actions'] = []): BenchSession => ({
  id: SESSION,
  knifeId: SESSION,
  startedAt: '2026-11-24T14:42:00.000Z',
  startedBy: 'oda',
  endedAt: null,
  outcome: null,
  plan: {
    ...plan,
    stages: plan.stages.map(({ stone, ...stage }) => ({
      ...stage,
      stoneId: stone.id,
      stoneName: stone.id,
      micron: stone.micron,
    })),
    workshop: null,
  } as unknown as BenchPlan,
  actions,
})

let sent: BenchAction[][] = []
let respond: (actions: BenchAction[]) => Response | Promise<never>
let scope: EffectScope
const heard = (actions: BenchAction[]): Response =>
  new Response(JSON.stringify(begun(actions.map((action) => ({ action, personId: 'oda' })))), { status: 200 })
beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
  sent = []
  respond = heard
  scope = effectScope()
  vi.stubGlobal('fetch', (_url: string, init: RequestInit) => {
    const { actions } = JSON.parse(String(init.body)) as { actions: BenchAction[] }
    sent.push(actions)
    return Promise.resolve(respond(actions))
  })
  useSession().enter({
    person: { id: 'oda', name: 'Oda', role: 'sharpener' },
    house: { id: 'h', name: 'h', zone: 'UTC', units: 'mm', serviceLimits: {}, isDemo: false },
    rights: [],
    deviceName: null,
    now: '2026-11-24T14:42:00Z',
  } as never)
})
afterEach(() => {
  scope.stop()
  vi.unstubAllGlobals()
})
const running = (session = begun()): RunningSession => scope.run(() => useBenchSession(session)) as RunningSession
const toTheStone = (session: RunningSession): void => {
  while (session.step.value?.kind !== 'side') session.go(1)
}

describe('a session on this device', () => {
  it('counts at once, before the server has heard of it', () => {
    const session = running()
    toTheStone(session)
    const stepId = session.step.value?.id ?? ''
    for (let stroke = 0; stroke < 5; stroke++) session.act({ kind: 'strokes', stepId, zone: 'heel', count: 1 })
    session.act({ kind: 'burr', stepId, zone: 'heel', felt: true })
    expect(session.here.value.strokes.heel).toBe(5)
    expect(session.here.value.burr.heel).toBe(true)
    expect(sent).toEqual([])
  })

  it('sends what waits in one go, and sends nothing twice', async () => {
    const session = running()
    session.go(1)
    session.go(1)
    await session.flush()
    await session.flush()
    expect(sent.map((actions) => actions.length)).toEqual([2])
    expect(session.at.value).toBe(2)
    expect(session.waiting.value).toBe(0)
  })

  it('goes on counting with the network gone, and sends the very same touches when it is back', async () => {
    respond = () => Promise.reject(new TypeError('offline'))
    const session = running()
    session.go(1)
    await session.flush()
    session.go(1)
    expect(session.waiting.value).toBe(2)
    expect(session.refusal.value).toBe('')
    expect(session.at.value).toBe(2)
    respond = heard
    await session.flush()
    expect(session.waiting.value).toBe(0)
    expect(sent.at(-1)?.map(({ id }) => id)[0]).toBe(sent[0]?.[0]?.id)
    expect(session.at.value).toBe(2)
  })

  it('is where it was after the tablet died: what had not been sent is still here', async () => {
    respond = () => Promise.reject(new TypeError('offline'))
    const first = running()
    first.go(1)
    await first.flush()
    await flushPromises()
    scope.stop()
    scope = effectScope()
    respond = heard
    const again = running()
    expect(again.at.value).toBe(1)
    await again.flush()
    expect(sent.at(-1)?.map(({ kind }) => kind)).toEqual(['go'])
  })

  it('says the server’s own sentence when somebody has ended it meanwhile', async () => {
    respond = () =>
      new Response(JSON.stringify({ error: { code: 'conflict', sentence: 'This session is over.', issues: [] } }), {
        status: 409,
      })
    const session = running()
    session.go(1)
    await session.flush()
    expect(session.refusal.value).toBe('This session is over.')
  })

  it('does not go past either end', () => {
    const session = running()
    session.go(-1)
    expect(session.at.value).toBe(0)
    for (let turn = 0; turn < plan.steps.length + 3; turn++) session.go(1)
    expect(session.at.value).toBe(plan.steps.length - 1)
    expect(session.step.value?.kind).toBe('stow')
  })
})
