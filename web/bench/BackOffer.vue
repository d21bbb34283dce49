<script setup lang="ts">
import { computed } from 'vue'
import { ZONES, type Zone } from '../../core/knife/zones'
import { minutesBack } from '../../core/session/branches'
import type { SessionPlan } from '../../core/session/plan'
import { useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'

/** A deep scratch or a chip shows on a finer stone: back to the coarse one for that part, at a price that is said. */
const props = defineProps<{ plan: SessionPlan; stepId: string; coarseName: string }>()
const emit = defineEmits<{ back: [zone: Zone] }>()
const formats = useFormats()
const ways = computed(() =>
  ZONES.flatMap((zone) => {
    const minutes = minutesBack(props.plan, props.stepId, zone)
    return minutes === null ? [] : [{ zone, minutes: formats.value.minutes(Math.max(1, Math.round(minutes))) }]
  }),
)
</script>

<template>
  <section v-if="ways.length > 0">
    <p class="soft small">{{ $t('bench.backHint') }}</p>
    <p class="answers">
      <AppButton v-for="{ zone, minutes } in ways" :key="zone" @click="emit('back', zone)">
        {{ $t('bench.backTo', { stone: coarseName, zone: $t(`zone.${zone}`), minutes }) }}
      </AppButton>
    </p>
  </section>
</template>

<style scoped>
.answers {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  padding-top: 6px;
}
.button {
  min-height: 56px;
}
</style>
