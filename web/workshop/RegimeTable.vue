<script setup lang="ts">
import { computed } from 'vue'
import type { WorkshopView } from '../../contract/workshop'
import { regimeLives } from '../../core/workshop/maintenanceRegimes'
import { tenth } from '../../words/format'
import { say, useFormats } from '../i18n'
import { lifeAsk, lifeSpan } from './lifeAsk'

const props = defineProps<{ view: WorkshopView }>()
const formats = useFormats()
/** An edge taken this many times to its limit between sessions is worked with dull; below, nobody minds. */
const DULL_MEANWHILE = 1.5
const regimes = computed(() => regimeLives(lifeAsk(props.view)))
const nameOf = ({ regime, stretch }: (typeof regimes.value)[number]): string => {
  const name = say(`workshop.regimeName.${regime}`)
  return stretch > DULL_MEANWHILE ? say('workshop.stretched', { name, n: tenth(stretch) }) : name
}
</script>

<template>
  <section class="stacked">
    <h2>{{ $t('workshop.regimes') }}</h2>
    <table class="plain">
      <thead>
        <tr>
          <th>{{ $t('workshop.choice.regime') }}</th>
          <th>{{ $t('workshop.aYear') }}</th>
          <th>{{ $t('workshop.steelAYear') }}</th>
          <th>{{ $t('workshop.lasts') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="one in regimes" :key="one.regime">
          <td>
            {{ nameOf(one) }}
          </td>
          <td class="num">{{ tenth(one.sessionsPerYear) }}</td>
          <td class="num">{{ formats.thickness(one.steelPerYearMm) }}</td>
          <td class="num">{{ lifeSpan(one.years) }}</td>
        </tr>
      </tbody>
    </table>
    <p class="soft small">{{ $t('workshop.regimesFrom') }}</p>
  </section>
</template>

<style scoped>
section {
  margin-top: 22px;
}
</style>
