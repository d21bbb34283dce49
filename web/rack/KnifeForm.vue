<script setup lang="ts">
import { computed, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import type { KnifeView } from '../../contract/knives'
import { GRINDS, KNIFE_TYPES, TYPE_TEMPLATES, isCountedOnly, knifeDefaults } from '../../core/knife/knifeTypes'
import { STEELS, steelByEn } from '../../core/knife/steels'
import { call } from '../api'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'
import SuggestField from '../ui/SuggestField.vue'
import TextField from '../ui/TextField.vue'
import { describeDraft, knifeDraft } from './knifeDraft'
import FoldSection from '../ui/FoldSection.vue'
import WhenField from '../ui/WhenField.vue'

const props = defineProps<{ knife: KnifeView | null }>()
const emit = defineEmits<{ done: [] }>()
const fleet = useFleet()
const router = useRouter()
const stations = computed(() =>
  [...fleet.stations.values()].filter((station) => station.active).map(({ id, name }) => ({ value: id, label: name })),
)
const draft = knifeDraft(props.knife, stations.value[0]?.value ?? '')
const usual = computed(() =>
  knifeDefaults(draft.type, draft.lengthMm ?? knifeDefaults(draft.type, 200).typicalLengthMm),
)
/** What is only counted has no blade to describe. */
const isCounted = computed(() => isCountedOnly(draft.type))
watch(
  () => draft.type,
  () => {
    if (isCounted.value && draft.lengthMm === null) draft.lengthMm = TYPE_TEMPLATES[draft.type].typicalLengthMm
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
/** Empty means unknown; a steel of which the house knows only the number may be typed as well. */
const steel = computed({
  get: () => draft.steelEn ?? '',
  set: (en) => {
    draft.steelEn = en.trim() === '' ? null : en.trim()
  },
})
const steels = STEELS.map(({ en, symbol }) => ({ value: en, also: symbol }))
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

/** What would be sent: a new knife with its place, or the corrections to one. */
function body(): object {
  const fields = describeDraft(draft, usual.value.ratioRight)
  if (props.knife) return fields
  const { id, stationId, holderId, condition } = draft
  return { ...fields, id, stationId, holderId, condition }
}
async function save(read: BodyOf<typeof endpoints.addKnife> | BodyOf<typeof endpoints.editKnife>): Promise<void> {
  const view = await ('id' in read
    ? call(endpoints.addKnife, { body: read })
    : call(endpoints.editKnife, { params: { id: draft.id }, body: read }))
  fleet.accept([view])
  emit('done')
  await router.push({ name: 'knife', params: { code: view.code } })
}
</script>

<template>
  <AppForm :schema="knife ? endpoints.editKnife.body : endpoints.addKnife.body" :draft="body" :send="save">
    <p v-if="!knife" class="soft">{{ $t('form.enough') }}</p>
    <div class="form-grid">
      <ChoiceField v-model="draft.type" :label="$t('field.type')" :options="types" />
      <MeasureField
        v-if="!isCounted"
        v-model="draft.lengthMm"
        :label="$t('field.lengthMm')"
        unit="mm"
        name="lengthMm"
      />
      <template v-if="!knife">
        <ChoiceField v-model="draft.stationId" :label="$t('field.stationId')" :options="stations" name="stationId" />
        <ChoiceField v-model="draft.holderId" :label="$t('field.holderId')" :options="people" />
        <ChoiceField v-model="draft.condition" :label="$t('field.condition')" :options="conditions" />
      </template>
      <TextField
        v-model="draft.code"
        :label="$t('field.code')"
        :placeholder="`${usual.codePrefix}-…`"
        :hint="knife ? '' : $t('form.codeHint')"
        name="code"
      />
      <TextField v-model="draft.name" :label="$t('form.nickname')" name="name" />
    </div>
    <div v-if="isCounted" class="form-grid">
      <MeasureField v-model="draft.price" :label="$t('field.price')" name="price" />
      <WhenField v-model="draft.boughtOn" :label="$t('field.boughtOn')" kind="day" name="boughtOn" />
    </div>
    <FoldSection v-else :title="$t('form.measured')" :opened="Boolean(knife)">
      <p class="soft small">{{ $t('form.measuredHint') }}</p>
      <div class="form-grid">
        <MeasureField
          v-model="draft.heelHeightMm"
          :label="$t('field.heelHeightMm')"
          unit="mm"
          :usual="usual.heelHeightMm"
          name="heelHeightMm"
        />
        <MeasureField
          v-model="draft.spineMm"
          :label="$t('field.spineMm')"
          unit="mm"
          :usual="usual.spineMm"
          name="spineMm"
        />
        <MeasureField v-model="draft.bteMm" :label="$t('field.bteMm')" unit="mm" :usual="usual.bteMm" name="bteMm" />
        <MeasureField
          v-model="draft.bteNewMm"
          :label="$t('field.bteNewMm')"
          unit="mm"
          :usual="usual.bteMm"
          name="bteNewMm"
        />
        <MeasureField
          v-model="draft.dpsLeft"
          :label="$t('field.dpsLeft')"
          unit="°"
          :usual="usual.dpsLeft"
          name="dpsLeft"
        />
        <MeasureField
          v-model="draft.dpsRight"
          :label="$t('field.dpsRight')"
          unit="°"
          :usual="usual.dpsRight"
          name="dpsRight"
        />
        <MeasureField
          v-model="draft.ratioRight"
          :label="$t('field.ratioRight')"
          unit="%"
          :usual="usual.ratioRight"
          name="ratioRight"
        />
        <ChoiceField v-model="draft.grind" :label="$t('field.grind')" :options="grinds" />
        <ChoiceField v-model="serrated" :label="$t('form.edge')" :options="teeth" />
        <SuggestField
          v-model="steel"
          name="steelEn"
          :label="$t('field.steelEn')"
          :suggestions="steels"
          :hint="$t('form.steelHint')"
        />
        <MeasureField
          v-model="draft.hrc"
          :label="$t('field.hrc')"
          unit="HRC"
          :usual="steelByEn(draft.steelEn ?? '')?.typicalHrc ?? 57"
          name="hrc"
        />
        <MeasureField v-model="draft.price" :label="$t('field.price')" name="price" />
        <WhenField v-model="draft.boughtOn" :label="$t('field.boughtOn')" kind="day" name="boughtOn" />
      </div>
    </FoldSection>
    <template #actions="{ busy }">
      <div class="dialog-actions">
        <AppButton kind="quiet" @click="emit('done')">{{ $t('shell.cancel') }}</AppButton>
        <AppButton kind="main" type="submit" :disabled="busy">{{
          knife ? $t('shell.save') : $t('rack.add')
        }}</AppButton>
      </div>
    </template>
  </AppForm>
</template>

<style scoped>
form {
  display: grid;
  gap: 16px;
}
p {
  margin-bottom: 12px;
}
</style>
