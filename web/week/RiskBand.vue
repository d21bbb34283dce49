<script setup lang="ts">
import { computed } from 'vue'
import type { PlanView } from '../../contract/week'
import type { Placement, PlanProblem } from '../../core/plan/problem'
import { dullByService } from '../../core/plan/risk'
import { tenth } from '../../words/format'
import { useFormats } from '../i18n'

const props = defineProps<{ view: PlanView; problem: PlanProblem; placements: readonly Placement[] }>()
const formats = useFormats()
const risk = computed(() =>
  dullByService(
    props.problem,
    props.view.chances,
    props.placements,
    props.view.services.map(({ startsAt }) => Date.parse(startsAt)),
  ),
)
const most = computed(() => Math.max(1, ...risk.value.before))
const height = (value: number): string => `${Math.round((100 * value) / most.value)}%`
const services = computed(() =>
  props.view.services.map((service, at) => ({
    ...service,
    before: risk.value.before[at] ?? 0,
    after: risk.value.after[at] ?? 0,
    isFirstOfDay:
      formats.value.dayKey(props.view.services[at - 1]?.startsAt ?? '1970-01-01') !==
      formats.value.dayKey(service.startsAt),
  })),
)
</script>

<template>
  <section :aria-label="$t('week.riskTitle')">
    <h2>{{ $t('week.riskTitle') }}</h2>
    <ol>
      <li
        v-for="service in services"
        :key="service.startsAt"
        :class="{ first: service.isFirstOfDay }"
        :aria-label="
          $t('week.riskLabel', {
            service: service.name,
            day: formats.weekday(service.startsAt),
            before: tenth(service.before),
            after: tenth(service.after),
          })
        "
      >
        <span class="bars" aria-hidden="true">
          <span class="before" :style="{ height: height(service.before) }" />
          <span class="after" :style="{ height: height(service.after) }" />
        </span>
        <span class="num"
          ><b>{{ formats.tenths(service.after) }}</b
          >{{ ' ' }}<span class="small soft">{{ $t('week.riskOf', { n: formats.tenths(service.before) }) }}</span></span
        >
        <span class="small">{{ service.name }}</span>
        <span class="small soft">{{ service.isFirstOfDay ? formats.shortWeekday(service.startsAt) : '\u00a0' }}</span>
      </li>
    </ol>
    <p class="small soft legend">
      <span class="swatch before" />{{ $t('week.riskBefore') }} <span class="swatch after" />{{ $t('week.riskAfter') }}
    </p>
  </section>
</template>

<style scoped>
ol {
  display: grid;
  grid-template-columns: repeat(auto-fit, minmax(4.6rem, 1fr));
  row-gap: 8px;
  margin-top: 6px;
}
li {
  min-width: 0;
  display: grid;
  justify-items: start;
  padding: 0 2px 0 7px;
  line-height: 1.25;
}
li.first {
  border-left: 1px solid var(--rule-strong);
}
li .num {
  white-space: normal;
}
li .small {
  overflow: hidden;
  max-width: 100%;
  text-overflow: ellipsis;
  white-space: nowrap;
}
.bars {
  display: flex;
  align-items: end;
  gap: 2px;
  height: 46px;
  width: 100%;
}
.bars span {
  width: 14px;
  min-height: 2px;
}
.before {
  border: 1.5px dashed var(--steel-line);
}
.after {
  background: var(--service);
}
.swatch {
  display: inline-block;
  width: 14px;
  height: 10px;
  margin: 0 4px 0 12px;
}
.legend .swatch:first-child {
  margin-left: 0;
}
</style>
