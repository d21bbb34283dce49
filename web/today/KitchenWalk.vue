<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, reactive } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { Person } from '../../contract/house'
import { call } from '../api'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import SegmentedChoice from '../ui/SegmentedChoice.vue'

/** What a chef sees in passing: steel out, knives in order. One touch a person; the last touch counts for that walk. */
const fleet = useFleet()
const session = useSession()
const notices = useNotices()
const seen = reactive(new Map<string, boolean>())
const answers = computed(() =>
  [true, false].map((value) => ({ value, label: say(value ? 'today.inOrder' : 'today.notInOrder') })),
)
const holders = computed(() => {
  const holding = new Set(fleet.knives.filter(({ status }) => status === 'in-service').map(({ holderId }) => holderId))
  return [...fleet.people.values()].filter(({ id, active }) => active && holding.has(id))
})

async function note(person: Person, inOrder: boolean): Promise<void> {
  const before = seen.get(person.id)
  seen.set(person.id, inOrder)
  try {
    await call(endpoints.recordWalks, {
      body: { walks: [{ id: newId(), personId: person.id, at: session.now().toISOString(), inOrder }] },
    })
  } catch (error) {
    if (before === undefined) seen.delete(person.id)
    else seen.set(person.id, before)
    notices.refused(refusalText(error))
  }
}
</script>

<template>
  <section class="walk heavy-rule no-print" :aria-label="$t('today.walk')">
    <p class="soft">{{ $t('today.walkHint') }}</p>
    <ul>
      <li v-for="person in holders" :key="person.id">
        <b>{{ person.name }}</b>
        <SegmentedChoice
          :model-value="seen.get(person.id)"
          :label="$t('today.walkOf', { name: person.name })"
          :options="answers"
          @update:model-value="(inOrder) => inOrder !== undefined && note(person, inOrder)"
        />
      </li>
    </ul>
  </section>
</template>

<style scoped>
.walk {
  margin-top: 12px;
}
ul {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(290px, 1fr));
  gap: 4px 24px;
}
li {
  display: flex;
  justify-content: space-between;
  align-items: center;
  gap: 10px;
  min-height: 52px;
}
</style>
