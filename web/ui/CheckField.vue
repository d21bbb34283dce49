<script setup lang="ts">
import Checkbox from 'primevue/checkbox'
import { useId, useTemplateRef } from 'vue'

/** A box to tick, with its words beside it; `bare` hides the words but has them read out. */
defineProps<{ label: string; bare?: boolean; disabled?: boolean }>()
const model = defineModel<boolean>({ required: true })
const id = useId()
const box = useTemplateRef<HTMLElement>('box')
/** A box ticked with finger or mouse lets the keys go again: Space stays the screen's own. */
function letGo(): void {
  setTimeout(() => {
    const { activeElement } = document
    if (activeElement instanceof HTMLElement && box.value?.contains(activeElement)) activeElement.blur()
  })
}
</script>

<template>
  <label
    ref="box"
    class="check-field"
    :for="id"
    :title="bare ? label : undefined"
    @click="$event.detail > 0 && letGo()"
  >
    <Checkbox
      v-model="model"
      :input-id="id"
      binary
      :disabled="disabled ?? false"
      :aria-label="bare ? label : undefined"
    >
      <template #icon="{ checked }">
        <svg v-if="checked" width="18" height="18" viewBox="0 0 22 22" aria-hidden="true">
          <path d="M4 12l5 5 9-12" fill="none" stroke="currentColor" stroke-width="3" />
        </svg>
      </template>
    </Checkbox>
    <span v-if="!bare">{{ label }}</span>
  </label>
</template>
