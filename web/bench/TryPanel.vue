<script setup lang="ts">
import { ZONES, type Zone } from '../../core/knife/zones'
import type { Tried } from '../../core/session/branches'

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
      <button class="button" type="button" @click="emit('tried', { outcome: 'clean', zone: null, hand: null })">
        {{ $t('bench.tryClean') }}
      </button>
      <button v-for="zone in ZONES" :key="zone" class="button" type="button" @click="drags(zone)">
        {{ $t('bench.tryDrags', { zone: $t(`zone.${zone}`) }) }}
      </button>
      <button class="button" type="button" @click="emit('tried', { outcome: 'snags', zone: null, hand: null })">
        {{ $t('bench.trySnags') }}
      </button>
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
