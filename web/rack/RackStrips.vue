<script setup lang="ts">
import { computed } from 'vue'
import { RouterLink } from 'vue-router'
import type { KnifeView } from '../../contract/knives'
import { isCountedOnly } from '../../core/knife/knifeTypes'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import CheckField from '../ui/CheckField.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'
import { toggled } from './toggled'

const props = defineProps<{ knives: readonly KnifeView[]; choosing: boolean }>()
/** ids of the knives chosen for one action */
const chosen = defineModel<ReadonlySet<string>>('chosen', { required: true })
const fleet = useFleet()
const formats = useFormats()
/** The service that will find it dull, for a knife that is fit now. */
const dullBy = (knife: KnifeView): string =>
  knife.status !== 'in-service' || knife.word === 'dull' || knife.word === 'out' || !knife.dullAhead
    ? ''
    : say('rack.dullBy', {
        service: knife.dullAhead.serviceName,
        day: formats.value.shortWeekday(knife.dullAhead.startsAt),
      })
const stations = computed(() =>
  [...fleet.stations.values()]
    .map((station) => ({ station, knives: props.knives.filter((knife) => knife.stationId === station.id) }))
    .filter(({ knives }) => knives.length > 0),
)
</script>

<template>
  <section v-for="{ station, knives: here } in stations" :key="station.id" class="station">
    <header>
      <h2>{{ station.name }}</h2>
      <p class="soft small">
        {{
          $t('rack.stationLine', {
            board: $t(`board.${station.board}`),
            product: $t(`product.${station.product}`),
            hours: formats.hours(station.hoursPerService),
          })
        }}
      </p>
    </header>
    <ul>
      <li v-for="knife in here" :key="knife.id">
        <component
          :is="choosing ? 'div' : RouterLink"
          class="knife-line"
          v-bind="choosing ? {} : { to: { name: 'knife', params: { code: knife.code } } }"
        >
          <CheckField
            v-if="choosing"
            bare
            :model-value="chosen.has(knife.id)"
            :label="$t('rack.chooseOne', { code: knife.code })"
            @update:model-value="chosen = toggled(chosen, knife.id)"
          />
          <span class="strip"><EdgeStrip :knife="knife" :px-per-mm="0.44" /></span>
          <span class="line">
            <b class="num">{{ knife.code }}</b>
            <template v-if="!isCountedOnly(knife.type)">
              <span class="num">{{ formats.force(knife.zones[knife.worstZone].forceGf) }}</span>
              <span>{{ $t(`edge.${knife.word}`) }}</span>
            </template>
          </span>
          <span v-if="dullBy(knife)" class="small">{{ dullBy(knife) }}</span>
          <span class="soft small">{{
            knife.status === 'in-service'
              ? (fleet.people.get(knife.holderId ?? '')?.name ?? $t('rack.nobody'))
              : $t(knife.status === 'counted' ? `type.${knife.type}` : `status.${knife.status}`)
          }}</span>
        </component>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.station {
  border-top: 1px solid var(--rule);
  padding: 10px 0 14px;
  display: grid;
  grid-template-columns: 128px minmax(0, 1fr);
  gap: 14px;
  content-visibility: auto;
  contain-intrinsic-size: auto 180px;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(196px, 1fr));
  gap: 12px 22px;
}
.knife-line {
  display: grid;
  gap: 2px;
  text-decoration: none;
}
.strip {
  display: flex;
  align-items: flex-end;
  min-height: 34px;
  padding-bottom: 2px;
}
.line {
  display: flex;
  gap: 10px;
}
@media (max-width: 700px) {
  .station {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
