<script setup lang="ts">
import { ref } from 'vue'
import { CarriedWhat } from '../../contract/bench'
import { ZONES, type Zone } from '../../core/knife/zones'
import type { SessionState } from '../../core/session/session'
import { say } from '../i18n'
import { capital } from '../../words/format'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import TextField from '../ui/TextField.vue'
import FoldSection from '../ui/FoldSection.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'

defineProps<{ carried: SessionState['carryOver'] }>()
const emit = defineEmits<{ leave: [zone: Zone, what: string] }>()
const what = ref('')
const zone = ref<Zone>('heel')
async function leave(left: { what: string }): Promise<void> {
  emit('leave', zone.value, left.what)
  what.value = ''
}
const zones = ZONES.map((value) => ({ value, label: say(`zone.${value}`) }))
</script>

<template>
  <FoldSection :title="$t('bench.carryTitle')">
    <p class="soft small">{{ $t('bench.carryOverHint') }}</p>
    <AppForm :schema="CarriedWhat" :draft="() => ({ what })" :send="leave">
      <SegmentedChoice v-model="zone" big :label="$t('curve.zone')" :options="zones" />
      <TextField v-model="what" name="what" :label="$t('bench.carryWhat')" />
      <AppButton type="submit">{{ $t('bench.carryOver') }}</AppButton>
    </AppForm>
  </FoldSection>
  <p v-for="one in carried" :key="one.zone + one.what" class="small">
    {{ $t('bench.carriedOver', { zone: capital($t(`zone.${one.zone}`)), what: one.what }) }}
  </p>
</template>

<style scoped>
form {
  display: grid;
  gap: 10px;
  justify-items: start;
}
</style>
