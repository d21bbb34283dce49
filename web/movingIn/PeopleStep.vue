<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, reactive, shallowRef } from 'vue'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import type { WeeklySpan } from '../../contract/house'
import type { Crew } from '../../contract/week'
import { PERSON_ROLES, type PersonRole } from '../../core/house/rights'
import type { Skill } from '../../core/house/skills'
import { call } from '../api'
import { useChange } from '../house/useChange'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import TextField from '../ui/TextField.vue'
import { houseDay } from './houseDay'
import MovingPerson from './MovingPerson.vue'

/** Who works here: name and post, the days they are in, and whether they may go to the stones. */
const emit = defineEmits<{ settled: [] }>()
const fleet = useFleet()
const { refusal, change } = useChange()
const crew = shallowRef<Crew | null>(null)
const week = shallowRef<readonly WeeklySpan[]>([])
void change(async () => {
  crew.value = await call(endpoints.crew)
  week.value = await call(endpoints.week)
})
const form = reactive({ name: '', role: 'cook' as PersonRole, pin: '' })
const roles = computed(() => PERSON_ROLES.map((value) => ({ value, label: say(`person.${value}`) })))
const people = computed(() => [...fleet.people.values()].filter(({ active }) => active))

const draft = (): object => ({
  id: newId(),
  name: form.name,
  role: form.role,
  ...(form.pin === '' ? {} : { pin: form.pin }),
})
async function add(body: BodyOf<typeof endpoints.addPerson>): Promise<void> {
  await call(endpoints.addPerson, { body })
  await fleet.load()
  Object.assign(form, { name: '', pin: '' })
}
/** Whoever comes on a day is there from its first span to its last; times somebody gave before stay. */
const setDays = (id: string, days: readonly number[]): Promise<boolean> =>
  change(async () => {
    const kept = crew.value?.shifts.filter(({ personId, weekday }) => personId === id && days.includes(weekday)) ?? []
    const more = days.filter((day) => kept.every(({ weekday }) => weekday !== day))
    const shifts = [
      ...kept.map(({ weekday, starts, ends }) => ({ weekday, starts, ends })),
      ...more.map((weekday) => ({ weekday, ...houseDay(week.value, weekday) })),
    ]
    crew.value = await call(endpoints.setShifts, { params: { id }, body: { shifts } })
  })
const setSkills = (id: string, skills: readonly Skill[]): Promise<boolean> =>
  change(async () => {
    crew.value = await call(endpoints.setSkills, { params: { id }, body: { skills: [...skills] } })
  })
</script>

<template>
  <section class="form-section">
    <p class="soft">{{ $t('movingIn.peopleHint') }}</p>
    <AppForm :schema="endpoints.addPerson.body" :draft="draft" :send="add">
      <div class="add">
        <TextField v-model="form.name" name="name" :label="$t('field.name')" />
        <ChoiceField v-model="form.role" :label="$t('field.role')" :options="roles" />
        <TextField
          v-model="form.pin"
          name="pin"
          :label="$t('field.pin')"
          inputmode="numeric"
          :placeholder="$t('movingIn.pinLater')"
        />
      </div>
      <template #actions="{ busy }">
        <p>
          <AppButton type="submit" :disabled="busy">{{ $t('house.addPerson') }}</AppButton>
        </p>
      </template>
    </AppForm>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <ul v-if="crew">
      <MovingPerson
        v-for="person in people"
        :key="person.id"
        :person="person"
        :shifts="crew.shifts.filter(({ personId }) => personId === person.id)"
        :skills="crew.skills.filter(({ personId }) => personId === person.id).map(({ skill }) => skill)"
        @days="setDays(person.id, $event)"
        @skills="setSkills(person.id, $event)"
      />
    </ul>
    <p class="save-bar">
      <AppButton kind="main" @click="emit('settled')">{{ $t('movingIn.peopleRight') }}</AppButton>
    </p>
  </section>
</template>

<style scoped>
.add {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 12rem), 1fr));
  gap: 12px;
  align-items: start;
}
</style>
