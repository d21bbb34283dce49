<script setup lang="ts">
import { computed, ref } from 'vue'
import { payloads, type NewEvent } from '../../contract/events'
import type { KnifeView } from '../../contract/knives'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import ChoiceField from '../ui/ChoiceField.vue'

type Moved = Extract<NewEvent, { kind: 'moved' }>
const props = defineProps<{ knife: KnifeView }>()
const emit = defineEmits<{ record: [draft: Pick<Moved, 'kind' | 'knifeId' | 'payload'>] }>()
const fleet = useFleet()
const stationId = ref(props.knife.stationId)
const holderId = ref(props.knife.holderId)
const stations = computed(() =>
  [...fleet.stations.values()].filter((one) => one.active).map(({ id, name }) => ({ value: id, label: name })),
)
const people = computed(() => [
  { value: null, label: say('rack.nobody') },
  ...[...fleet.people.values()]
    .filter((one) => one.active)
    .map(({ id, name }) => ({ value: id as string | null, label: name })),
])
const draft = (): object => ({
  ...(stationId.value === props.knife.stationId ? {} : { stationId: stationId.value }),
  ...(holderId.value === props.knife.holderId ? {} : { holderId: holderId.value }),
})
async function record(payload: Moved['payload']): Promise<void> {
  emit('record', { kind: 'moved', knifeId: props.knife.id, payload })
}
</script>

<template>
  <AppForm :schema="payloads.moved" :draft="draft" :send="record">
    <ChoiceField v-model="stationId" :label="$t('field.stationId')" :options="stations" />
    <ChoiceField v-model="holderId" :label="$t('field.holderId')" :options="people" />
    <div class="dialog-actions">
      <AppButton kind="main" type="submit">{{ $t('knife.moveDo') }}</AppButton>
    </div>
  </AppForm>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
</style>
