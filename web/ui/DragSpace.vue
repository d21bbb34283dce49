<script setup lang="ts">
import { Accessibility, AutoScroller, Cursor, Feedback, PointerSensor, PreventSelection } from '@dnd-kit/dom'
import { DragDropProvider } from '@dnd-kit/vue'
import { styleNonce } from './styleNonce'

/**
 * A space in which things are lifted and put down with mouse, finger or pen. A finger lifts after a short rest, so
 * that the page still scrolls. Each use keeps a way by keyboard beside it, with words of its own; what happens here is
 * spoken through `told`.
 */
const props = defineProps<{
  /** what a screen reader hears first on a thing that can be lifted */
  howTo: string
  /** what is said as `source` is lifted, as it comes over `target`, and as it is put down there or nowhere */
  told: (step: 'lifted' | 'over' | 'dropped' | 'back', source: unknown, target: unknown) => string
}>()
const emit = defineEmits<{ lift: [source: unknown]; drop: [source: unknown, target: unknown] }>()

type Operation = { operation: { source: { data: unknown } | null; target: { data: unknown } | null } }
type Ended = Operation & { canceled: boolean }
const sourceOf = ({ operation }: Operation): unknown => operation.source?.data
const targetOf = ({ operation }: Operation): unknown => operation.target?.data

// a press on the words or the blade inside a thing lifts it as well as one on its rim
const sensors = [PointerSensor.configure({ preventActivation: () => false })]
const plugins = [
  Accessibility.configure({
    screenReaderInstructions: { draggable: props.howTo },
    announcements: {
      dragstart: (event: Operation) => props.told('lifted', sourceOf(event), null),
      dragover: (event: Operation) => props.told('over', sourceOf(event), targetOf(event)),
      dragend: (event: Ended) =>
        event.canceled || !event.operation.target
          ? props.told('back', sourceOf(event), null)
          : props.told('dropped', sourceOf(event), targetOf(event)),
    },
  }),
  AutoScroller,
  Cursor.configure({ nonce: styleNonce }),
  Feedback.configure({ nonce: styleNonce, dropAnimation: null }),
  PreventSelection.configure({ nonce: styleNonce }),
]
function end(event: Ended): void {
  if (!event.canceled && event.operation.target) emit('drop', sourceOf(event), targetOf(event))
}
</script>

<template>
  <DragDropProvider :sensors="sensors" :plugins="plugins" @drag-start="emit('lift', sourceOf($event))" @drag-end="end">
    <slot />
  </DragDropProvider>
</template>
