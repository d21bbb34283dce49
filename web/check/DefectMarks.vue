<script setup lang="ts">
import { computed } from 'vue'
import { HARM_CAUSES, type Defects, type HarmCause } from '../../core/edge/model/events'
import type { Zone } from '../../core/knife/zones'
import { capital } from '../../words/format'
import { say } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'
import { defectsOf, type CheckDraft } from './checkDraft'

const props = defineProps<{ known: Defects; zones: readonly Zone[] }>()
const draft = defineModel<CheckDraft>({ required: true })
const MARKS = ['burrLeft', 'wedges', 'tipBent', 'tipGone', 'handleLoose', 'cracked'] as const
const now = computed(() => defectsOf(draft.value, props.known))
const zoneOptions = computed(() => props.zones.map((zone) => ({ value: zone, label: say(`zone.${zone}`) })))

function set(change: Partial<Defects>): void {
  draft.value = { ...draft.value, defects: { ...now.value, ...change } }
}
function toggleGlint(zone: Zone): void {
  const { glint } = now.value
  set({ glint: glint.includes(zone) ? glint.filter((one) => one !== zone) : [...glint, zone] })
}
const FIRST_CHIP = { zone: 'heel', depthMm: 0.3 } as const
const chipZone = computed({
  get: () => now.value.chip?.zone ?? 'heel',
  set: (zone) => {
    set({ chip: { ...now.value.chip, depthMm: now.value.chip?.depthMm ?? 0.3, zone } })
  },
})
const chipDepth = computed({
  get: () => now.value.chip?.depthMm ?? null,
  set: (depthMm) => {
    if (depthMm !== null) set({ chip: { ...now.value.chip, zone: chipZone.value, depthMm } })
  },
})
const causes = computed(() => [
  { value: '' as const, label: say('harm.unknown') },
  ...HARM_CAUSES.map((value) => ({ value, label: say(`harm.cause.${value}`) })),
])
const chipCause = computed({
  get: () => now.value.chip?.cause ?? '',
  set: (cause: HarmCause | '') => {
    const { zone, depthMm } = now.value.chip ?? FIRST_CHIP
    set({ chip: { zone, depthMm, ...(cause ? { cause } : {}) } })
  },
})
const isUnsafe = computed(() => now.value.handleLoose || now.value.cracked || now.value.tipGone)
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('check.look') }}</h2>
    <div class="marks">
      <AppButton :aria-pressed="now.chip !== null" @click="set({ chip: now.chip ? null : FIRST_CHIP })">
        {{ $t('defect.chip') }}
      </AppButton>
      <AppButton v-for="zone in zones" :key="zone" :aria-pressed="now.glint.includes(zone)" @click="toggleGlint(zone)">
        {{ $t('defect.glint', { zone: $t(`zone.${zone}`) }) }}
      </AppButton>
      <AppButton
        v-for="mark in MARKS"
        :key="mark"
        :aria-pressed="now[mark] === true"
        @click="set({ [mark]: !now[mark] })"
      >
        {{ capital($t(`defect.${mark}`)) }}
      </AppButton>
    </div>
    <div v-if="now.chip" class="chip">
      <ChoiceField v-model="chipZone" :label="$t('check.chipWhere')" :options="zoneOptions" />
      <MeasureField v-model="chipDepth" :label="$t('field.depthMm')" unit="mm" />
      <ChoiceField v-model="chipCause" :label="$t('harm.from')" :options="causes" />
    </div>
    <p v-if="isUnsafe" class="unsafe" role="status">{{ $t('caution.unsafe') }}</p>
  </section>
</template>

<style scoped>
.marks {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-top: 10px;
}
.button {
  min-height: 48px;
  padding-inline: 12px;
}
.button[aria-pressed='true'] {
  background: var(--out);
  border-color: var(--out);
  color: var(--ground);
}
.chip {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 12px;
  margin-top: 10px;
}
.unsafe {
  margin-top: 10px;
  font-weight: 600;
  color: var(--out);
}
</style>
