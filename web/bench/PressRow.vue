<script setup lang="ts" generic="T extends string | number">
import AppButton from '../ui/AppButton.vue'

/** A row of large buttons, of which some are pressed: for hands that are wet. */
defineProps<{
  label: string
  options: readonly { readonly value: T; readonly label: string }[]
  pressed: readonly T[]
}>()
const emit = defineEmits<{ pick: [value: T] }>()
</script>

<template>
  <div role="group" :aria-label="label">
    <span class="soft small">{{ label }}</span>
    <p>
      <AppButton
        v-for="option in options"
        :key="option.value"
        :class="{ main: pressed.includes(option.value) }"
        :aria-pressed="pressed.includes(option.value)"
        @click="emit('pick', option.value)"
      >
        {{ option.label }}
      </AppButton>
    </p>
  </div>
</template>

<style scoped>
p {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding-top: 2px;
}
.button {
  min-height: 56px;
  padding: 6px 14px;
}
</style>
