<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { Drill } from '../../contract/practice'
import type { SectionBlade } from '../../core/geometry/section'
import { faceAngle } from '../../core/geometry/stack'
import { PRACTICE_BLADE } from '../../core/hands/repeated'
import { call } from '../api'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useResource } from '../live/resource'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import DrillResult from './DrillResult.vue'
import HandSimulator from './HandSimulator.vue'
import HoldBand from './HoldBand.vue'
import { DRILL_STROKES, useHoldDrill } from './useHoldDrill'

/** Holding one angle decides nearly everything, and is learned by seeing it: strokes with a live band, and what they do to an edge. */
const fleet = useFleet()
const session = useSession()
const formats = useFormats()
const notices = useNotices()
const me = session.person?.id ?? ''
const { value: before, reload } = useResource(endpoints.drills, { params: { id: me } })
const hand = ref<'right' | 'left'>('right')
const hands = (['right', 'left'] as const).map((value) => ({ value, label: say(`practice.hand.${value}`) }))

interface Practised {
  readonly blade: SectionBlade
  readonly lengthMm: number
  readonly hrc: number
}
const BEGINNERS: Practised = { blade: PRACTICE_BLADE, lengthMm: 240, hrc: 57 }
const [MOST_UNEVEN, EVEN] = [15, 50]
const chosen = ref('')
/** Knives with two like sides: others have an angle of their own on each, and a lesson of their own. */
const suited = computed(() =>
  fleet.knives.filter(
    ({ status, serrated, ratioRight, holderId }) =>
      !serrated &&
      Math.abs(ratioRight - EVEN) <= MOST_UNEVEN &&
      (status === 'practice' || (status === 'in-service' && holderId === me)),
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

const drill = ref<Drill | null>(null)
async function keep(strokes: number[][]): Promise<void> {
  const body = { id: newId(), at: session.now().toISOString(), hand: hand.value, wantedDps: wantedDps.value, strokes }
  try {
    drill.value = await call(endpoints.recordDrill, { body })
    await reload()
  } catch (error) {
    notices.refused(refusalText(error))
  }
}
const {
  phase,
  beat,
  shown,
  there,
  chosen: instrument,
  trust,
  sureDps,
  zero,
  start,
  stop,
} = useHoldDrill(
  () => faceAngle(practised.value.blade),
  (strokes) => void keep(strokes),
)
function begin(): void {
  drill.value = null
  start()
}
async function takeBack(id: string): Promise<void> {
  try {
    await call(endpoints.deleteDrill, { params: { id } })
    await reload()
  } catch (error) {
    notices.refused(refusalText(error))
  }
}
const practiceBlades = computed(() => fleet.knives.filter(({ status }) => status === 'practice'))
/** What the house is done with is good to learn on, where it has two like sides. */
const offered = computed(() =>
  fleet.knives
    .filter(
      ({ status, serrated, ratioRight }) =>
        status === 'retired' && !serrated && Math.abs(ratioRight - EVEN) <= MOST_UNEVEN,
    )
    .map(({ code }) => code)
    .join(', '),
)
const latest = computed(() => [...(before.value ?? [])].reverse())
const spread = ({ score }: Drill): string =>
  formats.value.angle(Math.round(10 * Math.hypot(score.withinDps, score.betweenDps)) / 10)
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('practice.title') }}</h1>
      <span class="soft">{{ session.person?.name }}</span>
    </header>
    <p class="lead">{{ $t('practice.why') }}</p>
    <p class="caution small">{{ $t('practice.caution') }}</p>
    <div class="choices">
      <SegmentedChoice v-model="hand" :label="$t('practice.handLabel')" :options="hands" />
      <ChoiceField v-model="chosen" :label="$t('practice.onWhat')" :options="blades" />
      <ChoiceField
        v-if="there.length > 1"
        v-model="instrument"
        :label="$t('practice.instrument')"
        :options="there.map(({ id, name }) => ({ value: id, label: name }))"
      />
    </div>
    <HoldBand :wanted-dps="wantedDps" :angles="shown" />
    <p role="status" class="state">
      <template v-if="phase === 'counting'">{{ $t('practice.countIn', { beat }) }}</template>
      <template v-else-if="phase === 'running'">{{ $t('practice.stroke', { n: beat, all: DRILL_STROKES }) }}</template>
      <template v-else>{{ $t(`practice.trust.${trust}`) }}</template>
      <span v-if="trust === 'good' && sureDps !== null" class="soft">{{
        $t('practice.sure', { angle: formats.angle(sureDps) })
      }}</span>
    </p>
    <p class="keys">
      <AppButton v-if="phase !== 'ready'" big @click="stop">{{ $t('practice.stop') }}</AppButton>
      <template v-else>
        <AppButton kind="main" big :disabled="trust !== 'good'" @click="begin">{{ $t('practice.start') }}</AppButton>
        <AppButton :disabled="trust !== 'good'" @click="zero">{{ $t('practice.zero') }}</AppButton>
      </template>
    </p>
    <p v-if="trust !== 'good' && phase === 'ready'">
      <AppButton kind="quiet" to="/phone-angle">{{ $t('phone.title') }}</AppButton>
    </p>
    <HandSimulator v-if="session.house?.isDemo" :wanted-dps="wantedDps" :strokes="DRILL_STROKES" :beat="beat" />
    <DrillResult
      v-if="drill"
      :drill="drill"
      :blade="practised.blade"
      :length-mm="practised.lengthMm"
      :hrc="practised.hrc"
    />
    <section class="heavy-rule before">
      <h2>{{ $t('practice.blades') }}</h2>
      <p v-if="practiceBlades.length === 0" class="soft">{{ $t('practice.noBlades') }}</p>
      <ul class="blades">
        <li v-for="knife in practiceBlades" :key="knife.id">
          <RouterLink class="num" :to="{ name: 'knife', params: { code: knife.code } }">{{ knife.code }}</RouterLink>
          <EdgeStrip :knife="knife" />
          <AppButton :to="{ name: 'bench', params: { code: knife.code } }">{{ $t('next.bench') }}</AppButton>
        </li>
      </ul>
      <p v-if="session.may('edit-knife') && offered !== ''" class="soft">
        {{ $t('practice.offered', { codes: offered }) }}
      </p>
    </section>
    <section v-if="latest.length > 0" class="heavy-rule before">
      <h2>{{ $t('practice.before') }}</h2>
      <ul>
        <li v-for="one in latest" :key="one.id">
          <span>{{ formats.moment(one.at) }}</span>
          <span>{{ $t(`practice.hand.${one.hand}`) }}</span>
          <span class="num">{{ $t('practice.spread', { angle: spread(one) }) }}</span>
          <span>{{ $t(`practice.advice.${one.advice}`) }}</span>
          <AppButton kind="quiet" small @click="takeBack(one.id)">{{ $t('event.takeBack') }}</AppButton>
        </li>
      </ul>
      <p class="soft small">{{ $t('practice.whoSees') }}</p>
    </section>
  </div>
</template>

<style scoped>
.choices,
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 24px;
  align-items: flex-end;
  margin: 12px 0;
}
.state {
  font-size: 1.25rem;
  font-weight: 700;
  min-height: 1.6em;
}
.before {
  margin-top: 22px;
}
.before .blades li {
  grid-template-columns: 80px minmax(0, 1fr) auto;
}
.before li {
  display: grid;
  grid-template-columns: 130px 110px 150px minmax(0, 1fr) auto;
  gap: 6px 14px;
  align-items: center;
  padding: 4px 0;
}
@media (max-width: 700px) {
  .before li {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
</style>
