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
  besideId: null,
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
/** whose work each request said it carried */
let people: (string | null)[] = []
let all: { action: BenchAction; personId: string }[] = []
let respond: (actions: BenchAction[]) => Response | Promise<never>
let scope: EffectScope
const heard = (actions: BenchAction[]): Response => {
  const known = new Set(all.map(({ action }) => action.id))
  all = [...all, ...actions.filter(({ id }) => !known.has(id)).map((action) => ({ action, personId: 'oda' }))]
  return new Response(JSON.stringify(begun(all)), { status: 200 })
}
const refusing = (code: string, sentence: string, status: number): Response =>
  new Response(JSON.stringify({ error: { code, sentence, issues: [] } }), { status })
const signIn = (id: string): void => {
  useSession().enter({
    person: { id, name: id, role: 'sharpener' },
    house: { id: 'h', name: 'h', zone: 'UTC', units: 'mm', serviceLimits: {}, isDemo: false },
    rights: [],
    deviceName: null,
    now: '2026-11-24T14:42:00Z',
  } as never)
}
/** The page loaded again on the same device. */
const newPage = (): void => {
  setActivePinia(createPinia())
  scope = effectScope()
}
const kept = (): string[] => Object.keys(localStorage).filter((key) => key.startsWith('yorvik.outbox.'))
const settle = async (): Promise<void> => {
  await vi.advanceTimersByTimeAsync(20)
  await flushPromises()
}
beforeEach(() => {
  vi.useFakeTimers({ now: new Date('2026-11-24T14:42:00Z') })
  localStorage.clear()
  newPage()
  sent = []
  people = []
  all = []
  respond = heard
  vi.stubGlobal('fetch', (_url: string, init: RequestInit) => {
    const { actions } = JSON.parse(String(init.body)) as { actions: BenchAction[] }
    sent.push(actions)
    people.push(new Headers(init.headers).get('yorvik-person'))
    return Promise.resolve(respond(actions))
  })
  signIn('oda')
})
afterEach(() => {
  scope.stop()
  vi.useRealTimers()
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
    expect(session.session.value.actions).toEqual([])
  })

  it('sends the first touch at once and what came meanwhile in one go, and nothing twice', async () => {
    const session = running()
    for (let turn = 0; turn < 4; turn++) session.go(1)
    await settle()
    const ids = sent.flat().map(({ id }) => id)
    expect(new Set(ids).size).toBe(ids.length)
    expect(ids).toHaveLength(4)
    expect(sent.length).toBeLessThan(4)
    expect(session.at.value).toBe(4)
    expect(session.waiting.value).toBe(0)
    expect(kept()).toEqual([])
  })

  it('goes on counting with the network gone, and sends the very same touches when it is back', async () => {
    respond = () => Promise.reject(new TypeError('offline'))
    const session = running()
    session.go(1)
    await settle()
    session.go(1)
    await settle()
    expect(session.waiting.value).toBe(2)
    expect(session.refusal.value).toBe('')
    expect(session.at.value).toBe(2)
    respond = heard
    await vi.advanceTimersByTimeAsync(6000)
    expect(session.waiting.value).toBe(0)
    expect(sent.at(-1)?.[0]?.id).toBe(sent[0]?.[0]?.id)
    expect(session.at.value).toBe(2)
  })

  it('is where it was after the tablet died: what had not been sent is still here', async () => {
    respond = () => Promise.reject(new TypeError('offline'))
    running().go(1)
    await settle()
    scope.stop()
    newPage()
    respond = heard
    signIn('oda')
    const again = running()
    expect(again.at.value).toBe(1)
    await settle()
    expect(sent.at(-1)?.map(({ kind }) => kind)).toEqual(['go'])
    expect(kept()).toEqual([])
  })

  it('loses one refused touch and no other', async () => {
    const isRefused = (action: BenchAction): boolean => action.kind === 'burr' && action.zone === 'tip'
    respond = (actions) => (actions.some(isRefused) ? refusing('invalid', 'No such spot.', 422) : heard(actions))
    const session = running()
    toTheStone(session)
    await settle()
    const stepId = session.step.value?.id ?? ''
    session.act({ kind: 'strokes', stepId, zone: 'heel', count: 1 })
    session.act({ kind: 'burr', stepId, zone: 'tip', felt: true })
    session.act({ kind: 'burr', stepId, zone: 'heel', felt: true })
    await settle()
    expect(session.refusal.value).toBe('No such spot.')
    expect(session.here.value.strokes.heel).toBe(1)
    expect(session.here.value.burr).toEqual({ heel: true, belly: false, tip: false })
    expect(kept()).toEqual([])
  })

  it('keeps touches with who made them: whoever signs in next neither sends nor loses them', async () => {
    respond = () => Promise.reject(new TypeError('offline'))
    running().go(1)
    await settle()
    respond = heard
    signIn('ilse')
    const before = sent.length
    await vi.advanceTimersByTimeAsync(20_000)
    expect(sent).toHaveLength(before)
    expect(kept()).toHaveLength(1)
    signIn('oda')
    await settle()
    expect(sent).toHaveLength(before + 1)
    expect(people.at(-1)).toBe('oda')
    expect(kept()).toEqual([])
  })

  it('says the server’s own sentence when somebody has ended it meanwhile', async () => {
    respond = () => refusing('conflict', 'This session is over.', 409)
    const session = running()
    session.go(1)
    await settle()
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

  it('clears what earlier releases left of sessions on the device', () => {
    localStorage.setItem(`yorvik.bench.${SESSION}`, '{"session":{},"waiting":[]}')
    newPage()
    signIn('oda')
    running()
    expect(localStorage.getItem(`yorvik.bench.${SESSION}`)).toBeNull()
  })
})
