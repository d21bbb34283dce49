<script setup lang="ts">
import { ref, watch } from 'vue'
import type { TimelineEvent } from '../../contract/events'
import { WEEK_MS } from '../../core/time'
import { eventSentence } from '../../words/event'
import { say, useFormats } from '../i18n'
import { knifeHistory } from '../live/knifeHistory'
import { eventNames } from '../live/eventNames'
import { useFleet } from '../live/fleet'
import { refusalText } from '../refusalText'

/** What is on record of one knife in one week: the events behind a point of the chart. */
const props = defineProps<{ knifeId: string; from: string }>()
const fleet = useFleet()
const formats = useFormats()
const events = ref<readonly TimelineEvent[] | null>(null)
const refusal = ref('')
const names = eventNames(fleet)
watch(
  () => [props.knifeId, props.from] as const,
  async ([id, from]) => {
    try {
      const found = await knifeHistory(id, from, new Date(Date.parse(from) + WEEK_MS).toISOString())
      events.value = found.filter(({ voided }) => voided === null)
      refusal.value = ''
    } catch (error) {
      refusal.value = refusalText(error)
    }
  },
  { immediate: true },
)
</script>

<template>
  <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
  <p v-else-if="events === null" class="soft">{{ $t('shell.loading') }}</p>
  <p v-else-if="events.length === 0" class="soft">{{ $t('time.noEvents') }}</p>
  <ol v-else>
    <li v-for="one in events" :key="one.id">
      <time class="soft num" :datetime="one.at">{{ formats.moment(one.at) }}</time>
      <span
        >{{ eventSentence(one, say, formats, names) }} <span class="soft small">{{ one.personName }}</span></span
      >
    </li>
  </ol>
</template>

<style scoped>
ol {
  margin: 0;
  padding: 0 0 8px;
  list-style: none;
}
li {
  display: grid;
  grid-template-columns: minmax(110px, auto) minmax(0, 1fr);
  gap: 14px;
  padding: 3px 0;
}
</style>
