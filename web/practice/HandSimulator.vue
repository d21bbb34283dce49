<script setup lang="ts">
import { onScopeDispose, ref, watch } from 'vue'
import { FIRST_HAND, simulatedStroke, STEADY_HAND } from '../../core/hands/simulatedHand'
import { chance } from '../../core/statistics/random'
import { say } from '../i18n'
import { instrumentsUrl } from '../live/instrumentSocket'
import FoldSection from '../ui/FoldSection.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'

/** A made-up hand with an inclinometer on its blade, which speaks the lines of a real one; seeded, so that it can be asked for again. */
const props = defineProps<{
  wantedDps: number
  strokes: number
  /** the stroke that the drill is at: a new one begins with each beat */
  beat: number
}>()
const TELLS_EVERY_MS = 110
const ANGLES = 12
const SEED = 18
const which = ref<'silent' | 'first' | 'steady' | 'slips'>('silent')
const choices = (['silent', 'first', 'steady', 'slips'] as const).map((value) => ({
  value,
  label: say(`practice.simulated.${value}`),
}))
const SLIPS_BY = 9
let luck = chance(SEED)
let [stroke, angles]: [number, number[]] = [0, []]
const socket = new WebSocket(instrumentsUrl())
socket.addEventListener('open', () => {
  socket.send('hello inclinometer simulated-hand')
})
function begin(value: typeof which.value | undefined): void {
  which.value = value ?? 'silent'
  luck = chance(SEED)
  stroke = 0
  angles = []
}
function nextStroke(): void {
  const hand = which.value === 'first' ? FIRST_HAND : STEADY_HAND
  const at = { stroke, strokes: props.strokes, angles: ANGLES }
  angles = simulatedStroke({ ...hand, wantedDps: props.wantedDps }, luck, at)
  stroke++
}
watch(() => props.beat, nextStroke)
const telling = setInterval(() => {
  if (which.value === 'silent' || socket.readyState !== WebSocket.OPEN) return
  if (angles.length === 0) nextStroke()
  // the last angle is held until the next beat
  const dps = (angles.length > 1 ? angles.shift() : angles[0]) ?? props.wantedDps
  const slipped = which.value === 'slips' && props.beat > props.strokes / 2 ? SLIPS_BY : 0
  socket.send(`angle ${(dps + slipped).toFixed(2)}`)
}, TELLS_EVERY_MS)
onScopeDispose(() => {
  clearInterval(telling)
  socket.close()
})
</script>

<template>
  <FoldSection :title="$t('practice.simulator')">
    <SegmentedChoice
      :model-value="which"
      :label="$t('practice.simulator')"
      :options="choices"
      @update:model-value="begin"
    />
  </FoldSection>
</template>
