<script setup lang="ts">
import { jobMinutes } from '../../core/workshop/session'
import { computed } from 'vue'
import { FACE_CUTS } from '../../core/workshop/operation'
import type { WorkshopPlan } from '../../core/workshop/plan'
import { tenth } from '../../words/format'
import { say, useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'

const props = defineProps<{
  plan: WorkshopPlan
  stoneName: (id: string) => string
  lengthMm: number
  /** how this house's coins and cards make an angle, in words; empty where none do */ stackFor: (dps: number) => string
}>()
const shown = defineModel<number>({ required: true })
const formats = useFormats()
const minutes = (value: number): string => formats.value.minutes(Math.max(1, Math.round(value)))
const later = computed(() =>
  props.plan.stages
    .slice(1)
    .map(({ stone, minutes: own }) => `${props.stoneName(stone.id)} ${minutes(own)}`)
    .join(', '),
)
const onFace = computed(() =>
  FACE_CUTS.has(props.plan.cuts[Math.min(shown.value, props.plan.cuts.length - 1)]?.name ?? ''),
)
const sum = computed(() =>
  props.plan.tip
    ? say('workshop.tipSum', {
        minutes: minutes(jobMinutes(props.plan)),
        grams: Math.round(1000 * props.plan.grams) / 1000,
        area: tenth(props.plan.tip.areaMm2),
        thick: formats.value.thickness(props.plan.tip.thicknessMm),
        point: formats.value.angle(Math.round(props.plan.tip.pointDegrees)),
      })
    : say('workshop.sum', {
        minutes: minutes(jobMinutes(props.plan)),
        grams: Math.round(100 * props.plan.grams) / 100,
        area: Math.round(1000 * props.plan.done.areaMm2) / 1000,
        length: formats.value.length(props.lengthMm),
        loss:
          props.plan.done.lossMm > 0.0005
            ? say('workshop.loss', { height: formats.value.thickness(props.plan.done.lossMm) })
            : say('workshop.noLoss'),
      }),
)
</script>

<template>
  <section>
    <p class="lead">{{ sum }}</p>
    <table class="plain">
      <thead>
        <tr>
          <th>{{ $t('workshop.stage') }}</th>
          <th>{{ $t('workshop.angle') }}</th>
          <th>{{ $t('workshop.lift') }}</th>
          <th>{{ $t('workshop.strokes') }}</th>
          <th>{{ $t('workshop.time') }}</th>
          <th>{{ $t('workshop.goesAway') }}</th>
        </tr>
      </thead>
      <tbody>
        <tr v-for="(cut, at) in plan.cuts" :key="at" :class="{ chosen: shown === at }">
          <td>
            <span class="print-only">{{ at + 1 }} {{ $t(`workshop.cut.${cut.name}`) }}</span
            ><AppButton kind="quiet" class="no-print" :aria-pressed="shown === at" @click="shown = at">
              {{ at + 1 }} {{ $t(`workshop.cut.${cut.name}`) }}</AppButton
            ><span class="soft small under">{{ stoneName(plan.stages[cut.stage]?.stone.id ?? '') }}</span>
          </td>
          <td class="num">
            {{ cut.grindings.length > 0 ? formats.angle(tenth(cut.dps)) : '–'
            }}<span v-if="cut.grindings.length > 0" class="soft small under">{{
              $t('workshop.offFace', { angle: formats.angle(tenth(cut.offFaceDps)) })
            }}</span>
          </td>
          <td class="num">
            {{ cut.grindings.length > 0 ? formats.length(tenth(cut.liftMm)) : '–'
            }}<span v-if="cut.grindings.length > 0 && stackFor(cut.dps)" class="soft small under">{{
              stackFor(cut.dps)
            }}</span>
          </td>
          <td class="num">
            {{ cut.strokes.left + cut.strokes.right > 0 ? `${cut.strokes.left} / ${cut.strokes.right}` : '–' }}
          </td>
          <td class="num">{{ minutes(cut.minutes) }}</td>
          <td class="num">
            {{ formats.ratio(cut.grams) }} g<span class="soft small under"
              >{{ Math.round(cut.areaMm2 * 1000) / 1000 }} mm², {{ Math.round(cut.volumeMm3) }} mm³</span
            >
          </td>
        </tr>
      </tbody>
    </table>
    <p class="soft">
      <template v-if="later">{{ $t('workshop.then', { stones: later }) }}</template>
      {{ $t(plan.tip ? 'workshop.lookTip' : onFace ? 'workshop.look' : 'workshop.lookEdge') }}
    </p>
    <p class="soft small">{{ $t('workshop.cautions') }}</p>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 8px;
  margin-top: 12px;
}
.under {
  display: block;
  white-space: normal;
}
.chosen td {
  background: var(--paper);
}
td .button {
  min-height: 28px;
  padding: 0;
}
table.plain td {
  padding-block: 2px;
}
</style>
