<script setup lang="ts">
import { computed, ref } from 'vue'
import { compare } from '../../core/plan/baselines'
import type { Placement, PlanProblem } from '../../core/plan/problem'
import { comparisonWords } from '../../words/week'
import { say, useFormats } from '../i18n'
import MeasureField from '../ui/MeasureField.vue'

const props = defineProps<{ problem: PlanProblem; placements: readonly Placement[] }>()
const formats = useFormats()
const weeks = ref(2)
const comparison = computed(() => compare(props.problem, props.placements, weeks.value))
const sentence = computed(() => comparisonWords(comparison.value, weeks.value, say, formats.value))
const CUSTOMS = ['plan', 'everyWeeks', 'worstFirst', 'none'] as const
const MEASURES = ['dullHours', 'minutes', 'wastedUm'] as const
const most = (measure: (typeof MEASURES)[number]): number =>
  Math.max(1e-9, ...CUSTOMS.map((custom) => comparison.value[custom][measure]))
const written = (value: number, measure: string): string =>
  formats.value.amount(measure === 'dullHours' ? value : Math.round(value))
</script>

<template>
  <section class="heavy-rule stacked">
    <h2>{{ $t('week.compare') }}</h2>
    <p>{{ sentence }}</p>
    <MeasureField
      :model-value="weeks"
      :label="$t('week.weeks')"
      :unit="$t('week.weeksUnit')"
      class="weeks"
      @update:model-value="(n) => n !== null && n >= 1 && (weeks = Math.min(12, Math.round(n)))"
    />
    <table>
      <thead>
        <tr>
          <th />
          <th v-for="measure in MEASURES" :key="measure" class="small soft">{{ $t(`week.measure.${measure}`) }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="custom in CUSTOMS" :key="custom" :class="custom">
          <th class="small">{{ $t(`week.custom.${custom}`, { weeks }) }}</th>
          <td v-for="measure in MEASURES" :key="measure">
            <span class="bar" :style="{ width: `${(46 * comparison[custom][measure]) / most(measure)}%` }" /><span
              class="small num"
              >{{ written(comparison[custom][measure], measure) }}</span
            >
          </td>
        </tr>
      </tbody>
    </table>
  </section>
</template>

<style scoped>
table {
  width: 100%;
  border-collapse: collapse;
  table-layout: fixed;
}
th {
  text-align: left;
  font-weight: 400;
}
.plan th {
  font-weight: 700;
}
thead th:first-child {
  width: 27%;
}
td {
  overflow: hidden;
  white-space: nowrap;
  padding: 3px 0;
}
.bar {
  display: inline-block;
  height: 14px;
  min-width: 1px;
  margin-right: 5px;
  vertical-align: -2px;
  border: 1.5px dashed var(--steel-line);
}
.plan .bar {
  background: var(--service);
  border: 0;
}
.weeks {
  max-width: 150px;
}
</style>
