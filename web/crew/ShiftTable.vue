<script setup lang="ts">
import { computed } from 'vue'
import type { Person, WeeklySpan } from '../../contract/house'
import type { Crew } from '../../contract/week'
import { say, useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import { DAY_MIN, dayShare, shortClock, spanMinutes } from '../ui/daySpans'
import { grouped } from '../../core/group'
import { WEEKDAYS, weekdayName } from '../ui/weekdays'

/** Everybody's week: seven days side by side, the house's services and quiet windows over the shifts that cover them. */
const props = defineProps<{
  crew: Crew
  people: readonly Person[]
  load: ReadonlyMap<string, number>
  week: readonly WeeklySpan[]
}>()
const emit = defineEmits<{ edit: [personId: string] }>()
const formats = useFormats()

interface Bar {
  readonly key: string
  readonly style: { readonly left: string; readonly width: string }
  readonly text: string
}
const barOf = (key: string, span: { readonly starts: string; readonly ends: string }): Bar => {
  const { from, to } = spanMinutes(span)
  return {
    key,
    style: { left: dayShare(from), width: `${(100 * (to - from)) / DAY_MIN}%` },
    text: `${shortClock(span.starts)}–${shortClock(span.ends)}`,
  }
}
const shifts = computed(() => grouped(props.crew.shifts, ({ personId, weekday }) => `${personId} ${weekday}`))
const bars = (personId: string, weekday: number): Bar[] =>
  (shifts.value.get(`${personId} ${weekday}`) ?? []).map((shift, at) => barOf(String(at), shift))
const houseDays = computed(() =>
  WEEKDAYS.map((weekday) => ({
    weekday,
    spans: props.week
      .filter((span) => span.weekday === weekday)
      .map((span) => ({ ...barOf(span.id, span), kind: span.kind })),
  })),
)
const single = (personId: string): string =>
  props.crew.days
    .filter((day) => day.personId === personId)
    .slice(0, 3)
    .map(({ day, starts, ends, note }) =>
      say('shell.pair', {
        name: formats.value.shortDay(`${day}T12:00:00Z`),
        value: starts ? `${starts}–${ends}` : note || '–',
      }),
    )
    .join('; ')
const paceOf = (personId: string): Crew['paces'][number] | undefined =>
  props.crew.paces.find((one) => one.personId === personId)
</script>

<template>
  <section>
    <h2>{{ $t('crew.shifts') }}</h2>
    <p class="soft small">{{ $t('crew.shiftsHint') }}</p>
    <div class="person head" aria-hidden="true">
      <div v-for="{ weekday, spans } in houseDays" :key="weekday" class="day" :style="{ gridColumn: weekday + 1 }">
        <b class="small">{{ weekdayName(weekday, 'short') }}</b>
        <span class="band"><span v-for="span in spans" :key="span.key" :class="span.kind" :style="span.style" /></span>
      </div>
    </div>
    <ul>
      <li v-for="person in people" :key="person.id" class="person" :data-person="person.name">
        <div class="who">
          <b>{{ person.name }}</b>
          <span class="small soft">
            <template v-if="load.has(person.id)">{{
              $t('crew.planned', { minutes: formats.minutes(load.get(person.id) ?? 0) })
            }}</template>
            <template v-if="paceOf(person.id)"
              ><template v-if="load.has(person.id)">, </template
              >{{
                $t('crew.paceIs', {
                  n: formats.ratio(paceOf(person.id)?.pace ?? 1),
                  sessions: paceOf(person.id)?.sessions,
                })
              }}</template
            >
          </span>
          <span v-if="single(person.id)" class="small">{{ single(person.id) }}</span>
        </div>
        <div v-for="weekday in WEEKDAYS" :key="weekday" class="day">
          <span class="unseen">{{ weekdayName(weekday) }}</span>
          <span class="band"
            ><span v-for="bar in bars(person.id, weekday)" :key="bar.key" class="shift" :style="bar.style"
          /></span>
          <span v-for="bar in bars(person.id, weekday)" :key="bar.key" class="num text">{{ bar.text }}</span>
          <span v-if="bars(person.id, weekday).length === 0" class="text">{{ $t('crew.dayOff') }}</span>
        </div>
        <AppButton
          class="key"
          kind="quiet"
          :aria-label="$t('crew.edit', { name: person.name })"
          @click="emit('edit', person.id)"
        >
          {{ $t('house.change') }}
        </AppButton>
      </li>
    </ul>
  </section>
</template>

<style scoped>
.person {
  display: grid;
  grid-template-columns: 190px repeat(7, minmax(0, 1fr)) 76px;
  gap: 2px 10px;
  align-items: start;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
.head {
  border-bottom: 1.5px solid var(--rule-strong);
}
.who {
  display: grid;
  min-width: 0;
}
.day {
  display: grid;
  min-width: 0;
}
.band {
  position: relative;
  display: block;
  height: 10px;
  background: var(--steel);
}
.band > span {
  position: absolute;
  top: 0;
  height: 100%;
}
.band > .shift,
.band > .service {
  background: var(--service);
}
.band > .quiet {
  background: var(--paper);
  border-inline: 1px solid var(--steel-line);
}
.text {
  font-size: 0.8125rem;
  color: var(--ink-soft);
}
@media (max-width: 900px) {
  .person {
    grid-template-columns: repeat(7, minmax(0, 1fr));
    gap: 2px 4px;
  }
  .head .day {
    grid-column: auto !important;
  }
  .who {
    grid-column: 1 / 6;
  }
  .key {
    grid-column: 6 / 8;
    grid-row: 1;
    justify-self: end;
  }
  .text {
    font-size: 0.7rem;
    white-space: normal;
    overflow-wrap: anywhere;
  }
}
</style>
