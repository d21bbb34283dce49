<script setup lang="ts">
import { computed } from 'vue'
import type { Drill, DrillKind } from '../../contract/practice'
import { useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import { drillFigures, progressOf } from './drillFigures'
import SkillLine from './SkillLine.vue'

/** What came of a drill so far: both hands side by side, the way over the weeks, and each time it was done. */
const props = defineProps<{ drills: readonly Drill[]; kind: DrillKind; own?: boolean }>()
const emit = defineEmits<{ takeBack: [id: string] }>()
const formats = useFormats()
const handOf = ({ drill }: Drill): 'left' | 'right' | null => ('hand' in drill ? drill.hand : null)
const ofKind = computed(() => props.drills.filter(({ drill }) => drill.kind === props.kind))
const latest = computed(() => [...ofKind.value].reverse())
/** The weak side beside the strong one: the last time of each hand. */
const beside = computed(() => {
  const [left, right] = (['left', 'right'] as const).map((hand) => latest.value.find((one) => handOf(one) === hand))
  if (!left || !right) return null
  const ofRight = drillFigures(right, formats.value)
  return drillFigures(left, formats.value).map((row, at) => ({ ...row, right: ofRight[at]?.written ?? '' }))
})
</script>

<template>
  <section v-if="latest.length > 0" class="heavy-rule before">
    <h2>{{ $t('practice.before') }}</h2>
    <SkillLine v-if="ofKind.length > 1" :drills="ofKind" :kind="kind" />
    <table v-if="beside" class="sides">
      <thead>
        <tr>
          <th scope="col">{{ $t('practice.bothHands') }}</th>
          <th scope="col">{{ $t('practice.hand.left') }}</th>
          <th scope="col">{{ $t('practice.hand.right') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="row in beside" :key="row.key">
          <th scope="row">{{ $t(`practice.figure.${row.key}`) }}</th>
          <td class="num">{{ row.written }}</td>
          <td class="num">{{ row.right }}</td>
        </tr>
      </tbody>
    </table>
    <ul>
      <li v-for="one in latest" :key="one.drill.id">
        <span>{{ formats.moment(one.drill.at) }}</span>
        <span>{{ handOf(one) ? $t(`practice.hand.${handOf(one)}`) : '' }}</span>
        <span class="num">{{ $t(`practice.progress.${kind}`, { value: progressOf(one, formats) }) }}</span>
        <span>{{ $t(`practice.advice.${one.verdict.advice}`) }}</span>
        <AppButton v-if="own" kind="quiet" small @click="emit('takeBack', one.drill.id)">{{
          $t('event.takeBack')
        }}</AppButton>
      </li>
    </ul>
    <p class="soft small">{{ $t('practice.whoSees') }}</p>
  </section>
</template>

<style scoped>
.before {
  margin-top: 22px;
}
.before li {
  display: grid;
  grid-template-columns: 130px 110px 190px minmax(0, 1fr) auto;
  gap: 6px 14px;
  align-items: center;
  padding: 4px 0;
}
.sides {
  margin: 10px 0;
  border-collapse: collapse;
}
.sides th,
.sides td {
  padding: 4px 22px 4px 0;
  text-align: left;
  border-bottom: 1px solid var(--rule);
}
.sides td {
  font-weight: 700;
}
@media (max-width: 700px) {
  .before li {
    grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  }
}
</style>
