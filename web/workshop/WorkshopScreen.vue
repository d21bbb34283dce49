<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { StackPiece } from '../../contract/bench'
import { endpoints } from '../../contract/endpoints'
import type { WorkshopView } from '../../contract/workshop'
import { isDiamond, isStone } from '../../core/abrasive/gear'
import type { Zone } from '../../core/knife/zones'
import { degrees } from '../../core/measure'
import { fitSection } from '../../core/workshop/fit'
import { OPERATION_KINDS, shoulderOf, type Operation, type OperationKind } from '../../core/workshop/operate'
import type { WorkshopAsk } from '../../core/workshop/plan'
import { call } from '../api'
import { angleStack } from '../bench/angleStack'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import PrintButton from '../ui/PrintButton.vue'
import { freeBlade, viewOfTriedBlade } from './freeBlade'
import FreeBlade from './FreeBlade.vue'
import LifePanel from './LifePanel.vue'
import { dragField, likelyKind, usualOperation } from './operationFields'
import OperationPanel from './OperationPanel.vue'
import RegimeTable from './RegimeTable.vue'
import SectionView from './SectionView.vue'
import SeriesTable from './SeriesTable.vue'
import SpotMeasure from './SpotMeasure.vue'
import StageTable from './StageTable.vue'
import TipView from './TipView.vue'
import { useWorkshop } from './useWorkshop'
import WorkOrderKeys from './WorkOrderKeys.vue'
import { wrongSentence } from './wrongSentence'

const props = defineProps<{ code?: string }>()
const fleet = useFleet()
const session = useSession()
const notices = useNotices()
const formats = useFormats()
const router = useRouter()
const knife = computed(() => (props.code ? fleet.byCode(props.code) : undefined))
const refusal = ref('')
const zone = ref<Zone>('belly')
const operation = ref<Operation | null>(null)
const shown = ref(0)

// THE BLADE: a knife's, or one of nobody's

const ofKnife = shallowRef<WorkshopView | null>(null)
const tried = ref(freeBlade('chef'))
const stones = shallowRef<WorkshopView['stones'] | null>(null)
const view = computed(() => (props.code ? ofKnife.value : stones.value && viewOfTriedBlade(tried.value, stones.value)))
async function load(): Promise<void> {
  if (!knife.value) return
  try {
    ofKnife.value = await call(endpoints.workshop, { params: { id: knife.value.id } })
    refusal.value = ''
  } catch (error) {
    refusal.value = refusalText(error)
  }
}
watch(
  () => knife.value?.id,
  () => {
    void load()
  },
  { immediate: true },
)
watch(
  () => props.code,
  async (code) => {
    if (code) return
    const gear = await call(endpoints.gear).catch(() => [])
    stones.value = gear.flatMap(({ id, name, micron, kind, active }) =>
      micron !== null && active && isStone(kind) ? [{ id, name, micron, diamond: isDiamond(kind), rate: 1 }] : [],
    )
  },
  { immediate: true },
)
const blade = computed(
  () =>
    view.value && fitSection(view.value.blade, view.value.measured.find((one) => one.zone === zone.value) ?? {}).blade,
)

// THE WORK

