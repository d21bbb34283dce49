<script setup lang="ts">
import { computed, ref } from 'vue'
import type { BenchOffer, BenchPlan, GearView, StackPiece } from '../../contract/bench'
import type { KnifeView } from '../../contract/knives'
import { lessonFor } from '../../core/course/lessons'
import type { Zone } from '../../core/knife/zones'
import { minutesBack } from '../../core/session/branches'
import type { SessionStep } from '../../core/session/plan'
import type { Looked, SessionState, StepState } from '../../core/session/session'
import { stepWords, wayWords } from '../../words/bench'
import { reasonSentence } from '../../words/verdict'
import { say, useFormats } from '../i18n'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import ApexDrawing from './ApexDrawing.vue'
import BackOffer from './BackOffer.vue'
import BenchSimulators from './BenchSimulators.vue'
import type { BenchDraft } from './useBenchSession'
import CarryOver from './CarryOver.vue'
import CheckTicks from './CheckTicks.vue'
import EdgePictures from './EdgePictures.vue'
import LiveLine from './LiveLine.vue'
import LookPanel from './LookPanel.vue'
import PhotoPanel from './PhotoPanel.vue'
import SoakList from './SoakList.vue'
import SpotForces from './SpotForces.vue'
import StepDrawing from './StepDrawing.vue'
import StrokeCount from './StrokeCount.vue'
import TryPanel from './TryPanel.vue'
import type { LiveValue } from './useInstruments'
import TermText from '../ui/TermText.vue'

/** One step at a time: what to do and why, what to look for, what to do when it is not so. */
const props = defineProps<{
  sessionId: string
  plan: BenchPlan
  step: SessionStep
  state: SessionState
  here: StepState
  knife: KnifeView
  gear: readonly GearView[]
  pieces: readonly StackPiece[]
  angle: LiveValue | null
  press: LiveValue | null
  dps: number
  wantedNewtons: number | null
  isAfter: boolean
}>()
const emit = defineEmits<{ act: [draft: BenchDraft] }>()
const zone = defineModel<Zone>('zone', { required: true })
const formats = useFormats()
const signedIn = useSession()
const spots = ref<InstanceType<typeof SpotForces> | null>(null)
const look = ref<InstanceType<typeof LookPanel> | null>(null)
defineExpose({
  /** takes a force that is typed. @returns whether there was one */
  enter: (): boolean => spots.value?.enter() ?? false,
  seen: (): Looked | null => look.value?.seen() ?? null,
})

const stage = computed(() => props.plan.stages[props.step.stage ?? -1] ?? null)
const stoneName = computed(() => stage.value?.stoneName ?? '')
const words = computed(() => stepWords(props.plan, props.step, stoneName.value, say, formats.value))
const ways = computed(() => wayWords(props.plan, props.step, say))
/** The lesson of the course that shows this step. */
const lesson = computed(() => lessonFor(props.step, props.knife))
const counts = computed(() => props.step.kind === 'side' || props.step.kind === 'teeth')
const isDrawn = computed(() => props.step.strokes > 0 || props.step.kind === 'angle')
/** A step with nothing to draw or read has the page to itself. */
const isAlone = computed(() => !isDrawn.value && !['look', 'test', 'fetch', 'soak', 'clean'].includes(props.step.kind))
const live = computed(() => (props.angle?.trust === 'good' ? props.angle.value : null))
/** Stones of this session, with what each may be wetted with: said before anybody reaches for a bottle. */
const stones = computed(() => props.plan.stages.flatMap(({ stoneId }) => props.gear.filter(({ id }) => id === stoneId)))
const soak = computed((): BenchOffer['soak'] =>
  stones.value
    .filter(({ soakMinutes }) => soakMinutes > 0)
    .map(({ id, name, soakMinutes, bath }) => ({ stoneId: id, stoneName: name, minutes: soakMinutes, bath })),
)
const reasons = computed(() => props.plan.because.map((reason) => reasonSentence(reason, say, formats.value)))
const canGoBack = computed(() => minutesBack(props.state.plan, props.step.id, 'heel') !== null)
const force = (when: 'before' | 'after', spot: Zone, forceGf: number): void => {
  emit('act', { kind: 'force', when, zone: spot, forceGf })
}
</script>

