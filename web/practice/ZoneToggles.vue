<script setup lang="ts">
import { ZONES, type Zone } from '../../core/knife/zones'
import { capital } from '../../words/format'
import AppButton from '../ui/AppButton.vue'

/** Parts of an edge, each touched on or off. */
const { label, disabled } = defineProps<{ label: string; disabled?: boolean }>()
const model = defineModel<readonly Zone[]>({ required: true })
const toggle = (zone: Zone): void => {
  model.value = model.value.includes(zone) ? model.value.filter((one) => one !== zone) : [...model.value, zone]
}
</script>

<template>
  <div role="group" :aria-label="label" class="zones">
    <b>{{ label }}</b>
    <AppButton
      v-for="zone in ZONES"
      :key="zone"
      big
      :disabled="disabled"
      :aria-pressed="model.includes(zone)"
      @click="toggle(zone)"
      >{{ capital($t(`zone.${zone}`)) }}</AppButton
    >
  </div>
</template>

<style scoped>
.zones {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
b {
  min-width: 15em;
}
</style>
