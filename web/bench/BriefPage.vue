<script setup lang="ts">
import { computed, ref } from 'vue'
import type { BenchPlan, StackPiece } from '../../contract/bench'
import type { KnifeView } from '../../contract/knives'
import { lessonFor } from '../../core/course/lessons'
import { ZONES, type Zone } from '../../core/knife/zones'
import type { Check } from '../../core/session/recipe'
import type { Tried } from '../../core/session/branches'
import { isWorked, type SessionPage } from '../../core/session/pages'
import type { SessionStep } from '../../core/session/plan'
import { stepState, type Looked, type SessionState } from '../../core/session/session'
import { stepWords, wayWords } from '../../words/bench'
import { reasonSentence } from '../../words/verdict'
import { say, useFormats } from '../i18n'
import BackOffer from './BackOffer.vue'
import CarryOver from './CarryOver.vue'
import CheckTicks from './CheckTicks.vue'
import LookPanel from './LookPanel.vue'
import SpotForces from './SpotForces.vue'
import StepDrawing from './StepDrawing.vue'
import TryPanel from './TryPanel.vue'
import AppButton from '../ui/AppButton.vue'
import FoldSection from '../ui/FoldSection.vue'

/** A page a stone: angle, counts, what to look for, burr by zone; one key goes on. */
const props = defineProps<{
  plan: BenchPlan
  page: SessionPage
  state: SessionState
  knife: KnifeView
  pieces: readonly StackPiece[]
  liveDps: number | null
}>()
const emit = defineEmits<{
  looked: []
  force: [when: 'before' | 'after', zone: Zone, forceGf: number]
  burr: [stepId: string, zone: Zone, felt: boolean]
  tick: [stepId: string, check: Check, done: boolean]
  tried: [stepId: string, tried: Tried]
  back: [stepId: string, zone: Zone]
  leave: [zone: Zone, what: string]
}>()
const formats = useFormats()
const isOpen = ref(false)
const look = ref<InstanceType<typeof LookPanel> | null>(null)
const spots = ref<InstanceType<typeof SpotForces> | null>(null)
defineExpose({
  /** takes a force that is typed. @returns whether there was one */
  enter: (): boolean => spots.value?.enter() ?? false,
  seen: (): Looked | null => look.value?.seen() ?? null,
})
/** Whether this page looks first, or tests last; a brief hand may skip both. */
const when = computed((): 'before' | 'after' | null => {
  if (props.page.steps.some(({ kind, tool }) => kind === 'look' && tool === null)) return 'before'
  return props.page.steps.some(({ kind }) => kind === 'test') ? 'after' : null
})
const stoneName = computed(() => props.plan.stages[props.page.stage ?? -1]?.stoneName ?? '')
const worked = computed(() => props.page.steps.filter(isWorked))
const main = computed(() => worked.value[0] ?? props.page.steps[0] ?? null)
const dpsOf = (step: SessionStep): number =>
  step.dps ?? (step.hand === 'left' ? props.knife.dpsLeft : props.knife.dpsRight)
const wordsOf = (step: SessionStep): { what: string; why: string } =>
  stepWords(props.plan, step, stoneName.value, say, formats.value)
const title = computed(() => {
  const step = main.value
  if (!step) return ''
  const place = stoneName.value || say(step.tool === null ? `bench.step.${step.kind}.name` : `bench.tool.${step.tool}`)
  return isWorked(step) ? `${place} · ${formats.value.angle(Math.round(dpsOf(step) * 10) / 10)}` : place
})
const sides = computed(() => worked.value.filter(({ kind, work }) => kind === 'side' && work === 'edge'))
/** What makes the stone ready, where it has to be made ready. */
const ready = computed(() => props.page.steps.filter(({ kind }) => kind === 'soak' || kind === 'flatten'))
const others = computed(() =>
  props.page.steps.filter(
    (step) =>
      (isWorked(step) && !sides.value.includes(step)) ||
      ['wipe', 'deburr', 'test', 'stow', 'clean'].includes(step.kind) ||
      (step.kind === 'look' && step.tool !== null),
  ),
)
const newtons = computed(() => props.plan.stages[props.page.stage ?? -1]?.newtons ?? '')
/** Checks of a page once each, under the step they belong to. */
const checks = computed(() =>
  props.page.steps
    .flatMap((step) =>
      (isWorked(step) || step.kind === 'ends' || step.kind === 'flatten' ? step.checks : []).map((check) => ({
        step,
        check,
      })),
    )
    .filter(({ check }) => check !== 'burr-all-along' || sides.value.length === 0)
    .filter(({ check }, at, all) => all.findIndex((one) => one.check === check) === at),
)
const ticked = computed(() =>
  checks.value
    .filter(({ step, check }) => stepState(props.state, step.id).ticked.includes(check))
    .map(({ check }) => check),
)
function tick(check: Check, done: boolean): void {
  const found = checks.value.find((one) => one.check === check)
  if (found) emit('tick', found.step.id, check, done)
}
/** The step at which this page is tried on paper, and the one from which it would go back to the coarse stone. */
const tried = computed(() => props.page.steps.find(({ kind }) => kind === 'try' || kind === 'test') ?? null)
const ends = computed(() => props.page.steps.find(({ kind }) => kind === 'ends') ?? null)
/** Why the plan is what it is, on the page that looked. */
const reasons = computed(() =>
  when.value === 'before' ? props.plan.because.map((reason) => reasonSentence(reason, say, formats.value)) : [],
)
/** One figure where both sides have it, both where they differ. */
const sideStrokes = computed(() => [...new Set(sides.value.map(({ strokes }) => strokes))].join(' / '))
const ways = computed(() => [...new Set(worked.value.flatMap((step) => wayWords(props.plan, step, say)))])
/** The lesson that shows what this page asks for. */
const lesson = computed(() => (main.value ? lessonFor(main.value, props.knife) : null))
const cautions = computed(() => [...new Set(props.page.steps.flatMap((step) => step.cautions))])
</script>

