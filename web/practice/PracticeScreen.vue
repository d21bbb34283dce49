<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { DRILL_KINDS, type DrillKind } from '../../contract/practice'
import { say } from '../i18n'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import BurrDrill from './BurrDrill.vue'
import DrillHistory from './DrillHistory.vue'
import DryDrill from './DryDrill.vue'
import HoldDrill from './HoldDrill.vue'
import NextPractice from './NextPractice.vue'
import PracticeBlades from './PracticeBlades.vue'
import PressDrill from './PressDrill.vue'
import ReadDrill from './ReadDrill.vue'
import { useDrills } from './useDrills'

/** One drill at a time, by its address, so that a lesson or a sentence can lead to it. */
const session = useSession()
const route = useRoute()
const router = useRouter()
const { practice, takeBack } = useDrills()
const DRILLS = { hold: HoldDrill, press: PressDrill, burr: BurrDrill, read: ReadDrill, dry: DryDrill } as const
const HANDED: readonly DrillKind[] = ['hold', 'press', 'dry']
const kind = computed({
  get: (): DrillKind => DRILL_KINDS.find((one) => one === route.query['drill']) ?? 'hold',
  set: (drill) => void router.replace({ query: { ...route.query, drill } }),
})
const hand = computed({
  get: (): 'left' | 'right' => (route.query['hand'] === 'left' ? 'left' : 'right'),
  set: (value) => void router.replace({ query: { ...route.query, hand: value } }),
})
const kinds = DRILL_KINDS.map((value) => ({ value, label: say(`practice.drill.${value}`) }))
const hands = (['right', 'left'] as const).map((value) => ({ value, label: say(`practice.hand.${value}`) }))
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t(`practice.drill.${kind}`) }}</h1>
      <span class="soft">{{ session.person?.name }}</span>
      <AppButton to="/course">{{ $t('course.open') }}</AppButton>
    </header>
    <SegmentedChoice v-model="kind" :label="$t('practice.which')" :options="kinds" look="line" />
    <p class="lead">{{ $t(`practice.why.${kind}`) }}</p>
    <p v-if="kind !== 'dry' && kind !== 'read'" class="caution small">{{ $t('practice.caution') }}</p>
    <SegmentedChoice v-if="HANDED.includes(kind)" v-model="hand" :label="$t('practice.handLabel')" :options="hands" />
    <component :is="DRILLS[kind]" :key="kind" :hand="hand" />
    <template v-if="practice">
      <NextPractice :next="practice.next" />
      <DrillHistory :drills="practice.drills" :kind="kind" own @take-back="takeBack" />
    </template>
    <PracticeBlades v-if="kind === 'hold' || kind === 'press'" />
  </div>
</template>

<style scoped>
.lead {
  margin-top: 12px;
}
</style>
