<script setup lang="ts">
import type { KnifeView } from '../../contract/knives'
import { recipeName } from '../../words/bench'
import { say, useFormats } from '../i18n'
import ScanKey from '../scan/ScanKey.vue'

defineProps<{
  knife: KnifeView
  recipe: { recipeId: string; recipeName: string | null }
  who: string
  right?: string
}>()
const formats = useFormats()
</script>

<template>
  <header class="task-head">
    <b class="num">{{ knife.code }}</b>
    <span
      >{{ $t(`type.${knife.type}`) }} {{ formats.length(knife.lengthMm) }} ·
      {{ recipeName(recipe.recipeId, recipe.recipeName, say) }} · {{ who }}</span
    >
    <span class="end">{{ right }}</span>
    <ScanKey />
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
