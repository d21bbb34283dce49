<script setup lang="ts">
import type { KnifeView } from '../../contract/knives'
import { useHoning } from './useHoning'

defineProps<{ knife: KnifeView }>()
const { busy, honed } = useHoning()
</script>

<template>
  <button
    class="button"
    type="button"
    :disabled="busy"
    :aria-label="$t('today.honedOf', { code: knife.code })"
    @click="honed(knife)"
  >
    {{ $t('today.honed') }}
  </button>
</template>
