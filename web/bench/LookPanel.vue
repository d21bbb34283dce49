<script setup lang="ts">
import { computed, ref } from 'vue'
import { LADDER, type LadderRung } from '../../core/edge/model/ladder'
import { ZONES, type Zone } from '../../core/knife/zones'
import type { Looked } from '../../core/session/session'
import { useFormats } from '../i18n'

/** What eyes, paper and fruit say before anything is soaked: the first stone is chosen by it, with a tester or without. */
const CHIPS_MM = [0.1, 0.2, 0.3, 0.5, 1] as const
const formats = useFormats()
const rung = ref<LadderRung | null>(null)
const glint = ref<readonly Zone[]>([])
const chipZone = ref<Zone | null>(null)
const chipMm = ref<number>(0.3)
const isEmpty = computed(() => rung.value === null && glint.value.length === 0 && chipZone.value === null)
const toggled = (zone: Zone): readonly Zone[] =>
  glint.value.includes(zone) ? glint.value.filter((one) => one !== zone) : [...glint.value, zone]

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
  <section class="look">
    <div role="group" :aria-label="$t('bench.lookPanel.signs')">
      <span class="soft small">{{ $t('bench.lookPanel.signs') }}</span>
      <p class="row">
        <button
          v-for="one in LADDER"
          :key="one"
          class="button"
          type="button"
          :class="{ main: rung === one }"
          :aria-pressed="rung === one"
          @click="rung = rung === one ? null : one"
        >
          {{ $t(`ladder.${one}`) }}
        </button>
      </p>
    </div>
    <div role="group" :aria-label="$t('bench.lookPanel.glint')">
      <span class="soft small">{{ $t('bench.lookPanel.glint') }}</span>
      <p class="row">
        <button
          v-for="zone in ZONES"
          :key="zone"
          class="button"
          type="button"
          :class="{ main: glint.includes(zone) }"
          :aria-pressed="glint.includes(zone)"
          @click="glint = toggled(zone)"
        >
          {{ $t(`zone.${zone}`) }}
        </button>
      </p>
    </div>
    <div role="group" :aria-label="$t('bench.lookPanel.chip')">
      <span class="soft small">{{ $t('bench.lookPanel.chip') }}</span>
      <p class="row">
        <button
          v-for="zone in ZONES"
          :key="zone"
          class="button"
          type="button"
          :class="{ main: chipZone === zone }"
          :aria-pressed="chipZone === zone"
          @click="chipZone = chipZone === zone ? null : zone"
        >
          {{ $t(`zone.${zone}`) }}
        </button>
      </p>
      <p v-if="chipZone !== null" class="row">
        <button
          v-for="mm in CHIPS_MM"
          :key="mm"
          class="button"
          type="button"
          :class="{ main: chipMm === mm }"
          :aria-pressed="chipMm === mm"
          @click="chipMm = mm"
        >
          {{ $t('bench.lookPanel.chipDepth', { mm: formats.length(mm) }) }}
        </button>
      </p>
    </div>
  </section>
</template>

<style scoped>
.look {
  display: grid;
  gap: 10px;
}
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding-top: 2px;
}
.row .button {
  min-height: 56px;
  padding: 6px 14px;
}
</style>
