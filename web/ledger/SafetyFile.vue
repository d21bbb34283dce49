<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { useRoute, useRouter } from 'vue-router'
import { endpoints } from '../../contract/endpoints'
import { DAY_MS } from '../../core/time'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useResource } from '../live/resource'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import PrintButton from '../ui/PrintButton.vue'
import WhenField from '../ui/WhenField.vue'
import RecordLines from './RecordLines.vue'
import { takeOut } from './takeOut'

/** For the food-safety file: knives in use, checks, what left service, and washing on record, with who and when. */
const session = useSession()
const fleet = useFleet()
const formats = useFormats()
const route = useRoute()
const router = useRouter()
const USUAL_DAYS = 30
/** by the house's own day: a morning in the east is another day than in UTC */
const dayOf = (ms: number): string => formats.value.dayKey(new Date(ms).toISOString())
const given = (key: string, usual: string): string =>
  /^20\d\d-\d\d-\d\d$/.test(String(route.query[key])) ? String(route.query[key]) : usual
const today = session.now().getTime()
const from = ref(given('from', dayOf(today - USUAL_DAYS * DAY_MS)))
const until = ref(given('until', dayOf(today)))
const station = ref('')
watch([from, until], () => {
  if (from.value && until.value) void router.replace({ query: { from: from.value, until: until.value } })
})
const { value: file, refusal } = useResource(endpoints.safetyFile, () =>
  from.value && until.value ? { query: { from: from.value, until: until.value } } : null,
)
const stations = computed(() => [
  { value: '', label: say('ledger.allStations') },
  ...[...fleet.stations.values()].map(({ name }) => ({ value: name, label: name })),
])
const codes = computed(
  () =>
    new Set(
      (file.value?.knives ?? [])
        .filter(({ stationName }) => station.value === '' || stationName === station.value)
        .map(({ code }) => code),
    ),
)
const ours = <T extends { readonly code: string }>(all: readonly T[]): readonly T[] =>
  station.value === '' ? all : all.filter(({ code }) => codes.value.has(code))
const knives = computed(() => (file.value?.knives ?? []).filter(({ code }) => codes.value.has(code)))
const checks = computed(() => ours(file.value?.checks ?? []))
const sessions = computed(() => ours(file.value?.sessions ?? []))
const out = computed(() => ours(file.value?.outOfService ?? []))
const found = (check: { readonly dullestGf: number | null; readonly defects: readonly string[] }): string =>
  [
    check.dullestGf === null ? say('safety.looked') : formats.value.force(check.dullestGf),
    ...check.defects.map((name) => say(`defect.${name}`)),
  ].join(', ')
const washed = (at: string | null): string =>
  at === null ? say('safety.notWashed') : say('safety.washedAt', { at: formats.value.moment(at) })
const period = computed(() =>
  say('safety.period', {
    from: formats.value.day(`${from.value}T12:00:00Z`),
    until: formats.value.day(`${until.value}T12:00:00Z`),
  }),
)
function list(): void {
  takeOut(`yorvik-${from.value}-${until.value}.csv`, [
    [say('report.when'), say('ledger.knife'), say('ledger.what'), say('safety.result'), say('report.who')],
    ...checks.value.map((one) => [one.at, one.code, say('safety.check'), found(one), one.personName ?? '']),
    ...sessions.value.map((one) => [one.at, one.code, say('safety.session'), one.washedAt ?? '', one.personName ?? '']),
    ...out.value.map((one) => [one.at, one.code, say(`report.kind.${one.kind}`), one.words, one.personName ?? '']),
  ])
}
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('safety.paperTitle', { house: session.house?.name ?? '' }) }}</h1>
      <span class="soft">{{ period }}</span>
      <span class="end no-print">
        <AppButton @click="list">{{ $t('report.csv') }}</AppButton>
        <PrintButton :label="$t('report.print')" />
      </span>
    </header>
    <div class="choice no-print">
      <WhenField v-model="from" kind="day" :label="$t('safety.from')" />
      <WhenField v-model="until" kind="day" :label="$t('safety.until')" />
      <ChoiceField v-model="station" :label="$t('ledger.whichStation')" :options="stations" />
    </div>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p v-if="file?.isCut" class="refusal" role="status">{{ $t('safety.isCut') }}</p>
    <template v-if="file">
      <section class="heavy-rule">
        <h2>{{ $t('safety.knives') }}</h2>
        <p v-if="knives.length === 0" class="soft">{{ $t('report.noneOut') }}</p>
        <table v-else class="plain">
          <thead>
            <tr>
              <th>{{ $t('ledger.knife') }}</th>
              <th>{{ $t('field.type') }}</th>
              <th>{{ $t('ledger.station') }}</th>
              <th>{{ $t('safety.status') }}</th>
              <th>{{ $t('safety.checked') }}</th>
            </tr>
          </thead>
          <tbody>
            <tr v-for="one in knives" :key="one.code">
              <td class="num">{{ one.code }}</td>
              <td>{{ $t(`type.${one.type}`) }}</td>
              <td>{{ one.stationName }}</td>
              <td>{{ $t(`status.${one.status}`) }}</td>
              <td>{{ one.checkedAt ? formats.moment(one.checkedAt) : $t('safety.never') }}</td>
            </tr>
          </tbody>
        </table>
      </section>
      <RecordLines
        :title="$t('report.out')"
        :heads="[$t('ledger.what'), $t('report.why')]"
        :lines="out.map((one) => ({ ...one, told: [say(`report.kind.${one.kind}`), one.words], who: one.personName }))"
      />
      <RecordLines
        :title="$t('safety.sessions')"
        :heads="[$t('ledger.what'), $t('safety.result')]"
        :lines="
          sessions.map((one) => ({
            ...one,
            told: [say(`safety.outcome.${one.outcome}`), washed(one.washedAt)],
            who: one.personName,
          }))
        "
      />
      <RecordLines
        :title="$t('safety.checks')"
        :heads="[$t('safety.result')]"
        :lines="checks.map((one) => ({ ...one, told: [found(one)], who: one.personName }))"
      />
      <p class="soft small note">{{ $t('report.note') }}</p>
      <p class="sign">{{ $t('report.signed') }}</p>
    </template>
  </div>
</template>

<style scoped>
.choice {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(180px, 260px));
  gap: 12px 18px;
}
section {
  margin-top: 18px;
  overflow-x: auto;
}
tr {
  break-inside: avoid;
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
</style>