<template>
  <div class="body" :class="{ alone: isAlone }">
    <div v-if="!isAlone" class="drawn">
      <StepDrawing
        v-if="isDrawn"
        :knife="knife"
        :step="step"
        :dps="dps"
        :stone-name="stoneName"
        :pieces="pieces"
        :live-dps="live"
      />
      <LiveLine v-if="isDrawn" :angle="angle" :press="press" :wanted-dps="dps" :wanted-newtons="wantedNewtons" />
      <ApexDrawing v-if="step.kind === 'fetch' || step.kind === 'soak' || step.kind === 'clean'" :knife="knife" />
      <p v-if="step.kind === 'angle'" class="soft halving">{{ $t('bench.halving') }}</p>
      <BenchSimulators
        v-if="signedIn.house?.isDemo"
        :knife="knife"
        :dps="dps"
        :newtons="wantedNewtons ?? 10"
        :after="isAfter"
      />
      <SoakList v-if="step.kind === 'soak'" :soak="soak" :flatten="[]" />
      <SpotForces
        v-if="step.kind === 'look' || step.kind === 'test'"
        ref="spots"
        :when="step.kind === 'look' ? 'before' : 'after'"
        :before="state.before"
        :after="state.after"
        @force="(spot, forceGf) => force(step.kind === 'look' ? 'before' : 'after', spot, forceGf)"
      />
    </div>
    <div class="told">
      <h1>{{ words.what }}</h1>
      <p class="why"><TermText :text="words.why" /></p>
      <p v-if="lesson">
        <AppButton kind="quiet" :to="{ name: 'lesson', params: { lesson }, query: { from: `/bench/${knife.code}` } }">{{
          $t('course.show')
        }}</AppButton>
      </p>
      <p v-if="ways.length > 0" class="way"><TermText :text="ways.join(' ')" /></p>
      <template v-if="step.kind === 'fetch'">
        <p v-for="reason in reasons" :key="reason" class="note">{{ $t('bench.reasonsNow', { reason }) }}</p>
        <ul class="stones">
          <li v-for="stone in stones" :key="stone.id">
            <b>{{ stone.name }}</b> {{ $t(`gear.liquid.${stone.kind}`) }}
          </li>
        </ul>
      </template>
      <LookPanel v-if="step.kind === 'look' && plan.records.kind === 'sharpened'" ref="look" />
      <StrokeCount
        v-if="counts"
        v-model:zone="zone"
        :step="step"
        :here="here"
        :sweeps="plan.choices['path'] === 'sweeps'"
      />
      <slot name="rhythm" :counts="counts" />
      <TryPanel
        v-if="step.kind === 'try' || step.kind === 'test'"
        @tried="(tried) => emit('act', { kind: 'tried', stepId: step.id, ...tried })"
      />
      <CheckTicks
        :checks="step.checks"
        :ticked="here.ticked"
        @tick="(check, done) => emit('act', { kind: 'tick', stepId: step.id, check, done })"
      />
      <p v-if="step.ifNot" class="soft">{{ $t(`bench.remedy.${step.ifNot}`) }}</p>
      <BackOffer
        v-if="canGoBack && (step.kind === 'ends' || step.kind === 'side')"
        :plan="state.plan"
        :step-id="step.id"
        :coarse-name="plan.stages[0]?.stoneName ?? ''"
        @back="(spot) => emit('act', { kind: 'back', stepId: step.id, zone: spot })"
      />
      <CarryOver
        v-if="step.kind === 'ends'"
        :carried="state.carryOver"
        @leave="(spot, what) => emit('act', { kind: 'carry-over', zone: spot, what })"
      />
      <EdgePictures
        v-if="step.kind === 'look' || step.kind === 'test' || step.kind === 'stow'"
        :pictures="state.pictures"
      />
      <PhotoPanel
        v-if="step.kind === 'look' || step.kind === 'test'"
        :session-id="sessionId"
        :when="isAfter ? 'after' : 'before'"
        :photos="state.photos"
        @taken="(photoId) => emit('act', { kind: 'photo', photoId, when: isAfter ? 'after' : 'before' })"
      />
      <slot />
    </div>
  </div>
</template>

<style scoped src="./benchBody.css"></style>
<style scoped>
.body.alone {
  grid-template-columns: minmax(0, 52rem);
}
h1 {
  font-size: 2rem;
}
.why {
  font-size: 1.1rem;
  line-height: 1.4;
}
.way {
  padding-left: 12px;
  border-left: 4px solid var(--rule-strong);
}
.note {
  padding-left: 12px;
  border-left: 4px solid var(--ember);
  font-weight: 600;
}
.stones li {
  padding: 4px 0;
  line-height: 1.35;
}
@media (max-width: 900px) {
  h1 {
    font-size: 1.5rem;
  }
}
</style>
