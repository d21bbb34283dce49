<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import type { Ledger } from '../../contract/ledger'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'

/** Half a year of the house or a station: how many measured edges were within the limit, and the time at the bench; each week leads to its knives. */
const props = defineProps<{ ledger: Ledger }>()
const fleet = useFleet()
const formats = useFormats()
const station = ref('')
const stations = computed(() =>
  props.ledger.weeks.map(({ stationId }) => ({
    value: stationId,
    label: stationId === '' ? say('ledger.allStations') : (fleet.stations.get(stationId)?.name ?? ''),
  })),
)
const weeks = computed(() => props.ledger.weeks.find(({ stationId }) => stationId === station.value)?.weeks ?? [])
const most = computed(() => Math.max(1, ...weeks.value.map(({ minutes }) => minutes)))
const chosen = ref<number | null>(null)
watch(station, () => {
  chosen.value = null
})
const HUNDRED = 100
const shareOf = ({ within, measured }: (typeof weeks.value)[number]): number | null =>
  measured === 0 ? null : Math.round((HUNDRED * within) / measured)
const told = (week: (typeof weeks.value)[number]): string =>
  say('ledger.weekOf', {
    day: formats.value.shortDay(week.from),
    within: week.within,
    measured: week.measured,
    sessions: week.sessions,
    minutes: formats.value.minutes(Math.round(week.minutes)),
  })
const opened = computed(() => (chosen.value === null ? null : (weeks.value[chosen.value] ?? null)))
const codes = computed(() => (opened.value?.knifeIds ?? []).flatMap((id) => fleet.byId(id)?.code ?? []).sort())
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('ledger.weeks') }}</h2>
    <p class="soft">{{ $t('ledger.weeksHint') }}</p>
    <ChoiceField v-model="station" class="which no-print" :label="$t('ledger.whichStation')" :options="stations" />
    <div class="bars">
      <span class="small soft">{{ $t('ledger.weekWithin') }}</span>
      <span class="small soft below">{{ $t('ledger.weekMinutes') }}</span>
      <AppButton
        v-for="(week, at) in weeks"
        :key="week.from"
        kind="bare"
        class="week"
        :aria-label="told(week)"
        :aria-pressed="chosen === at"
        @click="chosen = chosen === at ? null : at"
      >
        <span class="within"><span v-if="shareOf(week) !== null" :style="{ height: `${shareOf(week)}%` }" /></span>
        <span class="minutes"><span :style="{ height: `${(HUNDRED * week.minutes) / most}%` }" /></span>
      </AppButton>
    </div>
    <p v-if="opened" role="status">
      {{ told(opened) }}.
      <template v-if="codes.length > 0">
        <RouterLink v-for="code in codes" :key="code" class="num code" :to="{ name: 'knife', params: { code } }">{{
          code
        }}</RouterLink>
      </template>
      <template v-else>{{ $t('ledger.weekNone') }}</template>
    </p>
  </section>
</template>

<style scoped>
section {
  margin-top: 22px;
}
.which {
  max-width: 280px;
}
.bars {
  display: grid;
  grid-template-columns: 170px repeat(26, minmax(0, 1fr));
  grid-template-rows: 64px 64px;
  gap: 8px 3px;
  margin: 14px 0;
  align-items: end;
}
.bars > .small {
  grid-column: 1;
  grid-row: 1;
  align-self: center;
}
.bars > .below {
  grid-row: 2;
}
.week {
  grid-row: 1 / 3;
  display: grid;
  grid-template-rows: 64px 64px;
  gap: 8px;
  height: 136px;
  padding: 0;
  border: 0;
  background: none;
  cursor: pointer;
}
.within,
.minutes {
  display: flex;
  align-items: end;
  height: 64px;
  border-bottom: 1px solid var(--rule-strong);
}
.within > span,
.minutes > span {
  width: 100%;
}
.within > span {
  background: var(--keen);
}
.minutes > span {
  background: var(--slate);
}
.week[aria-pressed='true'] .within,
.week[aria-pressed='true'] .minutes {
  border-bottom: 3px solid var(--ember);
}
.code {
  margin-right: 10px;
}
@media (max-width: 800px) {
  .bars {
    grid-template-columns: repeat(26, minmax(0, 1fr));
  }
  .bars > .small {
    display: none;
  }
}
</style>
