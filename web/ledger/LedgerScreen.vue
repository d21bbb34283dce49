<script setup lang="ts">
import { computed } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { Ledger } from '../../contract/ledger'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useResource } from '../live/resource'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import FoldSection from '../ui/FoldSection.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'
import AnotherOne from './AnotherOne.vue'
import GrinderTable from './GrinderTable.vue'
import LifeAndHarms from './LifeAndHarms.vue'
import MoneyForm from './MoneyForm.vue'
import PurchaseList from './PurchaseList.vue'

/** What knives cost, what has to be bought, who grinds how, how long knives last: each from the house's own log. */
const fleet = useFleet()
const session = useSession()
const formats = useFormats()
const { value: ledger, refusal, reload } = useResource(endpoints.ledger)
const currency = computed(() => ledger.value?.money?.currency ?? null)
const money = (amount: number): string => formats.value.money(amount, currency.value)
const orOpen = (amount: number | null): string => (amount === null ? say('ledger.open') : money(amount))
/** A sum of which some part is not known is that much or more. */
const atLeast = ({ year }: Ledger['knives'][number], amount: number): string => {
  if (!Object.values(year).includes(null)) return money(amount)
  return amount === 0 ? say('ledger.open') : say('ledger.atLeast', { sum: money(amount) })
}
type Part = keyof Ledger['knives'][number]['year']
/** What is known of a part, over all knives; null where nothing is known but of those that had none of it. */
const sumOf = (part: Part): number | null => {
  const all = ledger.value?.knives ?? []
  const known = all.flatMap(({ year }) => year[part] ?? [])
  const sum = known.reduce((so, amount) => so + amount, 0)
  return sum === 0 && known.length < all.length ? null : sum
}
const sums = computed(() => {
  const [purchase, labour, outside, stones] = (['purchase', 'labour', 'outside', 'stones'] as const).map(sumOf)
  const all = [purchase, labour, outside, stones].reduce<number>((sum, part) => sum + (part ?? 0), 0)
  return {
    sum: money(all),
    purchase: orOpen(purchase ?? null),
    labour: orOpen(labour ?? null),
    outside: orOpen(outside ?? null),
    stones: orOpen(stones ?? null),
  }
})
const knives = computed(() => [...(ledger.value?.knives ?? [])].sort((a, b) => b.perMonth - a.perMonth))
const unknown = computed(() => knives.value.filter(({ year }) => year.purchase === null).length)
const stations = computed(() => {
  const byStation = new Map<string, number>()
  for (const { stationId, perMonth } of knives.value)
    byStation.set(stationId, (byStation.get(stationId) ?? 0) + perMonth)
  return [...byStation]
    .map(([id, perMonth]) => ({ id, name: fleet.stations.get(id)?.name ?? '', perMonth }))
    .sort((a, b) => b.perMonth - a.perMonth)
})
const wornOn = (one: Ledger['knives'][number]): string =>
  one.wornOut ? formats.value.month(one.wornOut.middleAt) : say('ledger.open')