const kinds = computed(() =>
  OPERATION_KINDS.filter(
    (kind) =>
      (view.value?.serrated ? ['serrated', 'chip', 'tip'].includes(kind) : kind !== 'serrated') &&
      (kind !== 'ratio' || ((blade.value?.ratioRight ?? 100) < 100 && (blade.value?.ratioRight ?? 0) > 0)),
  ),
)
function choose(kind: OperationKind): void {
  if (!blade.value || !view.value) return
  shown.value = 0
  operation.value = usualOperation(kind, blade.value, view.value.life.thinToMm, view.value.chipMm)
}
const kindOptions = computed(() => kinds.value.map((value) => ({ value, label: say(`workshop.kind.${value}`) })))
watch([view, kinds], () => {
  if (!view.value) return
  if (!operation.value && view.value.saved) operation.value = view.value.saved.operation
  else if (!operation.value || !kinds.value.includes(operation.value.kind)) choose(likelyKind(view.value))
})
const FINISH_MICRON = { edge: 4, coarse: 11.5 } as const
const work = computed((): WorkshopAsk | null => {
  if (!view.value || !blade.value || !operation.value) return null
  const { type, lengthMm, hrc, carbides, serrated } = view.value
  return {
    blade: blade.value,
    type,
    operation: operation.value,
    lengthMm,
    hrc,
    carbides,
    stones: view.value.stones,
    finishMicron: blade.value.grind === 'boning-shoulder' || serrated ? FINISH_MICRON.coarse : FINISH_MICRON.edge,
  }
})
const { series, wrong } = useWorkshop(work)
const plan = computed(() => series.value[0]?.plan ?? null)
/** The thinnest step that is surely below what the blade has. */
const THINNER = 0.85
const wrongWords = computed(() => {
  if (!wrong.value || !view.value) return ''
  const offer = Math.round(100 * THINNER * (blade.value?.bteMm ?? 0)) / 100
  return wrongSentence(wrong.value, view.value.type, offer, say)
})

// THE DRAWING

const section = computed(
  () => plan.value?.cuts[Math.min(shown.value, plan.value.cuts.length - 1)]?.after ?? plan.value?.done.after,
)
watch(
  () => plan.value?.cuts.length,
  (count) => {
    shown.value = Math.max(0, (count ?? 1) - 1)
  },
)
/** How far in each kind of work is first looked at: faces, shoulders, or the very edge. */
const ZOOM: Readonly<Record<OperationKind, number>> = {
  thin: 0.72,
  'flat-to-convex': 0.5,
  'full-convex': 0.5,
  boning: 0.5,
  're-bevel': 0.9,
  'micro-bevel': 1,
  ratio: 0.95,
  chip: 0.85,
  tip: 0,
  serrated: 0.95,
}
const dragged = computed(() => operation.value && dragField(operation.value.kind))
/** The shoulder of the wider bevel, as the work leaves it: what can be taken hold of. */
const shoulder = computed(() => {
  if (!plan.value || !operation.value || !dragged.value) return null
  const { done } = plan.value
  return shoulderOf(done, operation.value.kind === 'micro-bevel' ? operation.value.widthMm : null)
})
/** How far out the shoulder is pulled makes the thickness there, or the angle of the bevel below it. */
function drag(outMm: number): void {
  if (!operation.value || !dragged.value || !shoulder.value || !plan.value) return
  const value =
    dragged.value.as === 'thickness'
      ? Math.round((100 * plan.value.done.measures.after.bteMm * outMm) / shoulder.value.outMm) / 100
      : Math.round(2 * degrees(Math.atan2(outMm, shoulder.value.upMm))) / 2
  operation.value = { ...operation.value, [dragged.value.name]: value } as Operation
}
const stoneName = (id: string): string => view.value?.stones.find((stone) => stone.id === id)?.name ?? ''
const pieces = shallowRef<readonly StackPiece[]>([])
void call(endpoints.pieces).then(
  (own) => {
    pieces.value = own
  },
  () => undefined,
)
/** The stack under the spine that makes an angle on this blade, from what the house owns. */
function stackFor(dps: number): string {
  if (!blade.value) return ''
  const { choice, problem } = angleStack(blade.value, dps, pieces.value)
  return problem || !choice ? '' : choice.pieces.map(({ name, count }) => `${count} × ${name}`).join(' + ')
}

// WHAT BECOMES OF IT

/** Head of the printed card: which work, on which knife, printed when. */
const card = computed(
  () =>
    view.value &&
    operation.value &&
    say('workshop.card', {
      kind: say(`workshop.kind.${operation.value.kind}`),
      code: props.code ?? say('workshop.free'),
      type: say(`type.${view.value.type}`),
      length: formats.value.length(view.value.lengthMm),
      hrc: view.value.hrc,
      day: formats.value.longDay(session.now().toISOString()),
    }),
)

