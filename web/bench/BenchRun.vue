<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { BenchSession, GearView, StackPiece } from '../../contract/bench'
import type { KnifeView } from '../../contract/knives'
import { pressingOnRung } from '../../core/abrasive/strokeLadder'
import { ZONES, type Zone } from '../../core/knife/zones'
import { paceNote } from '../../core/session/session'
import { FACE_CUTS } from '../../core/workshop/operation'
import { stepWords } from '../../words/bench'
import { say, useFormats } from '../i18n'
import { useSession } from '../stores/session'
import { useKeys } from '../ui/useKeys'
import { angleStack } from './angleStack'
import ApexDrawing from './ApexDrawing.vue'
import BenchHead from './BenchHead.vue'
import BenchKeys from './BenchKeys.vue'
import BenchSimulators from './BenchSimulators.vue'
import CarryOver from './CarryOver.vue'
import CheckTicks from './CheckTicks.vue'
import EdgePictures from './EdgePictures.vue'
import LiveLine from './LiveLine.vue'
import SectionDrawing from './SectionDrawing.vue'
import SoakList from './SoakList.vue'
import SpotForces from './SpotForces.vue'
import StepLine from './StepLine.vue'
import StepNotes from './StepNotes.vue'
import StrokeCount from './StrokeCount.vue'
import { useBenchSession } from './useBenchSession'
import { useInstruments } from './useInstruments'
import { useRhythm } from './useRhythm'
import { useStepClock } from './useStepClock'

const props = defineProps<{
  begun: BenchSession
  knife: KnifeView
  gear: readonly GearView[]
  pieces: readonly StackPiece[]
}>()
const emit = defineEmits<{ ended: []; leave: [] }>()
const formats = useFormats()
const signedIn = useSession()
const { session, plan, state, step, here, at, waiting, refusal, act, go } = useBenchSession(props.begun)
const zone = ref<Zone>('heel')
const spots = ref<InstanceType<typeof SpotForces> | null>(null)

/** Up to the first stroke a picture shows the edge as it came; from then on as it has become. */
const isAfter = computed(
  () =>
    step.value?.kind === 'test' ||
    plan.value.steps
      .slice(0, at.value)
      .some(({ kind }) => kind === 'side' || kind === 'hone' || kind === 'teeth' || kind === 'strop'),
)
const { angle, press } = useInstruments((picture) => {
  act({
    kind: 'picture',
    when: isAfter.value ? 'after' : 'before',
    zone: picture.zone,
    bluntUm: picture.bluntUm,
    roll: picture.roll,
  })
})
const strokesDone = computed(() => ZONES.reduce((sum, one) => sum + here.value.strokes[one], 0))
/** What the next stroke wants: the ladder's pressure falls stroke by stroke. */
const wantedNewtons = computed(() => {
  const rungs = step.value?.rungs ?? []
  const heaviest = step.value?.newtons ?? stage.value?.newtons ?? rungs[0]?.newtons ?? null
  return heaviest === null
    ? null
    : pressingOnRung(rungs, heaviest, strokesDone.value / Math.max(1, step.value?.strokes ?? 1))
})
const live = computed(() => (angle.value?.trust === 'good' ? angle.value.value : null))

