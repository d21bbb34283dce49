<script setup lang="ts">
import type { EdgeWord } from '../../core/edge/model/scale'
import EdgeStrip from '../ui/EdgeStrip.vue'

const zone = (word: EdgeWord, forceGf: number) => ({
  forceGf,
  lowGf: forceGf,
  highGf: forceGf,
  word,
  bluntUm: 0,
  roll: 0,
})
const knife = {
  code: 'CH-00',
  type: 'chef' as const,
  lengthMm: 240,
  heelHeightMm: 48,
  serrated: false,
  grind: 'flat' as const,
  hrc: 58,
  zones: { heel: zone('keen', 170), belly: zone('sound', 230), tip: zone('tiring', 300) },
}
</script>

<template>
  <div class="blade" aria-hidden="true"><EdgeStrip :knife="knife" large /></div>
</template>

<style scoped>
.blade {
  margin-top: auto;
  --keen: #6cc9cf;
  --sound: #86c5b6;
  --tiring: #e0bd54;
  --steel: #c9d1d0;
  --handle: #45606a;
}
@media (max-width: 860px) {
  .blade {
    display: none;
  }
}
</style>
