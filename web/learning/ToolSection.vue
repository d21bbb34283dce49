<script setup lang="ts">
import { computed } from 'vue'
import type { HouseLearning } from '../../contract/learning'
import { capital } from '../../words/format'
import { say } from '../i18n'
import WhiskerChart, { type Whisker } from './WhiskerChart.vue'

const props = defineProps<{ tools: HouseLearning['tools']; words: readonly string[] }>()
const percent = (share: number): number => Math.round(100 * share)
const whiskers = computed(() =>
  props.tools.map((tool): Whisker => ({
    name: capital(say(`tool.${tool.tool}`)),
    middle: percent(tool.efficiency),
    low: percent(tool.low),
    high: percent(tool.high),
    silent: tool.says === 'nothing',
  })),
)
/** Honing that brought back half was the table's middle for an ordinary steel. */
const reference = computed(() => percent(props.tools[0]?.tableEfficiency ?? 0.5))
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('house-learned.tools') }}</h2>
    <p class="soft">{{ $t('house-learned.toolsHint') }}</p>
    <p v-for="sentence in words" :key="sentence" class="word">{{ sentence }}</p>
    <div class="chart-and-table">
      <WhiskerChart :what="$t('house-learned.tools')" :rows="whiskers" :reference="reference" suffix=" %" />
      <table class="plain">
        <thead>
          <tr>
            <th>{{ $t('house-learned.what') }}</th>
            <th>{{ $t('house-learned.table') }}</th>
            <th>{{ $t('house-learned.learnedColumn') }}</th>
            <th>{{ $t('house-learned.honings') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="tool in tools" :key="tool.tool">
            <td>{{ capital($t(`tool.${tool.tool}`)) }}</td>
            <td class="num">{{ percent(tool.tableEfficiency) }} %</td>
            <td class="num">
              {{ percent(tool.efficiency) }} %
              <span class="soft">({{ percent(tool.low) }}–{{ percent(tool.high) }})</span>
            </td>
            <td class="num">{{ tool.honings }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
.word {
  margin: 4px 0;
}
</style>
