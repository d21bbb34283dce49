<script setup lang="ts">
import { computed } from 'vue'
import type { BenchOffer } from '../../contract/bench'
import { useFormats } from '../i18n'
import FoldSection from '../ui/FoldSection.vue'

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
  <FoldSection v-if="lines.length > 0" :title="$t('bench.coinTitle')">
    <ul>
      <li v-for="line in lines" :key="line.pieces">{{ $t('bench.coinTruth', line) }}</li>
    </ul>
    <p class="soft small">{{ $t('bench.coinHint') }}</p>
  </FoldSection>
</template>

<style scoped>
li {
  padding: 2px 0;
}
</style>
