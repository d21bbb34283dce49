<script setup lang="ts">
import type { KnifeView } from '../../contract/knives'

/** Knives by name, each with what there is to say of it. */
defineProps<{ title: string; knives: readonly KnifeView[]; says: (knife: KnifeView) => string }>()
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ title }}</h2>
    <ul>
      <li v-for="knife in knives" :key="knife.id">
        <RouterLink class="num" :to="{ name: 'knife', params: { code: knife.code } }">{{ knife.code }}</RouterLink>
        <span>{{ says(knife) }}</span>
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
