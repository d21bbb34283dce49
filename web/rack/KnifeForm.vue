<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import { endpoints } from '../../contract/endpoints'
import { KnifePatch, NewKnife, type KnifeView } from '../../contract/knives'
import { GRINDS, KNIFE_TYPES, knifeDefaults } from '../../core/knife/knifeTypes'
import { STEELS, steelByEn } from '../../core/knife/steels'
import { issueWords } from '../../words/faults'
import { call, Refusal } from '../api'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import { refusalText } from '../refusalText'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'
import TextField from '../ui/TextField.vue'
import { describeDraft, knifeDraft } from './knifeDraft'

const props = defineProps<{ knife: KnifeView | null }>()
const emit = defineEmits<{ done: [] }>()
const fleet = useFleet()
const router = useRouter()
const stations = computed(() =>
  [...fleet.stations.values()].filter((station) => station.active).map(({ id, name }) => ({ value: id, label: name })),
)
const draft = knifeDraft(props.knife, stations.value[0]?.value ?? '')
const wrong = ref<Readonly<Record<string, string>>>({})
const refusal = ref('')
const usual = computed(() =>
  knifeDefaults(draft.type, draft.lengthMm ?? knifeDefaults(draft.type, 200).typicalLengthMm),
)
watch(
  () => draft.type,
  () => {
    draft.grind = usual.value.grind
    draft.serrated = usual.value.serrated
  },
)

const types = computed(() => KNIFE_TYPES.map((value) => ({ value, label: say(`type.${value}`) })))
const people = computed(() => [
  { value: null, label: say('rack.nobody') },
  ...[...fleet.people.values()].filter((one) => one.active).map(({ id, name }) => ({ value: id, label: name })),
])
const grinds = computed(() => GRINDS.map((value) => ({ value, label: say(`grind.${value}`) })))
const steels = computed(() => [
  { value: null, label: say('form.steelUnknown') },
  ...STEELS.map(({ en, symbol }) => ({ value: en, label: `${en} ${symbol}` })),
])
const conditions = computed(() => [
  { value: 'in-use' as const, label: say('form.inUse') },
  { value: 'new' as const, label: say('form.new') },
])
const teeth = computed(() => [
  { value: 0, label: say('form.plain') },
  { value: 1, label: say('form.serrated') },
])
const serrated = computed({
  get: () => Number(draft.serrated),
  set: (value) => {
    draft.serrated = value === 1
  },
})

async function save(): Promise<KnifeView | null> {
  const fields = describeDraft(draft, usual.value.ratioRight)
  if (props.knife) {
    const read = KnifePatch.safeParse(fields)
    if (!read.success) return note(read.error.issues)
    return await call(endpoints.editKnife, { params: { id: draft.id }, body: read.data })
  }
  const read = NewKnife.safeParse({
    ...fields,
    id: draft.id,
    stationId: draft.stationId,
    holderId: draft.holderId,
    condition: draft.condition,
  })
  if (!read.success) return note(read.error.issues)
  return await call(endpoints.addKnife, { body: read.data })
}
function note(issues: Parameters<typeof issueWords>[0]): null {
  wrong.value = Object.fromEntries(issueWords(issues, say).map((issue) => [issue.path, issue.sentence]))
  return null
}
async function submit(): Promise<void> {
  refusal.value = ''
  wrong.value = {}
  try {
    const view = await save()
    if (!view) return
    fleet.accept([view])
    emit('done')
    await router.push({ name: 'knife', params: { code: view.code } })
  } catch (error) {
    refusal.value = refusalText(error)
    if (error instanceof Refusal)
      wrong.value = Object.fromEntries(error.issues.map((issue) => [issue.path, issue.sentence]))
  }
}
</script>