const now = computed(() => formats.value.dayKey(session.now().toISOString()))
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('ledger.title') }}</h1>
      <span class="soft">{{ $t('ledger.hint') }}</span>
      <span class="end"
        ><AppButton to="/ledger/time">{{ $t('place.time') }}</AppButton>
        <AppButton to="/stock">{{ $t('place.stock') }}</AppButton>
        <AppButton to="/report">{{ $t('ledger.month') }}</AppButton>
        <AppButton to="/safety-file">{{ $t('place.safety-file') }}</AppButton></span
      >
    </header>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p v-if="!ledger && !refusal" class="lead">{{ $t('shell.loading') }}</p>
    <template v-if="ledger">
      <p v-if="ledger.money === null" class="lead">{{ $t('ledger.noMoney') }}</p>
      <template v-else>
        <p class="lead">{{ $t('ledger.sum', sums) }}</p>
        <p v-if="ledger.since" class="soft">{{ $t('ledger.since', { day: formats.day(ledger.since) }) }}</p>
        <p v-if="unknown > 0" class="soft">{{ say('ledger.unknown', { n: unknown }) }}</p>
      </template>
      <FoldSection :title="$t('ledger.money')">
        <MoneyForm :key="ledger.money?.currency ?? ''" :money="ledger.money" @saved="reload" />
      </FoldSection>
      <section v-if="ledger.away.length > 0" class="heavy-rule">
        <h2>{{ $t('ledger.away') }}</h2>
        <p v-for="one in ledger.away" :key="one.id">
          <RouterLink :to="{ name: 'knife', params: { code: one.code } }">{{
            $t('ledger.awayWith', { code: one.code, name: one.to, day: formats.shortDay(one.since) })
          }}</RouterLink>
          <b v-if="one.dueOn && one.dueOn < now">{{
            $t('ledger.overdue', { day: formats.shortDay(`${one.dueOn}T12:00:00Z`) })
          }}</b>
          <template v-else-if="one.dueOn">{{
            $t('ledger.dueOn', { day: formats.shortDay(`${one.dueOn}T12:00:00Z`) })
          }}</template>
        </p>
      </section>
      <PurchaseList :ledger="ledger" />
      <section class="heavy-rule">
        <h2>{{ $t('ledger.knives') }}</h2>
        <div class="scrolls">
          <table class="plain">
            <thead>
              <tr>
                <th>{{ $t('ledger.knife') }}</th>
                <th />
                <th>{{ $t('ledger.perMonth') }}</th>
                <th>{{ $t('ledger.perService') }}</th>
                <th>{{ $t('ledger.blade') }}</th>
                <th>{{ $t('ledger.work') }}</th>
                <th>{{ $t('ledger.outside') }}</th>
                <th>{{ $t('ledger.stone') }}</th>
                <th>{{ $t('ledger.stoneMm') }}</th>
                <th>{{ $t('ledger.sessions') }}</th>
                <th>{{ $t('ledger.worn') }}</th>
              </tr>
            </thead>
            <tbody>
              <tr v-for="one in knives" :key="one.id">
                <td>
                  <RouterLink class="num" :to="{ name: 'knife', params: { code: one.code } }">{{
                    one.code
                  }}</RouterLink>
                </td>
                <td><EdgeStrip v-if="fleet.byId(one.id)" :knife="fleet.byId(one.id)!" :px-per-mm="0.26" /></td>
                <td class="num">
                  <b>{{ atLeast(one, one.perMonth) }}</b>
                </td>
                <td class="num">{{ one.perService === null ? say('ledger.open') : atLeast(one, one.perService) }}</td>
                <td class="num">{{ orOpen(one.year.purchase) }}</td>
                <td class="num">{{ orOpen(one.year.labour) }}</td>
                <td class="num">{{ orOpen(one.year.outside) }}</td>
                <td class="num">{{ orOpen(one.year.stones) }}</td>
                <td class="num">{{ one.stoneMm === 0 ? '–' : formats.thickness(one.stoneMm) }}</td>
                <td class="num">{{ one.sessions }}, {{ formats.minutes(one.minutes) }}</td>
                <td>{{ wornOn(one) }}</td>
              </tr>
            </tbody>
          </table>
        </div>
      </section>
      <section class="heavy-rule">
        <h2>{{ $t('ledger.stations') }}</h2>
        <table class="plain narrow">
          <tbody>
            <tr v-for="one in stations" :key="one.id">
              <th scope="row">{{ one.name }}</th>
              <td class="num">{{ money(one.perMonth) }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <GrinderTable :grinders="ledger.grinders" :currency="currency" />
      <AnotherOne :ledger="ledger" />
      <LifeAndHarms :ledger="ledger" />
    </template>
  </div>
</template>

<style scoped>
section {
  margin-top: 22px;
}
td.num {
  white-space: nowrap;
}
.narrow {
  max-width: 460px;
}
</style>
