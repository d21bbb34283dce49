<script setup lang="ts">
import { watch } from 'vue'
import { useRouter } from 'vue-router'
import { useFleet } from '../live/fleet'
import { keyOfId } from './labelText'

/** Where the label of a place leads: to its knives in the rack. */
const props = defineProps<{ place: string }>()
const fleet = useFleet()
const router = useRouter()
watch(
  () => fleet.fleet,
  (loaded) => {
    if (!loaded) return
    const station = [...fleet.stations.values()].find(({ id }) => keyOfId(id) === props.place.toUpperCase())
    void router.replace({ name: 'rack', query: station ? { stations: station.id } : {} })
  },
  { immediate: true },
)
</script>

<template>
  <div class="page">
    <p class="lead">{{ $t('shell.loading') }}</p>
  </div>
</template>
