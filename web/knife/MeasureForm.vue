<script setup lang="ts">
import { computed, reactive } from 'vue'
import type { NewEvent } from '../../contract/events'
import type { KnifeView } from '../../contract/knives'
import { Measure } from '../../contract/scalars'
import AppButton from '../ui/AppButton.vue'
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
const absurd = computed(() =>
  FIELDS.filter((field) => found[field] !== null && !Measure[field].safeParse(found[field]).success),
)
const ready = computed(() => absurd.value.length === 0 && FIELDS.some((field) => found[field] !== null))

function record(): void {
  const payload = Object.fromEntries(FIELDS.flatMap((field) => (found[field] === null ? [] : [[field, found[field]]])))
  emit('record', { kind: 'measured', knifeId: props.knife.id, payload })
}
</script>

<template>
  <form @submit.prevent="record">
    <p class="soft">{{ $t('knife.measureHint') }}</p>
    <MeasureField
      v-for="field in FIELDS"
      :key="field"
      v-model="found[field]"
      :label="$t(`field.${field}`)"
      unit="mm"
      :usual="knife[field]"
      :hint="$t(`gain.${field}`)"
      :wrong="absurd.includes(field) ? $t('knife.absurd') : ''"
    />
    <div class="dialog-actions">
      <AppButton kind="main" type="submit" :disabled="!ready">{{ $t('shell.record') }}</AppButton>
    </div>
  </form>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
</style>
