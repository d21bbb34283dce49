<script setup lang="ts">
import { computed } from 'vue'
import { ZONES, type Zone } from '../../core/knife/zones'
import type { SessionStep } from '../../core/session/plan'
import type { StepState } from '../../core/session/session'
import AppButton from '../ui/AppButton.vue'

/** Sweeps go over the whole edge, and are counted as one. */
const props = defineProps<{ step: SessionStep; here: StepState; sweeps?: boolean }>()
const zone = defineModel<Zone>('zone', { required: true })
/** A handful of strokes is a handful in all, not for each part of the edge. */
const HANDFUL = 6
const isWhole = computed(() => props.sweeps === true || props.step.only !== null || props.step.strokes <= HANDFUL)
const usual = computed(() => Math.max(1, Math.round(props.step.strokes / (isWhole.value ? 1 : ZONES.length))))
const shown = computed(() =>
  props.sweeps === true ? ZONES.reduce((sum, one) => sum + props.here.strokes[one], 0) : props.here.strokes[zone.value],
)
</script>

<template>
  <p class="count" aria-live="polite">
    <span class="big num">{{ shown }}</span>
    <span class="soft">{{
      sweeps ? $t('bench.strokesSweep', { usual }) : $t('bench.strokesHere', { zone: $t(`zone.${zone}`), usual })
    }}</span>
  </p>
  <div class="zones spot-row" role="group" :aria-label="$t('curve.zone')">
    <AppButton
      kind="bare"
      v-for="one in ZONES"
      :key="one"
      class="spot-button"
      :aria-pressed="zone === one"
      :class="{ felt: here.burr[one] }"
      @click="zone = one"
    >
      <b>{{ $t(`zone.${one}`) }}</b>
      <span class="num">{{
        step.work === 'face'
          ? here.strokes[one]
          : $t('bench.zoneLine', {
              strokes: here.strokes[one],
              burr: $t(here.burr[one] ? 'bench.burrYes' : 'bench.burrNo'),
            })
      }}</span>
    </AppButton>
  </div>
</template>

<style scoped>
.count {
  display: flex;
  align-items: baseline;
  gap: 18px;
}
.big {
  font-size: 6.4rem;
  font-weight: 700;
  line-height: 0.95;
  min-width: 1.2ch;
}
button {
  min-height: 72px;
}
button.felt {
  border-color: var(--keen);
}
@media (max-width: 700px) {
  .big {
    font-size: 4.6rem;
  }
}
</style>
