// @vitest-environment happy-dom
import { enableAutoUnmount, mount } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { computed, defineComponent, nextTick, ref, shallowRef, type Ref } from 'vue'
import { EVEN_WEIGHTS, type Placement, type PlanJob, type PlanProblem } from '../../core/plan/problem'
import { HOUR_MS } from '../../core/time'
import { useHandMoves } from './useHandMoves'
import type { WeekPlan } from './useWeekPlan'

const window_ = (id: string, day: number): PlanProblem['windows'][number] => ({
  id,
  name: 'afternoon',
  startMs: day * 24 * HOUR_MS,
  endMs: day * 24 * HOUR_MS + HOUR_MS,
  soakFromMs: day * 24 * HOUR_MS,
  overlapsService: false,
})
const there = (...days: readonly number[]): PlanProblem['people'][number]['present'] =>
  Object.fromEntries(days.map((day) => [`w${day}`, { fromMs: day * 24 * HOUR_MS, toMs: day * 24 * HOUR_MS + HOUR_MS }]))
const route = (benchId: string): PlanJob['routes'][number] => ({
  benchId,
  openingMinutes: 4,
  stages: [{ stoneId: benchId === 'back' ? 's' : 't', minutes: 10 }],
  closingMinutes: 6,
})
const job = (id: string, more: Partial<PlanJob> = {}): PlanJob => ({
  id,
  knifeId: id,
  kind: 'stone',
  skill: 'full',
  routes: [route('back'), route('front')],
  dullHours: [0, 1, 3],
  dullHoursLeft: 9,
  chanceAt: [0, 0, 0],
  wastedUm: [0, 0, 0],
  dueShare: 1,
  wanted: true,
  dullBy: null,
  daysSinceStone: null,
  lastHands: null,
  onlyHands: null,
  group: id,
  mayBeAway: 9,
  next: null,
  follows: null,
  ...more,
})
const stone = (id: string): PlanProblem['stones'][number] => ({
  id,
  name: id,
  micron: 11.5,
  soakMinutes: 0,
  flattenMinutes: 0,
  knivesBetween: 9,
})
const PROBLEM: PlanProblem = {
  windows: [window_('w0', 0), window_('w1', 1), window_('w2', 2)],
  benches: [
    { id: 'back', name: 'back' },
    { id: 'front', name: 'front' },
  ],
  stones: [stone('s'), stone('t')],
  people: [
    { id: 'oda', skills: ['full'], pace: 1, present: there(0, 1) },
    { id: 'finn', skills: ['full'], pace: 1, present: there(0, 1, 2) },
    { id: 'kit', skills: ['hone'], pace: 1, present: there(0, 1, 2) },
  ],
  jobs: [job('k1', { lastHands: 'finn' }), job('k2')],
  weights: EVEN_WEIGHTS,
  sitting: { beforeMinutes: 0, afterMinutes: 0 },
  locks: [],
}

enableAutoUnmount(afterEach)
/** A week that only remembers what it is told. */
function table(
  placed: readonly Placement[],
  { mayPlan = true, locked = [] as readonly string[] } = {},
): {
  readonly placements: Ref<readonly Placement[]>
  readonly chosen: Ref<string | null>
  readonly moves: ReturnType<typeof useHandMoves>
  readonly week: WeekPlan
} {
  const placements = shallowRef<readonly Placement[]>(placed)
  const chosen = ref<string | null>(null)
  const week = {
    problem: computed(() => PROBLEM),
    placements,
    isLocked: (id: string) => locked.includes(id),
    toggleLock: vi.fn(),
    unplace: vi.fn(),
    place: (one: Placement) => {
      placements.value = [...placements.value.filter(({ jobId }) => jobId !== one.jobId), one]
      return true
    },
  } as unknown as WeekPlan
  let moves: ReturnType<typeof useHandMoves> | null = null
  mount(
    defineComponent({
      setup: () => {
        moves = useHandMoves(
          week,
          chosen,
          computed(() => mayPlan),
        )
        return () => null
      },
    }),
  )
  if (!moves) throw new Error('no moves')
  return { placements, chosen, moves, week }
}
const at = (jobId: string, windowId: string, benchId: string, personId: string): Placement => ({
  jobId,
  windowId,
  benchId,
  personId,
})
/** Listeners are hung up after the screen is mounted. */
const press = async (key: string): Promise<void> => {
  await nextTick()
  window.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))
}

