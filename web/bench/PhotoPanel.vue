<script setup lang="ts">
import { computed } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { SessionState } from '../../core/session/session'
import { call } from '../api'
import { say } from '../i18n'
import PhotoStrip from '../photos/PhotoStrip.vue'
import { usePhotoTaking } from '../photos/usePhotoTaking'
import FileField from '../ui/FileField.vue'

const props = defineProps<{ sessionId: string; when: 'before' | 'after'; photos: SessionState['photos'] }>()
const emit = defineEmits<{ taken: [photoId: string] }>()
const { busy, problem, take } = usePhotoTaking()
const shown = computed(() =>
  props.photos.map(({ photoId, when }) => ({ id: photoId, caption: say(`bench.photos.${when}`) })),
)
async function taken(file: File): Promise<void> {
  const id = await take(file, (body) => call(endpoints.addPhoto, { params: { id: props.sessionId }, body }))
  if (id) emit('taken', id)
}
</script>

<template>
  <section class="photos">
    <FileField :label="$t('bench.photos.take')" accept="image/*" camera :disabled="busy" @chosen="taken" />
    <p v-if="problem" class="refusal" role="alert">{{ problem }}</p>
    <PhotoStrip :photos="shown" />
  </section>
</template>

<style scoped>
.photos {
  display: grid;
  gap: 8px;
  justify-items: start;
}
</style>
