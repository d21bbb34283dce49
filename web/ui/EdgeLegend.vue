<script setup lang="ts">
import { EDGE_WORDS } from '../../core/edge/model/scale'
import EdgeMark from './EdgeMark.vue'
</script>

<template>
  <ul class="legend small">
    <li v-for="word in EDGE_WORDS" :key="word"><EdgeMark :word="word" /></li>
  </ul>
</template>

<style scoped>
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 16px;
}
</style>
