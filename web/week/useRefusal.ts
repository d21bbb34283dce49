import { useDragOperation } from '@dnd-kit/vue'
import { computed, type ComputedRef, type Ref } from 'vue'

/** Whether a place refuses the session that is held over it. */
export function useRefusal(isDropTarget: Ref<boolean>, takes: (jobId: string) => boolean): ComputedRef<boolean> {
  const operation = useDragOperation()
  return computed(() => {
    const jobId = operation.source?.data['jobId'] as string | undefined
    return isDropTarget.value && jobId !== undefined && !takes(jobId)
  })
}
