<script setup lang="ts">
import { reactive } from 'vue'
import { payloads, type NewEvent } from '../../contract/events'
import type { KnifeView } from '../../contract/knives'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import MeasureField from '../ui/MeasureField.vue'

type Measured = Extract<NewEvent, { kind: 'measured' }>
const props = defineProps<{ knife: KnifeView }>()
const emit = defineEmits<{ record: [draft: Pick<Measured, 'kind' | 'knifeId' | 'payload'>] }>()
const FIELDS = ['heelHeightMm', 'spineMm', 'bteMm'] as const
const found = reactive<Record<(typeof FIELDS)[number], number | null>>({
  heelHeightMm: null,
  spineMm: null,
  bteMm: null,
})
const draft = (): object =>
  Object.fromEntries(FIELDS.flatMap((field) => (found[field] === null ? [] : [[field, found[field]]])))
async function record(payload: Measured['payload']): Promise<void> {
  emit('record', { kind: 'measured', knifeId: props.knife.id, payload })
}
</script>

<template>
  <AppForm :schema="payloads.measured" :draft="draft" :send="record">
    <p class="soft">{{ $t('knife.measureHint') }}</p>
    <MeasureField
      v-for="field in FIELDS"
      :key="field"
      v-model="found[field]"
      :name="field"
      :label="$t(`field.${field}`)"
      unit="mm"
      :usual="knife[field]"
      :hint="$t(`gain.${field}`)"
    />
    <div class="dialog-actions">
      <AppButton kind="main" type="submit">{{ $t('shell.record') }}</AppButton>
    </div>
  </AppForm>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
</style>
