<script setup lang="ts">
import type { Caution, StepKind } from '../../core/session/recipe'
import AppButton from '../ui/AppButton.vue'

/** What has to be said while a step is worked on: how it is going, and what can hurt. */
defineProps<{ notes: readonly string[]; cautions: readonly Caution[]; step: StepKind }>()
</script>

<template>
  <p v-for="note in notes" :key="note" class="note" role="status">{{ note }}</p>
  <ul class="cautions soft">
    <li v-for="caution in cautions" :key="caution">{{ $t(`bench.caution.${caution}`) }}</li>
  </ul>
  <p>
    <AppButton kind="quiet" small :to="{ name: 'incident', query: { step } }">{{ $t('incident.open') }}</AppButton>
  </p>
</template>

<style scoped>
.note {
  padding-left: 12px;
  border-left: 4px solid var(--ember);
  font-weight: 600;
  line-height: 1.35;
}
.cautions li {
  padding: 2px 0;
}
</style>
