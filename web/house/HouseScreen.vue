<script setup lang="ts">
import { computed } from 'vue'
import { useRoute } from 'vue-router'
import ChainSection from './ChainSection.vue'
import DeviceSection from './DeviceSection.vue'
import GearSection from './GearSection.vue'
import HouseWaysSection from './HouseWaysSection.vue'
import HouseSection from './HouseSection.vue'
import PeopleSection from './PeopleSection.vue'
import RecipeSection from './RecipeSection.vue'
import RulesSection from '../rules/RulesSection.vue'
import StationSection from './StationSection.vue'
import TrailSection from './TrailSection.vue'
import WeekSection from './WeekSection.vue'

const SECTIONS = {
  people: PeopleSection,
  stations: StationSection,
  week: WeekSection,
  rules: RulesSection,
  gear: GearSection,
  recipes: RecipeSection,
  ways: HouseWaysSection,
  devices: DeviceSection,
  house: HouseSection,
  chain: ChainSection,
  trail: TrailSection,
} as const
type Section = keyof typeof SECTIONS
const route = useRoute()
const section = computed<Section>(
  () => (Object.keys(SECTIONS) as Section[]).find((name) => name === route.query['part']) ?? 'people',
)
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('nav.house') }}</h1>
      <nav class="segments" :aria-label="$t('house.parts')">
        <RouterLink
          v-for="(_, name) in SECTIONS"
          :key="name"
          :to="{ query: { part: name } }"
          :aria-current="section === name ? 'page' : undefined"
          >{{ $t(`house.part.${name}`) }}</RouterLink
        >
      </nav>
      <RouterLink to="/moving-in?part=missing">{{ $t('movingIn.whatIsMissing') }}</RouterLink>
    </header>
    <component :is="SECTIONS[section]" />
  </div>
</template>

<style scoped>
.segments {
  flex-wrap: wrap;
}
</style>
