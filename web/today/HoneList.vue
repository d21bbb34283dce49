<script setup lang="ts">
import type { KnifeView } from '../../contract/knives'
import { edgeAngle } from '../../words/verdict'
import { say, useFormats } from '../i18n'
import EdgeStrip from '../ui/EdgeStrip.vue'
import HonedButton from '../ui/HonedButton.vue'

defineProps<{ knives: readonly KnifeView[] }>()
const formats = useFormats()
</script>

<template>
  <ul class="hones">
    <li v-for="knife in knives" :key="knife.id">
      <RouterLink class="code num" :to="{ name: 'knife', params: { code: knife.code } }">{{ knife.code }}</RouterLink>
      <EdgeStrip :knife="knife" :px-per-mm="0.25" />
      <span class="how small">
        {{
          $t(knife.verdict.tool === 'strop' ? 'today.stropShort' : 'today.honeShort', {
            strokes: knife.verdict.cost.strokesPerSide,
            angle: edgeAngle(knife, say, formats),
          })
        }}
        <span v-if="knife.honing === 'when-drawn'" class="each">{{ $t('today.eachTime') }}</span>
      </span>
      <HonedButton :knife="knife" />
    </li>
  </ul>
</template>

<style scoped>
.hones {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(318px, 1fr));
  gap: 2px 16px;
}
li {
  display: grid;
  grid-template-columns: 56px 106px minmax(0, 1fr) 80px;
  gap: 8px;
  align-items: center;
  min-height: 50px;
}
.code {
  font-weight: 700;
  text-decoration: none;
  padding-block: 8px;
}
.how {
  line-height: 1.2;
}
.each {
  display: block;
}
@media (max-width: 700px) {
  li {
    gap: 12px;
  }
  .hones {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
