<script setup lang="ts">
import Dialog from 'primevue/dialog'

defineProps<{ title: string; narrow?: boolean }>()
const visible = defineModel<boolean>('visible', { required: true })
</script>

<template>
  <Dialog
    v-model:visible="visible"
    modal
    :draggable="false"
    :header="title"
    :pt="{ root: { class: narrow ? 'dialog narrow' : 'dialog' } }"
  >
    <template #closeicon
      ><svg width="16" height="16" aria-hidden="true">
        <path d="M2 2l12 12M14 2L2 14" stroke="currentColor" stroke-width="2.4" /></svg
    ></template>
    <slot />
  </Dialog>
</template>
