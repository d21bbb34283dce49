<script setup lang="ts">
import { computed } from 'vue'
import type { WorkshopView } from '../../contract/workshop'
import { DAY_MS } from '../../core/time'
import { atAngle, lastingDps, nextJob, wearBudget } from '../../core/workshop/budget'
import type { WorkshopPlan } from '../../core/workshop/plan'
import { bladeAfter } from '../../core/workshop/series'
import { tenth } from '../../words/format'
import { say, useFormats } from '../i18n'
import { useSession } from '../stores/session'
import { lifeAsk, lifeDps, lifeSpan } from './lifeAsk'

const props = defineProps<{ view: WorkshopView; plan: WorkshopPlan | null }>()
const formats = useFormats()
const session = useSession()
const FLATTEST = 8
const STEEPEST = 35
const OTHER_ANGLES = [-3, 3]
const SHOWN = 5

const ask = computed(() => lifeAsk(props.view))
const now = computed(() => wearBudget(ask.value))
const end = computed(() => now.value.path.at(-1))
const others = computed(() =>
  OTHER_ANGLES.flatMap((by) => {
    const dps = Math.round(ask.value.dps + by)
    if (dps < FLATTEST || dps > STEEPEST) return []
    const changed = atAngle(ask.value, dps)
    const { sessions, years } = wearBudget(changed)
    return [{ dps, sessions, years, aYear: Math.round(changed.sessionsPerYear) }]
  }),
)
const after = computed(() => {
  if (!props.plan) return null
  const { heelHeightMm, bteMm, ...rest } = bladeAfter(props.view.blade, props.plan)
  return wearBudget({ ...ask.value, heelHeightMm, bteMm, dps: lifeDps(rest) })
})
const next = computed(() => nextJob(props.view.type))
const future = computed(() =>
  [
    now.value.thinnings.length > 0
      ? say('workshop.thinnings', { list: now.value.thinnings.slice(0, SHOWN).join(', ') })
      : say('workshop.noThinning'),
    ...(end.value && now.value.sessions > 0
      ? [
          say('workshop.ends', {
            height: formats.value.length(tenth(end.value.heightMm)),
            length: formats.value.length(Math.round(end.value.lengthMm)),
          }),
        ]
      : []),
    next.value ? say('workshop.nextJob', { type: say(`type.${next.value}`) }) : say('workshop.nextPractice'),
  ].join(' '),
)
const YEAR_MS = 365.25 * DAY_MS
/** The month some years from now; nobody plans a knife beyond a century. */
const monthIn = (years: number): string =>
  formats.value.month(new Date(session.now().getTime() + Math.min(years, 100) * YEAR_MS).toISOString())
const WIDTH = 300
const HEIGHT = 90
/** Thickness over the sessions to come: up with each, down with each thinning. */
const curve = computed(() => {
  const { path } = now.value
  const most = Math.max(props.view.life.thickestMm, ...path.map(({ bteMm }) => bteMm))
  const last = Math.max(1, path.length - 1)
  return path
    .map(
      ({ session, bteMm }) =>
        `${((WIDTH * session) / last).toFixed(1)},${(HEIGHT - (HEIGHT * bteMm) / most).toFixed(1)}`,
    )
    .join(' ')
})
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('workshop.life') }}</h2>
    <p>
      {{ $t('workshop.sessionsLeft', { n: now.sessions, low: now.early.sessions, high: now.late.sessions }) }}
      {{
        $t('workshop.retire', {
          date: monthIn(now.years),
          years: lifeSpan(now.years),
          early: monthIn(now.early.years),
          late: monthIn(now.late.years),
        })
      }}
    </p>
    <svg :viewBox="`0 0 ${WIDTH} ${HEIGHT}`" preserveAspectRatio="none" aria-hidden="true">
      <polyline :points="curve" />
    </svg>
    <p class="soft small">{{ $t('workshop.curve') }}</p>
    <p class="soft">{{ future }}</p>
    <p v-if="now.costPerMonth !== null" class="soft">
      {{ $t('workshop.cost', { money: formats.money(now.costPerMonth) }) }}
    </p>
    <p v-if="after" class="soft">{{ $t('workshop.afterThis', { n: after.sessions }) }}</p>
    <p v-if="ask.work" class="soft">
      {{ $t('workshop.lasting', { angle: formats.angle(Math.round(lastingDps(ask.work))) }) }}
    </p>
    <template v-if="others.length > 0">
      <h3>{{ $t('workshop.angles') }}</h3>
      <p v-for="one in others" :key="one.dps" class="soft">
        {{
          $t('workshop.otherAngle', {
            angle: formats.angle(one.dps),
            n: one.sessions,
            aYear: one.aYear,
            years: lifeSpan(one.years),
          })
        }}
      </p>
    </template>
  </section>
</template>

<style scoped>
section {
  display: grid;
  gap: 6px;
}
svg {
  width: 100%;
  height: 70px;
  border-bottom: 1px solid var(--rule);
}
polyline {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.5;
  vector-effect: non-scaling-stroke;
}
</style>
