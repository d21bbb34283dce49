<script setup lang="ts">
import { onScopeDispose, ref, watch } from 'vue'
import { FIRST_HAND, simulatedStroke, STEADY_HAND } from '../../core/hands/simulatedHand'
import { FIRST_PRESS, simulatedPress, STEADY_PRESS } from '../../core/hands/simulatedPress'
import { chance } from '../../core/statistics/random'
import { say } from '../i18n'
import { instrumentsUrl } from '../live/instrumentSocket'
import FoldSection from '../ui/FoldSection.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import type { Quantity } from './useTold'

/** A made-up hand with an inclinometer on its blade or a scale under its stone, which speaks the lines of a real one; seeded, so that it can be asked for again. */
const props = defineProps<{
  quantity: Quantity
  /** the angle that is to be held, degrees per side; a scale has its own wish at each stroke */
  wantedDps?: number
  strokes: number
  /** the stroke that the drill is at: a new one begins with each beat */
  beat: number
}>()
const TELLS_EVERY_MS = 110
const TELLS = 12
const SEED = 18
const which = ref<'silent' | 'first' | 'steady' | 'slips'>('silent')
const isAngle = props.quantity === 'angle'
const choices = (['silent', 'first', 'steady', 'slips'] as const)
  .filter((value) => isAngle || value !== 'slips')
  .map((value) => ({ value, label: say(`practice.simulated.${value}`) }))
const SLIPS_BY = 9
let luck = chance(SEED)
let [stroke, values]: [number, number[]] = [0, []]
const socket = new WebSocket(instrumentsUrl())
socket.addEventListener('open', () => {
  socket.send(`hello ${isAngle ? 'inclinometer' : 'scale'} simulated-hand`)
})
function begin(value: typeof which.value | undefined): void {
  which.value = value ?? 'silent'
  luck = chance(SEED)
  stroke = 0
  values = []
}
const wantedDps = (): number => props.wantedDps ?? 0
function nextStroke(): void {
  const isFirst = which.value === 'first'
  const at = { stroke, strokes: props.strokes }
  values = isAngle
    ? simulatedStroke({ ...(isFirst ? FIRST_HAND : STEADY_HAND), wantedDps: wantedDps() }, luck, {
        ...at,
        angles: TELLS,
      })
    : simulatedPress(isFirst ? FIRST_PRESS : STEADY_PRESS, luck, { ...at, told: TELLS })
  stroke++
}
watch(() => props.beat, nextStroke)
const telling = setInterval(() => {
  if (which.value === 'silent' || socket.readyState !== WebSocket.OPEN) return
  if (values.length === 0) nextStroke()
  // the last value is held until the next beat
  const value = (values.length > 1 ? values.shift() : values[0]) ?? wantedDps()
  const slipped = which.value === 'slips' && props.beat > props.strokes / 2 ? SLIPS_BY : 0
  socket.send(isAngle ? `angle ${(value + slipped).toFixed(2)}` : `press ${value.toFixed(2)} N`)
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
