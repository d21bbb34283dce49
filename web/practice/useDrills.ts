import { v7 as newId } from 'uuid'
import { ref, shallowRef, type ComputedRef, type Ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { Drill, NewDrill, Practice } from '../../contract/practice'
import { call } from '../api'
import { useResource } from '../live/resource'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'

/** What a drill was, before it has an id and a time. */
export type DrillDraft = {
  [K in NewDrill['kind']]: Omit<Extract<NewDrill, { kind: K }>, 'id' | 'at'>
}[NewDrill['kind']]

/** One's own practice: what was done, and a way to keep more of it. */
export function useDrills(): {
  readonly practice: ComputedRef<Practice | undefined>
  /** the drill that was just kept */
  readonly latest: Ref<Drill | null>
  readonly busy: Ref<boolean>
  readonly keep: (draft: DrillDraft) => Promise<void>
  readonly takeBack: (id: string) => Promise<void>
} {
  const session = useSession()
  const notices = useNotices()
  const latest = shallowRef<Drill | null>(null)
  const busy = ref(false)
  const { value: practice, reload } = useResource(endpoints.practice, { params: { id: session.person?.id ?? '' } })
  async function tried(work: () => Promise<unknown>): Promise<void> {
    busy.value = true
    try {
      await work()
      await reload()
    } catch (error) {
      notices.refused(refusalText(error))
    } finally {
      busy.value = false
    }
  }
  return {
    practice,
    latest,
    busy,
    keep: (draft) =>
      tried(async () => {
        const body: NewDrill = { ...draft, id: newId(), at: session.now().toISOString() }
        latest.value = await call(endpoints.recordDrill, { body })
      }),
    takeBack: (id) => tried(() => call(endpoints.deleteDrill, { params: { id } })),
  }
}
