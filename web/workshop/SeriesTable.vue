<script setup lang="ts">
import { jobMinutes } from '../../core/workshop/session'
import type { SeriesSession } from '../../core/workshop/series'
import { useFormats } from '../i18n'

defineProps<{ series: readonly SeriesSession[]; /** shows the ratio each session leaves */ ofRatio: boolean }>()
const formats = useFormats()
</script>

<template>
  <section class="stacked">
    <h2>{{ $t('workshop.series', { n: series.length }) }}</h2>
    <table class="plain">
      <thead>
        <tr>
          <th>{{ $t('workshop.session') }}</th>
          <th v-if="ofRatio">{{ $t('workshop.ratioThen') }}</th>
          <th>{{ $t('workshop.strokes') }}</th>
          <th>{{ $t('workshop.time') }}</th>
          <th>{{ $t('workshop.goesAway') }}</th>
          <th>{{ $t('workshop.heightLost') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in series" :key="one.session">
          <td class="num">{{ one.session }}</td>
          <td v-if="ofRatio" class="num">
            {{ 100 - Math.round(one.plan.done.ratioRight) }} / {{ Math.round(one.plan.done.ratioRight) }}
          </td>
          <td class="num">{{ one.strokes.left }} / {{ one.strokes.right }}</td>
          <td class="num">{{ formats.minutes(jobMinutes(one.plan)) }}</td>
          <td class="num">{{ formats.ratio(one.plan.grams) }} g</td>
          <td class="num">{{ formats.thickness(one.plan.done.lossMm) }}</td>
        </tr>
      </tbody>
    </table>
    <p class="soft small">{{ $t('workshop.seriesKept') }}</p>
  </section>
</template>

<style scoped>
section {
  margin-top: 14px;
}
</style>
