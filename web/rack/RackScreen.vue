<script setup lang="ts">
import { useLocalStorage, useWindowSize } from '@vueuse/core'
import { computed, ref } from 'vue'
import { EDGE_WORDS } from '../../core/edge/model/scale'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import AppDialog from '../ui/AppDialog.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import EdgeLegend from '../ui/EdgeLegend.vue'
import ManyField from '../ui/ManyField.vue'
import TextField from '../ui/TextField.vue'
import KnifeForm from './KnifeForm.vue'
import { rackKnives, SORTS, useRackQuery } from './rackQuery'
import RackStrips from './RackStrips.vue'
import RackTable from './RackTable.vue'
import SavedViews from './SavedViews.vue'
import SelectionBar from './SelectionBar.vue'

const fleet = useFleet()
const session = useSession()
const query = useRackQuery()
const adding = ref(false)
/** A table of thirteen columns is for a wide screen with letters of a usual size. */
const TABLE_REM = 56
const { width } = useWindowSize()
const isNarrow = computed(
  () => width.value / Number.parseFloat(getComputedStyle(document.documentElement).fontSize) < TABLE_REM,
)
const choosing = ref(false)
const chosen = ref<ReadonlySet<string>>(new Set())
function choose(is: boolean): void {
  choosing.value = is
  chosen.value = new Set()
}
const moreFilters = useLocalStorage('yorvik.rack.filters', true)

const shown = computed(() =>
  rackKnives(
    fleet.knives,
    {
      text: query.text.value,
      stations: query.stations.value,
      word: query.word.value,
      status: query.status.value,
      sort: query.sort.value,
      view: query.view.value,
    },
    fleet,
  ),
)
const stations = computed(() => [...fleet.stations.values()].map(({ id, name }) => ({ value: id, label: name })))
const words = computed(() => [
  { value: '', label: say('rack.anyCondition') },
  ...EDGE_WORDS.slice(1).map((word) => ({
    value: word as string,
    label: say('rack.orWorse', { word: say(`edge.${word}`) }),
  })),
])
const states = computed(() =>
  ['in-service', 'counted', 'quarantined', 'missing', 'away', 'practice', 'retired', 'all'].map((state) => ({
    value: state,
    label: say(`status.${state}`),
  })),
)
const views = computed(() => (['strips', 'table'] as const).map((value) => ({ value, label: say(`rack.${value}`) })))
const sorts = computed(() => SORTS.map((sort) => ({ value: sort, label: say(`sort.${sort}`) })))
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('rack.title') }}</h1>
      <span class="soft">{{ say('rack.count', { n: shown.length }) }}</span>
      <span class="end">
        <AppButton kind="quiet" :aria-pressed="choosing" @click="choose(!choosing)">{{ $t('rack.choose') }}</AppButton>
        <AppButton kind="quiet" :aria-expanded="moreFilters" @click="moreFilters = !moreFilters">
          {{ $t('rack.filters') }}
        </AppButton>
        <SegmentedChoice v-if="!isNarrow" v-model="query.view.value" :label="$t('rack.look')" :options="views" />
        <AppButton v-if="session.may('edit-knife')" kind="quiet" to="/rack-walk">{{ $t('walk.title') }}</AppButton>
        <AppButton kind="main" v-if="session.may('edit-knife')" @click="adding = true">
          {{ $t('rack.add') }}
        </AppButton>
      </span>
    </header>
    <div v-if="moreFilters" class="filters no-print">
      <TextField v-model="query.text.value" :label="$t('rack.find')" :placeholder="$t('finder.hint')" type="search" />
      <ManyField
        v-model="query.stations.value"
        :label="$t('field.station')"
        :all="$t('rack.allStations')"
        :options="stations"
      />
      <ChoiceField v-model="query.word.value" :label="$t('rack.condition')" :options="words" />
      <ChoiceField v-model="query.status.value" :label="$t('field.status')" :options="states" />
      <ChoiceField v-model="query.sort.value" :label="$t('rack.order')" :options="sorts" />
    </div>
    <SavedViews />
    <p v-if="fleet.fleet && fleet.knives.length === 0" class="lead">{{ $t('today.empty') }}</p>
    <p v-else-if="fleet.fleet && shown.length === 0" class="lead">{{ $t('rack.noneFound') }}</p>
    <RackTable
      v-else-if="query.view.value === 'table' && !isNarrow"
      v-model:chosen="chosen"
      :knives="shown"
      :choosing="choosing"
    />
    <template v-else>
      <RackStrips v-model:chosen="chosen" :knives="shown" :choosing="choosing" />
      <EdgeLegend v-if="fleet.fleet" class="legend" />
    </template>
    <SelectionBar
      v-if="choosing"
      :knives="shown.filter(({ id }) => chosen.has(id))"
      :of="shown.length"
      @all="chosen = new Set(shown.map(({ id }) => id))"
      @none="chosen = new Set()"
      @done="choose(false)"
    />
    <AppDialog v-model:visible="adding" :title="$t('rack.addTitle')">
      <KnifeForm :knife="null" @done="adding = false" />
    </AppDialog>
  </div>
</template>

<style scoped>
.filters {
  display: grid;
  grid-template-columns: 1.4fr repeat(4, 1fr);
  gap: 12px;
  margin-bottom: 18px;
}
.legend {
  margin-top: 24px;
}
@media (max-width: 980px) {
  .filters {
    grid-template-columns: repeat(auto-fill, minmax(150px, 1fr));
  }
}
</style>
