<script setup lang="ts">
import { computed } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { HOUR_MS } from '../../core/time'
import { say, useFormats } from '../i18n'
import { useResource } from '../live/resource'
import { useSession } from '../stores/session'

/** How old the newest backup is; in bold once one is missing. */
const formats = useFormats()
const session = useSession()
const { value } = useResource(endpoints.backups)
/** Twice the usual time without one is one that did not come. */
const isLate = computed(() => {
  const kept = value.value?.kept
  if (!kept) return false
  return kept.newestAt === null || session.now().getTime() - Date.parse(kept.newestAt) > 2 * kept.everyHours * HOUR_MS
})
const words = computed(() => {
  if (!value.value) return ''
  const { kept } = value.value
  if (!kept) return say('backups.elsewhere')
  return kept.newestAt === null
    ? say('backups.none')
    : say('backups.newest', { time: formats.value.moment(kept.newestAt), n: kept.count })
})
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('backups.title') }}</h2>
    <p>
      <b v-if="isLate">{{ $t('backups.late') }} </b>{{ words }}
    </p>
    <p v-if="value?.kept" class="soft">{{ $t('backups.hint') }}</p>
  </section>
</template>
