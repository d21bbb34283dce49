<script setup lang="ts">
import { computed } from 'vue'
import type { ChainHouse } from '../../contract/chain'
import { endpoints } from '../../contract/endpoints'
import { say, useFormats } from '../i18n'
import { useResource } from '../live/resource'
import CompareSection from './CompareSection.vue'

/** How the houses of a chain stand, for its owner. */
const formats = useFormats()
const { value: page, refusal } = useResource(endpoints.chainPage)
const knivesMost = computed(() => Math.max(1, ...(page.value?.houses.map(({ knives }) => knives) ?? [])))
const dull = ({ knives, inLimit, unseen }: ChainHouse): number => knives - inLimit - unseen
const width = (n: number): string => `${(100 * n) / knivesMost.value}%`
const edgeWords = (house: ChainHouse): string =>
  house.knives === 0
    ? say('chain.noKnives')
    : say('chain.edgeWords', { in: house.inLimit, dull: dull(house), unseen: house.unseen })
const worst = computed(() => {
  const behind = page.value?.houses.filter((house) => dull(house) > 0 || house.overdue > 0) ?? []
  if (!page.value) return ''
  if (behind.length === 0) return say('chain.allWell', { n: page.value.houses.length })
  const [first] = [...behind].sort((a, b) => b.dullHoursAhead - a.dullHoursAhead)
  return first
    ? say('chain.first', { house: first.name, hours: formats.value.hours(first.dullHoursAhead), n: behind.length })
    : ''
})
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ page?.name ?? $t('chain.title') }}</h1>
      <RouterLink class="end" :to="{ name: 'house', query: { part: 'chain' } }">{{ $t('chain.settings') }}</RouterLink>
    </header>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <template v-if="page">
      <p class="lead">{{ worst }}</p>
      <table class="plain">
        <thead>
          <tr>
            <th scope="col">{{ $t('chain.house') }}</th>
            <th scope="col">{{ $t('chain.edges') }}</th>
            <th scope="col" class="figure">{{ $t('chain.ahead') }}</th>
            <th scope="col" class="figure">{{ $t('chain.planned') }}</th>
            <th scope="col" class="figure">{{ $t('chain.done') }}</th>
            <th scope="col" class="figure">{{ $t('chain.overdue') }}</th>
            <th scope="col" class="figure">{{ $t('chain.read') }}</th>
            <th scope="col">{{ $t('chain.rule') }}</th>
          </tr>
        </thead>
        <tbody>
          <tr v-for="house in page.houses" :key="house.houseId">
            <th scope="row">{{ house.name }}</th>
            <td class="edges">
              <span class="bar" role="img" :aria-label="edgeWords(house)">
                <span class="keen" :style="{ width: width(house.inLimit) }" />
                <span class="dull" :style="{ width: width(dull(house)) }" />
                <span class="unseen" :style="{ width: width(house.unseen) }" />
              </span>
              <span class="small">{{ edgeWords(house) }}</span>
            </td>
            <td class="figure num" :data-label="$t('chain.ahead')">{{ formats.hours(house.dullHoursAhead) }}</td>
            <td class="figure num" :data-label="$t('chain.planned')">{{ house.planned }}</td>
            <td class="figure num" :data-label="$t('chain.done')">{{ house.done }}</td>
            <td class="figure num" :data-label="$t('chain.overdue')" :class="{ late: house.overdue > 0 }">
              {{ house.overdue }}
            </td>
            <td class="figure num" :data-label="$t('chain.read')">{{ formats.tenths(house.readingsPerKnife) }}</td>
            <td class="small">
              {{ $t(`rules.schools.${house.school}`) }},
              {{ $t('chain.honed', { when: $t(`rules.honings.${house.honing}`) }) }}
            </td>
          </tr>
        </tbody>
      </table>
      <p class="soft small after">
        {{ page.backupAt ? $t('chain.backup', { time: formats.moment(page.backupAt) }) : $t('chain.backupElsewhere') }}
      </p>
      <CompareSection :houses="page.houses" :compared="page.compared" />
    </template>
  </div>
</template>

<style scoped>
.figure {
  text-align: right;
}
td.figure {
  white-space: nowrap;
}
tbody th {
  text-align: left;
  color: var(--ink);
  border-bottom: 1px solid var(--rule);
}
.after {
  margin: 8px 0 28px;
}
.edges {
  min-width: 190px;
}
.bar {
  display: flex;
  height: 12px;
  margin: 4px 0 2px;
}
.keen {
  background: var(--keen, var(--ink));
}
.dull {
  background: var(--dull, var(--alarm));
}
.unseen {
  background: repeating-linear-gradient(135deg, var(--ink-soft) 0 2px, transparent 2px 6px);
}
.late {
  font-weight: 700;
}
@media (max-width: 860px) {
  thead {
    display: none;
  }
  tbody tr {
    display: grid;
    grid-template-columns: 1fr 1fr;
    padding: 10px 0;
  }
  tbody th,
  .edges,
  td:last-child {
    grid-column: 1 / -1;
  }
  td.figure {
    text-align: left;
  }
  td.figure::before {
    content: attr(data-label) ' ';
    color: var(--ink-soft);
  }
}
</style>
