<script setup lang="ts">
import { computed, ref } from 'vue'
import type { HuntedEdge } from '../../core/hands/burrScore'
import { ZONES, type Zone } from '../../core/knife/zones'
import { chance } from '../../core/statistics/random'
import { say } from '../i18n'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import { useDrills } from './useDrills'
import VerdictPanel from './VerdictPanel.vue'
import ZoneToggles from './ZoneToggles.vue'

/** A thumb learns burrs by being proven wrong: feel, say where, then look under the loupe. */
const EDGES = 4
const session = useSession()
const { latest, keep, busy } = useDrills()
const edges = ref<HuntedEdge[]>([])
const felt = ref<readonly Zone[]>([])
const seen = ref<readonly Zone[]>([])
const step = ref<'feel' | 'look'>('feel')

/** A made-up edge for the sample house: what the thumb says of it is mostly right, as thumbs are. */
const isMadeUp = ref(false)
const [LIKELY, CATCHES, SEEMS] = [0.5, 0.85, 0.12]
const luck = chance(Date.now() % 100_000)
const burred = ref<Zone[]>([])
const told = ref('')
function nextEdge(): void {
  felt.value = []
  seen.value = []
  told.value = ''
  step.value = 'feel'
  burred.value = ZONES.filter(() => luck.happens(LIKELY))
}
nextEdge()
function stroke(zone: Zone): void {
  const catches = luck.happens(burred.value.includes(zone) ? CATCHES : SEEMS)
  if (catches) navigator.vibrate?.(25)
  told.value = say(`practice.burr.${catches ? 'catches' : 'smooth'}`, { zone: say(`zone.${zone}`) })
}
function look(): void {
  step.value = 'look'
  if (isMadeUp.value) seen.value = [...burred.value]
}
async function done(): Promise<void> {
  edges.value = [...edges.value, { felt: felt.value, seen: seen.value }]
  if (edges.value.length >= EDGES) {
    await keep({ kind: 'burr', edges: edges.value })
    edges.value = []
  }
  nextEdge()
}
const place = computed(() => say('practice.burr.edge', { n: edges.value.length + 1, all: EDGES }))
</script>

<template>
  <section class="drill">
    <h2>{{ place }}</h2>
    <div v-if="session.house?.isDemo" class="made-up">
      <AppButton :aria-pressed="isMadeUp" @click="isMadeUp = !isMadeUp">{{ $t('practice.burr.madeUp') }}</AppButton>
      <template v-if="isMadeUp && step === 'feel'">
        <AppButton v-for="zone in ZONES" :key="zone" @click="stroke(zone)">{{
          $t('practice.burr.stroke', { zone: $t(`zone.${zone}`) })
        }}</AppButton>
        <span role="status">{{ told }}</span>
      </template>
    </div>
    <ZoneToggles v-model="felt" :label="$t('practice.burr.felt')" :disabled="step === 'look'" />
    <ZoneToggles v-if="step === 'look'" v-model="seen" :label="$t('practice.burr.seen')" />
    <p>
      <AppButton v-if="step === 'feel'" kind="main" big @click="look">{{ $t('practice.burr.look') }}</AppButton>
      <AppButton v-else kind="main" big :disabled="busy" @click="done">{{ $t('practice.burr.done') }}</AppButton>
    </p>
  </section>
  <VerdictPanel v-if="latest && latest.drill.kind === 'burr' && edges.length === 0" :drill="latest" />
</template>

<style scoped>
.drill {
  display: grid;
  gap: 14px;
  margin-top: 12px;
}
.made-up {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  align-items: center;
}
</style>
