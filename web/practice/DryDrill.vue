<script setup lang="ts">
import { onScopeDispose, ref } from 'vue'
import { tick } from '../bench/tick'
import AppButton from '../ui/AppButton.vue'
import { useKeys } from '../ui/useKeys'
import { useDrills } from './useDrills'
import VerdictPanel from './VerdictPanel.vue'

/** The movement without an instrument: strokes to a beat, then as many in silence, and a tap at the last. */
const props = defineProps<{ hand: 'left' | 'right' }>()
const { latest, keep } = useDrills()
const [PER_MINUTE, HEARD, SILENT] = [40, 8, 8]
const MINUTE_MS = 60_000
const beat = ref(0)
const isSilent = ref(false)
let audio: AudioContext | null = null
let timer: ReturnType<typeof setInterval> | null = null
let lastBeatMs = 0

function stop(): void {
  if (timer) clearInterval(timer)
  timer = null
  beat.value = 0
  isSilent.value = false
}
function onBeat(): void {
  beat.value++
  lastBeatMs = performance.now()
  if (audio) tick(audio)
  if (beat.value < HEARD) return
  if (timer) clearInterval(timer)
  timer = null
  isSilent.value = true
}
function start(): void {
  stop()
  try {
    audio ??= new AudioContext()
  } catch {
    audio = null
  }
  timer = setInterval(onBeat, MINUTE_MS / PER_MINUTE)
}
async function tap(): Promise<void> {
  if (!isSilent.value) return
  const tappedMs = Math.round(performance.now() - lastBeatMs)
  stop()
  await keep({ kind: 'dry', hand: props.hand, perMinute: PER_MINUTE, silentStrokes: SILENT, tappedMs })
}
useKeys({ ' ': () => void tap() })
onScopeDispose(() => {
  stop()
  void audio?.close()
})
</script>

<template>
  <p role="status" class="state">
    <template v-if="isSilent">{{ $t('practice.dry.silent', { n: SILENT }) }}</template>
    <template v-else-if="beat > 0">{{ $t('practice.stroke', { n: beat, all: HEARD }) }}</template>
    <template v-else>{{ $t('practice.dry.ready', { heard: HEARD, silent: SILENT }) }}</template>
  </p>
  <p class="keys">
    <AppButton v-if="isSilent" kind="main" big @click="tap">{{ $t('practice.dry.tap') }}</AppButton>
    <AppButton v-else-if="beat === 0" kind="main" big @click="start">{{ $t('practice.start') }}</AppButton>
    <AppButton v-if="beat > 0" big @click="stop">{{ $t('practice.stop') }}</AppButton>
  </p>
  <VerdictPanel v-if="latest && latest.drill.kind === 'dry' && beat === 0" :drill="latest" />
</template>

<style scoped>
.state {
  font-size: 1.25rem;
  font-weight: 700;
  min-height: 1.6em;
  margin-top: 12px;
}
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin: 12px 0;
}
</style>
