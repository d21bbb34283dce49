<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { dullAheadWords, plannedSentence, runnerUpWords, verdictWords } from '../../words/verdict'
import { isCountedOnly } from '../../core/knife/knifeTypes'
import { kindInWords } from '../../words/knifeKind'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'
import { useRecentKnives } from '../ui/recentKnives'
import { useKeys } from '../ui/useKeys'
import CarriedOver from '../bench/CarriedOver.vue'
import { useCarryOvers } from '../bench/useCarryOvers'
import EdgeCurve from './EdgeCurve.vue'
import KnifeActions from './KnifeActions.vue'
import KnifeDialogs, { type KnifeDialog } from './KnifeDialogs.vue'
import KnifeFacts from './KnifeFacts.vue'
import KnifeLessons from './KnifeLessons.vue'
import KnifePhotos from './KnifePhotos.vue'
import KnifeSessions from './KnifeSessions.vue'
import KnifeTimeline from './KnifeTimeline.vue'
import SteelLeft from './SteelLeft.vue'
import { useEdgeStory } from './useEdgeStory'
import ZoneForces from './ZoneForces.vue'
import TermText from '../ui/TermText.vue'

const props = defineProps<{ code: string }>()
const fleet = useFleet()
const formats = useFormats()
const route = useRoute()
const router = useRouter()
const dialog = ref<KnifeDialog | null>(null)
const knife = computed(() => fleet.byCode(props.code))
const recent = useRecentKnives()
watch(
  () => knife.value?.code,
  (code) => {
    if (code) recent.saw(code)
  },
  { immediate: true },
)
const words = computed(() => (knife.value ? verdictWords(knife.value, say, formats.value) : null))
const ahead = computed(() =>
  knife.value ? dullAheadWords(knife.value, say, formats.value, fleet.fleet?.now ?? '') : '',
)
const planned = computed(() =>
  plannedSentence(
    fleet.planned.get(knife.value?.id ?? ''),
    fleet.fleet?.now ?? '',
    (id) => fleet.people.get(id)?.name ?? '',
    say,
    formats.value,
  ),
)
const otherwise = computed(() => (knife.value ? runnerUpWords(knife.value, say, formats.value) : ''))
const line = computed(() => {
  const one = knife.value
  if (!one) return ''
  const holder = fleet.people.get(one.holderId ?? '')?.name
  return [
    kindInWords(one, say, formats.value),
    one.name,
    one.steelEn ? `${one.steelEn}, ${one.hrc} HRC` : '',
    fleet.stations.get(one.stationId)?.name ?? '',
    holder ? say('knife.heldBy', { name: holder }) : say('rack.nobody'),
  ]
    .filter((part) => part !== '')
    .join(' · ')
})
const { left, busy: ticking, tickOff } = useCarryOvers(() => knife.value?.id ?? null)
const { story, failed } = useEdgeStory(knife)
const isOut = computed(() => knife.value?.status !== 'in-service')
/** Out of use for what is wrong with it, or about to be: not for being missed or practised on. */
const isUnsafe = computed(() => {
  const one = knife.value
  if (one?.status === 'in-service') return one.verdict.action === 'quarantine'
  return one?.status === 'quarantined' || one?.status === 'retired'
})
const isCounted = computed(() => knife.value && isCountedOnly(knife.value.type))

watch(
  () => [route.query['do'], knife.value?.id] as const,
  ([wanted, id]) => {
    if (!id || (wanted !== 'sharpened' && wanted !== 'quarantine')) return
    dialog.value = wanted
    void router.replace({ query: {} })
  },
  { immediate: true },
)
useKeys({
  Escape: () => {
    router.back()
  },
  c: () => {
    void router.push({ name: 'check', params: { code: props.code } })
  },
})
</script>

<template>
  <div v-if="knife && words" class="page">
    <header class="page-head">
      <h1 class="num">{{ knife.code }}</h1>
      <span class="soft">{{ line }}</span>
    </header>
    <EdgeStrip :knife="knife" large />
    <ZoneForces v-if="!isCounted" :knife="knife" />
    <p class="verdict">
      <b>{{ words.what }}</b>{{ ' ' }}<TermText :text="words.why" />{{ ' ' }}
      <template v-if="!isCounted && knife.word !== 'dull' && knife.word !== 'out'">{{ ahead }}{{ ' ' }}</template>
      <span v-if="otherwise && !isOut" class="soft">{{ otherwise }}{{ ' ' }}</span>
      <template v-if="planned">{{ planned }}</template>
    </p>
    <p v-if="isUnsafe" class="soft small">
      {{ $t('caution.unsafe') }}
    </p>
    <KnifeActions class="actions" :knife="knife" @ask="dialog = $event" />
    <template v-if="story && !isCounted">
      <EdgeCurve :story="story" :knife="knife" />
      <div class="columns told">
        <SteelLeft :story="story" :knife="knife" />
        <KnifeLessons :story="story" :knife="knife" />
      </div>
    </template>
    <p v-else-if="!isCounted" class="waiting soft">{{ failed ? $t('shell.offline') : $t('knife.storyLoading') }}</p>
    <div class="columns">
      <KnifeTimeline :knife="knife" />
      <div class="side">
        <CarriedOver :left="left" :busy="ticking" @done="tickOff" />
        <KnifeFacts v-if="!isCounted" :knife="knife" @measure="dialog = 'measure'" />
        <KnifeSessions v-if="!isCounted" :knife="knife" />
        <KnifePhotos :knife="knife" />
      </div>
    </div>
    <KnifeDialogs v-model="dialog" :knife="knife" />
  </div>
  <div v-else class="page">
    <p class="lead">{{ fleet.fleet ? $t('knife.unknown', { code }) : $t('shell.loading') }}</p>
    <AppButton v-if="fleet.fleet" to="/rack">{{ $t('nav.rack') }}</AppButton>
  </div>
</template>

<style scoped>
.verdict {
  font-size: 1.25rem;
  line-height: 1.38;
  max-width: 58em;
  margin: 14px 0 4px;
}
.actions {
  margin: 12px 0 22px;
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 320px;
  gap: 28px;
}
.side {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 20px;
  align-content: start;
}
.told {
  margin: 20px 0 24px;
}
.waiting {
  min-height: 300px;
}
@media (max-width: 980px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
