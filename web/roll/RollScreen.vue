<script setup lang="ts">
import { computed, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { MINUTE_MS } from '../../core/time'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useResource } from '../live/resource'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'
import PersonTurner from '../ui/PersonTurner.vue'
import PrintButton from '../ui/PrintButton.vue'
import { useAddressed } from '../ui/useAddressed'
import CalendarLink from './CalendarLink.vue'
import AccountSection from '../account/AccountSection.vue'
import WaysSection from '../house/WaysSection.vue'
import OwnTool from './OwnTool.vue'
import { judged } from '../today/dayList'
import JudgeList from '../today/JudgeList.vue'
import { personDays } from './personDays'
import FoldSection from '../ui/FoldSection.vue'

const formats = useFormats()
const fleet = useFleet()
const session = useSession()
const { value: view, refusal } = useResource(endpoints.plan)
const whose = ref(session.person?.id ?? '')
useAddressed(whose, 'of', whose.value)
const turning = computed(() => [...fleet.people.values()].filter(({ active }) => active))
const people = computed(() => turning.value.map(({ id, name }) => ({ value: id, label: name })))
const days = computed(() => (view.value ? personDays(view.value, whose.value, formats.value.dayKey) : []))
/** The verdict that counts is asked of whoever works with the knife. */
const toJudge = computed(() =>
  judged(
    (fleet.fleet?.knives ?? []).filter(({ holderId, status }) => holderId === whose.value && status === 'in-service'),
  ),
)
/** Teeth meet no stone, whatever the plan calls the session. */
const workWord = ({ knifeId, work }: { readonly knifeId: string; readonly work: string }): string =>
  work === 'stone' && fleet.byId(knifeId)?.serrated === true ? 'teeth' : work
const minutesOf = ({ startsAt, endsAt }: { readonly startsAt: string; readonly endsAt: string }): number =>
  (Date.parse(endsAt) - Date.parse(startsAt)) / MINUTE_MS
/** What a sitting takes beside its knives, said once. */
const sittingWords = ({ knives }: { readonly knives: readonly unknown[] }): string =>
  say('myday.sitting', {
    n: knives.length,
    before: formats.value.minutes(view.value?.problem.sitting.beforeMinutes ?? 0),
    after: formats.value.minutes(view.value?.problem.sitting.afterMinutes ?? 0),
  })
const bench = (id: string): string => view.value?.problem.benches.find((one) => one.id === id)?.name ?? ''
const codes = (ids: readonly string[]): string =>
  ids
    .map((id) => fleet.byId(id)?.code ?? '')
    .filter(Boolean)
    .sort()
    .join(', ')
