<script setup lang="ts">
import { ref } from 'vue'
import { payloads, type NewEvent } from '../../contract/events'
import type { KnifeView } from '../../contract/knives'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import TextField from '../ui/TextField.vue'
import WhenField from '../ui/WhenField.vue'

/** A knife goes to somebody outside: to whom, until when, with a slip that says what it is and what is wanted. */
type SentOut = Extract<NewEvent, { kind: 'sent-out' }>
const props = defineProps<{ knife: KnifeView }>()
const emit = defineEmits<{ record: [draft: Pick<SentOut, 'kind' | 'knifeId' | 'payload'>] }>()
const to = ref('')
const dueOn = ref('')
const draft = (): object => ({ to: to.value, ...(dueOn.value ? { dueOn: dueOn.value } : {}) })
async function record(payload: SentOut['payload']): Promise<void> {
  emit('record', { kind: 'sent-out', knifeId: props.knife.id, payload })
}
</script>

<template>
  <AppForm :schema="payloads['sent-out']" :draft="draft" :send="record">
    <p class="soft">{{ $t('knife.sendOutHint') }}</p>
    <TextField v-model="to" name="to" :label="$t('knife.sendOutTo')" />
    <WhenField v-model="dueOn" kind="day" name="dueOn" :label="$t('knife.sendOutDue')" />
    <div class="dialog-actions">
      <AppButton kind="quiet" :to="{ name: 'slip', params: { code: knife.code } }">{{
        $t('knife.sendOutSlip')
      }}</AppButton>
      <AppButton kind="main" type="submit">{{ $t('knife.act.send-out') }}</AppButton>
    </div>
  </AppForm>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
</style>
