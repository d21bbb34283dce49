<script setup lang="ts">
import { computed } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { endpoints } from '../../contract/endpoints'
import { incidentWords } from '../../words/incident'
import { say, useFormats } from '../i18n'
import { useResource } from '../live/resource'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import PrintButton from '../ui/PrintButton.vue'
import RecordLines from './RecordLines.vue'
import { takeOut } from './takeOut'

/** One month on one page, to be printed and signed: for whoever owns the house, and for the file. */
const session = useSession()
const formats = useFormats()
const route = useRoute()
const router = useRouter()
const MONTHS_BACK = 24
/** The day in the house's own zone decides which month it is. */
const thisMonth = computed(() => formats.value.dayKey(session.now().toISOString()).slice(0, 'YYYY-MM'.length))
const month = computed({
  get: () => (/^20\d\d-\d\d$/.test(String(route.query['month'])) ? String(route.query['month']) : thisMonth.value),
  set: (value) => void router.replace({ query: { month: value } }),
})
const nameOf = (value: string): string => formats.value.month(`${value}-15T12:00:00Z`)
const months = computed(() =>
  Array.from({ length: MONTHS_BACK }, (_, back) => {
    const [year = 0, at = 1] = thisMonth.value.split('-').map(Number)
    const value = new Date(Date.UTC(year, at - 1 - back, 15)).toISOString().slice(0, 7)
    return { value, label: nameOf(value) }
  }),
)
const { value: report, refusal } = useResource(endpoints.report, () => ({ params: { month: month.value } }))
const amountOf = (amount: number | null, currency: string): string =>
  amount === null ? say('ledger.open') : formats.value.money(amount, currency)
const done = computed(() => {
  if (!report.value) return []
  const { services, sharp, cost, checks, honings, sharpenings, minutes, washed, counts } = report.value
  return [
    ['services', services],
    ['sharp', say('report.withinOf', { within: sharp.within, measured: sharp.services })],
    [
      'keen',
      sharp.hours === 0
        ? say('ledger.open')
        : say('practice.percent', { percent: Math.round(100 - (100 * sharp.dullHours) / sharp.hours) }),
    ],
    ['checks', checks.all],
    ['within', say('report.withinOf', { within: checks.within, measured: checks.measured })],
    ['honings', honings],
    ['sharpenings', sharpenings],
    ['minutes', formats.value.hours(minutes / 60)],
    ...(cost === null
      ? []
      : [
          ['labour', amountOf(cost.labour, cost.currency)] as const,
          ['outside', amountOf(cost.outside, cost.currency)] as const,
        ]),
    ['washed', say('report.withinOf', { within: washed.washed, measured: washed.sessions })],
    ['counts', counts.all],
    ['missed', counts.missing],
    ['found', counts.found],
  ] as const
})
const lines = computed(() => [...(report.value?.outOfService ?? []), ...(report.value?.sentOut ?? [])])
function list(): void {
  takeOut(`yorvik-${month.value}.csv`, [
    ...done.value.map(([key, value]) => [say(`report.${key}`), value]),
    [],
    [say('report.when'), say('ledger.knife'), say('ledger.what'), say('report.why'), say('report.who')],
    ...lines.value.map((one) => [one.at, one.code, say(`report.kind.${one.kind}`), one.words, one.personName ?? '']),
  ])
}
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('report.title', { house: session.house?.name ?? '', month: nameOf(month) }) }}</h1>
      <span class="end no-print">
        <AppButton @click="list">{{ $t('report.csv') }}</AppButton>
        <PrintButton :label="$t('report.print')" />
      </span>
    </header>
    <ChoiceField v-model="month" class="which no-print" :label="$t('report.monthOf')" :options="months" />
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <template v-if="report">
      <p v-if="report.isEmpty" class="lead">{{ $t('report.empty') }}</p>
      <template v-else>
        <p v-for="gap in report.gaps" :key="gap.from">
          {{
            say('report.gap', { n: gap.services, from: formats.shortDay(gap.from), last: formats.shortDay(gap.last) })
          }}
        </p>
      </template>
      <div class="columns">
        <section class="heavy-rule">
          <h2>{{ $t('report.done') }}</h2>
          <dl>
            <template v-for="[key, value] in done" :key="key">
              <dt>{{ $t(`report.${key}`) }}</dt>
              <dd class="num">{{ value }}</dd>
            </template>
          </dl>
        </section>
        <section class="heavy-rule">
          <h2>{{ $t('report.knives') }}</h2>
          <dl>
            <template v-for="(count, key) in report.knives" :key="key">
              <dt>{{ $t(`report.${key}`) }}</dt>
              <dd class="num">{{ count }}</dd>
            </template>
          </dl>
          <h2>{{ $t('report.incidents') }}</h2>
          <p v-if="report.incidents.length === 0" class="soft">{{ $t('report.noneOut') }}</p>
          <p v-for="one in report.incidents" :key="`${one.what} ${one.place}`">
            {{
              say('incident.often', { event: incidentWords(one, say), times: say('incident.times', { n: one.count }) })
            }}
          </p>
        </section>
      </div>
      <RecordLines
        :title="$t('report.out')"
        :heads="[$t('ledger.what'), $t('report.why')]"
        :lines="
          lines.map((one) => ({ ...one, told: [say(`report.kind.${one.kind}`), one.words], who: one.personName }))
        "
      />
      <p class="soft small note">{{ $t('report.note') }}</p>
      <p class="sign">{{ $t('report.signed') }}</p>
    </template>
  </div>
</template>

<style scoped>
.which {
  max-width: 260px;
}
.columns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(280px, 1fr));
  gap: 0 34px;
}
section {
  margin-top: 18px;
}
dl {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 5px 18px;
  margin: 8px 0 14px;
}
dd {
  margin: 0;
  text-align: right;
  font-weight: 700;
}
.note {
  margin-top: 18px;
}
.sign {
  margin-top: 46px;
  padding-top: 4px;
  border-top: 1px solid var(--ink);
  max-width: 320px;
}
/* a busy month still goes on one sheet */
@media print {
  section {
    margin-top: 8px;
  }
  dl {
    gap: 1px 18px;
    margin: 4px 0 6px;
    font-size: 0.85rem;
  }
  :deep(td),
  :deep(th) {
    padding-block: 1px;
    font-size: 0.85rem;
  }
  .note {
    margin-top: 10px;
  }
  .sign {
    margin-top: 34px;
  }
}
</style>
