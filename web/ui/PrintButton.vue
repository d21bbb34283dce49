<script setup lang="ts">
defineProps<{ label: string }>()
function print(): void {
  window.print()
}
</script>

<template>
  <button class="button quiet no-print" type="button" @click="print">{{ label }}</button>
</template>
