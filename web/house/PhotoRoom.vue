<script setup lang="ts">
import { ref, watch } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { PhotoQuota } from '../../contract/photos'
import { call } from '../api'
import { say, useFormats } from '../i18n'
import { useResource } from '../live/resource'
import { useNotices } from '../stores/notices'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import MeasureField from '../ui/MeasureField.vue'

/** How much room pictures take, and how much they may. */
const notices = useNotices()
const formats = useFormats()
const { value: room, reload } = useResource(endpoints.photoRoom)
const quotaMb = ref<number | null>(null)
watch(
  room,
  (now) => {
    if (now) quotaMb.value = now.quotaMb
  },
  { immediate: true },
)
async function save(body: { readonly quotaMb: number }): Promise<void> {
  await call(endpoints.setPhotoQuota, { body })
  await reload()
  notices.done(say('photos.quotaSaved'))
}
</script>

<template>
  <section v-if="room" class="heavy-rule">
    <h2>{{ $t('photos.title') }}</h2>
    <p class="soft">{{ say('photos.room', { n: room.photos, mb: formats.tenths(room.usedMb) }) }}</p>
    <AppForm :schema="PhotoQuota" :draft="() => ({ quotaMb })" :send="save">
      <MeasureField v-model="quotaMb" name="quotaMb" :label="$t('photos.quota')" unit="MB" />
      <AppButton type="submit">{{ $t('photos.setQuota') }}</AppButton>
    </AppForm>
  </section>
</template>

<style scoped>
section {
  margin-top: 26px;
}
form {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  align-items: end;
  margin-top: 8px;
}
</style>
