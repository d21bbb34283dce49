<script setup lang="ts">
import { useSwipe } from '@vueuse/core'
import { computed, useTemplateRef } from 'vue'
import AppButton from './AppButton.vue'

/** On a phone people come one at a time: a swipe, or a key under the thumb, turns to the next. Wide screens show all. */
const props = defineProps<{ people: readonly { readonly id: string; readonly name: string }[] }>()
const model = defineModel<string>({ required: true })
const SWIPE_PX = 60

const at = computed(() =>
  Math.max(
    0,
    props.people.findIndex(({ id }) => id === model.value),
  ),
)
const before = computed(() => props.people[at.value - 1])
const after = computed(() => props.people[at.value + 1])
const space = useTemplateRef<HTMLElement>('space')
useSwipe(space, {
  threshold: SWIPE_PX,
  onSwipeEnd: (_event, direction) => {
    const to = direction === 'left' ? after.value : direction === 'right' ? before.value : undefined
    if (to) model.value = to.id
  },
})
</script>

<template>
  <div ref="space" class="turner">
    <slot />
    <div v-if="people.length > 1" class="bar no-print" role="group" :aria-label="$t('turn.label')">
      <AppButton
        icon="chevron-left"
        :disabled="!before"
        :aria-label="$t('turn.before', { name: before?.name ?? '' })"
        @click="before && (model = before.id)"
      />
      <span role="status">{{ $t('turn.at', { name: people[at]?.name ?? '', at: at + 1, of: people.length }) }}</span>
      <AppButton
        icon="chevron-right"
        :disabled="!after"
        :aria-label="$t('turn.after', { name: after?.name ?? '' })"
        @click="after && (model = after.id)"
      />
    </div>
  </div>
</template>

<style scoped>
.bar {
  display: none;
}
@media screen and (max-width: 700px) {
  .turner {
    touch-action: pan-y;
  }
  .bar {
    position: sticky;
    bottom: var(--bar);
    z-index: 4;
    display: flex;
    align-items: center;
    justify-content: space-between;
    gap: 10px;
    padding: 6px 0;
    background: var(--ground);
    border-top: 1px solid var(--rule);
    text-align: center;
  }
  .bar .button {
    min-width: 64px;
    min-height: 56px;
  }
}
</style>
