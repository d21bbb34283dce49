<script setup lang="ts">
import { refDebounced } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import type { Station } from '../../contract/house'
import { BOARDS, PRODUCTS } from '../../core/house/stations'
import { say } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'
import TextField from '../ui/TextField.vue'

/** A station of a house that moves in; what is chosen or typed counts at once. */
const props = defineProps<{ station: Station; only: boolean }>()
const emit = defineEmits<{ change: [patch: Partial<Omit<Station, 'id'>>] }>()
const TYPING_MS = 700
const products = computed(() => PRODUCTS.map((value) => ({ value, label: say(`product.${value}`) })))
const name = ref(props.station.name)
const hours = ref<number | null>(props.station.hoursPerService)
watch(refDebounced(name, TYPING_MS), (typed) => {
  if (typed.trim() !== '' && typed.trim() !== props.station.name) emit('change', { name: typed.trim() })
})
watch(refDebounced(hours, TYPING_MS), (typed) => {
  if (typed !== null && typed !== props.station.hoursPerService) emit('change', { hoursPerService: typed })
})
watch(
  () => props.station.name,
  (stored) => {
    name.value = stored
  },
)
</script>

<template>
  <li :data-station="station.name">
    <TextField v-model="name" :label="$t('field.stationId')" maxlength="80" />
    <div class="boards" role="group" :aria-label="$t('field.board')">
      <AppButton
        v-for="board in BOARDS"
        :key="board"
        kind="bare"
        class="choice"
        :aria-pressed="station.board === board"
        @click="emit('change', { board })"
      >
        <span class="board" :class="board" aria-hidden="true" />
        <span class="small">{{ $t(`board.${board}`) }}</span>
      </AppButton>
    </div>
    <div class="work">
      <ChoiceField
        :model-value="station.product"
        :label="$t('field.product')"
        :options="products"
        @update:model-value="emit('change', { product: $event })"
      />
      <MeasureField v-model="hours" :label="$t('field.hoursPerService')" unit="h" />
    </div>
    <AppButton
      v-if="!only"
      kind="quiet"
      class="away"
      :aria-label="$t('movingIn.notHereOf', { name: station.name })"
      @click="emit('change', { active: false })"
      >{{ $t('movingIn.notHere') }}</AppButton
    >
  </li>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(9rem, 13rem) minmax(0, 1fr) minmax(12rem, 18rem) auto;
  gap: 10px 20px;
  align-items: start;
  padding: 14px 0;
  border-top: 1px solid var(--rule);
}
.boards {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(78px, 1fr));
  gap: 6px;
}
.boards :deep(.choice) {
  display: grid;
  gap: 4px;
  justify-items: stretch;
  padding: 6px;
  border: 2px solid transparent;
  border-radius: 8px;
  background: none;
  color: inherit;
  font: inherit;
  cursor: pointer;
}
.boards :deep(.choice[aria-pressed='true']) {
  border-color: var(--ember);
}
.board {
  height: 44px;
}
.work {
  display: grid;
  gap: 8px;
}
.away {
  align-self: center;
}
@media (max-width: 980px) {
  li {
    grid-template-columns: minmax(0, 1fr);
  }
  .away {
    justify-self: start;
  }
}
</style>

<style scoped src="../house/boardFaces.css"></style>
