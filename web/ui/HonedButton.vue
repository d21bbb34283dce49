<script setup lang="ts">
import type { KnifeView } from '../../contract/knives'
import AppButton from './AppButton.vue'
import { useHoning } from './useHoning'

defineProps<{ knife: KnifeView }>()
const { busy, honed } = useHoning()
</script>

<template>
  <AppButton :disabled="busy" :aria-label="$t('today.honedOf', { code: knife.code })" @click="honed(knife)">
    {{ $t('today.honed') }}
  </AppButton>
</template>
