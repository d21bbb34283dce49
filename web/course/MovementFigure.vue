<script setup lang="ts">
import type { Figure } from '../../core/course/lessons'
import AboveFigure from './AboveFigure.vue'
import EndFigure from './EndFigure.vue'
import GripFigure from './GripFigure.vue'
import NearFigure from './NearFigure.vue'
import RodFigure from './RodFigure.vue'

/** A movement as a lesson draws it. */
defineProps<{ figure: Figure; leftHanded: boolean; switchesHands: boolean }>()
</script>

<template>
  <AboveFigure
    v-if="figure.view === 'above'"
    :figure="figure"
    :left-handed="leftHanded"
    :switches-hands="switchesHands"
  />
  <EndFigure v-else-if="figure.view === 'end'" :figure="figure" />
  <RodFigure v-else-if="figure.view === 'rod'" :figure="figure" />
  <GripFigure v-else-if="figure.view === 'grip'" />
  <NearFigure v-else :figure="figure" />
</template>
