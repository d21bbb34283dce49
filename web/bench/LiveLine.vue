<script setup lang="ts">
import { computed } from 'vue'
import { isDrifting, judgeAngle, judgePress } from '../../core/session/live'
import { say, useFormats } from '../i18n'
import type { LiveValue } from './useInstruments'

const props = defineProps<{
  angle: LiveValue | null
  press: LiveValue | null
  wantedDps: number
  wantedNewtons: number | null
}>()
const formats = useFormats()
const untrusted = (live: LiveValue): string =>
  live.trust === 'raving'
    ? say('bench.live.raving', { name: live.name })
    : live.trust === 'silent'
      ? say('bench.live.silent', { name: live.name })
      : ''

const angleWords = computed(() => {
  const live = props.angle
  if (!live) return ''
  const doubt = untrusted(live)
  if (doubt || live.value === null) return doubt
  const judged = judgeAngle(live.value, props.wantedDps)
  const by = formats.value.angle(Math.round(Math.abs(live.value - props.wantedDps) * 10) / 10)
  const parts = [
    say('bench.live.angle', { name: live.name, angle: formats.value.angle(Math.round(live.value * 10) / 10) }),
    say(`bench.live.${judged}`, { by }),
  ]
  return [parts.join(', '), ...(isDrifting(live.recent) ? [say('bench.live.drift')] : [])].join('; ')
})
const pressWords = computed(() => {
  const live = props.press
  if (props.wantedNewtons === null) return ''
  // without a scale on the line the number alone helps: a bottle of a litre weighs about 10 N
  if (!live) return say('bench.live.pressWanted', { wanted: props.wantedNewtons })
  const doubt = untrusted(live)
  if (doubt || live.value === null) return doubt
  const judged = judgePress(live.value, props.wantedNewtons)
  const key = judged === 'within' ? 'pressOk' : judged === 'high' ? 'pressHeavy' : 'pressLight'
  return say('shell.pair', {
    name: say('bench.live.press', { newtons: Math.round(live.value) }),
    value: say(`bench.live.${key}`, { wanted: props.wantedNewtons }),
  })
})
const isOff = computed(
  () =>
    props.angle?.trust === 'good' &&
    props.angle.value !== null &&
    judgeAngle(props.angle.value, props.wantedDps) !== 'within',
)
</script>

<template>
  <div v-if="angleWords || pressWords" class="live" aria-live="polite">
    <p v-if="angleWords" :class="{ off: isOff }">{{ angleWords }}</p>
    <p v-if="pressWords">{{ pressWords }}</p>
  </div>
</template>

<style scoped>
.live p {
  padding: 2px 0 2px 12px;
  border-left: 4px solid var(--keen);
  font-variant-numeric: tabular-nums;
}
.live .off {
  border-left-color: var(--ember);
  font-weight: 700;
}
</style>
