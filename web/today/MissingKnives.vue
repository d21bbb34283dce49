<script setup lang="ts">
import type { KnifeView } from '../../contract/knives'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'

/** Knives that were not there when they were counted, with who had them last. */
defineProps<{ knives: readonly KnifeView[] }>()
const fleet = useFleet()
const formats = useFormats()
const whoHad = ({ holderId, stationId }: KnifeView): string =>
  say('count.lastWith', {
    name: (holderId === null ? undefined : fleet.people.get(holderId)?.name) ?? say('rack.nobody'),
    station: fleet.stations.get(stationId)?.name ?? '',
  })
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('today.missing') }}</h2>
    <ul>
      <li v-for="knife in knives" :key="knife.id">
        <RouterLink class="num" :to="{ name: 'knife', params: { code: knife.code } }">{{ knife.code }}</RouterLink>
        <span>{{ whoHad(knife) }} {{ $t('verdict.missedSince', { day: formats.shortDay(knife.statusSince) }) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 58px 1fr;
  gap: 8px;
  padding: 5px 0;
}
a {
  font-weight: 700;
  text-decoration: none;
}
</style>
