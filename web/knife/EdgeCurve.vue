<script setup lang="ts">
import { computed, ref } from 'vue'
import type { EdgeStory, KnifeView } from '../../contract/knives'
import { ZONES, type Zone } from '../../core/knife/zones'
import PlotlyChart from '../charts/PlotlyChart.vue'
import { useTones } from '../charts/tones'
import { say, useFormats } from '../i18n'
import { edgeLayout, edgeTraces } from './edgeTraces'
import SegmentedChoice from '../ui/SegmentedChoice.vue'

const props = defineProps<{ story: EdgeStory; knife: KnifeView }>()
const tones = useTones()
const formats = useFormats()
const chosen = ref<Zone | null>(null)
const days = ref(28)
const zone = computed({
  get: () => chosen.value ?? props.knife.worstZone,
  set: (value) => {
    chosen.value = value
  },
})
const zones = computed(() => ZONES.map((value) => ({ value, label: say(`zone.${value}`) })))
const spans = computed(() => [14, 28, 84].map((value) => ({ value, label: say('curve.weeks', { n: value / 7 }) })))
const traces = computed(() => edgeTraces(props.story, zone.value, tones.value, say))
const layout = computed(() => edgeLayout(props.story, tones.value, say, days.value))
/** As many services as a week has, which is as far as anybody plans by hand. */
const ROWS = 14
const percent = (chance: number): string =>
  chance < 0.01 ? '<1 %' : chance > 0.99 ? '>99 %' : `${Math.round(100 * chance)} %`
const rows = computed(() => props.story.ahead.slice(0, ROWS))
</script>

<template>
  <section class="heavy-rule">
    <header>
      <h2>{{ $t('curve.title') }}</h2>
      <SegmentedChoice v-model="zone" class="no-print" look="line" :label="$t('curve.zone')" :options="zones" />
      <SegmentedChoice v-model="days" class="no-print" look="line" :label="$t('curve.span')" :options="spans" />
    </header>
    <div class="both">
      <PlotlyChart
        :traces="traces"
        :layout="layout"
        :height="300"
        :label="$t('curve.label', { code: knife.code, zone: $t(`zone.${zone}`) })"
      />
      <table v-if="rows.length > 0" class="plain numbers">
        <caption class="unseen">
          {{
            $t('curve.table')
          }}
        </caption>
        <thead>
          <tr>
            <th>{{ $t('curve.service') }}</th>
            <th>{{ $t(`zone.${zone}`) }}</th>
            <th>{{ $t('curve.risk') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="service in rows" :key="service.startsAt">
            <td>{{ formats.shortWeekday(service.startsAt) }} {{ service.serviceName }}</td>
            <td class="num">{{ formats.force(service.zones[zone].forceGf) }}</td>
            <td class="num risk">
              <span class="bar" :style="{ width: `${Math.round(40 * service.chanceDull)}px` }" />{{
                percent(service.chanceDull)
              }}
            </td>
          </tr>
        </tbody>
      </table>
      <p v-else class="soft">{{ $t('curve.noServices') }}</p>
    </div>
    <p class="soft small">{{ $t('curve.key') }}</p>
  </section>
</template>

<style scoped>
header {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 20px;
}
.both {
  display: flex;
  flex-wrap: wrap;
  gap: 20px;
  align-items: start;
}
/* beside each other where both have room */
.both > * {
  flex: 1 1 min(100%, 17rem);
  min-width: 0;
}
.both > :first-child {
  flex: 3 1 min(100%, 22rem);
}
@media print {
  .both {
    display: block;
  }
}
.numbers {
  font-size: 0.875rem;
}
.numbers td,
.numbers th {
  padding-block: 1px;
}
.risk {
  text-align: right;
}
.bar {
  display: inline-block;
  height: 8px;
  margin-right: 6px;
  background: var(--out);
}
</style>