/** Of knives, those that a rule has honed each time they are drawn. */
const drawn = (ids: readonly string[]): string[] => ids.filter((id) => fleet.byId(id)?.honing === 'when-drawn')
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('myday.title') }}</h1>
      <span class="soft">{{ fleet.people.get(whose)?.name }}</span>
      <span class="end no-print">
        <AppButton to="/course">{{ $t('course.open') }}</AppButton>
        <AppButton to="/practice">{{ $t('practice.open') }}</AppButton>
        <AppButton kind="quiet" to="/incident">{{ $t('incident.open') }}</AppButton>
        <PrintButton :label="$t('myday.print')" />
      </span>
    </header>
    <PersonTurner v-model="whose" :people="session.may('manage-house') ? turning : []">
      <ChoiceField
        v-if="session.may('manage-house')"
        v-model="whose"
        class="whose no-print"
        :label="$t('myday.of')"
        :options="people"
      />
      <OwnTool v-if="fleet.people.has(whose)" :person-id="whose" class="whose no-print" />
      <FoldSection :title="$t('ways.own')" v-if="whose === session.person?.id" class="own no-print">
        <WaysSection whose="own" />
      </FoldSection>
      <FoldSection :title="$t('account.title')" v-if="whose === session.person?.id" class="own no-print">
        <AccountSection />
      </FoldSection>
      <section v-if="toJudge.length > 0" class="day">
        <h2>{{ $t('myday.judge') }}</h2>
        <JudgeList :knives="toJudge" />
      </section>
      <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
      <p v-if="!view && !refusal" class="lead">{{ $t('week.loading') }}</p>
      <p v-if="view && !view.accepted" class="soft">{{ $t('myday.noPlan') }}</p>
      <p v-if="view && days.length === 0" class="lead">{{ $t('myday.nothing') }}</p>
      <section v-for="day in days" :key="day.key" class="day">
        <h2>{{ formats.longDay(day.at) }}</h2>
        <template v-for="item in day.items" :key="item.at + item.kind">
          <div v-if="item.kind === 'sitting'" class="item">
            <p class="num time">
              {{
                $t('myday.at', {
                  start: formats.clock(item.at),
                  end: formats.clock(item.endsAt),
                  bench: bench(item.benchId),
                })
              }}
            </p>
            <p class="soft">{{ sittingWords(item) }}</p>
            <div v-for="one in item.knives" :key="one.knifeId" class="one">
              <p class="num">{{ formats.clock(one.startsAt) }}</p>
              <div v-if="fleet.byId(one.knifeId)" class="knife">
                <b class="num">{{ fleet.byId(one.knifeId)?.code }}</b>
                <EdgeStrip
                  v-for="knife in [fleet.byId(one.knifeId)].flatMap((found) => found ?? [])"
                  :key="knife.id"
                  :knife="knife"
                />
              </div>
              <p>
                {{ $t(`myday.work.${workWord(one)}`, { minutes: formats.minutes(minutesOf(one)) }) }}
                <template v-if="fleet.byId(one.knifeId)?.verdict.action === 'check'">{{
                  $t('myday.checkFirst')
                }}</template>
              </p>
              <AppButton
                v-if="fleet.byId(one.knifeId)"
                class="no-print"
                :to="{ name: 'bench', params: { code: fleet.byId(one.knifeId)?.code } }"
                >{{ $t('myday.begin') }}</AppButton
              >
            </div>
          </div>
          <div v-else class="item">
            <p class="num time">{{ $t('myday.before', { service: item.service, time: formats.clock(item.at) }) }}</p>
            <p v-if="item.hone.length > 0">{{ $t('myday.hone', { codes: codes(item.hone) }) }}</p>
            <p v-if="drawn(item.hone).length > 0">{{ $t('myday.again', { codes: codes(drawn(item.hone)) }) }}</p>
            <p v-if="item.check.length > 0">
              <b>{{ $t('myday.check', { codes: codes(item.check) }) }}</b>
            </p>
            <p v-if="item.after.length > 0">
              {{ $t('myday.after', { service: item.service, codes: codes(item.after) }) }}
            </p>
          </div>
        </template>
      </section>
    </PersonTurner>
    <CalendarLink
      v-if="view && (whose === session.person?.id || session.may('manage-house'))"
      :key="whose"
      class="no-print"
      :person-id="whose"
    />
  </div>
</template>

<style scoped>
.whose {
  max-width: 320px;
  margin-bottom: 10px;
}
.own summary {
  min-height: 44px;
  padding: 10px 0;
  cursor: pointer;
}
.day {
  border-top: 3px solid var(--rule-strong);
  padding: 8px 0 14px;
  max-width: 720px;
}
.item {
  display: grid;
  gap: 4px;
  justify-items: start;
  padding: 10px 0;
  border-bottom: 1px solid var(--rule);
}
.time {
  font-weight: 700;
}
.knife {
  display: flex;
  align-items: center;
  gap: 12px;
}
/* the knives of a sitting hang under its time */
.one {
  display: grid;
  gap: 4px;
  justify-items: start;
  border-left: 3px solid var(--rule);
  padding: 4px 0 4px 12px;
}
.item .button {
  min-height: 56px;
}
</style>
