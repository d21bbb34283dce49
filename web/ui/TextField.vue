<script setup lang="ts">
import { useId } from 'vue'

defineOptions({ inheritAttrs: false })

withDefaults(
  defineProps<{
    label: string
    type?: string
    hint?: string | undefined
    wrong?: string | undefined
    autocomplete?: string
    placeholder?: string
  }>(),
  { type: 'text', autocomplete: 'off', placeholder: '', hint: undefined, wrong: undefined },
)
const model = defineModel<string>({ required: true })
const id = useId()
</script>

<template>
  <div class="field">
    <label :for="id">{{ label }}</label>
    <input
      :id="id"
      v-bind="$attrs"
      v-model="model"
      class="input"
      :type="type"
      :autocomplete="autocomplete"
      :placeholder="placeholder"
      :aria-invalid="Boolean(wrong)"
      :aria-describedby="`${id}-more`"
    />
    <span :id="`${id}-more`">
      <span v-if="wrong" class="wrong">{{ wrong }}</span>
      <span v-else-if="hint" class="hint">{{ hint }}</span>
    </span>
  </div>
</template>
