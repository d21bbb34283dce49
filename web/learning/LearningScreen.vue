<script setup lang="ts">
import { computed } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { capital } from '../../words/format'
import { handWords, toolWords, wearFactorWords } from '../../words/learned'
import { say, useFormats } from '../i18n'
import { useResource } from '../live/resource'
import { useSession } from '../stores/session'
import FactorSection, { type FactorRow } from './FactorSection.vue'
import HabitSection from './HabitSection.vue'
import HandSection from './HandSection.vue'
import RebuildSection from './RebuildSection.vue'
import SideSection from './SideSection.vue'
import ToolSection from './ToolSection.vue'

const session = useSession()
const formats = useFormats()
// a new record anywhere may teach something
const { value: learning, refusal } = useResource(endpoints.learning)

const stations = computed(() =>
  (learning.value?.stations ?? []).map((station): FactorRow => ({
    key: station.id,
    name: station.name,
    table: formats.value.ratio(station.tableFactor),
    effect: station.effect,
    readings: station.readings,
    words: wearFactorWords(station.name, station.effect, say, formats.value),
  })),
)
const materials = computed(() =>
  [
    ...(learning.value?.boards ?? []).map((one) => ({ name: say(`board.${one.board}`), ...one })),
    ...(learning.value?.products ?? []).map((one) => ({ name: say(`product.${one.product}`), ...one })),
  ].map((one): FactorRow => ({
    key: one.name,
    name: capital(one.name),
    table: formats.value.ratio(one.tableFactor),
    effect: one.effect,
    readings: null,
    words: wearFactorWords(one.name, one.effect, say, formats.value),
  })),
)
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('house-learned.title') }}</h1>
      <span class="soft">{{ session.house?.name }}</span>
    </header>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <template v-if="learning">
      <p v-if="learning.readings === 0" class="lead">{{ $t('house-learned.none') }}</p>
      <template v-else>
        <p class="soft lead">{{ say('house-learned.lead', { n: learning.readings }) }}</p>
        <div class="parts">
          <FactorSection
            :title="$t('house-learned.stations')"
            :hint="$t('house-learned.stationsHint')"
            :rows="stations"
          />
          <HandSection
            v-if="learning.hands.length > 0"
            :hands="learning.hands"
            :words="learning.hands.map((hand) => handWords(hand, say))"
          />
          <HabitSection v-if="learning.habits.length > 0" :habits="learning.habits" />
          <SideSection v-if="learning.sides.length > 0" :sides="learning.sides" />
          <ToolSection
            v-if="learning.tools.length > 0"
            :tools="learning.tools"
            :words="learning.tools.map((tool) => toolWords(tool, say))"
          />
          <FactorSection :title="$t('house-learned.boards')" :hint="$t('house-learned.boardsHint')" :rows="materials" />
        </div>
      </template>
      <RebuildSection v-if="session.may('manage-house')" class="rebuild" />
    </template>
    <p v-else-if="!refusal" class="soft">{{ $t('shell.loading') }}</p>
  </div>
</template>

<style scoped>
.lead {
  max-width: 60em;
}
.parts {
  display: grid;
  gap: 28px;
  margin: 16px 0 28px;
}
.parts > * {
  min-width: 0;
}
</style>
