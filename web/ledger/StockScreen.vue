<script setup lang="ts">
import { computed, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { StoneStock, SupplyView } from '../../contract/stock'
import { tenth } from '../../words/format'
import { byName, inOrder, say, useFormats } from '../i18n'
import { useResource } from '../live/resource'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import StockCountForm from './StockCountForm.vue'
import StoneMeasureForm from './StoneMeasureForm.vue'
import SupplyForm from './SupplyForm.vue'
import { takeOut } from './takeOut'

/** What is used up: stones by their thickness, pastes, oil, labels and test lines by their counts; each with when it runs out. */
const formats = useFormats()
const { value: stock, refusal, reload } = useResource(endpoints.stock)
type Asked =
  | { readonly kind: 'supply'; readonly supply: SupplyView | null }
  | { readonly kind: 'count'; readonly supply: SupplyView }
  | { readonly kind: 'stone'; readonly stone: StoneStock }
const asked = ref<Asked | null>(null)
const isOpen = computed({
  get: () => asked.value !== null,
  set: (open) => {
    if (!open) asked.value = null
  },
})
const title = computed(() => {
  const one = asked.value
  if (!one) return ''
  if (one.kind === 'stone') return say('stock.measureOf', { name: one.stone.name })
  if (one.kind === 'count') return say('stock.countOf', { name: one.supply.name })
  return one.supply?.name ?? say('stock.add')
})
async function saved(): Promise<void> {
  asked.value = null
  await reload()
}
const runsOut = (band: SupplyView['runsOut']): string =>
  band ? formats.value.month(band.middleAt) : say('ledger.open')
const between = (band: SupplyView['runsOut']): string =>
  band
    ? say('ledger.between', { early: formats.value.month(band.earlyAt), late: formats.value.month(band.lateAt) })
    : ''
const amount = (supply: SupplyView, value: number | null): string =>
  value === null ? say('ledger.open') : say('stock.amount', { n: formats.value.tenths(value), unit: supply.unit })
const mm = (value: number | null): string => (value === null ? say('ledger.open') : formats.value.thickness(value))
const listed = computed(() =>
  [...(stock.value?.supplies ?? [])].sort((a, b) => inOrder(a.kind, b.kind) || byName(a, b)),
)
const supplies = computed(() => listed.value.filter(({ active }) => active))
const put = computed(() => listed.value.filter(({ active }) => !active))
function list(): void {
  takeOut('yorvik-stock.csv', [
    [say('ledger.what'), say('stock.left'), say('stock.unit'), say('stock.perMonth'), say('stock.runsOut')],
    ...(stock.value?.stones ?? []).map((one) => [
      one.name,
      one.nowMm === null ? '' : tenth(one.nowMm),
      'mm',
      tenth(one.knivesPerMonth * (one.mmAKnife ?? 0)),
      one.runsOut?.middleAt.slice(0, 10) ?? '',
    ]),
    ...supplies.value.map((one) => [
      one.name,
      one.left === null ? '' : tenth(one.left),
      one.unit,
      one.perMonth === null ? '' : tenth(one.perMonth),
      one.runsOut?.middleAt.slice(0, 10) ?? '',
    ]),
  ])
}
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('stock.title') }}</h1>
      <span class="soft">{{ $t('stock.hint') }}</span>
      <span class="end no-print"
        ><AppButton @click="list">{{ $t('report.csv') }}</AppButton></span
      >
    </header>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p v-if="!stock && !refusal" class="lead">{{ $t('shell.loading') }}</p>
    <template v-if="stock">
      <section class="heavy-rule">
        <h2>{{ $t('stock.stones') }}</h2>
        <p v-if="stock.stones.length === 0" class="soft">{{ $t('stock.noStones') }}</p>
        <div v-else class="scrolls">
          <table class="plain">
            <thead>
              <tr>
                <th>{{ $t('ledger.what') }}</th>
                <th>{{ $t('stock.thickness') }}</th>
                <th>{{ $t('stock.wear') }}</th>
                <th>{{ $t('stock.knivesLeft') }}</th>
                <th>{{ $t('stock.runsOut') }}</th>
                <th />
              </tr>
            </thead>
            <tbody>
              <tr v-for="stone in stock.stones" :key="stone.id">
                <th scope="row">{{ stone.name }}</th>
                <td class="num">{{ mm(stone.nowMm) }}</td>
                <td>
                  {{
                    stone.mmAKnife === null
                      ? $t('ledger.open')
                      : $t('stock.aKnife', { mm: formats.thickness(stone.mmAKnife) })
                  }}
                  <span v-if="stone.mmAKnife !== null" class="soft small">{{
                    $t(stone.measured ? 'stock.measured' : 'stock.assumed')
                  }}</span>
                </td>
                <td class="num">{{ stone.knivesLeft ?? $t('ledger.open') }}</td>
                <td>
                  {{ runsOut(stone.runsOut) }} <span class="soft small">{{ between(stone.runsOut) }}</span>
                </td>
                <td class="no-print">
                  <AppButton @click="asked = { kind: 'stone', stone }">{{ $t('stock.measure') }}</AppButton>
                </td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
      <section class="heavy-rule">
        <h2>{{ $t('stock.supplies') }}</h2>
        <p v-if="supplies.length === 0" class="soft">{{ $t('stock.noSupplies') }}</p>
        <div v-else class="scrolls">
          <table class="plain">
            <thead>
              <tr>
                <th>{{ $t('ledger.what') }}</th>
                <th>{{ $t('stock.left') }}</th>
                <th>{{ $t('stock.perMonth') }}</th>
                <th>{{ $t('stock.runsOut') }}</th>
                <th />
              </tr>
            </thead>
            <tbody>
              <tr v-for="supply in supplies" :key="supply.id">
                <th scope="row">
                  {{ supply.name }}
                </th>
                <td class="num">{{ amount(supply, supply.left) }}</td>
                <td>
                  <span class="num">{{ amount(supply, supply.perMonth) }}</span>{{ ' ' }}
                  <span class="soft small">{{ $t(`stock.by.${supply.by}`) }}</span>
                </td>
                <td>
                  {{ runsOut(supply.runsOut) }} <span class="soft small">{{ between(supply.runsOut) }}</span>
                </td>
                <td class="no-print">
                  <span class="acts">
                    <AppButton @click="asked = { kind: 'count', supply }">{{ $t('stock.count') }}</AppButton>
                    <AppButton kind="quiet" @click="asked = { kind: 'supply', supply }">{{
                      $t('stock.edit')
                    }}</AppButton></span
                  >
                </td>
              </tr>
            </tbody>
          </table>
        </div>
        <p class="no-print acts">
          <AppButton kind="main" @click="asked = { kind: 'supply', supply: null }">{{ $t('stock.add') }}</AppButton>
          <AppButton v-for="supply in put" :key="supply.id" kind="quiet" @click="asked = { kind: 'supply', supply }">{{
            $t('stock.again', { name: supply.name })
          }}</AppButton>
        </p>
      </section>
    </template>
    <AppDialog v-model:visible="isOpen" :title="title">
      <SupplyForm v-if="asked?.kind === 'supply'" :supply="asked.supply" @saved="saved" />
      <StockCountForm v-else-if="asked?.kind === 'count'" :supply="asked.supply" @saved="saved" />
      <StoneMeasureForm v-else-if="asked?.kind === 'stone'" :stone="asked.stone" @saved="saved" />
    </AppDialog>
  </div>
</template>

<style scoped>
section {
  margin-top: 22px;
}
th[scope='row'] {
  text-align: left;
  font-weight: 600;
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
p.acts {
  margin-top: 12px;
}
</style>
