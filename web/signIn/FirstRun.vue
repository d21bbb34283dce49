<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { FirstRun, type SignedIn } from '../../contract/house'
import { STATED_HABITS, type StatedHabit } from '../../core/edge/fleet/habits'
import { issueWords } from '../../words/faults'
import { call, Refusal } from '../api'
import { say } from '../i18n'
import { refusalText } from '../refusalText'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import TextField from '../ui/TextField.vue'

const emit = defineEmits<{ entered: [who: SignedIn] }>()
const form = reactive({
  houseName: '',
  zone: Intl.DateTimeFormat().resolvedOptions().timeZone,
  units: 'mm' as 'mm' | 'in',
  honingHabit: 'unsaid' as StatedHabit | 'unsaid',
  managerName: '',
  signInName: '',
  password: '',
})
const wrong = ref<Readonly<Record<string, string>>>({})
const refusal = ref('')
const zones = Intl.supportedValuesOf('timeZone')
const units = computed(() => [
  { value: 'mm' as const, label: say('door.mm') },
  { value: 'in' as const, label: say('door.inches') },
])

const habits = computed(() =>
  (['unsaid', ...STATED_HABITS] as const).map((value) => ({ value, label: say(`habit.${value}`) })),
)

async function make(): Promise<void> {
  refusal.value = ''
  const read = FirstRun.safeParse({ ...form, honingHabit: form.honingHabit === 'unsaid' ? null : form.honingHabit })
  wrong.value = read.success
    ? {}
    : Object.fromEntries(issueWords(read.error.issues, say).map((issue) => [issue.path, issue.sentence]))
  if (!read.success) return
  try {
    emit('entered', await call(endpoints.firstRun, { body: read.data }))
  } catch (error) {
    refusal.value = refusalText(error)
    if (error instanceof Refusal)
      wrong.value = Object.fromEntries(error.issues.map((issue) => [issue.path, issue.sentence]))
  }
}
</script>

<template>
  <form @submit.prevent="make">
    <h1>{{ $t('door.newHouse') }}</h1>
    <p class="soft">{{ $t('door.newHouseHint') }}</p>
    <TextField v-model="form.houseName" :label="$t('field.houseName')" :wrong="wrong['houseName']" />
    <TextField
      v-model="form.zone"
      :label="$t('door.zone')"
      :wrong="wrong['zone']"
      list="zones"
      :hint="$t('door.zoneHint')"
    />
    <datalist id="zones"><option v-for="zone in zones" :key="zone" :value="zone" /></datalist>
    <ChoiceField v-model="form.units" :label="$t('field.units')" :options="units" />
    <ChoiceField v-model="form.honingHabit" :label="$t('habit.label')" :options="habits" :hint="$t('habit.hint')" />
    <TextField
      v-model="form.managerName"
      :label="$t('field.managerName')"
      :wrong="wrong['managerName']"
      autocomplete="name"
    />
    <TextField
      v-model="form.signInName"
      :label="$t('field.signInName')"
      :wrong="wrong['signInName']"
      :hint="$t('door.signInNameHint')"
      autocomplete="username"
    />
    <TextField
      v-model="form.password"
      :label="$t('field.password')"
      type="password"
      :wrong="wrong['password']"
      :hint="$t('door.passwordHint')"
      autocomplete="new-password"
    />
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <AppButton kind="main" type="submit">{{ $t('door.make') }}</AppButton>
  </form>
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
