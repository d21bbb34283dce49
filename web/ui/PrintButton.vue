<script setup lang="ts">
import AppButton from './AppButton.vue'

defineProps<{ label: string }>()
function print(): void {
  window.print()
}
</script>

<template>
  <AppButton kind="quiet" class="no-print" @click="print">{{ label }}</AppButton>
</template>
