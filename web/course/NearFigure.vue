<script setup lang="ts">
import type { Figure } from '../../core/course/lessons'
import { capsule } from './fromAbove'

/** Close to an edge, a stone or a sink: what to see, feel and keep apart. Drawn, not to scale. */
defineProps<{ figure: Extract<Figure, { view: 'edge' | 'stone' | 'bench' | 'sink' }> }>()
const [WIDTH, HEIGHT] = [520, 280]
const lines = (count: number, from: number, by: number): number[] =>
  Array.from({ length: count }, (_, at) => from + at * by)
/** Teeth of a serrated edge; a rolled one leans over. */
const teeth = (rolled: boolean): string =>
  `M20 60${lines(9, 20, 54)
    .map(
      (x, at) =>
        `Q${x + 22} ${rolled && at % 3 === 1 ? 128 : 60} ${x + 27} 168L${x + (rolled && at % 3 === 1 ? 62 : 54)} ${rolled && at % 3 === 1 ? 150 : 196}L${x + 54} 60`,
    )
    .join('')}V20H20Z`
</script>

<template>
  <svg
    :viewBox="`0 0 ${WIDTH} ${HEIGHT}`"
    role="img"
    :aria-label="$t(`course.figure.${'shows' in figure ? figure.shows : figure.view}`)"
  >
    <template v-if="figure.view === 'edge'">
      <template v-if="figure.shows === 'burr' || figure.shows === 'thumb'">
        <!-- the apex, much enlarged, with the burr turned over to the side that was not on the stone -->
        <path class="blade" d="M150 20H370L268 216Q262 226 256 216Z" />
        <path class="worked" d="M256 212Q266 238 292 226" />
        <template v-if="figure.shows === 'thumb'">
          <path class="limb" :d="capsule({ x: 474, y: 54 }, { x: 330, y: 138 }, 30, 22)" />
          <ellipse class="tip" cx="326" cy="142" rx="20" ry="25" transform="rotate(58 326 142)" />
          <path class="way" stroke-width="4" d="M306 196L392 246m-18 1l18 -1l-9 -16" transform="translate(20 -8)" />
        </template>
        <path v-else class="way" stroke-width="4" d="M120 190L150 60m-14 12l14 -12l7 17" />
      </template>
      <template v-else-if="figure.shows === 'glint'">
        <path class="blade" d="M20 80H500V150Q470 196 400 196H20Z" />
        <path class="edge" d="M20 198H400Q470 196 500 150" />
        <path class="worked" d="M196 198H290" />
        <path class="mark" d="M243 214v34M214 210l-18 28M272 210l18 28" />
      </template>
      <template v-else-if="figure.shows === 'scratches'">
        <rect class="blade" x="20" y="40" width="230" height="200" />
        <rect class="blade" x="270" y="40" width="230" height="200" />
        <path v-for="x in lines(9, 30, 24)" :key="x" class="way" stroke-width="3" :d="`M${x} 232L${x + 26} 48`" />
        <path v-for="x in lines(17, 484, -12)" :key="x" class="way" stroke-width="1" :d="`M${x} 232L${x - 22} 48`" />
        <path class="mark" d="M300 232L326 48" />
      </template>
      <template v-else-if="figure.shows === 'strop'">
        <rect class="stone" x="20" y="206" width="480" height="40" rx="3" />
        <polygon class="blade" points="120,206 380,128 388,150" />
        <path class="way" stroke-width="4" d="M290 92h100m-14 -9l14 9l-14 9" />
        <ellipse class="tip" cx="190" cy="170" rx="24" ry="10" transform="rotate(-16 190 170)" />
      </template>
      <template v-else>
        <path class="blade" :d="teeth(figure.shows === 'rolled')" />
        <path v-if="figure.shows === 'teeth'" class="way" stroke-width="4" d="M60 240H420m-14 -9l14 9l-14 9" />
        <path v-else class="way" stroke-width="4" d="M118 236V186m-10 14l10 -14l10 14" />
      </template>
    </template>
    <template v-else-if="figure.view === 'stone'">
      <rect class="stone" x="40" y="70" width="440" height="150" rx="3" />
      <path v-for="x in lines(10, 62, 44)" :key="x" class="way" stroke-width="1.4" :d="`M${x} 74V216`" />
      <path v-for="y in lines(4, 94, 34)" :key="y" class="way" stroke-width="1.4" :d="`M44 ${y}H476`" />
      <g class="plate">
        <rect class="blade" x="60" y="46" width="190" height="110" rx="4" />
        <ellipse v-for="x in [110, 155, 200]" :key="x" class="tip" :cx="x" cy="100" rx="11" ry="15" />
      </g>
      <path class="way" stroke-width="4" d="M280 100H440m-14 -9l14 9l-14 9M440 130H280m14 -9l-14 9l14 9" />
    </template>
    <template v-else-if="figure.view === 'bench'">
      <!-- from the side: stone raised on a damp cloth, head over its middle, edge away from whoever stands there -->
      <rect class="stone" x="190" y="170" width="190" height="26" rx="2" />
      <path class="cloth" d="M176 196h218v10h-218z" />
      <path class="thin" d="M20 206H500" />
      <circle class="limb" cx="262" cy="46" r="26" />
      <path class="limb" :d="capsule({ x: 150, y: 100 }, { x: 256, y: 156 }, 20, 13)" />
      <path class="thin" stroke-dasharray="5 5" d="M282 76V166" />
      <polygon class="blade" points="232,168 330,140 334,150" transform="translate(564 0) scale(-1 1)" />
      <ellipse class="tip" cx="280" cy="154" rx="13" ry="7" transform="rotate(16 280 154)" />
      <path class="way" stroke-width="4" d="M344 120h70m-14 -9l14 9l-14 9" />
    </template>
    <template v-else>
      <path class="thin" d="M60 120V240H460V120" />
      <path class="way" stroke-width="3" d="M250 20h46v44" />
      <path class="thin" stroke-dasharray="4 6" d="M296 70V230" />
      <g transform="rotate(28 300 130)">
        <path class="handle" d="M120 116h96v26h-96z" />
        <path class="blade" d="M216 112H390Q420 128 430 146H216Z" />
      </g>
      <path class="limb" :d="capsule({ x: 40, y: 40 }, { x: 172, y: 84 }, 22, 18)" />
    </template>
  </svg>
</template>

<style scoped src="./figures.css"></style>
<style scoped>
@keyframes to-and-fro {
  50% {
    transform: translateX(200px);
  }
}
.plate {
  animation: to-and-fro 2.4s ease-in-out infinite;
}
@media (prefers-reduced-motion: reduce) {
  .plate {
    animation: none;
  }
}
</style>
