<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import type { WeeklySpan } from '../../contract/house'
import type { AcceptedPlan, Crew } from '../../contract/week'
import { MINUTE_MS } from '../../core/time'
import { call } from '../api'
import { useChange } from '../house/useChange'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import { useNotices } from '../stores/notices'
import { useAddressed } from '../ui/useAddressed'
import BenchList from './BenchList.vue'
import ShiftDialog from './ShiftDialog.vue'
import ShiftTable from './ShiftTable.vue'
import SkillTable from './SkillTable.vue'
import SpecialDays from './SpecialDays.vue'

const fleet = useFleet()
const notices = useNotices()
const { refusal, change } = useChange()
const crew = shallowRef<Crew | null>(null)
const accepted = shallowRef<AcceptedPlan | null>(null)
const week = shallowRef<readonly WeeklySpan[]>([])
const editing = ref<string | null>(null)
useAddressed(editing, 'person', null)
const people = computed(() => [...fleet.people.values()].filter(({ active }) => active))
async function reloadCrew(): Promise<void> {
  await change(async () => {
    crew.value = await call(endpoints.crew)
  })
}
onMounted(async () => {
  await reloadCrew()
  await change(async () => {
    week.value = await call(endpoints.week)
  })
  await change(async () => {
    accepted.value = (await call(endpoints.plan)).accepted
  })
})
/** Minutes of bench work the accepted plan gives each person. */
const load = computed(() => {
  const minutes = new Map<string, number>()
  for (const { personId, startsAt, endsAt } of accepted.value?.sessions ?? [])
    minutes.set(personId, (minutes.get(personId) ?? 0) + (Date.parse(endsAt) - Date.parse(startsAt)) / MINUTE_MS)
  return minutes
})
/** The dialog is gone by then, so its screen is what gives the shifts back. */
function saved(before: ReadonlyMap<string, BodyOf<typeof endpoints.setShifts>['shifts']>): void {
  const names = [...before.keys()].map((id) => fleet.people.get(id)?.name ?? '').join(', ')
  notices.done(say('crew.shiftsSaved', { name: names }), async () => {
    for (const [id, shifts] of before)
      crew.value = await call(endpoints.setShifts, { params: { id }, body: { shifts } })
  })
}
const open = computed({
  get: () => editing.value !== null,
  set: (is) => {
    if (!is) editing.value = null
  },
})
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('crew.title') }}</h1>
      <span class="soft">{{ $t('crew.hint') }}</span>
    </header>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p v-if="!crew && !refusal" class="lead">{{ $t('shell.loading') }}</p>
    <template v-if="crew">
      <p v-if="crew.shifts.length === 0" class="lead">{{ $t('crew.nobody') }}</p>
      <ShiftTable :crew="crew" :people="people" :load="load" :week="week" @edit="editing = $event" />
      <SkillTable :people="people" @changed="reloadCrew" />
      <div class="columns">
        <BenchList :crew="crew" @changed="crew = $event" />
        <SpecialDays :crew="crew" @changed="crew = $event" />
      </div>
      <ShiftDialog
        v-if="editing && fleet.people.has(editing)"
        v-model:visible="open"
        :crew="crew"
        :person-id="editing"
        @changed="crew = $event"
        @saved="saved"
      />
    </template>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 2fr);
  gap: 28px;
  margin-top: 22px;
}
@media (max-width: 900px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
