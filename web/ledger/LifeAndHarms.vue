<script setup lang="ts">
import { computed } from 'vue'
import type { Ledger } from '../../contract/ledger'
import { tenth } from '../../words/format'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'

/** How long knives last, and what hurts blades, by place and by cause: with how sure that is. */
const props = defineProps<{ ledger: Ledger }>()
const fleet = useFleet()
const formats = useFormats()
const HUNDRED = 100
const STEPS_TOLD = 6
type Rate = Ledger['harms']['lost']
type Cause = Ledger['harms']['byCause'][number]['cause']
const told = computed(() =>
  formats.value.list(
    props.ledger.survival.steps.slice(-STEPS_TOLD).map(({ years, share, error }) =>
      say('ledger.step', {
        years: tenth(years),
        percent: Math.round(HUNDRED * share),
        error: Math.round(HUNDRED * error),
      }),
    ),
  ),
)
const harms = computed(() => props.ledger.harms)
const between = ({ low, high }: Rate): string =>
  say('harm.between', { low: formats.value.tenths(low), high: formats.value.tenths(high) })
const causeOf = (cause: Cause): string => (cause === null ? say('harm.unknown') : say(`harm.cause.${cause}`))
const countAt = (stationId: string, cause: Cause): number =>
  harms.value.cells.find((cell) => cell.stationId === stationId && cell.cause === cause)?.count ?? 0
const stationOf = (id: string): string => fleet.stations.get(id)?.name ?? ''
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('ledger.lives') }}</h2>
    <p v-if="ledger.survival.median !== null">
      {{ $t('ledger.median', { years: tenth(ledger.survival.median) }) }}
    </p>
    <p v-else>{{ $t('ledger.noMedian') }}</p>
    <p v-if="told" class="soft">{{ told }}</p>
  </section>
  <section class="heavy-rule">
    <h2>{{ $t('harm.title') }}</h2>
    <p class="soft">{{ $t('harm.hint') }}</p>
    <p v-if="harms.byCause.length === 0">{{ $t('harm.none') }}</p>
    <div v-else class="scrolls">
      <table class="plain">
        <thead>
          <tr>
            <th>{{ $t('harm.from') }}</th>
            <th v-for="one in harms.byStation" :key="one.stationId">{{ stationOf(one.stationId) }}</th>
            <th>{{ $t('harm.inYear') }}</th>
            <th>{{ $t('harm.likely') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in harms.byCause" :key="row.cause ?? ''">
            <th scope="row">{{ causeOf(row.cause) }}</th>
            <td v-for="one in harms.byStation" :key="one.stationId" class="num">
              {{ countAt(one.stationId, row.cause) || '' }}
            </td>
            <td class="num">{{ row.count }}</td>
            <td class="num">{{ between(row) }}</td>
          </tr>
          <tr>
            <th scope="row">{{ $t('harm.all') }}</th>
            <td v-for="one in harms.byStation" :key="one.stationId" class="num">
              {{ one.count }} <span class="soft small">{{ between(one) }}</span>
            </td>
            <td />
            <td />
          </tr>
        </tbody>
      </table>
    </div>
    <template v-if="harms.told.length > 0">
      <h3>{{ $t('harm.told') }}</h3>
      <ul>
        <li v-for="one in harms.told" :key="`${one.cause} ${one.place}`">
          {{
            $t('harm.toldLine', {
              cause: causeOf(one.cause),
              place: $t(`incident.place.${one.place}`),
              times: say('incident.times', { n: one.count }),
              between: between(one),
            })
          }}
        </li>
      </ul>
    </template>
    <p v-if="harms.lost.count > 0">
      {{ $t('harm.lost', { times: say('incident.times', { n: harms.lost.count }), between: between(harms.lost) }) }}
    </p>
  </section>
</template>

<style scoped>
section {
  margin-top: 22px;
}
th[scope='row'] {
  text-align: left;
}
</style>
