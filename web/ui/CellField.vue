<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { ref, watch } from 'vue'

/** A cell of a sheet being corrected: what was typed counts when the cell is left or Enter is pressed. */
const props = defineProps<{ label: string; value: string; wrong?: boolean }>()
const emit = defineEmits<{ typed: [value: string] }>()
const text = ref(props.value)
watch(
  () => props.value,
  (value) => {
    text.value = value
  },
)
function leave(): void {
  if (text.value !== props.value) emit('typed', text.value)
}
</script>

<template>
  <InputText
    v-model="text"
    class="cell-field"
    :aria-label="label"
    :invalid="wrong ?? false"
    @blur="leave"
    @keydown.enter="leave"
  />
</template>
