<script setup lang="ts">
import WaysSection from './WaysSection.vue'
</script>

<template>
  <WaysSection whose="house" />
</template>
