<script setup lang="ts">
import { useDraggable } from '@dnd-kit/vue'
import { useTemplateRef } from 'vue'
import type { KnifeView } from '../../contract/knives'
import AppButton from '../ui/AppButton.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'

/** A job without a place: it is lifted from here into a lane, or chosen and placed by its panel. */
const props = defineProps<{ jobId: string; view: KnifeView; words: string; mayPlan: boolean }>()
const emit = defineEmits<{ choose: [] }>()
const element = useTemplateRef<{ $el: HTMLElement }>('element')
useDraggable({
  id: () => `shelf ${props.jobId}`,
  data: () => ({ jobId: props.jobId }),
  element: () => (props.mayPlan ? element.value?.$el : undefined),
  feedback: 'move',
})
</script>

<template>
  <AppButton ref="element" kind="bare" class="waiting" :data-job="jobId" @click="emit('choose')">
    <span class="line"
      ><b class="num">{{ view.code }}</b> <EdgeStrip :knife="view" :px-per-mm="0.26"
    /></span>
    <span class="small">{{ words }}</span>
  </AppButton>
</template>

<style scoped>
.waiting {
  display: grid;
  gap: 2px;
  width: 100%;
  padding: 7px 0;
  border: 0;
  border-bottom: 1px solid var(--rule);
  background: none;
  color: inherit;
  font: inherit;
  text-align: left;
  line-height: 1.3;
  cursor: grab;
  touch-action: manipulation;
}
.line {
  display: flex;
  align-items: center;
  gap: 10px;
}
</style>
