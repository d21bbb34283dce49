<script setup lang="ts">
import type { KnifeView } from '../../contract/knives'
import { useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'

/** Sharpenings that have been used long enough to say how good they were. */
defineProps<{ knives: readonly KnifeView[] }>()
const formats = useFormats()
</script>

<template>
  <p v-for="knife in knives" :key="knife.id" class="judge">
    <span>
      <b class="num">{{ knife.code }}</b>
      {{ $t('today.judge', { hours: formats.hours(knife.hoursSinceSharpening) }) }}
    </span>
    <AppButton class="no-print" :to="{ name: 'check', params: { code: knife.code } }">{{
      $t('today.judgeNow')
    }}</AppButton>
  </p>
</template>

<style scoped>
.judge {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 6px 14px;
  padding: 6px 0;
}
</style>
