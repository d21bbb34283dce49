<script setup lang="ts">
import { computed, ref } from 'vue'
import { LADDER, type LadderRung } from '../../core/edge/model/ladder'
import { ZONES, type Zone } from '../../core/knife/zones'
import type { Looked } from '../../core/session/session'
import { say, useFormats } from '../i18n'
import PressRow from './PressRow.vue'

/** What eyes, paper and fruit say before anything is soaked: the first stone is chosen by it, with a tester or without. */
const CHIPS_MM = [0.1, 0.2, 0.3, 0.5, 1] as const
const formats = useFormats()
const rung = ref<LadderRung | null>(null)
const glint = ref<readonly Zone[]>([])
const chipZone = ref<Zone | null>(null)
const chipMm = ref<number>(0.3)
const signs = LADDER.map((value) => ({ value, label: say(`ladder.${value}`) }))
const zones = ZONES.map((value) => ({ value, label: say(`zone.${value}`) }))
const depths = computed(() =>
  CHIPS_MM.map((value) => ({ value, label: say('bench.lookPanel.chipDepth', { mm: formats.value.length(value) }) })),
)
const isEmpty = computed(() => rung.value === null && glint.value.length === 0 && chipZone.value === null)

function pickGlint(zone: Zone): void {
  glint.value = glint.value.includes(zone) ? glint.value.filter((one) => one !== zone) : [...glint.value, zone]
}
/** What was seen; null where nobody has touched anything. */
function seen(): Looked | null {
  if (isEmpty.value) return null
  return {
    signs: rung.value === null ? [] : [{ zone: 'whole', rung: rung.value }],
    glint: glint.value,
    chip: chipZone.value === null ? null : { zone: chipZone.value, depthMm: chipMm.value },
  }
}
defineExpose({ seen })
</script>

<template>
  <section>
    <PressRow
      :label="$t('bench.lookPanel.signs')"
      :options="signs"
      :pressed="rung === null ? [] : [rung]"
      @pick="rung = rung === $event ? null : $event"
    />
    <PressRow :label="$t('bench.lookPanel.glint')" :options="zones" :pressed="glint" @pick="pickGlint" />
    <PressRow
      :label="$t('bench.lookPanel.chip')"
      :options="zones"
      :pressed="chipZone === null ? [] : [chipZone]"
      @pick="chipZone = chipZone === $event ? null : $event"
    />
    <PressRow
      v-if="chipZone !== null"
      :label="$t('bench.lookPanel.depth')"
      :options="depths"
      :pressed="[chipMm]"
      @pick="chipMm = $event"
    />
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 10px;
}
</style>
