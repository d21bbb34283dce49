<script setup lang="ts">
import { computed, ref } from 'vue'
import { LADDER, type LadderRung } from '../../core/edge/model/ladder'
import { ZONES, type ByZone, type Zone } from '../../core/knife/zones'
import { capital } from '../../words/format'
import { useTester } from '../check/useTester'
import TesterSimulator from '../check/TesterSimulator.vue'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useRecords } from '../live/records'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'
import { useDrills } from './useDrills'
import VerdictPanel from './VerdictPanel.vue'

/**
 * An eye learns by saying first and measuring after: sign and force of three spots of one knife. What was measured goes
 * into the knife's log as a check, and what was seen beside it teaches how far this person's signs may be trusted.
 */
interface Spot {
  rung: LadderRung | null
  saidGf: number | null
  measuredGf: number | null
}
const fleet = useFleet()
const session = useSession()
const records = useRecords()
const notices = useNotices()
const formats = useFormats()
const { latest, keep, busy } = useDrills()
const EMPTY: Spot = { rung: null, saidGf: null, measuredGf: null }
const fresh = (): Record<Zone, Spot> => ({ heel: { ...EMPTY }, belly: { ...EMPTY }, tip: { ...EMPTY } })
const spots = ref<Record<Zone, Spot>>(fresh())
const said = ref(false)
const chosen = ref('')
const readable = computed(() => fleet.knives.filter(({ status }) => ['in-service', 'practice'].includes(status)))
const knives = computed(() =>
  readable.value.map(({ id, code, type }) => ({ value: id, label: `${code} ${say(`type.${type}`)}` })),
)
const knife = computed(() => readable.value.find(({ id }) => id === chosen.value) ?? null)
const signs = LADDER.map((value) => ({ value, label: capital(say(`ladder.${value}`)) }))
const [LEAST_GF, MOST_GF] = [20, 2000]
const isForce = (gf: number | null): gf is number => gf !== null && gf >= LEAST_GF && gf <= MOST_GF
const allSaid = computed(() => ZONES.every((zone) => isForce(spots.value[zone].saidGf)))
const allMeasured = computed(() => ZONES.every((zone) => isForce(spots.value[zone].measuredGf)))

const simulator = ref<string | null>(null)
useTester(
  () => simulator.value,
  (forceGf) => {
    const next = said.value ? ZONES.find((zone) => spots.value[zone].measuredGf === null) : undefined
    if (next) spots.value[next].measuredGf = Math.round(forceGf)
  },
)
const guess = computed(() => {
  const next = ZONES.find((zone) => spots.value[zone].measuredGf === null) ?? 'heel'
  return Math.round(knife.value?.zones[next].forceGf ?? 250)
})
async function done(): Promise<void> {
  const of = (zone: Zone): { saidGf: number; measuredGf: number } => ({
    saidGf: spots.value[zone].saidGf ?? 0,
    measuredGf: spots.value[zone].measuredGf ?? 0,
  })
  await keep({ kind: 'read', edges: ZONES.map(of) })
  if (knife.value) await intoTheLog(knife.value.id, spots.value)
  spots.value = fresh()
  said.value = false
}
async function intoTheLog(knifeId: string, seen: ByZone<Spot>): Promise<void> {
  const payload = {
    readings: ZONES.map((zone) => ({ zone, forcesGf: [seen[zone].measuredGf ?? 0] })),
    ladder: ZONES.flatMap((zone) => {
      const { rung } = seen[zone]
      return rung ? [{ zone, rung }] : []
    }),
  }
  try {
    await records.record({ kind: 'checked', knifeId, payload })
    notices.done(say('practice.read.logged'))
  } catch (error) {
    notices.refused(refusalText(error))
  }
}
</script>

<template>
  <section class="drill">
    <ChoiceField v-if="!said" v-model="chosen" :label="$t('practice.read.knife')" :options="knives" searchable />
    <p v-else-if="knife">
      <b>{{ knife.code }}</b> {{ $t(`type.${knife.type}`) }}
    </p>
    <div v-for="zone in ZONES" :key="zone" class="spot">
      <h2>{{ capital($t(`zone.${zone}`)) }}</h2>
      <template v-if="!said">
        <ChoiceField v-model="spots[zone].rung" :label="$t('practice.read.sign')" :options="signs" />
        <MeasureField v-model="spots[zone].saidGf" :label="$t('practice.read.said')" unit="gf" />
      </template>
      <p v-else>
        <span class="soft">{{ $t('practice.read.said') }}</span>
        <b class="num">{{ formats.force(spots[zone].saidGf ?? 0) }}</b>
      </p>
      <MeasureField v-if="said" v-model="spots[zone].measuredGf" :label="$t('practice.read.measured')" unit="gf" />
    </div>
    <TesterSimulator v-if="session.house?.isDemo && said" :guess="guess" @name="simulator = $event" />
    <p>
      <AppButton v-if="!said" kind="main" big :disabled="!allSaid || !knife" @click="said = true">{{
        $t('practice.read.lock')
      }}</AppButton>
      <AppButton v-else kind="main" big :disabled="!allMeasured || busy" @click="done">{{
        $t('practice.read.done')
      }}</AppButton>
    </p>
  </section>
  <VerdictPanel v-if="latest && latest.drill.kind === 'read' && !said" :drill="latest" />
</template>

<style scoped>
.drill {
  display: grid;
  gap: 14px;
  margin-top: 12px;
}
.spot {
  display: grid;
  grid-template-columns: 90px minmax(0, 260px) 160px 160px;
  gap: 8px 18px;
  align-items: end;
}
@media (max-width: 800px) {
  .spot {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
