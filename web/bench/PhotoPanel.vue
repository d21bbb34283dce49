<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { SessionState } from '../../core/session/session'
import { call, Refusal } from '../api'
import { say } from '../i18n'
import { inBase64, MOST_FILE_MB, PhotoError, smallPhoto } from './edgePhoto'
import FileField from '../ui/FileField.vue'

const props = defineProps<{ sessionId: string; when: 'before' | 'after'; photos: SessionState['photos'] }>()
const emit = defineEmits<{ taken: [photoId: string] }>()
const problem = ref('')
const busy = ref(false)

async function take(file: File): Promise<void> {
  busy.value = true
  problem.value = ''
  try {
    const id = newId()
    const base64 = await inBase64(await smallPhoto(file))
    await call(endpoints.addPhoto, { params: { id: props.sessionId }, body: { id, base64 } })
    emit('taken', id)
  } catch (error) {
    problem.value =
      error instanceof PhotoError
        ? say(`bench.photos.${error.problem}`, { mb: MOST_FILE_MB })
        : error instanceof Refusal
          ? error.sentence
          : say('bench.photos.failed')
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <section class="photos">
    <FileField :label="$t('bench.photos.take')" accept="image/*" camera :disabled="busy" @chosen="take" />
    <p v-if="problem" class="refusal" role="alert">{{ problem }}</p>
    <ul>
      <li v-for="photo in photos" :key="photo.photoId">
        <a :href="`/api/photos/${photo.photoId}.jpg`" target="_blank" rel="noopener">
          <img :src="`/api/photos/${photo.photoId}.jpg`" :alt="$t(`bench.photos.${photo.when}`)" loading="lazy" />
        </a>
        <span class="small soft">{{ $t(`bench.photos.${photo.when}`) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.photos {
  display: grid;
  gap: 8px;
  justify-items: start;
}
label {
  position: relative;
  min-height: 56px;
  cursor: pointer;
}
/* the field itself stays reachable by keyboard, under its label */
input {
  position: absolute;
  inset: 0;
  opacity: 0;
  cursor: pointer;
}
label:focus-within {
  outline: 3px solid var(--ember);
  outline-offset: 2px;
}
ul {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
li {
  display: grid;
}
img {
  width: 130px;
  height: 88px;
  object-fit: cover;
  border: 1px solid var(--rule);
}
</style>
