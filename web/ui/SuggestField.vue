<script setup lang="ts">
import AutoComplete from 'primevue/autocomplete'
import { ref, useId } from 'vue'
import FieldFrame from './FieldFrame.vue'
import { folded } from './folded'

/** A line of text with what is usually meant: suggestions come while typing, and anything else may be typed as well. */
interface Suggestion {
  readonly value: string
  /** said beside the value, and found by as well */
  readonly also?: string
}

const props = defineProps<{
  label: string
  suggestions: readonly Suggestion[]
  name?: string | undefined
  hint?: string | undefined
}>()
const model = defineModel<string>({ required: true })
const id = useId()
const found = ref<Suggestion[]>([])

function look(typed: string): void {
  const words = folded(typed)
  found.value = props.suggestions.filter(({ value, also = '' }) => folded(`${value} ${also}`).includes(words))
}
/** The control gives text while somebody types, and a suggestion once one is chosen. */
function take(value: string | Suggestion | null): void {
  model.value = typeof value === 'string' ? value : (value?.value ?? '')
}
</script>

<template>
  <FieldFrame v-slot="{ describedBy, isWrong }" :input-id="id" :label="label" :name="name" :hint="hint">
    <AutoComplete
      :model-value="model"
      :suggestions="found"
      :input-id="id"
      option-label="value"
      complete-on-focus
      :min-length="0"
      :delay="0"
      :invalid="isWrong"
      :input-props="{ 'aria-describedby': describedBy }"
      @complete="look($event.query)"
      @update:model-value="take"
    >
      <template #option="{ option }">
        <b>{{ option.value }}</b> <span v-if="option.also" class="soft">{{ option.also }}</span>
      </template>
    </AutoComplete>
  </FieldFrame>
</template>
