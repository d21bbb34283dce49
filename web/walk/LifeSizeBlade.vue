<script setup lang="ts">
import { useLocalStorage } from '@vueuse/core'
import { computed, ref } from 'vue'
import { knifeDefaults, TYPE_TEMPLATES, type KnifeType } from '../../core/knife/knifeTypes'
import { useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import { silhouette } from '../ui/profiles'
import SliderField from '../ui/SliderField.vue'

/** A blade in its own size: the knife is laid on it, heel on the mark, and the tip slid to where the steel ends. */
const props = defineProps<{ type: KnifeType }>()
const lengthMm = defineModel<number>({ required: true })
const formats = useFormats()
/** What a browser takes for a millimetre before somebody has laid a card on this screen. */
const CSS_PX_PER_MM = 96 / 25.4
const CARD_MM = { width: 85.6, height: 53.98 }
const measured = useLocalStorage<number | null>('yorvik.screen.pxPerMm', null, {
  serializer: { read: (text) => Number(text) || null, write: (value) => String(value ?? '') },
})
const pxPerMm = computed(() => measured.value ?? CSS_PX_PER_MM)
const calibrating = ref(false)
const card = ref(CSS_PX_PER_MM)
function calibrate(): void {
  card.value = pxPerMm.value
  calibrating.value = true
}
function take(): void {
  measured.value = card.value
  calibrating.value = false
}

const HANDLE_MM = 34
const SHORTEST = 40
const LONGEST = 450
const drawing = computed(() => {
  const { grind, serrated } = TYPE_TEMPLATES[props.type]
  const { heelHeightMm } = knifeDefaults(props.type, lengthMm.value)
  return silhouette({ type: props.type, lengthMm: lengthMm.value, heelHeightMm, serrated, grind, hrc: 57 }, 0)
})
const frame = computed(() => ({
  viewBox: `${-HANDLE_MM} 0 ${lengthMm.value + HANDLE_MM + 4} ${drawing.value.heightMm}`,
  width: (lengthMm.value + HANDLE_MM + 4) * pxPerMm.value,
  height: drawing.value.heightMm * pxPerMm.value,
}))
</script>

<template>
  <div class="life-size">
    <div class="bed">
      <svg :viewBox="frame.viewBox" :width="frame.width" :height="frame.height" aria-hidden="true">
        <path :d="drawing.neck" class="steel" />
        <path :d="drawing.handle" class="handle" />
        <path :d="drawing.blade" class="steel" />
        <path :d="`M0 0V${drawing.heightMm}`" class="mark" />
        <path :d="`M${lengthMm} 0V${drawing.heightMm}`" class="mark" />
      </svg>
    </div>
    <div class="line">
      <SliderField
        v-model="lengthMm"
        class="rail"
        :label="$t('walk.length')"
        :min="SHORTEST"
        :max="LONGEST"
        :step="5"
        :written="formats.length(lengthMm)"
      />
      <AppButton kind="quiet" @click="calibrate">{{ $t(measured ? 'walk.again' : 'walk.calibrate') }}</AppButton>
    </div>
    <AppDialog v-model:visible="calibrating" :title="$t('walk.cardTitle')">
      <div class="card-page">
        <p>{{ $t('walk.cardHint') }}</p>
        <svg :width="CARD_MM.width * card + 4" :height="CARD_MM.height * card + 4" aria-hidden="true">
          <rect
            x="2"
            y="2"
            :width="CARD_MM.width * card"
            :height="CARD_MM.height * card"
            :rx="3.2 * card"
            class="card"
          />
        </svg>
        <SliderField
          v-model="card"
          :label="$t('walk.cardSize')"
          :min="2"
          :max="9"
          :step="0.02"
          :written="`${Math.round(CARD_MM.width * card)} px`"
        />
        <AppButton kind="main" @click="take">{{ $t('walk.cardFits') }}</AppButton>
      </div>
    </AppDialog>
  </div>
</template>

<style scoped>
.life-size {
  display: grid;
  gap: 8px;
}
.bed {
  overflow: hidden;
  min-height: 150px;
  display: flex;
  align-items: center;
  background: var(--board);
  border: 1px solid var(--board-line);
}
.bed svg {
  flex: none;
  overflow: visible;
}
.steel {
  fill: var(--steel);
  stroke: var(--steel-line);
  vector-effect: non-scaling-stroke;
}
.handle {
  fill: var(--handle);
}
.mark {
  stroke: var(--ember);
  stroke-width: 1.5;
  stroke-dasharray: 5 4;
  vector-effect: non-scaling-stroke;
}
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 8px 24px;
  align-items: center;
}
.rail {
  flex: 1 1 320px;
}
.card-page {
  display: grid;
  gap: 14px;
  justify-items: start;
}
.card-page .slider-field {
  width: 100%;
}
.card {
  fill: var(--paper);
  stroke: var(--ink);
  stroke-width: 2;
}
</style>
