<script setup lang="ts">
import { computed } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { USUAL_SITTING } from '../../core/plan/problem'
import { writtenSittings } from '../../core/plan/sittings'
import { sittingMinutes } from '../../words/day'
import { plannedSentence, recommendationSentence } from '../../words/verdict'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import StoneItem from './StoneItem.vue'

const props = defineProps<{
  knives: readonly KnifeView[]
  minutesLeft: number
  /** so many are drawn; the sum is of all */ shown: number
}>()
const formats = useFormats()
const fleet = useFleet()
const name = (id: string): string => fleet.people.get(id)?.name ?? ''
/** Today's sittings of the plan, with every knife of theirs, whether it is dull yet or not. */
const sittings = computed(() => {
  const { now = '', planned = [] } = fleet.fleet ?? {}
  const today = planned.filter(({ startsAt }) => formats.value.dayKey(startsAt) === formats.value.dayKey(now))
  return writtenSittings(today, USUAL_SITTING).map(({ startMs, endMs, personId, sessions }) => ({
    key: `${startMs} ${personId}`,
    title: say('today.sitting', {
      start: formats.value.clock(new Date(startMs).toISOString()),
      end: formats.value.clock(new Date(endMs).toISOString()),
      name: name(personId),
      bench: sessions[0]?.bench ?? '',
    }),
    knives: sessions.flatMap(({ knifeId }) => fleet.byId(knifeId) ?? []),
  }))
})
const inSittings = computed(() => new Set(sittings.value.flatMap(({ knives }) => knives.map(({ id }) => id))))
const others = computed(() => props.knives.filter(({ id }) => !inSittings.value.has(id)))
const wordsOf = (knife: KnifeView): string => recommendationSentence(knife.verdict, say, formats.value, knife)
const plannedWords = (knife: KnifeView): string =>
  plannedSentence(fleet.planned.get(knife.id), fleet.fleet?.now ?? '', name, say, formats.value)
const keptWords = (knife: KnifeView): string => (knife.verdict.action === 'check' ? say('myday.checkFirst') : '')
const needed = computed(() => sittingMinutes(props.knives))
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('today.stones') }}</h2>
    <p v-if="knives.length === 0 && sittings.length === 0" class="soft">{{ $t('today.noStones') }}</p>
    <section v-for="sitting in sittings" :key="sitting.key" class="sitting">
      <h3>{{ sitting.title }}</h3>
      <ul>
        <StoneItem
          v-for="knife in sitting.knives"
          :key="knife.id"
          :knife="knife"
          :words="wordsOf(knife)"
          :more="keptWords(knife)"
        />
      </ul>
    </section>
    <h3 v-if="sittings.length > 0 && others.length > 0">{{ $t('today.notToday') }}</h3>
    <ul>
      <StoneItem
        v-for="knife in others.slice(0, shown)"
        :key="knife.id"
        :knife="knife"
        :words="wordsOf(knife)"
        :more="plannedWords(knife)"
      />
    </ul>
    <p v-if="knives.length > 0" class="soft small">
      {{ $t('today.stoneSum', { needed: formats.minutes(needed), left: formats.minutes(minutesLeft) }) }}
    </p>
  </section>
</template>

<style scoped>
h3 {
  font-size: 1rem;
  padding-top: 8px;
}
/* one turn at the bench: its knives hang together */
.sitting ul {
  border-left: 3px solid var(--keen);
  padding-left: 8px;
}
p {
  padding-top: 6px;
}
</style>
