<script setup lang="ts">
import { computed, reactive } from 'vue'
import { useRoute } from 'vue-router'
import type { z } from 'zod'
import { endpoints } from '../../contract/endpoints'
import { FirstRun, type SignedIn } from '../../contract/house'
import { STATED_HABITS, type StatedHabit } from '../../core/edge/fleet/habits'
import { call } from '../api'
import { language, say } from '../spoken'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import PasswordField from '../ui/PasswordField.vue'
import TextField from '../ui/TextField.vue'
import { timeZoneChoices } from '../ui/timeZones'

const emit = defineEmits<{ entered: [who: SignedIn] }>()
/** The start gives its code inside the address, and so does the link of a chain; who came another way types it. */
const { house: link, code = link } = useRoute().query
const isGiven = typeof code === 'string' && code !== ''
const form = reactive({
  setUpCode: isGiven ? code : '',
  houseName: '',
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  units: 'mm' as 'mm' | 'in',
  language: language.value,
  honingHabit: 'unsaid' as StatedHabit | 'unsaid',
  managerName: '',
  signInName: '',
  password: '',
})
const zones = timeZoneChoices(form.zone)
const units = computed(() => [
  { value: 'mm' as const, label: say('door.mm') },
  { value: 'in' as const, label: say('door.inches') },
])

const habits = computed(() =>
  (['unsaid', ...STATED_HABITS] as const).map((value) => ({ value, label: say(`habit.${value}`) })),
)

const draft = (): unknown => ({ ...form, honingHabit: form.honingHabit === 'unsaid' ? null : form.honingHabit })
async function make(body: z.output<typeof FirstRun>): Promise<void> {
  emit('entered', await call(endpoints.firstRun, { body }))
}
</script>

<template>
  <AppForm :schema="FirstRun" :draft="draft" :send="make">
    <h1>{{ $t(link ? 'door.chainHouse' : 'door.newHouse') }}</h1>
    <p class="soft">{{ $t(link ? 'door.chainHouseHint' : 'door.newHouseHint') }}</p>
    <TextField
      v-if="!isGiven"
      v-model="form.setUpCode"
      name="setUpCode"
      :label="$t('door.setUpCode')"
      :hint="$t('door.setUpCodeHint')"
      autocomplete="off"
    />
    <TextField v-model="form.houseName" name="houseName" :label="$t('field.houseName')" />
    <ChoiceField
      v-model="form.zone"
      name="zone"
      :label="$t('door.zone')"
      :options="zones"
      searchable
      :hint="$t('door.zoneHint')"
    />
    <ChoiceField v-model="form.units" :label="$t('field.units')" :options="units" />
    <ChoiceField v-model="form.honingHabit" :label="$t('habit.label')" :options="habits" :hint="$t('habit.hint')" />
    <TextField v-model="form.managerName" name="managerName" :label="$t('field.managerName')" autocomplete="name" />
    <TextField
      v-model="form.signInName"
      name="signInName"
      :label="$t('field.signInName')"
      :hint="$t('door.signInNameHint')"
      autocomplete="username"
    />
    <PasswordField
      v-model="form.password"
      name="password"
      :label="$t('field.password')"
      :hint="$t('door.passwordHint')"
      autocomplete="new-password"
    />
    <template #actions="{ busy }">
      <AppButton kind="main" type="submit" :disabled="busy">{{ $t('door.make') }}</AppButton>
    </template>
  </AppForm>
</template>

<style scoped>
form {
  display: grid;
  gap: 14px;
  justify-items: stretch;
}
.button {
  justify-self: start;
}
</style>
