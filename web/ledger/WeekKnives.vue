<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { grouped } from '../../core/group'
import { inOrder, say, useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import type { WeekSum } from './houseWeeks'
import WeekEvents from './WeekEvents.vue'

/** The knives behind one week: what each did, cost and lost, and the way to its history. */
const props = defineProps<{ week: WeekSum; sentence: string; currency: string | null }>()
const formats = useFormats()
/** the knife whose events are open */
const opened = ref<string | null>(null)
watch(
  () => props.week.from,
  () => {
    opened.value = null
  },
)
const knives = computed(() =>
  [...grouped(props.week.knives, ({ knifeId }) => knifeId).values()]
    .flatMap((own) => {
      const [first] = own
      if (!first) return []
      const sum = (pick: (one: (typeof own)[number]) => number): number => own.reduce((so, one) => so + pick(one), 0)
      return [
        {
          id: first.knifeId,
          code: first.code,
          dullHours: sum(({ dullHours }) => dullHours),
          hours: sum(({ hours }) => hours),
          sessions: sum(({ sessions }) => sessions),
          minutes: sum(({ minutes }) => minutes),
          steelMm: sum(({ steelMm }) => steelMm),
          cost: own.some(({ cost }) => cost === null) ? null : sum(({ cost }) => cost ?? 0),
        },
      ]
    })
    .sort((a, b) => b.dullHours - a.dullHours || b.minutes - a.minutes || inOrder(a.code, b.code)),
)
const costOf = (cost: number | null): string =>
  cost === null ? say('ledger.open') : formats.value.money(cost, props.currency)
</script>

<template>
  <section class="heavy-rule" role="status">
    <p>{{ sentence }}</p>
    <p v-if="knives.length === 0" class="soft">{{ $t('time.none') }}</p>
    <div v-else class="scrolls">
      <table class="plain">
        <thead>
          <tr>
            <th>{{ $t('ledger.knife') }}</th>
            <th>{{ $t('time.row.dull') }}</th>
            <th>{{ $t('time.hours') }}</th>
            <th>{{ $t('ledger.sessions') }}</th>
            <th>{{ $t('time.row.steel') }}</th>
            <th>{{ $t('time.row.cost') }}</th>
            <th class="no-print" />
          </tr>
        </thead>
        <tbody>
          <template v-for="one in knives" :key="one.id">
            <tr>
              <td>
                <RouterLink class="num" :to="{ name: 'knife', params: { code: one.code } }">{{ one.code }}</RouterLink>
              </td>
              <td class="num">{{ formats.hours(one.dullHours) }}</td>
              <td class="num">{{ formats.hours(one.hours) }}</td>
              <td class="num">{{ one.sessions }}, {{ formats.minutes(Math.round(one.minutes)) }}</td>
              <td class="num">{{ formats.thickness(one.steelMm) }}</td>
              <td class="num">{{ costOf(one.cost) }}</td>
              <td class="no-print">
                <AppButton
                  small
                  :aria-expanded="opened === one.id"
                  :aria-label="$t('time.eventsOf', { code: one.code })"
                  @click="opened = opened === one.id ? null : one.id"
                  >{{ $t('time.events') }}</AppButton
                >
              </td>
            </tr>
            <tr v-if="opened === one.id">
              <td colspan="7"><WeekEvents :knife-id="one.id" :from="week.from" /></td>
            </tr>
          </template>
        </tbody>
      </table>
    </div>
  </section>
</template>

<style scoped>
section {
  margin: 14px 0;
}
</style>
