<script setup lang="ts">
import Textarea from 'primevue/textarea'
import { useId } from 'vue'
import FieldFrame from './FieldFrame.vue'

/** Text of several lines. */
defineProps<{ label: string; rows: number; name?: string; hint?: string; wrong?: string }>()
const model = defineModel<string>({ required: true })
const id = useId()
</script>

<template>
  <FieldFrame v-slot="{ describedBy, isWrong }" :input-id="id" :label="label" :name="name" :hint="hint" :wrong="wrong">
    <Textarea
      :id="id"
      v-model="model"
      :name="name"
      :rows="rows"
      spellcheck="false"
      :invalid="isWrong"
      :aria-describedby="describedBy"
    />
  </FieldFrame>
</template>
