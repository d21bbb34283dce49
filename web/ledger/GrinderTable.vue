<script setup lang="ts">
import { computed } from 'vue'
import type { Ledger } from '../../contract/ledger'
import { say, useFormats } from '../i18n'

/** Whoever grinds outside, beside the house's own hands: what they take, what they leave, how long it lasts, what it costs. */
const props = defineProps<{ grinders: Ledger['grinders']; currency: string | null }>()
const formats = useFormats()
const open = <T,>(value: T | null, write: (value: T) => string): string => (value === null ? '–' : write(value))
/** Below a hundredth no caliper tells. */
const SAME_MM = 0.005
const thickened = (mm: number): string => {
  if (Math.abs(mm) < SAME_MM) return say('ledger.asThick')
  return say(mm > 0 ? 'ledger.thicker' : 'ledger.thinner', { value: formats.value.thickness(Math.abs(mm)) })
}
const isBeside = computed(() => props.grinders.some(({ isHouse }) => !isHouse))
const rows = (): readonly (Ledger['grinders'][number] & { readonly told: string })[] =>
  props.grinders.map((one) => ({ ...one, told: one.isHouse ? say('ledger.own') : one.name }))
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('ledger.grinders') }}</h2>
    <p v-if="grinders.length === 0" class="soft">{{ $t('ledger.noOne') }}</p>
    <div v-else class="scrolls">
      <table class="plain">
        <thead>
          <tr>
            <th />
            <th>{{ $t('ledger.before') }}</th>
            <th>{{ $t('ledger.times') }}</th>
            <th>{{ $t('ledger.days') }}</th>
            <th>{{ $t('ledger.standIns') }}</th>
            <th>{{ $t('ledger.height') }}</th>
            <th>{{ $t('ledger.thickness') }}</th>
            <th>{{ $t('ledger.fresh') }}</th>
            <th>{{ $t('ledger.used') }}</th>
            <th>{{ $t('ledger.angle') }}</th>
            <th>{{ $t('ledger.priceOrWork') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="one in rows()" :key="`${one.told} ${one.before}`">
            <th scope="row">{{ one.told }}</th>
            <td>{{ $t(`ledger.from.${one.before}`) }}</td>
            <td class="num">{{ one.times }}</td>
            <td class="num">{{ open(one.days, formats.tenths) }}</td>
            <td class="num">{{ open(one.standIns, formats.tenths) }}</td>
            <td class="num">{{ open(one.heightMm, formats.thickness) }}</td>
            <td class="num">{{ open(one.thickerMm, thickened) }}</td>
            <td class="num">{{ open(one.freshGf, formats.force) }}</td>
            <td class="num">{{ open(one.usedGf, formats.force) }}</td>
            <td class="num">{{ open(one.dps, formats.angle) }}</td>
            <td class="num">{{ open(one.price, (amount) => formats.money(amount, currency)) }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="isBeside" class="soft small">{{ $t('ledger.sameKinds') }}</p>
    </div>
  </section>
</template>

<style scoped>
section {
  margin-top: 22px;
}
th[scope='row'] {
  text-align: left;
}
</style>
