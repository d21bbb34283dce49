<script setup lang="ts">
import { computed, ref } from 'vue'
import type { ChainHouse, Compared } from '../../contract/chain'
import { say, useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import IntervalLine from './IntervalLine.vue'

/** Boards, edges and hands of several houses, like with like, each with the interval it lies in. */
const props = defineProps<{ readonly houses: readonly ChainHouse[]; readonly compared: Compared }>()
const formats = useFormats()
const names = computed(() => new Map(props.houses.map(({ houseId, name }) => [houseId, name])))
const nameOf = (houseId: string): string => names.value.get(houseId) ?? ''
const percent = (share: number): string => `${Math.round(100 * share)} %`

interface Line {
  readonly name: string
  readonly said: string
  readonly middle: number
  readonly low: number
  readonly high: number
  readonly isApart: boolean
}
interface Block {
  readonly title: string
  readonly lines: readonly Line[]
}
const byShare = computed(() =>
  props.compared.edges.map(({ type, board, houses }): Block => ({
    title: say('chain.likeWithLike', { type: say(`type.${type}`), board: say(`board.${board}`) }),
    lines: houses.map(({ houseId, within, apart }) => ({
      name: nameOf(houseId),
      said: say('chain.within', {
        share: percent(within.share),
        low: percent(within.low),
        high: percent(within.high),
        n: within.n,
      }),
      middle: within.share,
      low: within.low,
      high: within.high,
      isApart: apart,
    })),
  })),
)
const factorSaid = ({ factor, low, high }: { factor: number; low: number; high: number }): string =>
  say('chain.factor', {
    factor: formats.value.ratio(factor),
    low: formats.value.ratio(low),
    high: formats.value.ratio(high),
  })
const asLine = (name: string, effect: { factor: number; low: number; high: number; says: string }): Line => ({
  name,
  said: factorSaid(effect),
  middle: effect.factor,
  low: effect.low,
  high: effect.high,
  isApart: effect.says === 'more' || effect.says === 'less',
})
const byBoard = computed(() =>
  props.compared.boards.map(({ board, houses }): Block => ({
    title: say(`board.${board}`),
    lines: houses.map(({ houseId, effect }) => asLine(nameOf(houseId), effect)),
  })),
)
const byHand = computed(() =>
  props.compared.hands.map(({ houseId, hands }): Block => ({
    title: nameOf(houseId),
    lines: hands.map(({ name, life }, at) => asLine(name ?? say('chain.handNumber', { n: at + 1 }), life)),
  })),
)
/** What was read most comes first; more is a touch away. */
const FIRST_BLOCKS = 6
const isWhole = ref(false)
const shown = (blocks: readonly Block[]): readonly Block[] => (isWhole.value ? blocks : blocks.slice(0, FIRST_BLOCKS))
const FACTORS = { from: 0, to: 2.5, tick: 1 } as const
const parts = computed(() =>
  [
    { name: 'edges', hint: 'edgesHint', blocks: byShare.value, scale: { from: 0, to: 1 } },
    { name: 'boards', hint: 'boardsHint', blocks: byBoard.value, scale: FACTORS },
    { name: 'hands', hint: 'handsHint', blocks: byHand.value, scale: FACTORS },
  ].filter(({ blocks }) => blocks.length > 0),
)
</script>

<template>
  <section>
    <h2>{{ $t('chain.compared') }}</h2>
    <p v-if="parts.length === 0" class="soft">{{ $t('chain.tooFew') }}</p>
    <div class="parts">
      <section v-for="part in parts" :key="part.name">
        <h3>{{ $t(`chain.part.${part.name}`) }}</h3>
        <p class="soft small">{{ $t(`chain.${part.hint}`) }}</p>
        <div v-for="block in shown(part.blocks)" :key="block.title" class="block">
          <h4>{{ block.title }}</h4>
          <div v-for="line in block.lines" :key="line.name" class="line">
            <span>{{ line.name }}</span>
            <IntervalLine
              :label="$t('shell.pair', { name: line.name, value: line.said })"
              :middle="line.middle"
              :low="line.low"
              :high="line.high"
              :is-apart="line.isApart"
              v-bind="part.scale"
            />
            <span class="small num">{{ line.said }}</span>
          </div>
        </div>
        <AppButton v-if="part.blocks.length > shown(part.blocks).length" kind="quiet" @click="isWhole = true">
          {{ $t('chain.more', { n: part.blocks.length - shown(part.blocks).length }) }}
        </AppButton>
      </section>
    </div>
  </section>
</template>

<style scoped>
.parts {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 380px), 1fr));
  gap: 24px 36px;
}
.block {
  margin-top: 10px;
}
.line {
  display: grid;
  grid-template-columns: minmax(80px, 130px) minmax(110px, 1fr) minmax(120px, auto);
  gap: 12px;
  align-items: center;
}
h2 {
  margin-bottom: 10px;
}
@media (max-width: 560px) {
  .line {
    grid-template-columns: minmax(0, 1fr) auto;
    gap: 0 10px;
    margin-top: 6px;
  }
  .line > .scale {
    grid-row: 2;
    grid-column: 1 / -1;
  }
}
</style>
