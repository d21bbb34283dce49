<script setup lang="ts">
import AppButton from './AppButton.vue'

defineProps<{ enterLabel?: string }>()
const emit = defineEmits<{ digit: [digit: string]; erase: []; enter: [] }>()
const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'] as const
</script>

<template>
  <div class="pad">
    <AppButton v-for="digit in DIGITS" :key="digit" @click="emit('digit', digit)">
      {{ digit }}
    </AppButton>
    <AppButton :aria-label="$t('pad.erase')" @click="emit('erase')">⌫</AppButton>
    <AppButton @click="emit('digit', '0')">0</AppButton>
    <AppButton kind="main" @click="emit('enter')">{{ enterLabel ?? $t('pad.enter') }}</AppButton>
  </div>
</template>

<style scoped>
.pad {
  display: grid;
  grid-template-columns: repeat(3, minmax(72px, 104px));
  gap: 8px;
}
.pad .button {
  min-height: 56px;
  padding-inline: 4px;
  font-size: 1.3rem;
}
.pad .main {
  font-size: 1rem;
}
</style>
