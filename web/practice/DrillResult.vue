<script setup lang="ts">
import { computed } from 'vue'
import type { Drill, NewDrill } from '../../contract/practice'
import { retentionTcc } from '../../core/edge/model/wear'
import type { SectionBlade } from '../../core/geometry/section'
import { handOnApex } from '../../core/hands/groundApex'
import { asSession, strokeAreaMm2 } from '../../core/hands/repeated'
import { useFormats } from '../i18n'
import ApexPicture from './ApexPicture.vue'
import { drillFigures } from './drillFigures'

/** What a drill says of a hand: one thing to work on, the figures, and what such strokes do to an edge. */
const props = defineProps<{
  drill: Extract<NewDrill, { kind: 'hold' }>
  verdict: Drill['verdict']
  blade: SectionBlade
  lengthMm: number
  hrc: number
}>()
const formats = useFormats()
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
const figures = computed(() => drillFigures({ drill: props.drill, verdict: props.verdict }, formats.value))
</script>

<template>
  <section class="result">
    <h2>{{ $t(`practice.advice.${verdict.advice}`) }}</h2>
    <p class="lead">{{ $t(`practice.how.${verdict.advice}`) }}</p>
    <div class="beside">
      <ApexPicture :hand="hand" :wanted-dps="drill.wantedDps" />
      <dl>
        <template v-for="figure in figures" :key="figure.key">
          <dt>{{ $t(`practice.figure.${figure.key}`) }}</dt>
          <dd class="num">{{ figure.written }}</dd>
        </template>
        <dt>{{ $t('practice.figure.life') }}</dt>
        <dd class="num">
          {{ lifeLost > HALF ? $t('practice.moreThanHalf') : $t('practice.percent', { percent: lifeLost }) }}
        </dd>
        <dt>{{ $t('practice.figure.height') }}</dt>
        <dd class="num">{{ $t('practice.micron', { micron: Math.round(1000 * hand.extraHeightMm) }) }}</dd>
      </dl>
    </div>
    <p class="soft small">{{ $t('practice.pictureHint') }}</p>
  </section>
</template>

<style scoped>
.result {
  margin-top: 22px;
  display: grid;
  gap: 10px;
}
.beside {
  display: flex;
  flex-wrap: wrap;
  gap: 28px;
  align-items: flex-start;
}
dl {
  display: grid;
  grid-template-columns: auto auto;
  gap: 8px 18px;
  max-width: 420px;
}
dd {
  text-align: right;
  font-weight: 700;
  margin: 0;
}
</style>
