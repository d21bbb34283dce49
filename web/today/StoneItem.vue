<script setup lang="ts">
import type { KnifeView } from '../../contract/knives'

/** One knife for the stones: its mark, what to do, and what the plan has to say of it. */
defineProps<{ knife: KnifeView; words: string; more: string }>()
</script>

<template>
  <li>
    <RouterLink class="num" :to="{ name: 'knife', params: { code: knife.code } }">{{ knife.code }}</RouterLink>
    <span
      >{{ words }} <span v-if="more" class="soft">{{ more }}</span></span
    >
  </li>
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
</style>
