<script setup lang="ts">
import { useDroppable } from '@dnd-kit/vue'
import { useTemplateRef } from 'vue'
import { initialsOf } from './initials'
import { useRefusal } from './useRefusal'

/** Somebody who is there in a window: a session put down on them is theirs. */
const props = defineProps<{
  windowId: string
  person: { readonly id: string; readonly name: string }
  mayPlan: boolean
  /** whether a lifted job could be theirs here */
  takes: (jobId: string) => boolean
}>()
const mark = useTemplateRef<HTMLElement>('mark')
const { isDropTarget } = useDroppable({
  id: () => `hands ${props.windowId} ${props.person.id}`,
  data: () => ({ windowId: props.windowId, personId: props.person.id }),
  disabled: () => !props.mayPlan,
  element: mark,
  // it lies beside the lanes, and is meant when the pointer is on it
  collisionPriority: 3,
})
const refuses = useRefusal(isDropTarget, (jobId) => props.takes(jobId))
</script>

<template>
  <span ref="mark" class="hands" :class="{ over: isDropTarget, refuses }" :title="person.name" :data-person="person.id">
    <span aria-hidden="true">{{ initialsOf(person.name) }}</span><span class="unseen">{{ person.name }}</span>
  </span>
</template>

<style scoped>
.hands {
  min-width: 30px;
  padding: 2px 5px;
  line-height: 1.4;
  text-align: center;
  border-bottom: 1.5px solid var(--steel-line);
}
.hands.over {
  background: var(--steel);
  outline: 2.5px solid var(--keen);
}
.hands.refuses {
  outline: 2.5px dashed var(--out);
}
</style>
