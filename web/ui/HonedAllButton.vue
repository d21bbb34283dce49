<script setup lang="ts">
import type { KnifeView } from '../../contract/knives'
import AppButton from './AppButton.vue'
import { useHoning } from './useHoning'

/** One touch for everything of one person's, or at one station. */
defineProps<{ knives: readonly KnifeView[]; label: string }>()
const { busy, honedAll } = useHoning()
</script>

<template>
  <AppButton :disabled="busy" :aria-label="label" @click="honedAll(knives)">
    {{ $t('today.honedAll') }}
  </AppButton>
</template>
