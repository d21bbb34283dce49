<script setup lang="ts">
import { useDraggable } from '@dnd-kit/vue'
import { computed, useTemplateRef } from 'vue'
import type { Station } from '../../contract/house'
import type { KnifeView } from '../../contract/knives'
import { say } from '../i18n'
import EdgeStrip from '../ui/EdgeStrip.vue'
import MoreMenu, { type MoreItem } from '../ui/MoreMenu.vue'

/** A knife as it lies on its board: dragged to another, or pressed for the choice of them. */
const props = defineProps<{ knife: KnifeView; others: readonly Station[] }>()
const emit = defineEmits<{ move: [stationId: string] }>()
const menu = useTemplateRef<{ element: () => HTMLElement | undefined }>('menu')
useDraggable({
  id: () => `knife ${props.knife.id}`,
  data: () => ({ knifeId: props.knife.id }),
  element: () => menu.value?.element(),
  feedback: 'move',
})
const ways = computed((): MoreItem[] => [
  { label: say('house.openKnife'), to: { name: 'knife', params: { code: props.knife.code } } },
  ...props.others.map(({ id, name }) => ({
    label: say('house.moveTo', { name }),
    act: () => {
      emit('move', id)
    },
  })),
])
</script>

<template>
  <span class="knife" :data-knife="knife.code">
    <MoreMenu ref="menu" kind="bare" class="press" :label="knife.code" :items="ways">
      <EdgeStrip :knife="knife" :px-per-mm="0.26" />
      <b class="num small">{{ knife.code }}</b>
    </MoreMenu>
  </span>
</template>

<style scoped>
.knife {
  display: inline-block;
  touch-action: manipulation;
}
.knife :deep(.press) {
  display: grid;
  justify-items: start;
  gap: 1px;
  min-height: var(--target);
  padding: 4px 6px;
  border: 0;
  border-radius: var(--radius);
  background: none;
  color: inherit;
  font: inherit;
  cursor: grab;
}
.knife :deep(.press:hover) {
  background: rgb(255 255 255 / 0.28);
}
</style>
