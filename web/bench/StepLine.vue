<script setup lang="ts">
import { computed, nextTick, ref, watch } from 'vue'
import type { BenchPlan } from '../../contract/bench'
import { stepName } from '../../words/bench'
import { say } from '../i18n'

const props = defineProps<{ plan: BenchPlan; at: number }>()
const line = ref<HTMLElement | null>(null)
const names = computed(() =>
  props.plan.steps.map((step) => stepName(step, props.plan.stages[step.stage ?? -1]?.stoneName ?? '', say)),
)
watch(
  () => props.at,
  async () => {
    await nextTick()
    line.value?.querySelector('[aria-current]')?.scrollIntoView({ block: 'nearest', inline: 'center' })
  },
  { immediate: true, flush: 'post' },
)
</script>

<template>
  <ol ref="line" tabindex="0" :aria-label="$t('bench.title')">
    <li
      v-for="(name, index) in names"
      :key="plan.steps[index]?.id"
      :class="{ done: index < at }"
      :aria-current="index === at ? 'step' : undefined"
    >
      {{ name }}
    </li>
  </ol>
</template>

<style scoped>
ol {
  display: flex;
  overflow-x: auto;
  scrollbar-width: none;
  margin: 12px 26px 0;
  /* more to come runs out softly instead of being cut through a letter */
  mask-image: linear-gradient(to right, #000 calc(100% - 48px), transparent);
}
ol:has(li:last-child[aria-current]) {
  mask-image: none;
}
li {
  flex: 1 0 auto;
  padding: 6px 16px 4px 0;
  border-top: 4px solid var(--rule);
  color: var(--ink-soft);
  font-size: 0.875rem;
  white-space: nowrap;
}
li.done {
  border-top-color: var(--slate-high);
}
li[aria-current] {
  border-top-color: var(--ember);
  color: var(--ink);
  font-weight: 700;
}
@media (max-width: 700px) {
  ol {
    margin-inline: 14px;
  }
}
</style>
