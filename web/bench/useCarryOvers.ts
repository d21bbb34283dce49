import { ref, shallowRef, watch, type Ref } from 'vue'
import type { CarryOver } from '../../contract/bench'
import { endpoints } from '../../contract/endpoints'
import { call } from '../api'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'

/** What sessions have left with a knife, and ticking it off: where somebody else was first, it says who. */
export function useCarryOvers(knifeId: () => string | null): {
  readonly left: Ref<readonly CarryOver[]>
  readonly busy: Ref<boolean>
  readonly tickOff: (carryOverId: string) => Promise<void>
} {
  const notices = useNotices()
  const left = shallowRef<readonly CarryOver[]>([])
  const busy = ref(false)
  async function load(): Promise<void> {
    const id = knifeId()
    left.value = id === null ? [] : await call(endpoints.carryOvers, { params: { id } }).catch(() => [])
  }
  watch(knifeId, load, { immediate: true })
  async function tickOff(carryOverId: string): Promise<void> {
    const id = knifeId()
    if (id === null) return
    busy.value = true
    try {
      left.value = await call(endpoints.tickCarryOver, { params: { id, carryOverId } })
    } catch (error) {
      notices.refused(refusalText(error))
      await load()
    } finally {
      busy.value = false
    }
  }
  return { left, busy, tickOff }
}
