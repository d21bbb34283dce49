<script setup lang="ts">
import { computed } from 'vue'
import { ZONES } from '../../core/knife/zones'
import type { EdgePicture } from '../../core/session/session'

const props = defineProps<{ pictures: readonly EdgePicture[] }>()
const taken = computed(() =>
  (['before', 'after'] as const).filter((when) => props.pictures.some((one) => one.when === when)),
)
const ACROSS_UM = 40
/** A strip of edge as the loupe shows it: the brighter and wider the line, the blunter; what is bent leans out of it. */
const thickness = (picture: EdgePicture): number => Math.max(1, (picture.bluntUm / ACROSS_UM) * 40)
const wave = (picture: EdgePicture): string => {
  const lean = picture.roll * 14
  return Array.from(
    { length: 25 },
    (_, index) => `${index === 0 ? 'M' : 'L'}${index * 5} ${24 + (index % 2 === 0 ? lean : -lean * 0.4)}`,
  ).join(' ')
}
</script>

<template>
  <figure v-if="pictures.length > 0">
    <figcaption class="small soft">{{ $t('bench.live.picture') }}</figcaption>
    <table class="plain">
      <tbody>
        <tr v-for="when in taken" :key="when">
          <th class="small">{{ $t(`bench.${when}`) }}</th>
          <td v-for="zone in ZONES" :key="zone">
            <template
              v-for="picture in pictures.filter((one) => one.when === when && one.zone === zone)"
              :key="picture.when + picture.zone"
            >
              <svg
                viewBox="0 0 120 48"
                role="img"
                :aria-label="$t('shell.pair', { name: $t(`zone.${zone}`), value: `${picture.bluntUm} µm` })"
              >
                <rect width="120" height="48" class="dark" />
                <path :d="wave(picture)" class="line" :stroke-width="thickness(picture)" />
              </svg>
              <span class="small num">{{ $t(`zone.${zone}`) }} {{ picture.bluntUm }} µm</span>
            </template>
          </td>
        </tr>
      </tbody>
    </table>
  </figure>
</template>

<style scoped>
svg {
  width: 120px;
  display: block;
}
.dark {
  fill: var(--slate);
}
.line {
  fill: none;
  stroke: #e8ece9;
}
</style>
