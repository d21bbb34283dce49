<script setup lang="ts">
import type { KnifeView } from '../../contract/knives'
import { useFormats } from '../i18n'

defineProps<{ title: string; knives: readonly KnifeView[]; reasons?: boolean }>()
const formats = useFormats()
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ title }}</h2>
    <ul>
      <li v-for="knife in knives" :key="knife.id">
        <RouterLink class="num" :to="{ name: 'knife', params: { code: knife.code } }">{{ knife.code }}</RouterLink>
        <span v-if="reasons">{{
          $t('verdict.since', { reason: knife.statusReason ?? '', day: formats.shortDay(knife.statusSince) })
        }}</span>
        <span v-else>{{ $t(`type.${knife.type}`) }}, {{ $t(`edge.${knife.word}`) }}</span>
      </li>
    </ul>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: 58px 1fr;
  gap: 8px;
  padding: 5px 0;
}
a {
  font-weight: 700;
  text-decoration: none;
}
</style>
