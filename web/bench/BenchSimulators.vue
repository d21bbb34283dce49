<script setup lang="ts">
import { onScopeDispose, ref, watch } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { ZONES } from '../../core/knife/zones'
import { useFormats } from '../i18n'
import { instrumentsUrl } from '../live/instrumentSocket'
import AppButton from '../ui/AppButton.vue'
import FoldSection from '../ui/FoldSection.vue'
import SliderField from '../ui/SliderField.vue'

/** Stand-ins for inclinometer, scale and loupe in the demonstration house, speaking the lines of real ones. */
const props = defineProps<{ knife: KnifeView; dps: number; newtons: number; after: boolean }>()
const formats = useFormats()
const angle = ref(props.dps)
const press = ref(props.newtons)
const SEND_EVERY_MS = 600

const ready = ref(0)
function instrument(kind: string, name: string): (line: string) => void {
  const socket = new WebSocket(instrumentsUrl())
  socket.addEventListener('open', () => {
    socket.send(`hello ${kind} ${name}`)
  })
  socket.addEventListener('message', (message) => {
    if (String(message.data).startsWith('welcome')) ready.value++
  })
  onScopeDispose(() => {
    socket.close()
  })
  return (line) => {
    if (socket.readyState === WebSocket.OPEN) socket.send(line)
  }
}
const tell = {
  angle: instrument('inclinometer', 'simulated-inclinometer'),
  press: instrument('scale', 'simulated-scale'),
  loupe: instrument('loupe', 'simulated-loupe'),
}
const speaking = setInterval(() => {
  tell.angle(`angle ${angle.value}`)
  tell.press(`press ${press.value} N`)
}, SEND_EVERY_MS)
onScopeDispose(() => {
  clearInterval(speaking)
})
watch(
  () => props.dps,
  (dps) => {
    angle.value = dps
  },
)
watch(
  () => props.newtons,
  (newtons) => {
    press.value = newtons
  },
)
/** The stand-in camera draws what the edge is taken to be; off the stone that is a point with a trace of burr. */
function snap(): void {
  for (const zone of ZONES) {
    const { bluntUm, roll } = props.knife.zones[zone]
    tell.loupe(props.after ? `picture ${zone} 0.6 0.03` : `picture ${zone} ${bluntUm} ${roll}`)
  }
}
</script>

<template>
  <FoldSection :title="$t('bench.simulators')" class="small simulators">
    <SliderField
      v-model="angle"
      :label="$t('bench.simAngle')"
      :written="formats.angle(angle)"
      :min="0"
      :max="40"
      :step="0.5"
    />
    <SliderField v-model="press" :label="$t('bench.simPress')" :written="`${press} N`" :min="0" :max="60" :step="1" />
    <AppButton :disabled="ready < 3" @click="snap">
      {{ $t('shell.pair', { name: $t('bench.simLoupe'), value: $t('bench.live.snap') }) }}
    </AppButton>
  </FoldSection>
</template>

<style scoped>
.simulators {
  border: 1.5px dashed var(--steel-line);
  border-radius: 8px;
  padding: 4px 12px;
}
</style>
