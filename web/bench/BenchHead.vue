<script setup lang="ts">
import type { KnifeView } from '../../contract/knives'
import { useFormats } from '../i18n'

defineProps<{ knife: KnifeView; recipeId: string; who: string; right?: string }>()
const formats = useFormats()
</script>

<template>
  <header class="task-head">
    <b class="num">{{ knife.code }}</b>
    <span
      >{{ $t(`type.${knife.type}`) }} {{ formats.length(knife.lengthMm) }} · {{ $t(`bench.recipe.${recipeId}`) }} ·
      {{ who }}</span
    >
    <span class="end num">{{ right }}</span>
    <span class="leave">{{ $t('bench.escape') }}</span>
  </header>
</template>

<style scoped>
.leave {
  color: var(--on-slate-soft);
}
@media (max-width: 700px) {
  .leave {
    display: none;
  }
}
</style>
