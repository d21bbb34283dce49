<script setup lang="ts">
import AppButton from '../ui/AppButton.vue'

/** The big keys at the foot of a step: back, and on; between them, where strokes are counted, stroke and burr. */
defineProps<{ counts: boolean; burrs: boolean; isFirst: boolean; burrFelt: boolean; onward: string }>()
const emit = defineEmits<{ back: []; stroke: []; burr: []; onward: [] }>()
</script>

<template>
  <footer :class="{ counting: counts, faces: counts && !burrs }">
    <AppButton big :disabled="isFirst" @click="emit('back')">{{ $t('bench.back') }}</AppButton>
    <AppButton kind="main" big v-if="counts" @click="emit('stroke')">
      {{ $t('bench.stroke') }} <kbd>Space</kbd>
    </AppButton>
    <AppButton big v-if="burrs" :aria-pressed="burrFelt" @click="emit('burr')">
      {{ $t(burrFelt ? 'bench.burrGone' : 'bench.burrFelt') }} <kbd>B</kbd>
    </AppButton>
    <AppButton big :class="{ main: !counts }" @click="emit('onward')"> {{ onward }} <kbd>Enter</kbd> </AppButton>
  </footer>
</template>

<style scoped>
footer {
  position: sticky;
  bottom: 0;
  display: grid;
  grid-template-columns: 1fr 2fr;
  gap: 14px;
  padding: 10px 26px 12px;
  background: var(--ground);
}
footer.counting {
  grid-template-columns: 1fr 1.4fr 1fr 1fr;
}
.button {
  min-width: 0;
  min-height: 84px;
  white-space: normal;
  line-height: 1.15;
}
footer.faces {
  grid-template-columns: 1fr 1.4fr 1fr;
}
@media (max-width: 900px) {
  footer,
  footer.counting,
  footer.faces {
    grid-template-columns: repeat(2, minmax(0, 1fr));
    padding-inline: 14px;
    gap: 8px;
  }
  .button {
    min-height: 64px;
  }
}
</style>
