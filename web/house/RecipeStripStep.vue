<script setup lang="ts">
import { useDraggable, useDroppable } from '@dnd-kit/vue'
import { useTemplateRef } from 'vue'
import type { Recipe } from '../../contract/bench'
import { say } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import { stepTitle } from './stepTitle'

/** One step of the strip: pressed to see and change it, dragged or moved with Alt and the arrows. */
const props = defineProps<{ step: Recipe['steps'][number]; at: number; chosen: boolean }>()
const emit = defineEmits<{ choose: []; move: [by: number] }>()
const place = useTemplateRef<HTMLElement>('place')
const key = useTemplateRef<{ $el: HTMLElement }>('key')
const data = (): { stepId: string } => ({ stepId: props.step.id })
useDraggable({ id: () => `step ${props.step.id}`, data, element: () => key.value?.$el, feedback: 'move' })
const { isDropTarget } = useDroppable({ id: () => `place ${props.step.id}`, data, element: place })
</script>

<template>
  <li ref="place" :class="{ over: isDropTarget }">
    <AppButton
      ref="key"
      kind="bare"
      class="step"
      :class="{ chosen }"
      :aria-current="chosen ? 'step' : undefined"
      @click="emit('choose')"
      @keydown.alt.up.prevent="emit('move', -1)"
      @keydown.alt.down.prevent="emit('move', 1)"
    >
      <span class="num at">{{ at }}</span>
      <span>{{ stepTitle(step, say) }}</span>
      <span class="soft small turn">{{ step.each === 'once' ? '' : $t(`recipes.turn.${step.each}`) }}</span>
    </AppButton>
  </li>
</template>

<style scoped>
li {
  /* the place stays open while its step is carried */
  min-height: calc(var(--target) + 1px);
  border-bottom: 1px solid var(--rule);
}
li.over {
  border-top: 4px solid var(--ember);
}
.step {
  display: grid;
  grid-template-columns: 26px minmax(0, 1fr) auto;
  gap: 6px;
  align-items: center;
  width: 100%;
  min-height: var(--target);
  padding: 4px 10px 4px 6px;
  border: 0;
  border-left: 5px solid transparent;
  background: var(--ground);
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: grab;
  touch-action: manipulation;
}
.step.chosen {
  border-left-color: var(--ember);
  background: var(--paper);
  font-weight: 700;
}
.at {
  color: var(--ink-soft);
  text-align: right;
}
.turn {
  font-weight: 400;
}
</style>