const stage = computed(() => session.value.plan.stages[step.value?.stage ?? -1] ?? null)
const stoneName = computed(() => stage.value?.stoneName ?? '')
const shown = computed(() => session.value.plan.steps[at.value] ?? null)
const words = computed(() =>
  shown.value ? stepWords(session.value.plan, shown.value, stoneName.value, say, formats.value) : { what: '', why: '' },
)
const dps = computed(
  () => step.value?.dps ?? (step.value?.side === 'second' ? props.knife.dpsLeft : props.knife.dpsRight),
)
const stack = computed(() => angleStack(props.knife, dps.value, props.pieces))
const counts = computed(() => step.value?.kind === 'side' || step.value?.kind === 'teeth')
const isLast = computed(() => at.value === plan.value.steps.length - 1)
const { spentMs, elapsed } = useStepClock({ state, step, here })
const burrAll = computed(() => ZONES.every((one) => here.value.burr[one]))
/** Work on the faces stops before a burr: one there is lost height. */
const onFace = computed(() => FACE_CUTS.has(step.value?.recipeStep.replace(/^cut-/, '') ?? ''))
const notes = computed((): string[] => {
  const pace = step.value && paceNote(step.value, spentMs.value, burrAll.value)
  const isOnFace = onFace.value && ZONES.some((one) => here.value.burr[one])
  return [...(pace ? [say(`bench.pace.${pace}`)] : []), ...(isOnFace ? [say('bench.burrOnFace')] : [])]
})
/** Stones of this session with what each may be wetted with: said before anybody reaches for a bottle. */
const stones = computed(() =>
  session.value.plan.stages.flatMap(({ stoneId }) => props.gear.filter(({ id }) => id === stoneId)),
)
const soak = computed(() =>
  stones.value
    .filter(({ soakMinutes }) => soakMinutes > 0)
    .map(({ id, name, soakMinutes, bath }) => ({ stoneId: id, stoneName: name, minutes: soakMinutes, bath })),
)

function stroke(): void {
  if (counts.value) act({ kind: 'strokes', stepId: state.value.stepId, zone: zone.value, count: 1 })
}
const { ticking, speaking } = useRhythm(
  computed(() => here.value.strokes[zone.value]),
  stroke,
)
// a new step starts without the rhythm of the old one
watch(at, () => {
  ticking.value = false
})
function burr(): void {
  if (!counts.value) return
  const felt = !here.value.burr[zone.value]
  act({ kind: 'burr', stepId: state.value.stepId, zone: zone.value, felt })
  // the next section is the one to go on with
  const next = ZONES.find((one) => one !== zone.value && !here.value.burr[one])
  if (felt && next) zone.value = next
}
function onward(): void {
  // Enter with a force typed takes the force first
  if (spots.value?.enter()) return
  if (!isLast.value) {
    go(1)
    zone.value = 'heel'
    return
  }
  act({ kind: 'finish' })
}
function abandon(): void {
  act({ kind: 'abandon' })
}
function leave(): void {
  act({ kind: 'pause' })
  emit('leave')
}
// over is over when the server has it: until then it waits here with everything else
watch(
  () => session.value.outcome,
  (outcome) => {
    if (outcome) emit('ended')
  },
)
useKeys({
  ' ': (event) => {
    event.preventDefault()
    stroke()
  },
  b: burr,
  Enter: onward,
  Backspace: () => {
    go(-1)
  },
  ...Object.fromEntries(
    ZONES.map((one, at) => [
      at + 1,
      () => {
        zone.value = one
      },
    ]),
  ),
  Escape: leave,
})
</script>

