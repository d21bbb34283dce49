<script setup lang="ts">
import { computed } from 'vue'
import type { PlanView } from '../../contract/week'
import { isLimit, type SessionSlot, type LayoutLimit, type WindowLayout } from '../../core/plan/layout'
import type { PlanProblem } from '../../core/plan/problem'
import { say, useFormats } from '../i18n'
import { useWeekNames } from './useWeekNames'

/** Paper: one sheet a bench and day, or one a person. On the screen nobody needs it. */
const props = defineProps<{
  sheets: 'benches' | 'people'
  view: PlanView
  problem: PlanProblem
  layouts: ReadonlyMap<string, WindowLayout | LayoutLimit>
}>()
const formats = useFormats()
const { knife, person } = useWeekNames()
const iso = (ms: number): string => new Date(ms).toISOString()
const stone = (id: string): string => props.problem.stones.find((one) => one.id === id)?.name ?? ''

/** The session that a soaked stone is wanted for first. */
const firstOn = (laid: WindowLayout, stoneId: string): SessionSlot | undefined =>
  [...laid.sessions]
    .sort((a, b) => a.startMs - b.startMs)
    .find(({ stages }) => stages.some((stage) => stage.stoneId === stoneId))
const rows = computed(() =>
  [...props.layouts.values()]
    .flatMap((laid) =>
      isLimit(laid)
        ? []
        : laid.sessions.map((session) => ({
            sitting: laid.sittings
              .filter(({ sessions }) => sessions[0] === session)
              .map(({ startMs, endMs }) =>
                say('week.layOut', {
                  start: formats.value.clock(iso(startMs)),
                  end: formats.value.clock(iso(endMs)),
                }),
              )
              .join(''),
            benchId: session.placement.benchId,
            personId: session.placement.personId,
            startMs: session.startMs,
            day: formats.value.longDay(iso(session.startMs)),
            time: `${formats.value.clock(iso(session.startMs))}–${formats.value.clock(iso(session.endMs))}`,
            code: knife(session.placement.jobId)?.code ?? '',
            who: person(session.placement.personId),
            bench: props.problem.benches.find(({ id }) => id === session.placement.benchId)?.name ?? '',
            stones: session.stages.map(({ stoneId }) => stone(stoneId)).join(' → '),
            first: [
              ...(knife(session.placement.jobId)?.verdict.action === 'check' ? [say('myday.checkFirst')] : []),
              ...laid.soaking
                .filter(({ stoneId }) => firstOn(laid, stoneId) === session)
                .map(({ stoneId, fromMs }) =>
                  say('week.soak', { stone: stone(stoneId), time: formats.value.clock(iso(fromMs)) }),
                ),
              ...(session.flattening.length > 0
                ? [`${say('week.flatten')} ${session.flattening.map(({ stoneId }) => stone(stoneId)).join(', ')}`]
                : []),
            ].join('; '),
          })),
    )
    .sort((a, b) => a.startMs - b.startMs),
)
const groups = computed(() => {
  const found = new Map<string, typeof rows.value>()
  for (const row of rows.value) {
    const title = props.sheets === 'benches' ? say('week.sheetOf', { name: row.bench, day: row.day }) : row.who
    found.set(title, [...(found.get(title) ?? []), row])
  }
  return [...found]
})
const rounds = (name: string): string[] =>
  props.view.rounds
    .filter(({ personId, kind }) => kind === 'check' && person(personId) === name)
    .map(({ knifeId, service, startsAt }) => {
      const before = say('myday.before', { service, time: formats.value.clock(startsAt) })
      return say('shell.pair', {
        name: `${formats.value.weekday(startsAt)}, ${before}`,
        value: say('myday.check', { codes: knife(knifeId)?.code ?? '' }),
      })
    })
</script>

<template>
  <div class="sheets" :class="sheets">
    <section v-for="[title, own] in groups" :key="title">
      <h2>{{ title }}</h2>
      <table class="plain">
        <tbody>
          <tr v-for="row in own" :key="row.code + row.startMs" :class="{ first: row.sitting }">
            <td class="num">{{ sheets === 'people' ? `${row.day}, ` : '' }}{{ row.time }}</td>
            <td>
              <b class="num">{{ row.code }}</b>
            </td>
            <td>{{ sheets === 'people' ? row.bench : row.who }}</td>
            <td>{{ row.stones }}</td>
            <td class="small">
              <b v-if="row.sitting">{{ row.sitting }}</b> {{ row.first }}
            </td>
            <td class="tick">□</td>
          </tr>
        </tbody>
      </table>
      <p v-for="line in sheets === 'people' ? rounds(title) : []" :key="line" class="small">{{ line }}</p>
    </section>
  </div>
</template>

<style scoped>
.sheets {
  display: none;
}
@media print {
  .sheets {
    display: block;
  }
  /* a person's part starts on a sheet of its own, to be handed over */
  .sheets.people section {
    break-after: page;
  }
  /* a new sitting */
  .first td {
    border-top: 2px solid var(--rule-strong);
  }
  .tick {
    font-size: 1.4rem;
  }
}
</style>
