<script setup lang="ts">
import { computed, ref } from 'vue'
import type { SectionBlade } from '../../core/geometry/section'
import { faceAngle } from '../../core/geometry/stack'
import { PRACTICE_BLADE } from '../../core/hands/repeated'
import { STEADY_DPS } from '../../core/session/live'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import DrillResult from './DrillResult.vue'
import HandSimulator from './HandSimulator.vue'
import HoldBand from './HoldBand.vue'
import InstrumentKeys from './InstrumentKeys.vue'
import { DRILL_STROKES, useBeatDrill } from './useBeatDrill'
import { useDrills } from './useDrills'

/** Holding one angle decides nearly everything, and is learned by seeing it: strokes with a live band, and what they do to an edge. */
const props = defineProps<{ hand: 'left' | 'right' }>()
const fleet = useFleet()
const session = useSession()
const formats = useFormats()
const { latest, keep } = useDrills()

interface Practised {
  readonly blade: SectionBlade
  readonly lengthMm: number
  readonly hrc: number
}
const BEGINNERS: Practised = { blade: PRACTICE_BLADE, lengthMm: 240, hrc: 57 }
const [MOST_UNEVEN, EVEN, REACH_DPS] = [15, 50, 10]
const chosen = ref('')
/** Knives with two like sides: others have an angle of their own on each, and a lesson of their own. */
const suited = computed(() =>
  fleet.knives.filter(
    ({ status, serrated, ratioRight, holderId }) =>
      !serrated &&
      Math.abs(ratioRight - EVEN) <= MOST_UNEVEN &&
      (status === 'practice' || (status === 'in-service' && holderId === session.person?.id)),
  ),
)
const blades = computed(() => [
  { value: '', label: say('practice.blade') },
  ...suited.value.map(({ id, code, type }) => ({ value: id, label: `${code} ${say(`type.${type}`)}` })),
])
const practised = computed((): Practised => {
  const knife = suited.value.find(({ id }) => id === chosen.value)
  return knife ? { blade: knife, lengthMm: knife.lengthMm, hrc: knife.hrc } : BEGINNERS
})
const wantedDps = computed(() => Math.round((practised.value.blade.dpsLeft + practised.value.blade.dpsRight) / 2))
const drill = useBeatDrill(
  'angle',
  () => faceAngle(practised.value.blade),
  (strokes) => void keep({ kind: 'hold', hand: props.hand, wantedDps: wantedDps.value, strokes }),
)
const { beat, shown, trust, phase } = drill
const tenth = (dps: number): string => formats.value.angle(Math.round(dps * 10) / 10)
</script>

<template>
  <ChoiceField v-model="chosen" :label="$t('practice.onWhat')" :options="blades" />
  <HoldBand
    :wanted="wantedDps"
    :within="STEADY_DPS"
    :reach="REACH_DPS"
    :values="shown"
    :write="tenth"
    :label="$t('practice.band.angle', { angle: formats.angle(wantedDps) })"
  />
  <InstrumentKeys :drill="drill" quantity="angle" />
  <p v-if="trust !== 'good' && phase === 'ready'">
    <AppButton kind="quiet" to="/phone-angle">{{ $t('phone.title') }}</AppButton>
  </p>
  <HandSimulator
    v-if="session.house?.isDemo"
    quantity="angle"
    :wanted-dps="wantedDps"
    :strokes="DRILL_STROKES"
    :beat="beat"
  />
  <DrillResult
    v-if="latest && latest.drill.kind === 'hold' && phase === 'ready'"
    :drill="latest.drill"
    :verdict="latest.verdict"
    :blade="practised.blade"
    :length-mm="practised.lengthMm"
    :hrc="practised.hrc"
  />
</template>