<template>
  <form @submit.prevent="submit">
    <p v-if="!knife" class="soft">{{ $t('form.enough') }}</p>
    <div class="form-grid">
      <ChoiceField v-model="draft.type" :label="$t('field.type')" :options="types" />
      <MeasureField v-model="draft.lengthMm" :label="$t('field.lengthMm')" unit="mm" :wrong="wrong['lengthMm']" />
      <template v-if="!knife">
        <ChoiceField
          v-model="draft.stationId"
          :label="$t('field.stationId')"
          :options="stations"
          :wrong="wrong['stationId']"
        />
        <ChoiceField v-model="draft.holderId" :label="$t('field.holderId')" :options="people" />
        <ChoiceField v-model="draft.condition" :label="$t('field.condition')" :options="conditions" />
      </template>
      <TextField
        v-model="draft.code"
        :label="$t('field.code')"
        :placeholder="`${usual.codePrefix}-…`"
        :hint="knife ? '' : $t('form.codeHint')"
        :wrong="wrong['code']"
      />
      <TextField v-model="draft.name" :label="$t('form.nickname')" :wrong="wrong['name']" />
    </div>
    <details :open="Boolean(knife)">
      <summary>{{ $t('form.measured') }}</summary>
      <p class="soft small">{{ $t('form.measuredHint') }}</p>
      <div class="form-grid">
        <MeasureField
          v-model="draft.heelHeightMm"
          :label="$t('field.heelHeightMm')"
          unit="mm"
          :usual="usual.heelHeightMm"
          :wrong="wrong['heelHeightMm']"
        />
        <MeasureField
          v-model="draft.spineMm"
          :label="$t('field.spineMm')"
          unit="mm"
          :usual="usual.spineMm"
          :wrong="wrong['spineMm']"
        />
        <MeasureField
          v-model="draft.bteMm"
          :label="$t('field.bteMm')"
          unit="mm"
          :usual="usual.bteMm"
          :wrong="wrong['bteMm']"
        />
        <MeasureField
          v-model="draft.bteNewMm"
          :label="$t('field.bteNewMm')"
          unit="mm"
          :usual="usual.bteMm"
          :wrong="wrong['bteNewMm']"
        />
        <MeasureField
          v-model="draft.dpsLeft"
          :label="$t('field.dpsLeft')"
          unit="°"
          :usual="usual.dpsLeft"
          :wrong="wrong['dpsLeft']"
        />
        <MeasureField
          v-model="draft.dpsRight"
          :label="$t('field.dpsRight')"
          unit="°"
          :usual="usual.dpsRight"
          :wrong="wrong['dpsRight']"
        />
        <MeasureField
          v-model="draft.ratioRight"
          :label="$t('field.ratioRight')"
          unit="%"
          :usual="usual.ratioRight"
          :wrong="wrong['ratioRight']"
        />
        <ChoiceField v-model="draft.grind" :label="$t('field.grind')" :options="grinds" />
        <ChoiceField v-model="serrated" :label="$t('form.edge')" :options="teeth" />
        <ChoiceField v-model="draft.steelEn" :label="$t('field.steelEn')" :options="steels" />
        <MeasureField
          v-model="draft.hrc"
          :label="$t('field.hrc')"
          unit="HRC"
          :usual="steelByEn(draft.steelEn ?? '')?.typicalHrc ?? 57"
          :wrong="wrong['hrc']"
        />
        <MeasureField v-model="draft.price" :label="$t('field.price')" :wrong="wrong['price']" />
        <TextField v-model="draft.boughtOn" :label="$t('field.boughtOn')" type="date" :wrong="wrong['boughtOn']" />
      </div>
    </details>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <div class="dialog-actions">
      <AppButton kind="quiet" @click="emit('done')">{{ $t('shell.cancel') }}</AppButton>
      <AppButton kind="main" type="submit">{{ knife ? $t('shell.save') : $t('rack.add') }}</AppButton>
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 16px;
}
summary {
  font-weight: 700;
  cursor: pointer;
  padding: 10px 0;
}
details p {
  margin-bottom: 12px;
}
</style>
