<script setup lang="ts">
import { computed } from 'vue'
import type { Ledger, Purchase } from '../../contract/ledger'
import { say, useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import { takeOut } from './takeOut'

/** What wears out within a year, with dates, bands and chances; to be taken out as a list. */
const props = defineProps<{ ledger: Ledger }>()
const formats = useFormats()
const currency = computed(() => props.ledger.money?.currency ?? null)
const money = (amount: number): string => formats.value.money(amount, currency.value)
const HUNDRED = 100
const percent = (share: number): string => say('practice.percent', { percent: Math.round(HUNDRED * share) })
const between = ({ when }: Purchase): string =>
  formats.value.month(when.earlyAt) === formats.value.month(when.lateAt)
    ? ''
    : say('ledger.between', { early: formats.value.month(when.earlyAt), late: formats.value.month(when.lateAt) })
const unpriced = computed(() => Math.round(props.ledger.expected.unpriced))
function list(): void {
  takeOut('yorvik-purchases.csv', [
    [
      say('ledger.what'),
      say('ledger.when'),
      say('ledger.chance'),
      [say('ledger.price'), currency.value].filter(Boolean).join(', '),
    ],
    ...props.ledger.purchases.map((one) => [
      one.name,
      `${one.when.earlyAt.slice(0, 10)} / ${one.when.middleAt.slice(0, 10)} / ${one.when.lateAt.slice(0, 10)}`,
      Math.round(HUNDRED * one.chance) / HUNDRED,
      one.price ?? '',
    ]),
  ])
}
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('ledger.purchases') }}</h2>
    <p class="soft">{{ $t('ledger.purchasesHint') }}</p>
    <p v-if="ledger.purchases.length === 0">{{ $t('ledger.nothing') }}</p>
    <template v-else>
      <p v-if="ledger.expected.sum > 0">
        <b>{{
          $t('ledger.expected', { sum: money(ledger.expected.sum), sd: money(Math.round(ledger.expected.sd)) })
        }}</b>
        <template v-if="unpriced > 0">{{ ' ' }}{{ say('ledger.unpriced', { n: unpriced }) }}</template>
      </p>
      <table class="plain">
        <thead>
          <tr>
            <th>{{ $t('ledger.what') }}</th>
            <th>{{ $t('ledger.when') }}</th>
            <th>{{ $t('ledger.chance') }}</th>
            <th>{{ $t('ledger.price') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in ledger.purchases" :key="`${one.what} ${one.id}`">
            <td>{{ one.name }}</td>
            <td>
              {{ formats.month(one.when.middleAt) }} <span class="soft small">{{ between(one) }}</span>
            </td>
            <td class="num">{{ percent(one.chance) }}</td>
            <td class="num">{{ one.price === null ? $t('ledger.open') : money(one.price) }}</td>
          </tr>
        </tbody>
      </table>
      <p class="no-print">
        <AppButton @click="list">{{ $t('ledger.takeOut') }}</AppButton>
      </p>
    </template>
  </section>
</template>

<style scoped>
section {
  margin-top: 22px;
}
table {
  max-width: 860px;
}
table + p {
  margin-top: 12px;
}
</style>
