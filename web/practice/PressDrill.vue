<script setup lang="ts">
import { computed } from 'vue'
import { wantedNewtons } from '../../core/hands/pressScore'
import { useFormats } from '../i18n'
import { useSession } from '../stores/session'
import HandSimulator from './HandSimulator.vue'
import HoldBand from './HoldBand.vue'
import InstrumentKeys from './InstrumentKeys.vue'
import { DRILL_STROKES, useBeatDrill } from './useBeatDrill'
import { useDrills } from './useDrills'
import VerdictPanel from './VerdictPanel.vue'

/** Pressing is practised on a kitchen scale under the stone: firm first, then fading to the weight of the fingers. */
const props = defineProps<{ hand: 'left' | 'right' }>()
const session = useSession()
const formats = useFormats()
const { latest, keep } = useDrills()
const [REACH_N, BAND_SHARE, LEAST_BAND_N] = [40, 0.25, 2]
const drill = useBeatDrill(
  'press',
  () => 0,
  (strokes) => void keep({ kind: 'press', hand: props.hand, strokes }),
)
const { beat, shown, phase } = drill
const wanted = computed(() => wantedNewtons(phase.value === 'running' ? beat.value - 1 : 0, DRILL_STROKES))
const write = (newtons: number): string => formats.value.pressure(newtons)
</script>

<template>
  <HoldBand
    :wanted="wanted"
    :within="Math.max(LEAST_BAND_N, BAND_SHARE * wanted)"
    :reach="REACH_N"
    :values="shown"
    :write="write"
    :label="$t('practice.band.press', { force: write(wanted) })"
  />
  <InstrumentKeys :drill="drill" quantity="press" />
  <HandSimulator v-if="session.house?.isDemo" quantity="press" :strokes="DRILL_STROKES" :beat="beat" />
  <VerdictPanel v-if="latest && latest.drill.kind === 'press' && phase === 'ready'" :drill="latest" />
</template>
