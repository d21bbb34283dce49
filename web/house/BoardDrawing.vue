<script setup lang="ts">
import { useDroppable } from '@dnd-kit/vue'
import { useTemplateRef } from 'vue'
import type { Station } from '../../contract/house'
import type { KnifeView } from '../../contract/knives'
import { useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import BoardKnife from './BoardKnife.vue'

/** A station as the board that stands there, with the knives that belong to it. */
const props = defineProps<{
  station: Station
  knives: readonly KnifeView[]
  others: readonly Station[]
}>()
const emit = defineEmits<{ change: []; move: [knifeId: string, stationId: string] }>()
const formats = useFormats()
const board = useTemplateRef<HTMLElement>('board')
const { isDropTarget } = useDroppable({
  id: () => `board ${props.station.id}`,
  data: () => ({ stationId: props.station.id }),
  disabled: () => !props.station.active,
  element: board,
})
</script>

<template>
  <li :class="{ soft: !station.active }">
    <div class="head">
      <h2>{{ station.name }}</h2>
      <AppButton kind="quiet" :aria-label="$t('house.changeOf', { name: station.name })" @click="emit('change')">
        {{ $t('house.change') }}
      </AppButton>
    </div>
    <p class="small soft">
      {{
        $t('house.boardAndWork', {
          board: $t(`board.${station.board}`),
          product: $t(`product.${station.product}`),
        })
      }},
      <span class="num">{{ $t('house.aService', { hours: formats.hours(station.hoursPerService) }) }}</span>
      <template v-if="!station.active">, {{ $t('house.closedBoard') }}</template>
    </p>
    <div ref="board" class="board" :class="[station.board, { over: isDropTarget }]" :data-board="station.name">
      <BoardKnife
        v-for="knife in knives"
        :key="knife.id"
        :knife="knife"
        :others="others"
        @move="emit('move', knife.id, $event)"
      />
      <p v-if="knives.length === 0" class="small">{{ $t('house.boardEmpty') }}</p>
    </div>
  </li>
</template>

<style scoped>
.head {
  display: flex;
  align-items: baseline;
  justify-content: space-between;
  gap: 10px;
}
h2 {
  min-width: 0;
}
.board {
  display: flex;
  flex-wrap: wrap;
  align-content: start;
  gap: 4px 10px;
  min-height: 96px;
  margin-top: 6px;
  padding: 12px;
}
.over {
  outline: 3px solid var(--ember);
  outline-offset: 2px;
}
</style>

<style scoped src="./boardFaces.css"></style>
