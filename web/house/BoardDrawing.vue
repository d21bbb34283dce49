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
  border: 1.5px solid var(--board-line);
  border-radius: 8px;
  background: var(--board);
  color: var(--ink);
}
.over {
  outline: 3px solid var(--ember);
  outline-offset: 2px;
}
/* wood in blocks, wood in planks, dark rubber, soft plastic with its grip, hard plastic with its groove, a plate */
.end-grain {
  background-image:
    linear-gradient(var(--board-grain) 1px, transparent 1px),
    linear-gradient(90deg, var(--board-grain) 1px, transparent 1px);
  background-size: 34px 34px;
}
.edge-grain {
  background-image: repeating-linear-gradient(var(--board-grain) 0 1px, transparent 1px 22px);
}
.rubber {
  --board: var(--board-rubber);
  background-image: radial-gradient(var(--board-grain) 0.8px, transparent 1px);
  background-size: 9px 9px;
}
.soft-plastic,
.hard-plastic,
.plate {
  --board: var(--paper);
}
.hard-plastic {
  box-shadow:
    inset 0 0 0 5px var(--paper),
    inset 0 0 0 6.5px var(--steel-line);
}
.plate {
  border-radius: 48px;
  --board: var(--steel);
}
</style>
