<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { BenchSession, GearView, StackPiece } from '../../contract/bench'
import type { KnifeView } from '../../contract/knives'
import { pressingOnRung } from '../../core/abrasive/strokeLadder'
import { ZONES, type Zone } from '../../core/knife/zones'
import { isWorked, pagesOf } from '../../core/session/pages'
import { paceNote, unprotected } from '../../core/session/session'
import type { SessionStep } from '../../core/session/plan'
import type { Pace } from '../../core/session/ways'
import { say } from '../i18n'
import { useSession } from '../stores/session'
import { useNotices } from '../stores/notices'
import AppButton from '../ui/AppButton.vue'
import { useKeys } from '../ui/useKeys'
import BenchHead from './BenchHead.vue'
import BenchKeys from './BenchKeys.vue'
import BriefPage from './BriefPage.vue'
import LedStep from './LedStep.vue'
import StepLine from './StepLine.vue'
import { heavyPress } from './heavyPress'
import StepNotes from './StepNotes.vue'
import { useStrokeEar } from '../listening/useStrokeEar'
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
const pace = defineModel<Pace>('pace', { required: true })
const signedIn = useSession()
const notices = useNotices()
const { session, plan, state, step, here, at, waiting, refusal, act, go, goTo } = useBenchSession(props.begun)
const zone = ref<Zone>('heel')
const led = ref<InstanceType<typeof LedStep> | null>(null)
const brief = ref<InstanceType<typeof BriefPage> | null>(null)

/** Up to the first stroke a picture shows the edge as it came; from then on as it has become. */
const isAfter = computed(() => step.value?.kind === 'test' || plan.value.steps.slice(0, at.value).some(isWorked))
const { angle, press } = useInstruments((picture) => {
  act({
    kind: 'picture',
    when: isAfter.value ? 'after' : 'before',
    zone: picture.zone,
    bluntUm: picture.bluntUm,
    roll: picture.roll,
  })
})
const live = computed(() => (angle.value?.trust === 'good' ? angle.value.value : null))
const stage = computed(() => plan.value.stages[step.value?.stage ?? -1] ?? null)
const strokesDone = computed(() => ZONES.reduce((sum, one) => sum + here.value.strokes[one], 0))
/** What the next stroke wants: the ladder's pressure falls stroke by stroke. */
const wantedNewtons = computed(() => {
  const rungs = step.value?.rungs ?? []
  const heaviest = step.value?.newtons ?? stage.value?.newtons ?? rungs[0]?.newtons ?? null
  return heaviest === null
    ? null
    : pressingOnRung(rungs, heaviest, strokesDone.value / Math.max(1, step.value?.strokes ?? 1))
})
const dps = computed(
  () => step.value?.dps ?? (step.value?.hand === 'left' ? props.knife.dpsLeft : props.knife.dpsRight),
)
const counts = computed(() => pace.value === 'led' && (step.value?.kind === 'side' || step.value?.kind === 'teeth'))
const pages = computed(() => pagesOf(state.value.plan))
const pageAt = computed(() =>
  Math.max(
    0,
    pages.value.findIndex(({ steps }) => steps.some(({ id }) => id === step.value?.id)),
  ),
)
const page = computed(() => pages.value[pageAt.value] ?? null)
const isLast = computed(() =>
  pace.value === 'led' ? at.value === plan.value.steps.length - 1 : pageAt.value === pages.value.length - 1,
)
const { spentMs, elapsed } = useStepClock({ state, step, here })
const burrAll = computed(() => ZONES.every((one) => here.value.burr[one]))
const notes = computed((): string[] => {
  const note = step.value && paceNote(step.value, spentMs.value, burrAll.value)
  const heavy = press.value?.trust === 'good' ? heavyPress(stage.value, props.gear, press.value.value) : null
  return [
    ...(note ? [say(`bench.pace.${note}`)] : []),
    // a burr from work on a face is lost height
    ...(step.value?.work === 'face' && step.value.kind === 'side' ? [say('bench.burrOnFace')] : []),
    ...(heavy ? [say(`gear.warning.${heavy}`)] : []),
    ...(mustCover.value ? [say('fault.no-protection')] : []),
  ]
})
/** Nobody goes on to a wheel before eyes are covered. */
const mustCover = computed(() => {
  const due = unprotected(state.value)
  return (
    due !== null && (pace.value === 'led' ? step.value?.id === due : !!page.value?.steps.some(({ id }) => id === due))
  )
})