<template>
  <div class="body">
    <div class="drawn">
      <StepDrawing
        v-if="main && isWorked(main)"
        :knife="knife"
        :step="main"
        :dps="dpsOf(main)"
        :stone-name="stoneName"
        :pieces="pieces"
        :live-dps="liveDps"
      />
      <p class="soft">{{ ways.join(' ') }}</p>
    </div>
    <div class="told">
      <h1>{{ title }}</h1>
      <p v-for="reason in reasons" :key="reason" class="note">{{ $t('bench.reasonsNow', { reason }) }}</p>
      <ul class="counts">
        <li v-for="step in ready" :key="step.id" class="soft">{{ wordsOf(step).what }}</li>
        <li v-if="sides.length > 0">
          {{ $t('bench.briefSides', { strokes: sideStrokes, newtons }) }}
        </li>
        <li v-for="step in others" :key="step.id">{{ wordsOf(step).what }}</li>
      </ul>
      <table v-if="sides.length > 0" class="plain">
        <thead>
          <tr>
            <th>{{ $t('bench.briefBurr') }}</th>
            <th v-for="zone in ZONES" :key="zone">{{ $t(`zone.${zone}`) }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="step in sides" :key="step.id">
            <th>{{ $t('bench.briefStrokes', { side: $t(`bench.${step.hand ?? 'both'}`), strokes: step.strokes }) }}</th>
            <td v-for="zone in ZONES" :key="zone">
              <AppButton
                :class="{ main: stepState(state, step.id).burr[zone] }"
                :aria-pressed="stepState(state, step.id).burr[zone]"
                :aria-label="`${$t(`bench.${step.hand ?? 'both'}`)}, ${$t(`zone.${zone}`)}`"
                @click="emit('burr', step.id, zone, !stepState(state, step.id).burr[zone])"
              >
                {{ stepState(state, step.id).burr[zone] ? '✓' : '·' }}
              </AppButton>
            </td>
          </tr>
        </tbody>
      </table>
      <CheckTicks :checks="checks.map(({ check }) => check)" :ticked="ticked" compact @tick="tick" />
      <FoldSection
        :title="$t(when === 'before' ? 'bench.briefLook' : 'bench.briefTest')"
        v-if="when"
        v-model:opened="isOpen"
      >
        <LookPanel v-if="isOpen && when === 'before' && plan.records.kind === 'sharpened'" ref="look" />
        <SpotForces
          v-if="isOpen"
          ref="spots"
          :when="when"
          :before="state.before"
          :after="state.after"
          @force="(spot, forceGf) => when && emit('force', when, spot, forceGf)"
        />
        <AppButton v-if="when === 'before'" @click="emit('looked')">
          {{ $t('bench.planFromThis') }}
        </AppButton>
      </FoldSection>
      <FoldSection :title="$t('bench.briefNot')" v-if="tried || ends">
        <TryPanel v-if="tried" @tried="emit('tried', tried.id, $event)" />
        <BackOffer
          v-if="ends"
          :plan="state.plan"
          :step-id="ends.id"
          :coarse-name="plan.stages[0]?.stoneName ?? ''"
          @back="emit('back', ends.id, $event)"
        />
        <CarryOver v-if="ends" :carried="state.carryOver" @leave="(zone, what) => emit('leave', zone, what)" />
      </FoldSection>
      <p v-if="lesson">
        <AppButton
          kind="quiet"
          small
          :to="{ name: 'lesson', params: { lesson }, query: { from: `/bench/${knife.code}` } }"
          >{{ $t('course.show') }}</AppButton
        >
      </p>
      <ul class="cautions soft small">
        <li v-for="caution in cautions" :key="caution">{{ $t(`bench.caution.${caution}`) }}</li>
      </ul>
      <slot />
    </div>
  </div>
</template>

<style scoped src="./benchBody.css"></style>
<style scoped>
h1 {
  font-size: 2.4rem;
}
.note {
  padding-left: 12px;
  border-left: 4px solid var(--ember);
  font-weight: 600;
}
.counts li {
  padding: 4px 0;
  font-size: 1.1rem;
  line-height: 1.35;
}
td .button {
  min-width: 56px;
  min-height: 56px;
}
</style>
