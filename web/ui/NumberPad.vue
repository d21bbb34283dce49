<script setup lang="ts">
defineProps<{ enterLabel?: string }>()
const emit = defineEmits<{ digit: [digit: string]; erase: []; enter: [] }>()
const DIGITS = ['1', '2', '3', '4', '5', '6', '7', '8', '9'] as const
</script>

<template>
  <div class="pad">
    <button v-for="digit in DIGITS" :key="digit" class="button" type="button" @click="emit('digit', digit)">
      {{ digit }}
    </button>
    <button class="button" type="button" :aria-label="$t('pad.erase')" @click="emit('erase')">⌫</button>
    <button class="button" type="button" @click="emit('digit', '0')">0</button>
    <button class="button main" type="button" @click="emit('enter')">{{ enterLabel ?? $t('pad.enter') }}</button>
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
