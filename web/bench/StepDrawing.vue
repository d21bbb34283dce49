<script setup lang="ts">
import { computed } from 'vue'
import type { StackPiece } from '../../contract/bench'
import type { KnifeView } from '../../contract/knives'
import { THINNED_FACE_SHARE } from '../../core/abrasive/sessionRemoval'
import { bevelWidth } from '../../core/geometry/bevel'
import type { SessionStep } from '../../core/session/plan'
import type { StepTool } from '../../core/session/recipe'
import { say } from '../i18n'
import { angleStack, flatStack } from './angleStack'
import RodDrawing from './RodDrawing.vue'
import SectionDrawing from './SectionDrawing.vue'
import SingleBevelDrawing from './SingleBevelDrawing.vue'
import TeethDrawing from './TeethDrawing.vue'

/** The drawing a step needs: the blade as it lies for just that work. */
const props = defineProps<{
  knife: KnifeView
  step: SessionStep
  /** angle of the step, degrees per side */
  dps: number
  stoneName: string
  pieces: readonly StackPiece[]
  liveDps: number | null
}>()
const RODS: ReadonlySet<StepTool> = new Set(['ceramic-rod', 'diamond-rod', 'smooth-steel', 'polished-steel'])
/** A shoulder ends about so far above the edge, mm (common practice), and a rub goes so far up the face. */
const SHOULDER_MM = 5
const RUB_SHARE = 0.6

const toolName = computed(() => (props.step.tool === null ? props.stoneName : say(`bench.tool.${props.step.tool}`)))
const kind = computed(() => {
  const { tool, work, kind: step } = props.step
  if (work === 'teeth' || step === 'teeth') return 'teeth'
  if (tool !== null && RODS.has(tool)) return 'rod'
  if (props.knife.grind === 'single' && step !== 'strop') return 'single'
  return 'section'
})
/** Flat on its face, which for a single bevel means its back. */
const isFlat = computed(() => props.step.lift?.from === 'face' && props.step.lift.dps < 0.5)
const stack = computed(() => (isFlat.value ? flatStack(props.knife) : angleStack(props.knife, props.dps, props.pieces)))
const contactMm = computed(() => {
  const { recipeStep, work } = props.step
  if (recipeStep.startsWith('shoulder') || recipeStep === 'cut-shoulder') return SHOULDER_MM
  if (recipeStep.startsWith('rub')) return RUB_SHARE * props.knife.heelHeightMm
  if (work === 'face' || isFlat.value) return THINNED_FACE_SHARE * props.knife.heelHeightMm
  return bevelWidth({ bteMm: props.knife.bteMm, dps: Math.max(1, props.dps) })
})
</script>

<template>
  <TeethDrawing
    v-if="kind === 'teeth'"
    :dps="isFlat ? 0 : dps"
    :is-flat="step.lift?.from === 'face'"
    :is-gullet="step.recipeStep === 'gullets'"
    :tool="toolName"
  />
  <RodDrawing v-else-if="kind === 'rod'" :blade="knife" :dps="dps" :live-dps="liveDps" :tool="toolName" />
  <SingleBevelDrawing
    v-else-if="kind === 'single'"
    :knife="knife"
    :dps="dps"
    :is-back="isFlat"
    :stone-name="toolName"
  />
  <SectionDrawing
    v-else
    :blade="knife"
    :stack="stack"
    :stone-name="toolName"
    :live-dps="liveDps"
    :contact-mm="contactMm"
  />
</template>
