<script setup lang="ts">
import { useDebounceFn } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { PlanTotals } from '../../core/plan/objective'
import type { PlanWeights } from '../../core/plan/problem'
import { say, useFormats } from '../i18n'
import SliderField from '../ui/SliderField.vue'

const props = defineProps<{ weights: PlanWeights; totals: PlanTotals }>()
const emit = defineEmits<{ weigh: [weights: PlanWeights] }>()
const formats = useFormats()
const KINDS = ['dull', 'labour', 'steel', 'hands', 'fair'] as const
const amounts = computed(() => ({
  dull: Math.round(props.totals.dullHours * 10) / 10,
  labour: Math.round(props.totals.minutes),
  steel: Math.round(props.totals.wastedUm),
  hands: props.totals.otherHands,
  fair: Math.round(props.totals.unfairMinutes),
}))
/** As the sliders stand; the search begins when they rest. */
const wanted = ref(props.weights)
watch(
  () => props.weights,
  (now) => {
    wanted.value = now
  },
)
const weigh = useDebounceFn(() => {
  emit('weigh', wanted.value)
}, 300)
function set(kind: keyof PlanWeights, weight: number): void {
  wanted.value = { ...wanted.value, [kind]: weight }
  void weigh()
}
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('week.weights') }}</h2>
    <SliderField
      v-for="kind in KINDS"
      :key="kind"
      :model-value="wanted[kind]"
      :label="$t(`week.weight.${kind}`)"
      :written="say(`week.weighs.${kind}`, { n: formats.amount(amounts[kind]) })"
      :min="0"
      :max="3"
      :step="0.5"
      @update:model-value="set(kind, $event)"
    />
  </section>
</template>