describe('a session put somewhere by hand', () => {
  it('keeps the hands it has where they are in the house', () => {
    const { placements, moves } = table([at('k1', 'w0', 'back', 'oda')])
    moves.put('k1', 'w1', 'front')
    expect(placements.value).toEqual([at('k1', 'w1', 'front', 'oda')])
  })

  it('finds other hands where its own are away, those who had the knife last first', () => {
    const { placements, moves } = table([at('k1', 'w0', 'back', 'oda')])
    moves.put('k1', 'w2', 'back')
    expect(placements.value[0]?.personId).toBe('finn')
    const fresh = table([])
    fresh.moves.put('k1', 'w0', 'back')
    expect(fresh.placements.value[0]?.personId).toBe('finn')
  })

  it('goes to somebody at the bench it has, or else where it fits', () => {
    const { placements, moves } = table([at('k1', 'w0', 'front', 'oda')])
    moves.hand('k1', 'w0', 'finn')
    expect(placements.value).toEqual([at('k1', 'w0', 'front', 'finn')])
  })

  it('is offered from the shelf where it costs least', () => {
    const { placements, moves } = table([])
    moves.offer('k1')
    expect(placements.value[0]).toMatchObject({ windowId: 'w0', personId: 'finn' })
  })

  it('stays where it is when it is locked, or for those who may not plan', () => {
    const where = at('k1', 'w0', 'back', 'oda')
    const locked = table([where], { locked: ['k1'] })
    locked.moves.put('k1', 'w1', 'front')
    expect(locked.placements.value).toEqual([where])
    const cook = table([where], { mayPlan: false })
    cook.moves.put('k1', 'w1', 'front')
    cook.moves.hand('k1', 'w0', 'finn')
    expect(cook.placements.value).toEqual([where])
  })
})

describe('the same with keys', () => {
  it('arrows step through windows and benches, and stop at the last window', async () => {
    const { placements, chosen } = table([at('k1', 'w0', 'back', 'finn')])
    chosen.value = 'k1'
    await press('ArrowRight')
    expect(placements.value[0]).toMatchObject({ windowId: 'w1', benchId: 'back' })
    await press('ArrowDown')
    expect(placements.value[0]).toMatchObject({ windowId: 'w1', benchId: 'front' })
    await press('ArrowRight')
    await press('ArrowRight')
    expect(placements.value[0]).toMatchObject({ windowId: 'w2' })
    await press('ArrowLeft')
    expect(placements.value[0]).toMatchObject({ windowId: 'w1' })
  })

  it('P gives it to the next hands that can, round and round, and never to those who cannot', async () => {
    const { placements, chosen } = table([at('k1', 'w0', 'back', 'finn')])
    chosen.value = 'k1'
    await press('p')
    expect(placements.value[0]?.personId).toBe('oda')
    await press('p')
    expect(placements.value[0]?.personId).toBe('finn')
  })

  it('L locks, Delete takes off, Escape lets go, and nothing happens with nothing chosen', async () => {
    const { chosen, week } = table([at('k1', 'w0', 'back', 'finn')])
    await press('l')
    expect(week.toggleLock).not.toHaveBeenCalled()
    chosen.value = 'k1'
    await press('l')
    await press('Delete')
    expect(week.toggleLock).toHaveBeenCalledWith('k1')
    expect(week.unplace).toHaveBeenCalledWith('k1')
    await press('Escape')
    expect(chosen.value).toBeNull()
  })
})
