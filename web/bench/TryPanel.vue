<script setup lang="ts">
import { ZONES, type Zone } from '../../core/knife/zones'
import type { Tried } from '../../core/session/branches'
import AppButton from '../ui/AppButton.vue'

/** A quick test with a way on for each answer: what drags goes back to its spot, what snags to the burr. */
const emit = defineEmits<{ tried: [tried: Tried] }>()
const drags = (zone: Zone): void => {
  emit('tried', { outcome: 'drags', zone, hand: null })
}
</script>

<template>
  <section role="group" :aria-label="$t('bench.tryTitle')">
    <h2>{{ $t('bench.tryTitle') }}</h2>
    <p class="answers">
      <AppButton @click="emit('tried', { outcome: 'clean', zone: null, hand: null })">
        {{ $t('bench.tryClean') }}
      </AppButton>
      <AppButton v-for="zone in ZONES" :key="zone" @click="drags(zone)">
        {{ $t('bench.tryDrags', { zone: $t(`zone.${zone}`) }) }}
      </AppButton>
      <AppButton @click="emit('tried', { outcome: 'snags', zone: null, hand: null })">
        {{ $t('bench.trySnags') }}
      </AppButton>
    </p>
  </section>
</template>

<style scoped>
.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding-top: 8px;
}
.button {
  min-height: 56px;
}
</style>
