<script setup lang="ts">
import { computed } from 'vue'
import { endpoints } from '../../contract/endpoints'
import SoakList from '../bench/SoakList.vue'
import { useResource } from '../live/resource'

/** Stones that need water before they can be used: started from here, they ring wherever the person is by then. */
const shelf = useResource(endpoints.gear)
const gear = computed(() => shelf.value.value ?? [])
const soak = computed(() =>
  gear.value
    .filter((one) => one.active && one.soakMinutes > 0)
    .map((one) => ({ stoneId: one.id, stoneName: one.name, minutes: one.soakMinutes, bath: one.bath })),
)
const flatten = computed(() =>
  gear.value.flatMap((one) =>
    one.active && one.flatten.because !== null
      ? [{ stoneId: one.id, stoneName: one.name, because: one.flatten.because }]
      : [],
  ),
)
</script>

<template>
  <SoakList v-if="soak.length > 0 || flatten.length > 0" :soak="soak" :flatten="flatten" />
</template>
