<script setup lang="ts">
import { computed } from 'vue'
import type { SessionLine } from '../../contract/bench'
import { endpoints } from '../../contract/endpoints'
import type { KnifeView } from '../../contract/knives'
import { recipeName } from '../../words/bench'
import { capital } from '../../words/format'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useResource } from '../live/resource'

const props = defineProps<{ knife: KnifeView }>()
const fleet = useFleet()
const formats = useFormats()
// the log beside it says when nothing can be read; this list just stays as it was
const asked = useResource(endpoints.knifeSessions, () => ({ params: { id: props.knife.id } }))
const sessions = computed(() => asked.value.value ?? [])
const besideWords = ({ besideId }: SessionLine): string => {
  const name = fleet.people.get(besideId ?? '')?.name
  return name === undefined ? '' : say('session.beside', { name })
}
const ending = ({ outcome }: SessionLine): string =>
  outcome === 'finished' ? '' : say(outcome === null ? 'session.open' : 'session.brokenOff')
</script>

<template>
  <section v-if="sessions.length > 0" class="heavy-rule">
    <h2>{{ $t('session.all') }}</h2>
    <ul>
      <li v-for="session in sessions" :key="session.id">
        <RouterLink :to="{ name: 'session', params: { code: knife.code, id: session.id } }">{{
          capital(recipeName(session.recipeId, session.recipeName, say))
        }}</RouterLink>
        <span class="soft small num">{{
          [
            formats.moment(session.startedAt),
            fleet.people.get(session.startedBy)?.name,
            besideWords(session),
            ending(session),
          ]
            .filter(Boolean)
            .join(', ')
        }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: grid;
  gap: 2px;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
li .num {
  white-space: normal;
}
</style>
