<script setup lang="ts">
import { computed } from 'vue'
import type { Ledger } from '../../contract/ledger'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'

/** How long knives last, and where chips come from: with how sure that is. */
const props = defineProps<{ ledger: Ledger }>()
const fleet = useFleet()
const formats = useFormats()
const HUNDRED = 100
const STEPS_TOLD = 6
const told = computed(() =>
  formats.value.list(
    props.ledger.survival.steps.slice(-STEPS_TOLD).map(({ years, share, error }) =>
      say('ledger.step', {
        years: formats.value.tenths(years),
        percent: Math.round(HUNDRED * share),
        error: Math.round(HUNDRED * error),
      }),
    ),
  ),
)
const chips = computed(() =>
  props.ledger.chips
    .filter(({ count }) => count > 0)
    .sort((a, b) => b.count - a.count)
    .map((one) =>
      say('ledger.chipRate', {
        station: fleet.stations.get(one.stationId)?.name ?? '',
        n: one.count,
        low: formats.value.tenths(one.low),
        high: formats.value.tenths(one.high),
      }),
    ),
)
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('ledger.lives') }}</h2>
    <p v-if="ledger.survival.median !== null">
      {{ $t('ledger.median', { years: formats.tenths(ledger.survival.median) }) }}
    </p>
    <p v-else>{{ $t('ledger.noMedian') }}</p>
    <p v-if="told" class="soft">{{ told }}</p>
  </section>
  <section v-if="chips.length > 0" class="heavy-rule">
    <h2>{{ $t('ledger.chips') }}</h2>
    <p v-for="one in chips" :key="one">{{ one }}</p>
  </section>
</template>

<style scoped>
section {
  margin-top: 22px;
}
</style>
