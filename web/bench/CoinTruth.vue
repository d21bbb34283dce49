<script setup lang="ts">
import { computed } from 'vue'
import type { BenchOffer } from '../../contract/bench'
import { useFormats } from '../i18n'

/** Coin habits turned into truth: what one, two and three of each really give under this blade. */
const props = defineProps<{ coins: BenchOffer['coins'] }>()
const formats = useFormats()
const lines = computed(() =>
  props.coins.map(({ name, count, dps }) => ({
    pieces: `${count} × ${name}`,
    angle: formats.value.angle(dps),
  })),
)
</script>

<template>
  <details v-if="lines.length > 0">
    <summary>{{ $t('bench.coinTitle') }}</summary>
    <ul>
      <li v-for="line in lines" :key="line.pieces">{{ $t('bench.coinTruth', line) }}</li>
    </ul>
    <p class="soft small">{{ $t('bench.coinHint') }}</p>
  </details>
</template>

<style scoped>
summary {
  min-height: 44px;
  padding: 10px 0;
  cursor: pointer;
}
li {
  padding: 2px 0;
}
</style>
