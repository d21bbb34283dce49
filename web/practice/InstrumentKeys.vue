<script setup lang="ts">
import { useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import { DRILL_STROKES, type BeatDrill } from './useBeatDrill'
import type { Quantity } from './useTold'

/** Where a drill with an instrument stands: which one is heard, whether it is believed, and the keys that begin and end. */
const { drill, quantity } = defineProps<{ drill: BeatDrill; quantity: Quantity }>()
const formats = useFormats()
const { phase, beat, there, chosen, trust, sureDps, setZero, start, stop } = drill
</script>

<template>
  <ChoiceField
    v-if="there.length > 1"
    v-model="chosen"
    :label="$t(`practice.instrument.${quantity}`)"
    :options="there.map(({ id, name }) => ({ value: id, label: name }))"
  />
  <p role="status" class="state">
    <template v-if="phase === 'counting'">{{ $t('practice.countIn', { beat }) }}</template>
    <template v-else-if="phase === 'running'">{{ $t('practice.stroke', { n: beat, all: DRILL_STROKES }) }}</template>
    <template v-else>{{ $t(`practice.trust.${quantity}.${trust}`) }}</template>
    <span v-if="trust === 'good' && sureDps !== null" class="soft">{{
      $t('practice.sure', { angle: formats.angle(sureDps) })
    }}</span>
  </p>
  <p class="keys">
    <AppButton v-if="phase !== 'ready'" big @click="stop">{{ $t('practice.stop') }}</AppButton>
    <template v-else>
      <AppButton kind="main" big :disabled="trust !== 'good'" @click="start">{{ $t('practice.start') }}</AppButton>
      <AppButton :disabled="trust !== 'good'" @click="setZero">{{ $t(`practice.zero.${quantity}`) }}</AppButton>
    </template>
  </p>
</template>

<style scoped>
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 24px;
  margin: 12px 0;
}
.state {
  font-size: 1.25rem;
  font-weight: 700;
  min-height: 1.6em;
}
</style>
