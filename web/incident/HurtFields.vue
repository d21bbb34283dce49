<script setup lang="ts">
import { computed } from 'vue'
import { HARM_CAUSES, type HarmCause } from '../../core/edge/model/events'
import { inOrder, say } from '../i18n'
import { useFleet } from '../live/fleet'
import ChoiceField from '../ui/ChoiceField.vue'

/** What hurt a blade, and which one it was; both may stay open. */
const cause = defineModel<HarmCause | ''>('cause', { required: true })
const knifeId = defineModel<string>('knifeId', { required: true })
const fleet = useFleet()
const causes = computed(() => [
  { value: '' as const, label: say('harm.unknown') },
  ...HARM_CAUSES.map((value) => ({ value, label: say(`harm.cause.${value}`) })),
])
const knives = computed(() => [
  { value: '', label: say('harm.noKnife') },
  ...(fleet.fleet?.knives ?? [])
    .filter(({ status }) => status !== 'retired')
    .map(({ id, code }) => ({ value: id, label: code }))
    .sort((a, b) => inOrder(a.label, b.label)),
])
</script>

<template>
  <div class="row">
    <ChoiceField v-model="cause" :label="$t('harm.from')" :options="causes" />
    <ChoiceField v-model="knifeId" :label="$t('ledger.knife')" :options="knives" searchable />
  </div>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 300px));
  gap: 12px 18px;
  margin-bottom: 18px;
}
</style>
