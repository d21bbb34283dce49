import { computed, type ComputedRef } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { MOVE_IN_STEPS, type MoveInStep } from '../../core/house/movingIn'
import { call } from '../api'
import { useSession } from '../stores/session'

/** How far a house has moved in. It is kept by the house: one may leave at any time and go on at another device. */
export function useMovingIn(): {
  settled: ComputedRef<readonly MoveInStep[]>
  /** parts nobody has said are right, in their order */
  left: ComputedRef<readonly MoveInStep[]>
  /** @returns what takes it back */
  settle: (...steps: readonly MoveInStep[]) => Promise<() => Promise<void>>
} {
  const session = useSession()
  const settled = computed(() => session.house?.settled ?? MOVE_IN_STEPS)
  async function say(steps: readonly MoveInStep[]): Promise<void> {
    await call(endpoints.editHouse, { body: { settled: [...steps] } })
    await session.resume()
  }
  return {
    settled,
    left: computed(() => MOVE_IN_STEPS.filter((step) => !settled.value.includes(step))),
    settle: async (...steps) => {
      const before = settled.value
      await say(MOVE_IN_STEPS.filter((step) => before.includes(step) || steps.includes(step)))
      return () => say(before)
    },
  }
}
