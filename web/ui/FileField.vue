<script setup lang="ts">
import FileUpload, { type FileUploadSelectEvent } from 'primevue/fileupload'

/** Chooses a file, which is handed on and goes nowhere by itself. */
defineProps<{
  label: string
  /** what may be chosen; anything, where the screen says itself what a file is */
  accept?: string
  disabled?: boolean
  /** a tablet or phone opens its camera for it */
  camera?: boolean
}>()
const emit = defineEmits<{ chosen: [file: File] }>()

function chosen(event: FileUploadSelectEvent): void {
  const file: unknown = (event.files as unknown[])[0]
  if (file instanceof File) emit('chosen', file)
}
</script>

<template>
  <FileUpload
    mode="basic"
    custom-upload
    auto
    v-bind="accept === undefined ? {} : { accept }"
    :choose-label="label"
    :disabled="disabled ?? false"
    :invalid-file-type-message="$t('shell.wrongFile', { name: '{0}' })"
    :pt="{
      pcChooseButton: { root: { class: 'button' } },
      basicContent: { class: 'file-field' },
      input: camera ? { capture: 'environment' } : {},
    }"
    @select="chosen"
  >
    <template #chooseicon><span class="pi" :class="camera ? 'pi-camera' : 'pi-upload'" aria-hidden="true" /></template>
    <template #filelabel />
  </FileUpload>
</template>
