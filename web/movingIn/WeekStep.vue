<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, onMounted, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { WeeklySpan } from '../../contract/house'
import { patternSpans, WEEK_PATTERNS, type WeekPattern } from '../../core/house/weekPatterns'
import { call } from '../api'
import { useChange } from '../house/useChange'
import { say } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import { DAY_MIN, dayShare, spanMinutes, type BandSpan } from '../ui/daySpans'
import { WEEKDAYS } from '../ui/weekdays'
import WeekBands from '../ui/WeekBands.vue'
import { weekAdds } from '../house/weekAdds'

/** Three weeks to choose from, drawn small; the chosen one is changed below until it is the house's own. */
const emit = defineEmits<{ settled: [] }>()
const { refusal, change } = useChange()
const spans = ref<readonly BandSpan[]>([])
onMounted(() =>
  change(async () => {
    const kept = await call(endpoints.week)
    // who was faster than the answer keeps the pattern they chose
    if (spans.value.length === 0) spans.value = kept
  }),
)
const named = (pattern: WeekPattern): BandSpan[] =>
  patternSpans(pattern).map(({ called, ...span }) => ({ ...span, id: newId(), name: say(`span.${called}`) }))
const signature = (week: readonly BandSpan[]): string =>
  week
    .map(({ weekday, kind, starts, ends }) => [weekday, kind, starts, ends].join(' '))
    .sort()
    .join()
const patterns = WEEK_PATTERNS.map((name) => {
  const week = named(name)
  return {
    name,
    week,
    bars: week.map((span) => {
      const { from, to } = spanMinutes(span)
      return { ...span, style: { left: dayShare(from), width: `${(100 * (to - from)) / DAY_MIN}%` } }
    }),
  }
})
const chosen = computed(() => patterns.find(({ week }) => signature(week) === signature(spans.value))?.name)
const adds = weekAdds()

async function save(): Promise<void> {
  const done = await change(async () => {
    spans.value = await call(endpoints.setWeek, { body: spans.value as readonly WeeklySpan[] })
  })
  if (done) emit('settled')
}
</script>

<template>
  <section class="form-section">
    <p class="soft">{{ $t('movingIn.weekHint') }}</p>
    <div class="patterns" role="group" :aria-label="$t('movingIn.patterns')">
      <AppButton
        v-for="pattern in patterns"
        :key="pattern.name"
        kind="bare"
        class="pattern"
        :aria-pressed="chosen === pattern.name"
        @click="spans = pattern.week"
      >
        <b>{{ $t(`movingIn.pattern.${pattern.name}`) }}</b>
        <span class="small soft">{{ $t(`movingIn.patternWhen.${pattern.name}`) }}</span>
        <span class="week" aria-hidden="true">
          <span v-for="weekday in WEEKDAYS" :key="weekday" class="day">
            <span
              v-for="bar in pattern.bars.filter((one) => one.weekday === weekday)"
              :key="bar.id"
              :class="bar.kind"
              :style="bar.style"
            />
          </span>
        </span>
      </AppButton>
    </div>
    <WeekBands v-model="spans" :adds="adds" :empty="$t('house.closed')" />
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p class="save-bar">
      <AppButton kind="main" @click="save">{{ $t('movingIn.weekRight') }}</AppButton>
    </p>
  </section>
</template>

<style scoped>
.patterns {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(min(100%, 15rem), 1fr));
  gap: 12px;
}
.patterns :deep(.pattern) {
  display: grid;
  align-content: start;
  gap: 4px;
  padding: 12px 14px;
  border: 2px solid var(--rule);
  border-radius: 8px;
  background: var(--paper);
  color: inherit;
  font: inherit;
  text-align: left;
  cursor: pointer;
}
.patterns :deep(.pattern[aria-pressed='true']) {
  border-color: var(--ember);
}
.week {
  display: grid;
  gap: 3px;
  padding-top: 4px;
}
.day {
  position: relative;
  height: 7px;
  background: var(--ground);
}
.day > span {
  position: absolute;
  inset-block: 0;
}
.service {
  background: var(--slate);
}
.quiet {
  background: var(--board-line);
}
</style>
