<script setup lang="ts">
import { computed, onMounted, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { TrailEntry } from '../../contract/house'
import { trailFields, trailSentence } from '../../words/trail'
import { call } from '../api'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'
import { useChange } from './useChange'

/** Who changed what of the house, a page at a time. */
const formats = useFormats()
const fleet = useFleet()
const { refusal, change } = useChange()
const entries = ref<readonly TrailEntry[]>([])
const more = ref(false)
const isLoaded = ref(false)

const load = (): Promise<boolean> =>
  change(async () => {
    const last = entries.value.at(-1)
    const page = await call(endpoints.trail, { query: last ? { before: last.entry } : {} })
    entries.value = [...entries.value, ...page.entries]
    more.value = page.more
    isLoaded.value = true
  })
onMounted(load)
const nameOf = (personId: string | null): string =>
  (personId === null ? undefined : fleet.people.get(personId)?.name) ?? say('trail.nobody')
const days = computed(() => {
  const found = new Map<string, TrailEntry[]>()
  for (const entry of entries.value) {
    const day = formats.value.longDay(entry.at)
    found.set(day, [...(found.get(day) ?? []), entry])
  }
  return [...found]
})
</script>

<template>
  <section>
    <p class="soft">{{ $t('trail.hint') }}</p>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p v-if="isLoaded && entries.length === 0">{{ $t('trail.empty') }}</p>
    <section v-for="[day, own] in days" :key="day">
      <h2>{{ day }}</h2>
      <ol>
        <li v-for="entry in own" :key="entry.entry">
          <span class="num soft">{{ formats.clock(entry.at) }}</span>
          <span>
            {{ trailSentence(entry, say) }}
            <span v-for="line in trailFields(entry, say)" :key="line" class="small soft field">{{ line }}</span>
          </span>
          <span class="soft">{{ nameOf(entry.personId) }}</span>
        </li>
      </ol>
    </section>
    <p v-if="more">
      <AppButton @click="load">{{ $t('trail.older') }}</AppButton>
    </p>
  </section>
</template>

<style scoped>
h2 {
  margin-top: 18px;
}
li {
  display: grid;
  grid-template-columns: 56px minmax(0, 1fr) minmax(90px, 180px);
  gap: 12px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
  max-width: 860px;
}
.field {
  display: block;
  overflow-wrap: anywhere;
}
@media (max-width: 500px) {
  li {
    grid-template-columns: 48px minmax(0, 1fr);
    gap: 2px 12px;
  }
  li > :last-child {
    grid-column: 2;
  }
}
</style>
