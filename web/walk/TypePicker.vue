<script setup lang="ts">
import { KNIFE_TYPES, knifeDefaults, TYPE_TEMPLATES, type KnifeType } from '../../core/knife/knifeTypes'
import AppButton from '../ui/AppButton.vue'
import { LIST_SAMPLES, silhouette, type Silhouette } from '../ui/profiles'

/** Kinds of knife by their shape: the one that looks like what is in the hand is tapped. */
const emit = defineEmits<{ chosen: [type: KnifeType] }>()
const BOX_PX = { width: 122, height: 42 }

function shape(type: KnifeType): Silhouette {
  const { typicalLengthMm: lengthMm, grind, serrated } = TYPE_TEMPLATES[type]
  const { heelHeightMm } = knifeDefaults(type, lengthMm)
  return silhouette({ type, lengthMm, heelHeightMm, serrated, grind, hrc: 57 }, 0, LIST_SAMPLES)
}
const shapes = KNIFE_TYPES.map((type) => ({ type, shape: shape(type) }))
</script>

<template>
  <ul class="types" :aria-label="$t('walk.types')">
    <li v-for="{ type, shape: drawing } in shapes" :key="type">
      <AppButton kind="bare" class="type" @click="emit('chosen', type)">
        <svg
          :viewBox="drawing.viewBox"
          :width="BOX_PX.width"
          :height="BOX_PX.height"
          preserveAspectRatio="xMidYMid meet"
          aria-hidden="true"
        >
          <path :d="drawing.neck" class="steel" />
          <path :d="drawing.handle" class="handle" />
          <path :d="drawing.blade" class="steel" />
        </svg>
        <span>{{ $t(`type.${type}`) }}</span>
      </AppButton>
    </li>
  </ul>
</template>

<style scoped>
.types {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(146px, 1fr));
  gap: 8px;
}
.types :deep(.type) {
  display: grid;
  justify-items: center;
  gap: 4px;
  width: 100%;
  min-height: 78px;
  padding: 8px 6px;
  border: 1.5px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  color: inherit;
  font: inherit;
  cursor: pointer;
}
.types :deep(.type:hover) {
  border-color: var(--rule-strong);
}
.steel {
  fill: var(--steel);
  stroke: var(--steel-line);
  vector-effect: non-scaling-stroke;
}
.handle {
  fill: var(--handle);
}
</style>
