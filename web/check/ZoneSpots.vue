<script setup lang="ts">
import type { KnifeView } from '../../contract/knives'
import { ZONES, type Zone } from '../../core/knife/zones'
import { say, useFormats } from '../i18n'
import { spread, type CheckDraft } from './checkDraft'
import AppButton from '../ui/AppButton.vue'

const props = defineProps<{ knife: KnifeView; draft: CheckDraft }>()
const emit = defineEmits<{ choose: [zone: Zone] }>()
const formats = useFormats()

function found(zone: Zone): string {
  const read = spread(props.draft.forces[zone])
  if (read) return formats.value.force(read.mean)
  const rung = props.draft.rungs[zone]
  return rung ? say(`ladder.${rung}`) : '–'
}
function repeats(zone: Zone): string {
  const read = spread(props.draft.forces[zone])
  const count = props.draft.forces[zone].length
  return read && count > 1 ? say('check.repeats', { count, half: Math.round(read.halfRange) }) : ''
}
</script>

<template>
  <ul class="spots spot-row" :aria-label="$t('check.spots')">
    <li v-for="zone in ZONES" :key="zone">
      <AppButton kind="bare" class="spot-button" :aria-pressed="draft.zone === zone" @click="emit('choose', zone)">
        <b>{{ $t(`zone.${zone}`) }}</b>
        <span class="value num" aria-live="polite">{{ found(zone) }}</span>
        <span class="soft small num">{{
          repeats(zone) ||
          $t('check.was', {
            force: formats.force(knife.zones[zone].forceGf),
            word: $t(`edge.${knife.zones[zone].word}`),
          })
        }}</span>
      </AppButton>
    </li>
  </ul>
</template>

<style scoped>
button {
  width: 100%;
  min-height: 92px;
}
.value {
  font-size: 1.5rem;
  font-weight: 700;
  white-space: normal;
  line-height: 1.15;
}
@media (max-width: 700px) {
  button {
    padding: 8px;
  }
  .value {
    font-size: 1.15rem;
  }
}
</style>
