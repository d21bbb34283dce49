<script setup lang="ts">
import { computed } from 'vue'
import type { Drill, NewDrill } from '../../contract/practice'
import { retentionTcc } from '../../core/edge/model/wear'
import type { SectionBlade } from '../../core/geometry/section'
import { handOnApex } from '../../core/hands/groundApex'
import { asSession, strokeAreaMm2 } from '../../core/hands/repeated'
import { say } from '../i18n'
import ApexPicture from './ApexPicture.vue'
import VerdictPanel from './VerdictPanel.vue'

/** What a drill says of a hand: one thing to work on, the figures, and what such strokes do to an edge. */
const props = defineProps<{
  drill: Extract<NewDrill, { kind: 'hold' }>
  verdict: Drill['verdict']
  blade: SectionBlade
  lengthMm: number
  hrc: number
}>()
const hand = computed(() =>
  handOnApex(props.blade, asSession(props.drill.strokes), props.drill.wantedDps, strokeAreaMm2(props)),
)
/** Share of the life of an edge that its blunter angle costs, by the published regression of retention, per cent. */
const lifeLost = computed(() => {
  const life = (dps: number): number => Math.max(1, retentionTcc({ hrc: props.hrc, dps, carbides: {} }))
  const { made, meant } = hand.value
  return Math.max(0, Math.round(100 * (1 - life(made.effectiveDps) / life(meant.effectiveDps))))
})
/** The regression is straight in the angle: how far beyond half it still holds nobody has measured. */
const HALF = 50
const more = computed(() => [
  {
    key: 'life',
    written:
      lifeLost.value > HALF ? say('practice.moreThanHalf') : say('practice.percent', { percent: lifeLost.value }),
  },
  { key: 'height', written: say('practice.micron', { micron: Math.round(1000 * hand.value.extraHeightMm) }) },
])
</script>

<template>
  <VerdictPanel :drill="{ drill, verdict }" :more="more">
    <ApexPicture :hand="hand" :wanted-dps="drill.wantedDps" />
    <template #hint>
      <p class="soft small">{{ $t('practice.pictureHint') }}</p>
    </template>
  </VerdictPanel>
</template>
