<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, onMounted, reactive, ref, shallowRef } from 'vue'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import type { Person } from '../../contract/house'
import { STATED_HABITS, type StatedHabit } from '../../core/edge/fleet/habits'
import { HONE_TOOLS, type HoneTool } from '../../core/edge/model/hone'
import { PERSON_ROLES, type PersonRole } from '../../core/house/rights'
import { SKILLS, type Skill } from '../../core/house/skills'
import { call } from '../api'
import { byName, say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useNotices } from '../stores/notices'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import AppForm from '../ui/AppForm.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'
import TextField from '../ui/TextField.vue'
import { grouped } from '../../core/group'
import PersonRow from './PersonRow.vue'
import { useChange } from './useChange'

const formats = useFormats()
const fleet = useFleet()
const notices = useNotices()
const { refusal, change, changeWithUndo } = useChange()
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
const people = computed(() =>
  [...fleet.people.values()].sort((a, b) => Number(b.active) - Number(a.active) || byName(a, b)),
)
const held = computed(() =>
  grouped(
    fleet.knives.filter(({ status }) => status === 'in-service'),
    ({ holderId }) => holderId,
  ),
)
const skills = shallowRef<ReadonlyMap<string, readonly Skill[]> | null>(null)
onMounted(() =>
  change(async () => {
    const signed = grouped((await call(endpoints.crew)).skills, ({ personId }) => personId)
    skills.value = new Map(
      [...signed].map(([id, all]) => [id, SKILLS.filter((one) => all.some(({ skill }) => skill === one))]),
    )
  }),
)

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
  const before = editing.value
  if (!before) return
  const { id, name, role, workingDps, honingHabit, honeTool } = before
  // a PIN is known to nobody once it is set, so it stays as it is now
  notices.done(say('house.personSaved', { name: form.name }), async () => {
    await call(endpoints.editPerson, { params: { id }, body: { name, role, workingDps, honingHabit, honeTool } })
    await fleet.load()
  })
}
const given = ref<{ name: string; code: string; expiresAt: string } | null>(null)
const hasCode = computed({
  get: () => given.value !== null,
  set: () => {
    given.value = null
  },
})
/** Four letters at a time, as codes are read out. */
const spaced = (code: string): string => code.match(/.{1,4}/g)?.join(' ') ?? code
const giveCode = ({ id, name }: Person): Promise<boolean> =>
  change(async () => {
    open.value = false
    given.value = { name, ...(await call(endpoints.giveDoorCode, { params: { id } })) }
  })
function setActive(person: Person, active: boolean): void {
  const send = (is: boolean) => () => call(endpoints.editPerson, { params: { id: person.id }, body: { active: is } })
  const told = say(active ? 'house.returnedDone' : 'house.leftDone', { name: person.name })
  void changeWithUndo(send(active), told, send(!active))
}
</script>

<template>
  <section class="form-section">
    <p class="soft">{{ $t('house.peopleHint') }}</p>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <ul>
      <PersonRow
        v-for="person in people"
        :key="person.id"
        :person="person"
        :knives="held.get(person.id) ?? []"
        :skills="skills && (skills.get(person.id) ?? [])"
        @change="start(person)"
        @active="setActive(person, $event)"
      />
    </ul>
    <p>
      <AppButton kind="main" @click="start(null)">{{ $t('house.addPerson') }}</AppButton>
    </p>
    <AppDialog v-model:visible="hasCode" :title="$t('house.codeFor', { name: given?.name ?? '' })" narrow>
      <p class="code num">{{ spaced(given?.code ?? '') }}</p>
      <p>{{ $t('house.codeSay', { name: given?.name ?? '', time: formats.moment(given?.expiresAt ?? '') }) }}</p>
    </AppDialog>
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
            <AppButton v-if="editing?.active" kind="quiet" @click="giveCode(editing)">
              {{ $t('house.giveCode') }}
            </AppButton>
          </div>
        </template>
      </AppForm>
    </AppDialog>
  </section>
</template>

<style scoped>
.code {
  font-size: 1.5rem;
  font-weight: 700;
  letter-spacing: 0.08em;
  overflow-wrap: anywhere;
  padding: 6px 0 12px;
}
</style>
