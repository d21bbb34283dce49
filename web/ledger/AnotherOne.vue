<script setup lang="ts">
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { Ledger } from '../../contract/ledger'
import { COARSE_BATH_MICRON } from '../../core/abrasive/gear'
import { sharedCoarseStone, withAnotherHand, withAnotherStone } from '../../core/plan/another'
import type { PlanTotals } from '../../core/plan/objective'
import { call } from '../api'
import { say, useFormats } from '../i18n'
import { refusalText } from '../refusalText'
import AppButton from '../ui/AppButton.vue'
import type { AnotherAnswer, AnotherTask } from '../workers/anotherWorker'

/** Another coarse stone or another trained hand: what this week's plan would be with it, beside what it costs. */
const props = defineProps<{ ledger: Ledger }>()
const formats = useFormats()
const SEARCH_MS = 3000
const busy = ref(false)
const refusal = ref('')
const answer = shallowRef<AnotherAnswer | null>(null)
const stone = shallowRef<{ readonly id: string; readonly name: string } | null>(null)
let worker: Worker | null = null
onScopeDispose(() => worker?.terminate())

async function work(): Promise<void> {
  busy.value = true
  refusal.value = ''
  try {
    const { problem } = await call(endpoints.plan)
    const coarse = sharedCoarseStone(problem, COARSE_BATH_MICRON)
    stone.value = problem.stones.find(({ id }) => id === coarse) ?? null
    const task: AnotherTask = {
      problem,
      more: [
        ...(coarse === null ? [] : [{ key: 'stone', problem: withAnotherStone(problem, coarse) }]),
        { key: 'hand', problem: withAnotherHand(problem) },
      ],
      milliseconds: SEARCH_MS,
    }
    worker?.terminate()
    worker = new Worker(new URL('../workers/anotherWorker.ts', import.meta.url), { type: 'module' })
    worker.onmessage = ({ data }: MessageEvent<AnotherAnswer>) => {
      answer.value = data
      busy.value = false
    }
    worker.onerror = () => {
      refusal.value = refusalText(new Error('another'))
      busy.value = false
    }
    // plain copies: the worker takes no proxies
    worker.postMessage(JSON.parse(JSON.stringify(task)))
  } catch (error) {
    refusal.value = refusalText(error)
    busy.value = false
  }
}
const money = (amount: number): string => formats.value.money(amount, props.ledger.money?.currency ?? null)
/** What the chef's own figure makes of fewer dull hours; empty while there is none. */
const worth = (hours: number): string => {
  const each = props.ledger.money?.dullHour ?? null
  return each === null || hours < 0.05 ? '' : say('another.worth', { sum: money(hours * each) })
}
const priceOf = (key: string): string => {
  const price = key === 'stone' ? (props.ledger.money?.gear[stone.value?.id ?? '']?.price ?? null) : null
  const hour = key === 'hand' ? (props.ledger.money?.hourly.sharpener ?? null) : null
  if (price !== null) return say('another.stoneCosts', { price: money(price) })
  return hour === null ? '' : say('another.handCosts', { price: money(hour) })
}
const rows = computed(() =>
  (answer.value?.more ?? []).map(({ key, totals }) => {
    const fewer = (answer.value?.asIs.dullHours ?? 0) - totals.dullHours
    return {
      key,
      name: key === 'stone' ? say('another.stone', { name: stone.value?.name ?? '' }) : say('another.hand'),
      totals,
      fewer: Math.max(0, fewer),
      note: [worth(fewer), priceOf(key)].filter(Boolean).join(' '),
    }
  }),
)
const hoursOf = ({ dullHours }: PlanTotals): string => formats.value.hours(dullHours)
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('another.title') }}</h2>
    <p class="soft">{{ $t('another.hint') }}</p>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p class="no-print">
      <AppButton :disabled="busy" @click="work">{{ $t(busy ? 'another.busy' : 'another.work') }}</AppButton>
    </p>
    <div v-if="answer" class="scrolls" role="status">
      <table class="plain">
        <thead>
          <tr>
            <th />
            <th>{{ $t('time.row.dull') }}</th>
            <th>{{ $t('another.fewer') }}</th>
            <th>{{ $t('time.row.minutes') }}</th>
            <th />
          </tr>
        </thead>
        <tbody>
          <tr>
            <th scope="row">{{ $t('another.asIs') }}</th>
            <td class="num">{{ hoursOf(answer.asIs) }}</td>
            <td />
            <td class="num">{{ formats.minutes(answer.asIs.minutes) }}</td>
            <td />
          </tr>
          <tr v-for="row in rows" :key="row.key">
            <th scope="row">{{ row.name }}</th>
            <td class="num">{{ hoursOf(row.totals) }}</td>
            <td class="num">{{ formats.hours(row.fewer) }}</td>
            <td class="num">{{ formats.minutes(row.totals.minutes) }}</td>
            <td class="soft small">{{ row.note }}</td>
          </tr>
        </tbody>
      </table>
      <p v-if="stone === null" class="soft">{{ $t('another.noStone') }}</p>
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
