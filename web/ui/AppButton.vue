<script setup lang="ts">
import Button from 'primevue/button'
import { RouterLink, type RouteLocationRaw } from 'vue-router'

/**
 * Every key of the screens, and every link that looks like one. `main` is the one dark key of a screen, `quiet` an
 * underlined word, `bare` brings the look of what it wraps: a blade in a list, a spot of the edge.
 */
defineProps<{
  kind?: 'main' | 'quiet' | 'bare'
  big?: boolean
  small?: boolean
  icon?: string
  to?: RouteLocationRaw
}>()
</script>

<template>
  <Button
    :as="to === undefined ? 'BUTTON' : RouterLink"
    v-bind="to === undefined ? {} : { to }"
    :class="kind === 'bare' ? 'bare' : ['button', kind, { big, small }]"
  >
    <span v-if="icon" class="pi" :class="`pi-${icon}`" aria-hidden="true" />
    <slot />
  </Button>
</template>