async function keep(on: boolean): Promise<void> {
  if (!knife.value || !operation.value) return
  const params = { id: knife.value.id }
  const send = async (order: typeof operation.value | null): Promise<void> => {
    ofKnife.value = order
      ? await call(endpoints.setWorkOrder, { params, body: { operation: order } })
      : await call(endpoints.deleteWorkOrder, { params })
  }
  const before = ofKnife.value?.saved?.operation ?? null
  try {
    await send(on ? operation.value : null)
    notices.done(say(on ? 'workshop.saved' : 'workshop.dropped'), () => send(before))
  } catch (error) {
    refusal.value = refusalText(error)
  }
}
async function start(): Promise<void> {
  if (!knife.value || !operation.value) return
  try {
    await call(endpoints.startSession, {
      body: { id: newId(), knifeId: knife.value.id, choices: {}, operation: operation.value },
    })
    await router.push({ name: 'bench', params: { code: knife.value.code }, query: { go: 'on' } })
  } catch (error) {
    refusal.value = refusalText(error)
  }
}
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('workshop.title') }}</h1>
      <span class="soft"
        ><RouterLink v-if="knife" :to="{ name: 'knife', params: { code: knife.code } }">{{ knife.code }}</RouterLink
        ><template v-else>{{ $t('workshop.free') }}</template></span
      >
      <span class="end no-print"><PrintButton :label="$t('workshop.print')" /></span>
    </header>
    <p v-if="card" class="print-only lead">{{ card }}</p>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <template v-if="view && blade && operation">
      <SegmentedChoice
        class="no-print"
        :model-value="operation.kind"
        :label="$t('workshop.operation')"
        :options="kindOptions"
        @update:model-value="(kind) => kind && choose(kind)"
      />
      <div class="columns">
        <div class="drawn">
          <TipView v-if="plan?.tip" :tip="plan.tip" />
          <SectionView
            v-else-if="plan && section"
            :before="plan.done.before"
            :after="section"
            :height-mm="blade.heelHeightMm"
            :spine-mm="blade.spineMm"
            :bte-mm="plan.done.measures.after.bteMm"
            :shoulder="shoulder"
            :start="ZOOM[operation.kind]"
            @drag="drag"
          />
          <StageTable
            v-if="plan"
            v-model="shown"
            :plan="plan"
            :stone-name="stoneName"
            :length-mm="view.lengthMm"
            :stack-for="stackFor"
          />
          <SeriesTable v-if="series.length > 1" :series="series" :of-ratio="operation.kind === 'ratio'" />
          <RegimeTable class="no-print" :view="view" />
        </div>
        <aside>
          <OperationPanel
            v-model="operation"
            :blade="blade"
            :plan="plan"
            :wrong="wrongWords"
            :thin-to-mm="view.life.thinToMm"
            :length-mm="view.lengthMm"
          >
            <WorkOrderKeys
              :may-work="knife !== undefined && session.may('log-sharpening')"
              :possible="wrongWords === ''"
              :saved="view.saved"
              @start="start"
              @keep="keep"
            />
          </OperationPanel>
          <FreeBlade v-if="!code" v-model="tried" />
          <LifePanel class="no-print" :view="view" :plan="plan" />
        </aside>
      </div>
      <SpotMeasure
        v-if="knife"
        :key="zone"
        v-model:zone="zone"
        class="no-print"
        :knife-id="knife.id"
        :blade="view.blade"
        :measured="view.measured"
        @kept="load"
      />
    </template>
    <p v-else-if="!refusal" class="lead">{{ $t('shell.loading') }}</p>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 360px;
  gap: 24px;
  margin: 14px 0;
}
.drawn {
  min-width: 0;
}
aside {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 16px;
  align-content: start;
}
@media (max-width: 1000px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
