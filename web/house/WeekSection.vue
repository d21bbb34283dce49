<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, onMounted, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { WeeklySpan } from '../../contract/house'
import type { Editable } from '../../contract/wire'
import { DAY_MS } from '../../core/time'
import { call } from '../api'
import { say } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import { editableCopy } from '../ui/editable'
import TextField from '../ui/TextField.vue'
import { useChange } from './useChange'
import WhenField from '../ui/WhenField.vue'

const { refusal, change } = useChange()
const spans = ref<Editable<WeeklySpan>[]>([])
const saved = ref('')
const WEEKDAYS = [1, 2, 3, 4, 5, 6, 7] as const
const MONDAY = Date.UTC(2024, 0, 1)
const dayName = (weekday: number): string =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'long', timeZone: 'UTC' }).format(MONDAY + (weekday - 1) * DAY_MS)
const kinds = computed(() => [
  { value: 'service' as const, label: say('house.service') },
  { value: 'quiet' as const, label: say('house.quiet') },
])
const changed = computed(() => JSON.stringify(spans.value) !== saved.value)

function take(week: readonly WeeklySpan[]): void {
  spans.value = editableCopy(week)
  saved.value = JSON.stringify(week)
}
onMounted(() =>
  change(async () => {
    take(await call(endpoints.week))
  }),
)

const ofDay = (weekday: number): Editable<WeeklySpan>[] => spans.value.filter((span) => span.weekday === weekday)
function add(weekday: number): void {
  spans.value.push({
    id: newId(),
    kind: 'service',
    weekday,
    name: say('house.newSpan'),
    starts: '12:00',
    ends: '14:30',
  })
}
function remove(id: string): void {
  spans.value = spans.value.filter((span) => span.id !== id)
}
function copyDay(weekday: number): void {
  const model = ofDay(weekday)
  spans.value = WEEKDAYS.flatMap((day) =>
    day === weekday ? model : model.map((span) => ({ ...span, id: newId(), weekday: day })),
  )
}
const save = (): Promise<boolean> =>
  change(async () => {
    take(await call(endpoints.setWeek, { body: spans.value }))
  })
</script>

<template>
  <section>
    <p class="soft">{{ $t('house.weekHint') }}</p>
    <div v-for="weekday in WEEKDAYS" :key="weekday" class="day">
      <h2>{{ dayName(weekday) }}</h2>
      <div>
        <div v-for="span in ofDay(weekday)" :key="span.id" class="span">
          <ChoiceField v-model="span.kind" :label="$t('field.kind')" :options="kinds" />
          <TextField v-model="span.name" :label="$t('field.name')" />
          <WhenField v-model="span.starts" :label="$t('field.starts')" kind="time" />
          <WhenField v-model="span.ends" :label="$t('field.ends')" kind="time" />
          <AppButton
            kind="quiet"
            :aria-label="$t('house.removeOf', { name: span.name, day: dayName(weekday) })"
            @click="remove(span.id)"
          >
            {{ $t('house.remove') }}
          </AppButton>
        </div>
        <p v-if="ofDay(weekday).length === 0" class="soft">{{ $t('house.closed') }}</p>
        <AppButton kind="quiet" @click="add(weekday)">{{ $t('house.addSpan') }}</AppButton>
        <AppButton kind="quiet" v-if="ofDay(weekday).length > 0" @click="copyDay(weekday)">
          {{ $t('house.copyDay') }}
        </AppButton>
      </div>
    </div>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p class="bar">
      <AppButton kind="main" :disabled="!changed" @click="save">{{ $t('house.saveWeek') }}</AppButton>
      <span class="soft small">{{ $t('house.fromNow') }}</span>
    </p>
  </section>
</template>

<style scoped>
.day {
  display: grid;
  grid-template-columns: 120px minmax(0, 1fr);
  gap: 14px;
  border-top: 1px solid var(--rule);
  padding: 12px 0;
}
.span {
  display: grid;
  grid-template-columns: 170px 1fr 130px 130px auto;
  gap: 12px;
  align-items: end;
  margin-bottom: 8px;
}
.bar {
  position: sticky;
  bottom: 0;
  background: var(--ground);
  padding: 10px 0;
  border-top: 3px solid var(--rule-strong);
}
@media (max-width: 860px) {
  .day,
  .span {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
