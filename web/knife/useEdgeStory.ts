import { ref, shallowRef, watch, type Ref, type ShallowRef } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { EdgeStory, KnifeView } from '../../contract/knives'
import { call } from '../api'

/** The story of one knife's edge, fetched when the knife changes. */
export function useEdgeStory(knife: Ref<KnifeView | undefined>): {
  story: ShallowRef<EdgeStory | null>
  failed: Ref<boolean>
  load: () => Promise<void>
} {
  const story = shallowRef<EdgeStory | null>(null)
  const failed = ref(false)
  async function load(): Promise<void> {
    const id = knife.value?.id
    if (!id) return
    try {
      const fresh = await call(endpoints.edgeStory, { params: { id } })
      // somebody may have turned to another knife meanwhile
      if (knife.value?.id === id) story.value = fresh
      failed.value = false
    } catch {
      failed.value = true
    }
  }
  // what a record changes, not what the passing minute does
  watch(
    () =>
      [
        knife.value?.id,
        knife.value?.checkedAt,
        knife.value?.honedAt,
        knife.value?.sharpenedAt,
        knife.value?.readingCount,
        knife.value?.stationId,
      ].join(),
    (_is, was) => {
      if (knife.value && was !== undefined && !was.startsWith(knife.value.id)) story.value = null
      void load()
    },
    { immediate: true },
  )
  return { story, failed, load }
}
