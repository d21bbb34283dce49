<script setup lang="ts">
import type { KnifeView } from '../../contract/knives'
import { useFormats } from '../i18n'

defineProps<{ knife: KnifeView; recipeId: string; who: string; right?: string }>()
const formats = useFormats()
</script>

<template>
  <header>
    <b class="num">{{ knife.code }}</b>
    <span>{{ $t(`type.${knife.type}`) }} {{ formats.length(knife.lengthMm) }} · {{ $t(`bench.recipe.${recipeId}`) }} · {{ who }}</span>
    <span class="end num">{{ right }}</span>
    <span class="leave">{{ $t('bench.escape') }}</span>
  </header>
</template>

<style scoped>
header {
  display: flex;
  align-items: center;
  gap: 18px;
  min-height: 52px;
  padding: 8px 26px;
  background: var(--slate);
  color: var(--on-slate);
}
header b {
  font-size: 1.25rem;
}
.end {
  margin-left: auto;
  color: var(--on-slate);
}
.leave {
  color: var(--on-slate-soft);
}
@media (max-width: 700px) {
  .leave {
    display: none;
  }
  header {
    padding-inline: 14px;
    gap: 10px;
  }
}
</style>
