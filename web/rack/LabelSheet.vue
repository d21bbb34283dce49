<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import { useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import EdgeStrip from '../ui/EdgeStrip.vue'
import PrintButton from '../ui/PrintButton.vue'

/** Labels for the knives named in the address: silhouette, code, what it is, where and whose it is. */
const fleet = useFleet()
const route = useRoute()
const formats = useFormats()
const knives = computed(() => {
  const codes = String(route.query['knives'] ?? '').split(/[\s,]+/)
  return codes.flatMap((code) => fleet.byCode(code) ?? [])
})
</script>

<template>
  <div class="page">
    <header class="page-head no-print">
      <h1>{{ $t('labels.title') }}</h1>
      <span class="soft">{{ $t('labels.hint') }}</span>
      <span class="end"><PrintButton :label="$t('labels.print')" /></span>
    </header>
    <p v-if="fleet.fleet && knives.length === 0" class="lead">{{ $t('labels.none') }}</p>
    <ul>
      <li v-for="knife in knives" :key="knife.id">
        <EdgeStrip :knife="knife" :px-per-mm="0.4" />
        <b class="num code">{{ knife.code }}</b>
        <span>{{ $t('labels.of', { type: $t(`type.${knife.type}`), length: formats.length(knife.lengthMm) }) }}</span>
        <span class="soft small">{{
          [knife.name, fleet.stations.get(knife.stationId)?.name, fleet.people.get(knife.holderId ?? '')?.name]
            .filter(Boolean)
            .join(' · ')
        }}</span>
      </li>
    </ul>
  </div>
</template>

<style scoped>
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(58mm, 1fr));
  gap: 3mm;
}
li {
  display: grid;
  align-content: start;
  gap: 1px;
  min-height: 36mm;
  padding: 3mm;
  border: 1px dashed var(--ink);
}
.code {
  font-size: 1.9rem;
  line-height: 1.1;
}
</style>
