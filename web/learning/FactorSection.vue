<script setup lang="ts">
import { computed } from 'vue'
import type { LearnedFactor } from '../../contract/learning'
import { useFormats } from '../i18n'
import WhiskerChart, { type Whisker } from './WhiskerChart.vue'

/** One learned factor with the words for it. */
export interface FactorRow {
  readonly key: string
  readonly name: string
  readonly table: string
  readonly effect: LearnedFactor
  readonly readings: number | null
  readonly words: string
}

const props = defineProps<{ title: string; hint: string; rows: readonly FactorRow[] }>()
const whiskers = computed(() =>
  props.rows.map(({ name, effect }): Whisker => ({
    name,
    middle: effect.factor,
    low: effect.low,
    high: effect.high,
    silent: effect.says === 'nothing',
  })),
)
const found = computed(() => props.rows.filter(({ effect }) => effect.says === 'more' || effect.says === 'less'))
const formats = useFormats()
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ title }}</h2>
    <p class="soft learned-hint">{{ hint }}</p>
    <p v-for="row in found" :key="row.key" class="learned-finding">{{ row.words }}</p>
    <div class="chart-and-table">
      <WhiskerChart :what="title" :rows="whiskers" :reference="1" />
      <table class="plain">
        <thead>
          <tr>
            <th>{{ $t('house-learned.what') }}</th>
            <th>{{ $t('house-learned.table') }}</th>
            <th>{{ $t('house-learned.learnedColumn') }}</th>
            <th>{{ $t('house-learned.readings') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.key">
            <td>{{ row.name }}</td>
            <td class="num">{{ row.table }}</td>
            <td class="num">
              <span v-if="row.effect.says === 'nothing'" class="soft">{{ $t('house-learned.silent') }}</span>
              <span v-else
                >{{ formats.ratio(row.effect.factor) }}
                <span class="soft"
                  >({{ formats.ratio(row.effect.low) }}–{{ formats.ratio(row.effect.high) }})</span
                ></span
              >
            </td>
            <td class="num">{{ row.readings ?? '' }}</td>
          </tr>
        </tbody>
      </table>
    </div>
  </section>
</template>
