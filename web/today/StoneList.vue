<script setup lang="ts">
import { computed } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { sittingMinutes } from '../../words/day'
import { plannedSentence, recommendationSentence } from '../../words/verdict'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'

const props = defineProps<{
  knives: readonly KnifeView[]
  minutesLeft: number
  /** so many are drawn; the sum is of all */ shown: number
}>()
const formats = useFormats()
const fleet = useFleet()
const plannedWords = (knife: KnifeView): string =>
  plannedSentence(
    fleet.planned.get(knife.id),
    fleet.fleet?.now ?? '',
    (id) => fleet.people.get(id)?.name ?? '',
    say,
    formats.value,
  )
const needed = computed(() => sittingMinutes(props.knives))
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('today.stones') }}</h2>
    <p v-if="knives.length === 0" class="soft">{{ $t('today.noStones') }}</p>
    <ul>
      <li v-for="knife in knives.slice(0, shown)" :key="knife.id">
        <RouterLink class="num" :to="{ name: 'knife', params: { code: knife.code } }">{{ knife.code }}</RouterLink>
        <span
          >{{ recommendationSentence(knife.verdict, say, formats, knife) }}
          <span v-if="plannedWords(knife)" class="soft">{{ plannedWords(knife) }}</span></span
        >
      </li>
    </ul>
    <p v-if="knives.length > 0" class="soft small">
      {{ $t('today.stoneSum', { needed: formats.minutes(needed), left: formats.minutes(minutesLeft) }) }}
    </p>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 58px 1fr;
  gap: 8px;
  padding: 7px 0;
  border-bottom: 1px solid var(--rule);
  line-height: 1.3;
}
a {
  font-weight: 700;
  text-decoration: none;
}
p {
  padding-top: 6px;
}
</style>
