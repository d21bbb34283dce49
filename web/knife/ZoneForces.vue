<script setup lang="ts">
import type { KnifeView } from '../../contract/knives'
import { ZONES } from '../../core/knife/zones'
import { useFormats } from '../i18n'

defineProps<{ knife: KnifeView }>()
const formats = useFormats()
</script>

<template>
  <ul class="zones">
    <li v-for="zone in ZONES" :key="zone">
      {{ $t(`zone.${zone}`) }} <b v-if="knife.seen" class="num">{{ formats.force(knife.zones[zone].forceGf) }},</b>
      {{ $t(`edge.${knife.zones[zone].word}`) }}
      <span class="soft small num">{{
        $t('knife.band', { low: knife.zones[zone].lowGf, high: knife.zones[zone].highGf })
      }}</span>
    </li>
    <li class="soft">
      {{ $t('rack.limit') }} <span class="num">{{ formats.force(knife.limitGf) }}</span>
    </li>
  </ul>
</template>

<style scoped>
.zones {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-evenly;
  gap: 4px 28px;
  margin: 8px 0 0;
  padding-left: 24%;
}
@media (max-width: 700px) {
  .zones {
    padding-left: 0;
    justify-content: start;
  }
}
</style>
