<script setup lang="ts">
import { computed } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import HonedAllButton from '../ui/HonedAllButton.vue'
import { toBeHoned } from './dayList'

/** Stations with knives to hone, one touch each: for kitchens that hone before the doors open, not knife by knife. */
const props = defineProps<{ knives: readonly KnifeView[] }>()
const fleet = useFleet()
const stations = computed(() =>
  [...fleet.stations.values()]
    .map((station) => ({
      station,
      knives: toBeHoned(props.knives.filter((knife) => knife.stationId === station.id)),
    }))
    .filter(({ knives }) => knives.length > 0),
)
</script>

<template>
  <section v-if="stations.length > 0" class="heavy-rule no-print">
    <h2>{{ $t('today.stationHone') }}</h2>
    <ul>
      <li v-for="{ station, knives: there } in stations" :key="station.id">
        <span>{{ station.name }}</span>
        <span class="soft small num">{{ say('today.stationCount', { n: there.length }) }}</span>
        <HonedAllButton :knives="there" :label="$t('today.stationHoneOf', { name: station.name })" />
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto auto;
  gap: 10px;
  align-items: center;
  padding: 3px 0;
}
</style>
