<script setup lang="ts">
import { computed, ref, shallowRef, watch } from 'vue'
import { useRouter } from 'vue-router'
import { asSessionAction, foldable, type BenchSession } from '../../contract/bench'
import { endpoints } from '../../contract/endpoints'
import { ZONES } from '../../core/knife/zones'
import { sessionState, stepState, type StepState } from '../../core/session/session'
import { MINUTE_MS } from '../../core/time'
import { recipeName } from '../../words/bench'
import { stepName } from '../../words/bench'
import { capital } from '../../words/format'
import { call } from '../api'
import EdgePictures from '../bench/EdgePictures.vue'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import PhotoStrip from '../photos/PhotoStrip.vue'
import { refusalText } from '../refusalText'
import AppButton from '../ui/AppButton.vue'
import PrintButton from '../ui/PrintButton.vue'
import { useKeys } from '../ui/useKeys'

const props = defineProps<{ code: string; id: string }>()
const fleet = useFleet()
const formats = useFormats()
const router = useRouter()
const session = shallowRef<BenchSession | null>(null)
const refusal = ref('')
watch(
  () => props.id,
  async (id) => {
    try {
      session.value = await call(endpoints.benchSession, { params: { id } })
      refusal.value = ''
    } catch (error) {
      refusal.value = refusalText(error)
    }
  },
  { immediate: true },
)

const plan = computed(() => session.value && foldable(session.value.plan))
const photos = computed(() =>
  (state.value?.photos ?? []).map(({ photoId, when }) => ({ id: photoId, caption: say(`bench.photos.${when}`) })),
)
const state = computed(
  () =>
    session.value &&
    plan.value &&
    sessionState(
      plan.value,
      new Date(session.value.startedAt).getTime(),
      session.value.startedBy,
      session.value.actions.map(asSessionAction),
    ),
)
const head = computed(() => {
  const one = session.value
  if (!one) return ''
  const end =
    one.outcome === 'finished'
      ? say('session.finished')
      : say(one.outcome === null ? 'session.open' : 'session.brokenOff')
  const beside = fleet.people.get(one.besideId ?? '')?.name
  return [
    formats.value.moment(one.startedAt),
    fleet.people.get(state.value?.personId ?? '')?.name,
    beside && say('session.beside', { name: beside }),
    end,
  ]
    .filter(Boolean)
    .join(' · ')
})
const stoneOf = (stage: number | null): string => session.value?.plan.stages[stage ?? -1]?.stoneName ?? ''
const strokes = (step: StepState): number => ZONES.reduce((sum, zone) => sum + step.strokes[zone], 0)
function didWords(step: StepState, wanted: number): string {
  const count = strokes(step)
  const felt = ZONES.filter((zone) => step.burr[zone]).map((zone) => say(`zone.${zone}`))
  return [
    ...(count > 0
      ? [say('session.strokes', { count, wanted, byZone: ZONES.map((zone) => step.strokes[zone]).join(' / ') })]
      : []),
    ...(felt.length > 0 ? [say('session.burr', { zones: felt.join(', ') })] : []),
    ...step.ticked.map((check) => say(`bench.check.${check}`)),
  ].join('; ')
}
const rows = computed(() => {
  const [one, folded] = [session.value, state.value]
  if (!one || !folded) return []
  return folded.plan.steps.map((step) => {
    const did = stepState(folded, step.id)
    return {
      id: step.id,
      name: capital(stepName(step, stoneOf(step.stage), say)),
      time:
        did.spentMs < 1000
          ? '–'
          : `${Math.floor(did.spentMs / MINUTE_MS)}:${String(Math.floor(did.spentMs / 1000) % 60).padStart(2, '0')}`,
      words: didWords(did, step.strokes),
    }
  })
})
const forces = (when: 'before' | 'after'): string =>
  ZONES.flatMap((zone) => {
    const force = state.value?.[when][zone]
    return force === undefined ? [] : [`${say(`zone.${zone}`)} ${formats.value.force(force)}`]
  }).join(', ')
useKeys({
  Escape: () => {
    router.back()
  },
})
</script>

<template>
  <div class="page">
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <template v-if="session && state">
      <header class="page-head">
        <h1>
          <span class="num">{{ code }}</span> {{ recipeName(session.plan.recipeId, session.plan.recipeName, say) }}
        </h1>
        <span class="soft">{{ head }}</span>
        <PrintButton :label="$t('session.print')" />
      </header>
      <p class="lead">
        <template v-if="forces('before')">{{ $t('session.before', { forces: forces('before') }) }} </template>
        <template v-if="forces('after')">{{ $t('session.after', { forces: forces('after') }) }}</template>
        <template v-if="!forces('before') && !forces('after')">{{ $t('session.untested') }}</template>
      </p>
      <p v-for="left in state.carryOver" :key="left.zone + left.what">
        {{ $t('session.left', { zone: $t(`zone.${left.zone}`), what: left.what }) }}
      </p>
      <table class="plain">
        <thead>
          <tr>
            <th>{{ $t('session.step') }}</th>
            <th>{{ $t('session.time') }}</th>
            <th>{{ $t('session.done') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="row in rows" :key="row.id">
            <td>{{ row.name }}</td>
            <td class="num">{{ row.time }}</td>
            <td>{{ row.words }}</td>
          </tr>
        </tbody>
      </table>
      <PhotoStrip v-if="photos.length > 0" :photos="photos" large />
      <EdgePictures :pictures="state.pictures" />
      <p class="no-print">
        <AppButton :to="{ name: 'knife', params: { code } }">{{ $t('session.toKnife', { code }) }}</AppButton>
      </p>
    </template>
    <p v-else-if="!refusal" class="lead">{{ $t('shell.loading') }}</p>
  </div>
</template>

<style scoped>
table {
  margin: 14px 0;
}
th:first-child {
  width: 30%;
}
th:nth-child(2) {
  width: 90px;
}
</style>