<template>
  <BenchHead :knife="knife" :recipe="session.plan" :who="signedIn.person?.name ?? ''" :right="elapsed" />
  <StepLine :plan="session.plan" :at="at" />
  <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
  <div v-if="step" class="body">
    <div class="drawn">
      <SectionDrawing
        v-if="stage || step.kind === 'hone'"
        :blade="knife"
        :stack="stack"
        :stone-name="stoneName"
        :live-dps="live"
        :on-face="onFace"
      />
      <LiveLine
        v-if="stage || step.kind === 'hone' || step.kind === 'strop'"
        :angle="angle"
        :press="press"
        :wanted-dps="dps"
        :wanted-newtons="wantedNewtons"
      />
      <ApexDrawing
        v-if="step.kind === 'fetch' || step.kind === 'soak' || step.kind === 'clean' || step.kind === 'stow'"
        :knife="knife"
      />
      <p v-if="step.kind === 'angle'" class="soft halving">{{ $t('bench.halving') }}</p>
      <BenchSimulators
        v-if="signedIn.house?.isDemo"
        :knife="knife"
        :dps="dps"
        :newtons="wantedNewtons ?? 10"
        :after="isAfter"
      />
      <SoakList v-if="step.kind === 'soak'" :soak="soak" :flatten="[]" />
      <EdgePictures
        v-if="step.kind === 'look' || step.kind === 'test' || step.kind === 'stow'"
        :pictures="state.pictures"
      />
      <SpotForces
        ref="spots"
        v-if="step.kind === 'look' || step.kind === 'test'"
        :when="step.kind === 'look' ? 'before' : 'after'"
        :before="state.before"
        :after="state.after"
        @force="
          (spot, forceGf) =>
            act({ kind: 'force', when: step?.kind === 'look' ? 'before' : 'after', zone: spot, forceGf })
        "
      />
    </div>
    <div class="told">
      <h1>{{ words.what }}</h1>
      <p class="why">{{ words.why }}</p>
      <ul v-if="step.kind === 'fetch'" class="stones">
        <li v-for="stone in stones" :key="stone.id">
          <b>{{ stone.name }}</b> {{ $t(`gear.liquid.${stone.kind}`) }}
        </li>
      </ul>
      <StrokeCount v-if="counts" v-model:zone="zone" :step="step" :here="here" />
      <p v-if="counts" class="rhythm">
        <button class="button" type="button" :aria-pressed="ticking" @click="ticking = !ticking">
          {{ $t(ticking ? 'bench.tickOff' : 'bench.tick') }}
        </button>
        <button class="button quiet" type="button" :aria-pressed="speaking" @click="speaking = !speaking">
          {{ $t(speaking ? 'bench.quiet' : 'bench.speak') }}
        </button>
      </p>
      <CheckTicks
        :checks="step.checks"
        :ticked="here.ticked"
        @tick="(check, done) => act({ kind: 'tick', stepId: state.stepId, check, done })"
      />
      <CarryOver
        v-if="step.kind === 'ends'"
        :carried="state.carryOver"
        @leave="(spot, what) => act({ kind: 'carry-over', zone: spot, what })"
      />
      <p class="ways">
        <button class="button quiet" type="button" @click="leave">{{ $t('bench.leave') }}</button>
        <button class="button quiet" type="button" :title="$t('bench.abandonHint')" @click="abandon">
          {{ $t('bench.abandon') }}
        </button>
      </p>
      <StepNotes :notes="notes" :cautions="step.cautions" />
    </div>
  </div>
  <p v-if="waiting > 0" class="waiting small" role="status">{{ say('bench.waiting', { n: waiting }) }}</p>
  <BenchKeys
    :counts="counts"
    :is-first="at === 0"
    :is-last="isLast"
    :burr-felt="here.burr[zone]"
    @back="go(-1)"
    @stroke="stroke"
    @burr="burr"
    @onward="onward"
  />
</template>

<style scoped>
.body {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1.15fr);
  gap: 34px;
  padding: 14px 26px;
  align-content: start;
}
.drawn {
  display: grid;
  gap: 12px;
  align-content: center;
}
.told {
  display: grid;
  gap: 12px;
  align-content: start;
}
h1 {
  font-size: 2rem;
}
.why {
  font-size: 1.1rem;
  line-height: 1.4;
}
.rhythm {
  display: flex;
  gap: 10px;
}
.stones li {
  padding: 4px 0;
  line-height: 1.35;
}
.waiting,
.refusal {
  margin: 0 26px;
}
.ways {
  display: flex;
  gap: 10px;
}
@media (max-width: 900px) {
  .body {
    grid-template-columns: minmax(0, 1fr);
    padding-inline: 14px;
    gap: 14px;
  }
  .told {
    order: -1;
  }
  h1 {
    font-size: 1.5rem;
  }
}
</style>
