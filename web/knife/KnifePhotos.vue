<script setup lang="ts">
import { computed } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { KnifeView } from '../../contract/knives'
import { call } from '../api'
import { say, useFormats } from '../i18n'
import { useResource } from '../live/resource'
import PhotoStrip from '../photos/PhotoStrip.vue'
import { usePhotoTaking } from '../photos/usePhotoTaking'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import FileField from '../ui/FileField.vue'

/** Pictures of a knife: those of its history and those of its sessions, newest first. */
const props = defineProps<{ knife: KnifeView }>()
const session = useSession()
const formats = useFormats()
const notices = useNotices()
const { busy, problem, take } = usePhotoTaking()
// the log beside it says when nothing can be read; these just stay as they were
const { value: photos, reload } = useResource(endpoints.knifePhotos, () => ({ params: { id: props.knife.id } }))
const shown = computed(() =>
  (photos.value ?? []).map(({ id, at, personName }) => ({
    id,
    caption: [formats.value.moment(at), personName].filter(Boolean).join(', '),
  })),
)
async function add(file: File): Promise<void> {
  const id = await take(file, (body) =>
    call(endpoints.addKnifePhoto, { params: { id: props.knife.id }, body: { ...body, eventId: null } }),
  )
  if (id) await reload()
}
async function remove(id: string): Promise<void> {
  try {
    await call(endpoints.deletePhoto, { params: { id } })
    await reload()
  } catch (error) {
    notices.refused(refusalText(error))
  }
}
const nameOf = (caption: string): string => say('photos.removeOf', { caption })
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('photos.title') }}</h2>
    <p v-if="shown.length === 0" class="soft">{{ $t('photos.none') }}</p>
    <PhotoStrip v-slot="{ photo }" :photos="shown">
      <AppButton
        v-if="session.may('edit-knife')"
        kind="quiet"
        small
        class="no-print"
        :aria-label="nameOf(photo.caption)"
        @click="remove(photo.id)"
        >{{ $t('photos.remove') }}</AppButton
      >
    </PhotoStrip>
    <p v-if="problem" class="refusal" role="alert">{{ problem }}</p>
    <FileField
      v-if="session.may('log-check')"
      class="no-print"
      :label="$t('bench.photos.take')"
      accept="image/*"
      camera
      :disabled="busy"
      @chosen="add"
    />
  </section>
</template>

<style scoped>
section {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 8px;
  justify-items: start;
}
</style>