function stroke(count = 1): void {
  if (counts.value) act({ kind: 'strokes', stepId: state.value.stepId, zone: zone.value, count })
}
const { ticking, speaking } = useRhythm(
  computed(() => here.value.strokes[zone.value]),
  () => {
    stroke()
  },
)
const {
  state: earState,
  fault: earFault,
  toggle: toggleEar,
} = useStrokeEar(
  () => stage.value?.stoneName ?? '',
  () => {
    stroke()
  },
)
// a new step starts without the rhythm of the old one, and at the heel, or where the session went back to
watch(at, () => {
  ticking.value = false
  zone.value = step.value?.only ?? 'heel'
})
function burr(): void {
  if (!counts.value || step.value?.work === 'face') return
  const felt = !here.value.burr[zone.value]
  act({ kind: 'burr', stepId: state.value.stepId, zone: zone.value, felt })
  // the next section is the one to go on with
  const next = ZONES.find((one) => one !== zone.value && !here.value.burr[one])
  if (felt && next && step.value?.only === null) zone.value = next
}
/** What was seen goes before the step: the plan is laid out again by it, before anything is soaked. */
function leaveLook(): void {
  if (pace.value === 'led' && step.value?.kind !== 'look') return
  if (isAfter.value || state.value.looked !== null) return
  const seen = (led.value ?? brief.value)?.seen() ?? null
  if (seen) act({ kind: 'looked', ...seen })
  else if (Object.keys(state.value.before).length > 0) act({ kind: 'looked', signs: [], glint: [], chip: null })
}
/** A face, a rod, teeth: what has no burr to be felt is looked at, and that is what the key says. */
function tickDone(one: SessionStep): void {
  const [check] = one.checks
  const { id } = one
  if (!check || !isWorked(one) || (one.kind === 'side' && one.work === 'edge')) return
  if (state.value.steps[id]?.ticked.includes(check) !== true) act({ kind: 'tick', stepId: id, check, done: true })
}
/** In brief one key says that the page is done: its burr stands all along. */
function pageDone(): void {
  for (const one of page.value?.steps ?? []) tickDone(one)
  for (const { id, kind, work } of page.value?.steps ?? []) {
    if (kind !== 'side' || work !== 'edge') continue
    for (const one of ZONES)
      if (state.value.steps[id]?.burr[one] !== true) act({ kind: 'burr', stepId: id, zone: one, felt: true })
  }
  const next = pages.value[pageAt.value + 1]?.steps[0]
  if (next) goTo(next.id)
}
function onward(): void {
  // Enter with a force typed takes the force first
  if ((led.value ?? brief.value)?.enter() || mustCover.value) return
  if (isLast.value) act({ kind: 'finish' })
  else if (pace.value === 'brief') pageDone()
  else {
    leaveLook()
    go(1)
  }
}
function back(): void {
  if (pace.value === 'led') go(-1)
  else {
    const before = pages.value[pageAt.value - 1]?.steps[0]
    if (before) goTo(before.id)
  }
}
function leave(): void {
  act({ kind: 'pause' })
  emit('leave')
}
// over is over when the server has it; where it cannot be asked, what was done waits, and nobody has to stand there
watch(
  [(): unknown => session.value.outcome, (): boolean => state.value.status !== 'open' && waiting.value > 0],
  ([outcome, isAway]) => {
    if (!outcome && isAway) notices.done(say('bench.endedAway'))
    if (outcome || isAway) emit('ended')
  },
)
useKeys({
  ' ': (event) => {
    event.preventDefault()
    stroke()
  },
  b: burr,
  Enter: onward,
  Backspace: back,
  ...Object.fromEntries(
    ZONES.map((one, place) => [
      place + 1,
      () => {
        zone.value = one
      },
    ]),
  ),
  Escape: leave,
})
const nextName = computed(() => {
  const next = pages.value[pageAt.value + 1]
  return next?.stage === null || next?.stage === undefined ? '' : (plan.value.stages[next.stage]?.stoneName ?? '')
})
const onwardLabel = computed(() => {
  if (isLast.value) return say(pace.value === 'brief' ? 'bench.briefFinish' : 'bench.finish')
  if (pace.value === 'led') return say('bench.next')
  return nextName.value === '' ? say('bench.briefOn') : say('bench.briefDone', { next: nextName.value })
})
</script>

