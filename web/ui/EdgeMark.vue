<script setup lang="ts">
import type { EdgeWordName } from '../../contract/scalars'

defineProps<{ word: EdgeWordName }>()
</script>

<template>
  <span class="mark" :class="word">
    <svg width="34" height="8" aria-hidden="true"><line x1="0" y1="4" x2="34" y2="4" /></svg>
    <span>{{ $t(`edge.${word}`) }}</span>
  </span>
</template>

<style scoped>
.mark {
  display: inline-flex;
  align-items: center;
  gap: 6px;
}
line {
  stroke-width: 3;
}
.keen line {
  stroke: var(--keen);
  stroke-width: 4;
}
.sound line {
  stroke: var(--sound);
  stroke-width: 2;
}
.tiring line {
  stroke: var(--tiring);
  stroke-dasharray: 9 3;
}
.dull line {
  stroke: var(--dull);
  stroke-width: 4;
  stroke-dasharray: 4 3;
}
.unseen line {
  stroke: var(--handle);
  stroke-width: 2;
  stroke-dasharray: 1 5;
}
.out line {
  stroke: var(--out);
  stroke-width: 5;
  stroke-dasharray: 1.5 4;
}
</style>
