<script setup lang="ts">
import { computed, reactive } from 'vue'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import { EDGED_TYPES } from '../../core/knife/knifeTypes'
import { HONING_RULES, POLICY_SCOPES, SCHOOLS, type PolicyRule } from '../../core/policy/policy'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import CheckField from '../ui/CheckField.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'

/** One rule: whose knives, how often to the stone, how honed, in whose hands. It is sent with all the others. */
const props = defineProps<{
  rule: PolicyRule
  at: number
  rules: readonly PolicyRule[]
  save: (policies: readonly PolicyRule[]) => Promise<void>
}>()
const fleet = useFleet()
const form = reactive({ ...props.rule, weeks: props.rule.weeks as number | null })
const wordsOf = <T extends string>(values: readonly T[], key: string): { value: T; label: string }[] =>
  values.map((value) => ({ value, label: say(`${key}.${value}`) }))
const scopes = computed(() => wordsOf(POLICY_SCOPES, 'rules.scopes'))
const schools = computed(() => wordsOf(SCHOOLS, 'rules.schools'))
const honings = computed(() => wordsOf(HONING_RULES, 'rules.honings'))
const times = computed(() => ([2, 3] as const).map((value) => ({ value, label: say(`rules.timesOf.${value}`) })))
const targets = computed(() => {
  if (form.scope === 'type') return wordsOf(EDGED_TYPES, 'type')
  const named = form.scope === 'station' ? [...fleet.stations.values()] : [...fleet.people.values()]
  return named.filter(({ active }) => active).map(({ id, name }) => ({ value: id, label: name }))
})
const scope = computed({
  get: () => form.scope,
  set: (chosen) => {
    form.scope = chosen
    form.of = chosen === 'house' ? '' : (targets.value[0]?.value ?? '')
  },
})
const path = (field: keyof PolicyRule): string => `policies.${props.at}.${field}`
const draft = (): object => ({
  policies:
    props.at < props.rules.length
      ? props.rules.map((rule, number) => (number === props.at ? { ...form } : rule))
      : [...props.rules, { ...form }],
})
const send = async ({ policies }: BodyOf<typeof endpoints.editHouse>): Promise<void> => {
  if (policies) await props.save(policies)
}
</script>

<template>
  <AppForm :schema="endpoints.editHouse.body" :draft="draft" :send="send">
    <ChoiceField v-model="scope" :label="$t('rules.scope')" :options="scopes" />
    <ChoiceField
      v-if="form.scope !== 'house'"
      v-model="form.of"
      :name="path('of')"
      :label="$t('rules.which')"
      :options="targets"
      searchable
    />
    <ChoiceField
      v-model="form.school"
      :name="path('school')"
      :label="$t('rules.school')"
      :options="schools"
      :hint="$t(`rules.about.${form.school}`)"
    />
    <MeasureField
      v-if="form.school === 'every-weeks'"
      v-model="form.weeks"
      :name="path('weeks')"
      :label="$t('rules.weeks')"
    />
    <ChoiceField
      v-if="form.school === 'few-a-year'"
      v-model="form.timesAYear"
      :label="$t('rules.times')"
      :options="times"
    />
    <ChoiceField v-model="form.honing" :name="path('honing')" :label="$t('rules.honing')" :options="honings" />
    <CheckField v-model="form.ownHands" :label="$t('rules.hands')" />
    <p class="soft small">{{ $t('rules.handsHint') }}</p>
    <template #actions="{ busy }">
      <div class="dialog-actions">
        <AppButton kind="main" type="submit" :disabled="busy">{{ $t('shell.save') }}</AppButton>
      </div>
    </template>
  </AppForm>
</template>
