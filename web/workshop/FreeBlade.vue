<script setup lang="ts">
import { computed } from 'vue'
import type { SectionBlade } from '../../core/geometry/section'
import { EDGED_TYPES, GRINDS, type KnifeType } from '../../core/knife/knifeTypes'
import { say } from '../i18n'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'
import { freeBlade, type TriedBlade } from './freeBlade'

const tried = defineModel<TriedBlade>({ required: true })
const types = EDGED_TYPES.map((value) => ({ value, label: say(`type.${value}`) }))
const grinds = GRINDS.map((value) => ({ value, label: say(`grind.${value}`) }))
const MEASURES = ['heelHeightMm', 'spineMm', 'bteMm', 'dpsLeft', 'dpsRight'] as const
const change = (blade: Partial<SectionBlade>): void => {
  tried.value = { ...tried.value, blade: { ...tried.value.blade, ...blade } }
}
const type = computed({
  get: () => tried.value.type,
  set: (chosen: KnifeType) => {
    tried.value = freeBlade(chosen)
  },
})
</script>

<template>
  <section class="heavy-rule stacked">
    <h2>{{ $t('workshop.blade') }}</h2>
    <div class="form-grid">
      <ChoiceField v-model="type" :label="$t('field.type')" :options="types" />
      <ChoiceField
        :model-value="tried.blade.grind"
        :label="$t('field.grind')"
        :options="grinds"
        @update:model-value="change({ grind: $event })"
      />
      <MeasureField
        :model-value="tried.lengthMm"
        :label="$t('field.lengthMm')"
        unit="mm"
        @update:model-value="tried = { ...tried, lengthMm: $event ?? tried.lengthMm }"
      />
      <MeasureField
        v-for="name in MEASURES"
        :key="name"
        :model-value="tried.blade[name]"
        :label="$t(`field.${name}`)"
        :unit="name.startsWith('dps') ? '°' : 'mm'"
        @update:model-value="$event !== null && change({ [name]: $event })"
      />
      <MeasureField
        :model-value="tried.blade.ratioRight"
        :label="$t('workshop.rightShare')"
        unit="%"
        @update:model-value="$event !== null && change({ ratioRight: $event })"
      />
    </div>
  </section>
</template>

<style scoped>
.form-grid {
  grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
}
</style>
