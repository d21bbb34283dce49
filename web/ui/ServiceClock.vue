<script setup lang="ts">
import { computed } from 'vue'
import type { Fleet } from '../../contract/fleet'
import { HOUR_MS, MINUTE_MS } from '../../core/time'
import { say, useFormats } from '../i18n'

const props = defineProps<{
  day: Fleet['day']
  nowMs: number
  /** minutes of bench work waiting, laid into the open windows that are left of the day */
  benchMinutes: number
}>()
const formats = useFormats()

const ms = (instant: string): number => new Date(instant).getTime()

/** From an hour before the first thing of the day to the end of the last, or 8 to 24 on an empty day. */
const range = computed(() => {
  const midnight = ms(props.day.startsAt)
  const spans = [...props.day.services, ...props.day.quiet]
  const first = Math.min(midnight + 8 * HOUR_MS, ...spans.map((span) => ms(span.startsAt)), props.nowMs)
  const last = Math.max(midnight + 23 * HOUR_MS, ...spans.map((span) => ms(span.endsAt)), props.nowMs)
  return { from: Math.floor(first / HOUR_MS) * HOUR_MS, to: Math.ceil(last / HOUR_MS) * HOUR_MS }
})
const share = (at: number): number => (100 * (at - range.value.from)) / (range.value.to - range.value.from)
const place = (fromMs: number, toMs: number): { left: string; width: string } => ({
  left: `${share(fromMs)}%`,
  width: `${share(toMs) - share(fromMs)}%`,
})
const hours = computed(() => {
  const ticks = []
  for (let at = range.value.from; at <= range.value.to; at += 2 * HOUR_MS) ticks.push(at)
  return ticks
})
/** Bench work sits in the quiet windows that are still ahead, first come first filled. */
const bench = computed(() => {
  let left = props.benchMinutes * MINUTE_MS
  return props.day.quiet.flatMap((window) => {
    const from = Math.max(ms(window.startsAt), props.nowMs)
    const length = Math.min(left, ms(window.endsAt) - from)
    if (length <= 0) return []
    left -= length
    return [{ from, to: from + length }]
  })
})
const spoken = computed(() =>
  [
    ...props.day.services.map((one) => ({ ...one, word: one.name })),
    ...props.day.quiet.map((one) => ({ ...one, word: say('clock.quiet') })),
  ]
    .sort((a, b) => ms(a.startsAt) - ms(b.startsAt))
    .map((one) => `${one.word} ${formats.value.clock(one.startsAt)}–${formats.value.clock(one.endsAt)}`)
    .join(', '),
)
</script>

<template>
  <figure class="clock" role="img" :aria-label="spoken">
    <div class="band">
      <div
        v-for="window in day.quiet"
        :key="window.startsAt"
        class="quiet"
        :style="place(ms(window.startsAt), ms(window.endsAt))"
      >
        <span>{{ $t('clock.bench') }}</span>
      </div>
      <div
        v-for="service in day.services"
        :key="service.startsAt"
        class="service"
        :style="place(ms(service.startsAt), ms(service.endsAt))"
      >
        <span>{{ service.name }}</span>
      </div>
      <div v-for="work in bench" :key="work.from" class="work" :style="place(work.from, work.to)" />
      <div class="now" :style="{ left: `${share(nowMs)}%` }">
        <span>{{ formats.clock(new Date(nowMs).toISOString()) }}</span>
      </div>
    </div>
    <div class="hours small soft" aria-hidden="true">
      <span v-for="hour in hours" :key="hour" :style="{ left: `${share(hour)}%` }">{{
        formats.clock(new Date(hour).toISOString()).slice(0, 2)
      }}</span>
    </div>
  </figure>
</template>

<style scoped>
.clock {
  padding-top: 20px;
}
.band {
  position: relative;
  height: 34px;
  border-block: 1px solid var(--rule);
}
.band > div {
  position: absolute;
  top: 0;
  height: 100%;
}
.quiet {
  background: var(--paper);
  border-inline: 1px solid var(--rule);
}
.quiet,
.service {
  padding: 6px 10px;
  font-size: 0.9rem;
  overflow: hidden;
  white-space: nowrap;
}
.quiet span {
  color: var(--ink-soft);
}
.service {
  background: var(--service);
  color: var(--on-service);
}
.work {
  background: var(--ember-wash);
  border: 1.5px solid var(--ember);
  border-radius: 4px;
  margin-top: 5px;
  height: 22px !important;
}
.now {
  width: 0;
  border-left: 2px solid var(--ember);
  top: -8px !important;
  height: 44px !important;
}
.now span {
  white-space: nowrap;
  position: absolute;
  left: 0;
  top: -15px;
  transform: translateX(-50%);
  color: var(--ember);
  font-weight: 700;
  font-size: 0.9rem;
  line-height: 1;
}
.hours {
  position: relative;
  height: 20px;
}
.hours span {
  position: absolute;
  transform: translateX(-50%);
  padding-top: 2px;
}
.hours span:first-child {
  transform: none;
}
.hours span:last-child {
  transform: translateX(-100%);
}
@media print {
  .service {
    border: 2px solid #000;
    color: #000;
  }
  .quiet {
    border: 1px dashed #000;
  }
}
</style>
