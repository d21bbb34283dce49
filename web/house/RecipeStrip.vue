<script setup lang="ts">
import type { Recipe } from '../../contract/bench'
import { say } from '../i18n'
import DragSpace from '../ui/DragSpace.vue'
import RecipeStripStep from './RecipeStripStep.vue'
import { stepTitle } from './stepTitle'

/** A recipe as a strip of steps: one is lifted and takes the place of the one it is put down on. */
const props = defineProps<{ steps: readonly Recipe['steps'][number][] }>()
const chosen = defineModel<string>('chosen', { required: true })
const emit = defineEmits<{ move: [from: number, to: number] }>()

const placeOf = (thing: unknown): number =>
  props.steps.findIndex(({ id }) => id === (thing as { stepId?: unknown } | null)?.stepId)
const nameOf = (thing: unknown): string => {
  const step = props.steps[placeOf(thing)]
  return step ? stepTitle(step, say) : ''
}
function putDown(source: unknown, target: unknown): void {
  const [from, to] = [placeOf(source), placeOf(target)]
  if (from >= 0 && to >= 0 && from !== to) emit('move', from, to)
}
</script>

<template>
  <DragSpace
    :how-to="say('recipes.stepHow')"
    :told="(step, source, target) => say(`recipes.drag.${step}`, { step: nameOf(source), place: nameOf(target) })"
    @drop="putDown"
  >
    <ol :aria-label="$t('recipes.stepsOf')">
      <RecipeStripStep
        v-for="(step, at) in steps"
        :key="step.id"
        :step="step"
        :at="at + 1"
        :chosen="step.id === chosen || (at === 0 && !steps.some(({ id }) => id === chosen))"
        @choose="chosen = step.id"
        @move="emit('move', at, at + $event)"
      />
    </ol>
  </DragSpace>
</template>

<style scoped>
ol {
  position: relative;
}
</style>
