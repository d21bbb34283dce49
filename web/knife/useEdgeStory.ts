import { computed, type ComputedRef, type Ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { EdgeStory, KnifeView } from '../../contract/knives'
import { useResource } from '../live/resource'

/** The story of one knife's edge: asked for when the knife changes, and again when the house does. */
export function useEdgeStory(knife: Ref<KnifeView | undefined>): {
  readonly story: ComputedRef<EdgeStory | null>
  readonly failed: ComputedRef<boolean>
} {
  const { value, refusal } = useResource(endpoints.edgeStory, () =>
    knife.value ? { params: { id: knife.value.id } } : null,
  )
  return { story: computed(() => value.value ?? null), failed: computed(() => refusal.value !== '') }
}