<template>
  <BenchHead :knife="knife" :recipe="plan" :who="signedIn.person?.name ?? ''" :right="elapsed" />
  <StepLine v-if="pace === 'led'" :plan="plan" :at="at" />
  <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
  <LedStep
    v-if="step && pace === 'led'"
    ref="led"
    v-model:zone="zone"
    :session-id="session.id"
    :plan="plan"
    :step="step"
    :state="state"
    :here="here"
    :knife="knife"
    :gear="gear"
    :pieces="pieces"
    :angle="angle"
    :press="press"
    :dps="dps"
    :wanted-newtons="wantedNewtons"
    :is-after="isAfter"
    @act="act"
  >
    <template #rhythm="{ counts: isCounted }">
      <p v-if="isCounted" class="row">
        <AppButton :aria-pressed="ticking" @click="ticking = !ticking">
          {{ $t(ticking ? 'bench.tickOff' : 'bench.tick') }}
        </AppButton>
        <AppButton :aria-pressed="earState !== 'off'" @click="toggleEar">
          {{ $t(earState === 'off' ? 'bench.ear.on' : 'bench.ear.off') }}
        </AppButton>
        <AppButton v-if="earState !== 'off'" :disabled="strokesDone === 0" @click="stroke(-1)">
          {{ $t('bench.ear.less') }}
        </AppButton>
        <AppButton kind="quiet" :aria-pressed="speaking" @click="speaking = !speaking">
          {{ $t(speaking ? 'bench.quiet' : 'bench.speak') }}
        </AppButton>
      </p>
      <p v-if="isCounted && earFault" class="refusal" role="alert">{{ $t(`bench.ear.fault.${earFault}`) }}</p>
      <p v-else-if="isCounted && earState !== 'off'" class="soft small" role="status">
        {{ $t(`bench.ear.${earState}`) }}
      </p>
    </template>
    <p class="row">
      <AppButton kind="quiet" @click="leave">{{ $t('bench.leave') }}</AppButton>
      <AppButton kind="quiet" @click="pace = 'brief'">{{ $t('bench.paces.brief') }}</AppButton>
      <AppButton kind="quiet" :title="$t('bench.abandonHint')" @click="act({ kind: 'abandon' })">
        {{ $t('bench.abandon') }}
      </AppButton>
    </p>
    <StepNotes :notes="notes" :cautions="step.cautions" :step="step.kind" />
  </LedStep>
  <BriefPage
    v-else-if="page"
    ref="brief"
    :plan="plan"
    :page="page"
    :state="state"
    :knife="knife"
    :pieces="pieces"
    :live-dps="live"
    @burr="(stepId, spot, felt) => act({ kind: 'burr', stepId, zone: spot, felt })"
    @tick="(stepId, check, done) => act({ kind: 'tick', stepId, check, done })"
    @looked="leaveLook"
    @tried="(stepId, tried) => act({ kind: 'tried', stepId, ...tried })"
    @back="(stepId, spot) => act({ kind: 'back', stepId, zone: spot })"
    @leave="(spot, what) => act({ kind: 'carry-over', zone: spot, what })"
    @force="(when, spot, forceGf) => act({ kind: 'force', when, zone: spot, forceGf })"
  >
    <p class="row">
      <AppButton kind="quiet" @click="leave">{{ $t('bench.leave') }}</AppButton>
      <AppButton kind="quiet" @click="pace = 'led'">{{ $t('bench.paces.led') }}</AppButton>
      <AppButton kind="quiet" :title="$t('bench.abandonHint')" @click="act({ kind: 'abandon' })">
        {{ $t('bench.abandon') }}
      </AppButton>
    </p>
  </BriefPage>
  <p v-if="waiting > 0" class="waiting small" role="status">{{ say('bench.waiting', { n: waiting }) }}</p>
  <BenchKeys
    :counts="counts"
    :burrs="counts && step?.work !== 'face'"
    :is-first="pace === 'led' ? at === 0 : pageAt === 0"
    :burr-felt="here.burr[zone]"
    :onward="onwardLabel"
    @back="back"
    @stroke="stroke"
    @burr="burr"
    @onward="onward"
  />
</template>

<style scoped>
.row {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
}
.waiting,
.refusal {
  margin: 0 26px;
}
</style>
