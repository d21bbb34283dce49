<script setup lang="ts">
import { computed } from 'vue'
import type { PlanTotals } from '../../core/plan/objective'
import type { PlanWeights } from '../../core/plan/problem'
import { say } from '../i18n'

const props = defineProps<{ weights: PlanWeights; totals: PlanTotals }>()
const emit = defineEmits<{ weigh: [weights: PlanWeights] }>()
const KINDS = ['dull', 'labour', 'steel', 'hands', 'fair'] as const
const amounts = computed(() => ({
  dull: Math.round(props.totals.dullHours * 10) / 10,
  labour: Math.round(props.totals.minutes),
  steel: Math.round(props.totals.wastedUm),
  hands: props.totals.otherHands,
  fair: Math.round(props.totals.unfairMinutes),
}))
function set(kind: keyof PlanWeights, event: Event): void {
  emit('weigh', { ...props.weights, [kind]: Number((event.target as HTMLInputElement).value) })
}
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('week.weights') }}</h2>
    <label v-for="kind in KINDS" :key="kind">
      <span>{{ $t(`week.weight.${kind}`) }}</span>
      <input
        type="range"
        min="0"
        max="3"
        step="0.5"
        :value="weights[kind]"
        :aria-valuetext="`${weights[kind]}`"
        @change="set(kind, $event)"
      />
      <span class="small soft num">{{ say(`week.weighs.${kind}`, { n: amounts[kind] }) }}</span>
    </label>
  </section>
</template>

<style scoped>
label {
  display: grid;
  grid-template-columns: 104px minmax(0, 1fr) 122px;
  gap: 8px;
  align-items: center;
  min-height: 34px;
}
label span:first-child {
  font-size: 0.9rem;
}
input {
  width: 100%;
  accent-color: var(--slate);
}
label .num {
  text-align: right;
}
</style>
