<script setup lang="ts">
import ProgressBar from 'primevue/progressbar'
import { computed } from 'vue'

/** How far a long job has come. */
const props = defineProps<{ label: string; done: number; total: number }>()
const percent = computed(() =>
  props.total > 0 ? Math.round((100 * Math.min(props.done, props.total)) / props.total) : 0,
)
</script>

<template>
  <ProgressBar class="progress" :value="percent" :show-value="false" :aria-label="label" />
</template>
