<script setup lang="ts">
import { computed, ref } from 'vue'
import { payloads, type NewEvent } from '../../contract/events'
import type { KnifeView } from '../../contract/knives'
import { grainMicrons } from '../../core/abrasive/grain'
import { say } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'

type Sharpened = Extract<NewEvent, { kind: 'sharpened' }>
const props = defineProps<{ knife: KnifeView }>()
const emit = defineEmits<{ record: [draft: Pick<Sharpened, 'kind' | 'knifeId' | 'payload'>] }>()
const GRITS = [220, 320, 400, 600, 800, 1000, 2000, 3000, 4000, 6000, 8000] as const
const start = ref(props.knife.verdict.startGrit ?? 1000)
const finish = ref(3000)
const minutes = ref<number | null>(null)
const grits = computed(() => GRITS.map((value) => ({ value: value as number, label: `#${value}` })))
const backwards = computed(() => finish.value < start.value)

const draft = (): object => ({
  startGrit: start.value,
  finishMicron: grainMicrons({ scale: 'JIS', value: finish.value }),
  ...(minutes.value === null ? {} : { minutes: minutes.value }),
})
async function record(payload: Sharpened['payload']): Promise<void> {
  if (!backwards.value) emit('record', { kind: 'sharpened', knifeId: props.knife.id, payload })
}
</script>

<template>
  <AppForm :schema="payloads.sharpened" :draft="draft" :send="record">
    <p class="soft">{{ $t('knife.sharpenedHint') }}</p>
    <ChoiceField v-model="start" :label="$t('knife.firstStone')" :options="grits" />
    <ChoiceField
      v-model="finish"
      :label="$t('knife.lastStone')"
      :options="grits"
      :wrong="backwards ? say('knife.backwards') : undefined"
    />
    <MeasureField v-model="minutes" name="minutes" :label="$t('field.minutes')" unit="min" />
    <p class="soft small">{{ $t('caution.filings') }}</p>
    <div class="dialog-actions">
      <AppButton kind="main" type="submit" :disabled="backwards">{{ $t('shell.record') }}</AppButton>
    </div>
  </AppForm>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
</style>
