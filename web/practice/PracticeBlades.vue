<script setup lang="ts">
import { computed } from 'vue'
import { useFleet } from '../live/fleet'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'

/** Blades to learn on, and those the house is done with that would do for it. */
const fleet = useFleet()
const session = useSession()
const [MOST_UNEVEN, EVEN] = [15, 50]
const practiceBlades = computed(() => fleet.knives.filter(({ status }) => status === 'practice'))
/** What is good to learn on has two like sides. */
const offered = computed(() =>
  fleet.knives
    .filter(
      ({ status, serrated, ratioRight }) =>
        status === 'retired' && !serrated && Math.abs(ratioRight - EVEN) <= MOST_UNEVEN,
    )
    .map(({ code }) => code)
    .join(', '),
)
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('practice.blades') }}</h2>
    <p v-if="practiceBlades.length === 0" class="soft">{{ $t('practice.noBlades') }}</p>
    <ul>
      <li v-for="knife in practiceBlades" :key="knife.id">
        <RouterLink class="num" :to="{ name: 'knife', params: { code: knife.code } }">{{ knife.code }}</RouterLink>
        <EdgeStrip :knife="knife" />
        <AppButton :to="{ name: 'bench', params: { code: knife.code } }">{{ $t('next.bench') }}</AppButton>
      </li>
    </ul>
    <p v-if="session.may('edit-knife') && offered !== ''" class="soft">
      {{ $t('practice.offered', { codes: offered }) }}
    </p>
  </section>
</template>

<style scoped>
section {
  margin-top: 22px;
}
li {
  display: grid;
  grid-template-columns: 80px minmax(0, 1fr) auto;
  gap: 6px 14px;
  align-items: center;
  padding: 4px 0;
}
</style>
