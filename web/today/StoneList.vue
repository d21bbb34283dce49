<script setup lang="ts">
import { computed } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { say, useFormats } from '../i18n'
import { stepSentence } from '../../words/verdict'

const props = defineProps<{ knives: readonly KnifeView[]; minutesLeft: number }>()
const formats = useFormats()
const needed = computed(() => props.knives.reduce((sum, knife) => sum + knife.verdict.cost.minutes, 0))
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('today.stones') }}</h2>
    <p v-if="knives.length === 0" class="soft">{{ $t('today.noStones') }}</p>
    <ul>
      <li v-for="knife in knives" :key="knife.id">
        <RouterLink class="num" :to="{ name: 'knife', params: { code: knife.code } }">{{ knife.code }}</RouterLink>
        <span>{{ stepSentence(knife.verdict, say, formats, knife.worstZone) }}</span>
      </li>
    </ul>
    <p v-if="knives.length > 0" class="soft small">{{ $t('today.stoneSum', { needed: formats.minutes(needed), left: formats.minutes(minutesLeft) }) }}</p>
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
