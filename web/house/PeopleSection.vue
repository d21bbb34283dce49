<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, reactive, ref } from 'vue'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import type { Person } from '../../contract/house'
import { STATED_HABITS, type StatedHabit } from '../../core/edge/fleet/habits'
import { HONE_TOOLS, type HoneTool } from '../../core/edge/model/hone'
import { PERSON_ROLES, type PersonRole } from '../../core/house/rights'
import { call } from '../api'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import AppForm from '../ui/AppForm.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'
import TextField from '../ui/TextField.vue'
import { useChange } from './useChange'

const fleet = useFleet()
const { refusal, change } = useChange()
const open = ref(false)
const editing = ref<Person | null>(null)
const form = reactive({
  id: '',
  name: '',
  role: 'cook' as PersonRole,
  pin: '',
  workingDps: null as number | null,
  honingHabit: 'asHouse' as StatedHabit | 'asHouse',
  honeTool: 'byKnife' as HoneTool | 'byKnife',
})
const habits = computed(() =>
  (['asHouse', ...STATED_HABITS] as const).map((value) => ({ value, label: say(`habit.${value}`) })),
)
const tools = computed(() => [
  { value: 'byKnife' as const, label: say('house.byKnife') },
  ...HONE_TOOLS.map((value) => ({ value, label: say(`toolChoice.${value}`) })),
])
const roles = computed(() => PERSON_ROLES.map((value) => ({ value, label: say(`person.${value}`) })))
const held = (person: Person): number =>
  fleet.knives.filter((knife) => knife.holderId === person.id && knife.status === 'in-service').length

function start(person: Person | null): void {
  editing.value = person
  Object.assign(form, {
    id: person?.id ?? newId(),
    name: person?.name ?? '',
    role: person?.role ?? 'cook',
    pin: '',
    workingDps: person?.workingDps ?? null,
    honingHabit: person?.honingHabit ?? 'asHouse',
    honeTool: person?.honeTool ?? 'byKnife',
  })
  open.value = true
}
function draft(): object {
  const { id, name, role, workingDps } = form
  const pin = form.pin === '' ? {} : { pin: form.pin }
  return editing.value
    ? {
        name,
        role,
        workingDps,
        honingHabit: form.honingHabit === 'asHouse' ? null : form.honingHabit,
        honeTool: form.honeTool === 'byKnife' ? null : form.honeTool,
        ...pin,
      }
    : { id, name, role, ...pin }
}
async function save(body: BodyOf<typeof endpoints.addPerson> | BodyOf<typeof endpoints.editPerson>): Promise<void> {
  await ('id' in body
    ? call(endpoints.addPerson, { body })
    : call(endpoints.editPerson, { params: { id: form.id }, body }))
  await fleet.load()
  open.value = false
}
const setActive = (person: Person, active: boolean): Promise<boolean> =>
  change(() => call(endpoints.editPerson, { params: { id: person.id }, body: { active } }))
</script>

<template>
  <section class="form-section">
    <p class="soft">{{ $t('house.peopleHint') }}</p>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <table class="plain">
      <thead>
        <tr>
          <th>{{ $t('field.name') }}</th>
          <th>{{ $t('field.role') }}</th>
          <th>{{ $t('house.signsIn') }}</th>
          <th>{{ $t('house.holds') }}</th>
          <th />
        </tr>
      </thead>
      <tbody>
        <tr v-for="person in fleet.fleet?.people ?? []" :key="person.id" :class="{ soft: !person.active }">
          <td>
            <b>{{ person.name }}</b>
          </td>
          <td>{{ $t(`person.${person.role}`) }}</td>
          <td>
            {{
              [
                person.signInName ? $t('house.byPassword', { name: person.signInName }) : '',
                person.hasPin ? $t('field.pin') : '',
              ]
                .filter(Boolean)
                .join(', ') || $t('house.cannot')
            }}
          </td>
          <td class="num">{{ say('rack.count', { n: held(person) }) }}</td>
          <td>
            <AppButton @click="start(person)">{{ $t('house.change') }}</AppButton>
            <AppButton kind="quiet" @click="setActive(person, !person.active)">
              {{ $t(person.active ? 'house.leaves' : 'house.returns') }}
            </AppButton>
          </td>
        </tr>
      </tbody>
    </table>
    <p>
      <AppButton kind="main" @click="start(null)">{{ $t('house.addPerson') }}</AppButton>
    </p>
    <AppDialog v-model:visible="open" :title="$t(editing ? 'house.change' : 'house.addPerson')" narrow>
      <AppForm :schema="editing ? endpoints.editPerson.body : endpoints.addPerson.body" :draft="draft" :send="save">
        <TextField v-model="form.name" name="name" :label="$t('field.name')" />
        <ChoiceField
          v-model="form.role"
          :label="$t('field.role')"
          :options="roles"
          :hint="$t(`house.role.${form.role}`)"
        />
        <TextField
          v-model="form.pin"
          name="pin"
          :label="$t('field.pin')"
          inputmode="numeric"
          :hint="$t(editing ? 'house.pinKeep' : 'house.pinHint')"
        />
        <MeasureField
          v-if="editing"
          v-model="form.workingDps"
          name="workingDps"
          :label="$t('field.workingDps')"
          unit="°"
          :hint="$t('house.workingHint')"
        />
        <ChoiceField v-if="editing" v-model="form.honingHabit" :label="$t('habit.label')" :options="habits" />
        <ChoiceField
          v-if="editing"
          v-model="form.honeTool"
          :label="$t('field.honeTool')"
          :options="tools"
          :hint="$t('house.honeToolHint')"
        />
        <template #actions="{ busy }">
          <div class="dialog-actions">
            <AppButton kind="main" type="submit" :disabled="busy">{{ $t('shell.save') }}</AppButton>
          </div>
        </template>
      </AppForm>
    </AppDialog>
  </section>
</template>
