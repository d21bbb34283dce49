<script setup lang="ts">
import InputText from 'primevue/inputtext'
import { useId } from 'vue'
import FieldFrame from './FieldFrame.vue'

defineOptions({ inheritAttrs: false })

withDefaults(
  defineProps<{
    label: string
    name?: string | undefined
    type?: 'text' | 'search'
    hint?: string | undefined
    wrong?: string | undefined
    autocomplete?: string
    placeholder?: string
  }>(),
  { type: 'text', autocomplete: 'off', placeholder: '', hint: undefined, wrong: undefined, name: undefined },
)
const model = defineModel<string>({ required: true })
const id = useId()
</script>

<template>
  <FieldFrame v-slot="{ describedBy, isWrong }" :input-id="id" :label="label" :name="name" :hint="hint" :wrong="wrong">
    <InputText
      :id="id"
      v-bind="$attrs"
      v-model="model"
      :name="name"
      :type="type"
      :autocomplete="autocomplete"
      :placeholder="placeholder"
      :invalid="isWrong"
      :aria-describedby="describedBy"
    />
  </FieldFrame>
</template>
