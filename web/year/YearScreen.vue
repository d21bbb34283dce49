<script setup lang="ts">
import { computed, reactive, ref, shallowRef, watch } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { BOARD_FACTOR } from '../../core/house/stations'
import type { YearWay } from '../../core/year/yearHouse'
import { say, useFormats } from '../i18n'
import { useResource } from '../live/resource'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import CheckField from '../ui/CheckField.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'
import ProgressLine from '../ui/ProgressLine.vue'
import { useYears } from './useYears'
import YearPicture from './YearPicture.vue'
import { yearRows, yearSentence, yearWays, type Prices } from './yearRows'

/** Years played of each way: enough for a band, soon enough to wait for. */
const RUNS = 12
const SEED = 1
const USUAL_GRINDER_WEEKS = 8
const ANGLES = [-3, 0, 3] as const

const session = useSession()
const formats = useFormats()
const { value: house, refusal } = useResource(endpoints.yearHouse)
const { outcomes, progress, failed, play, stop } = useYears()
const whatIf = reactive({ boardFactor: null as number | null, addedDps: 0, coarseStone: false, oneMoreHand: false })
const weeks = ref<number | null>(USUAL_GRINDER_WEEKS)
const prices = reactive<{ -readonly [price in keyof Prices]: Prices[price] }>({
  hour: null,
  knife: null,
  grinder: null,
})
/** the ways of the year that is shown, as they were when it was played */
const played = shallowRef<readonly YearWay[]>([])
const asked = shallowRef<readonly YearWay[]>([])

const boards = computed(() => [
  { value: null, label: say('year.boardsNow') },
  { value: BOARD_FACTOR['soft-plastic'], label: say('year.hardBoards') },
  { value: BOARD_FACTOR['end-grain'], label: say('year.softBoards') },
])
const angles = computed(() =>
  ANGLES.map((value) => ({
    value,
    label: say(value === 0 ? 'year.angleNow' : value > 0 ? 'year.angleBy' : 'year.angleFlatter', {
      n: Math.abs(value),
    }),
  })),
)
/** without a knife at a station, or a service, there is no year to play */
const isIdle = computed(() => {
  const { value } = house
  return Boolean(value) && (value?.knives.length === 0 || value?.servicesByWeekday.every((one) => one === 0) === true)
})
const rows = computed(() => yearRows(played.value, outcomes.value ?? [], prices, say))
const sentence = computed(() => yearSentence(rows.value, house.value?.knives.length ?? 0, say, formats.value))
function start(): void {
  if (!house.value) return
  const ways = yearWays(session.house?.policies ?? [], Math.max(1, Math.round(weeks.value ?? USUAL_GRINDER_WEEKS)))
  asked.value = ways
  play({ house: structuredClone(house.value), ways, whatIf: { ...whatIf }, runs: RUNS, seed: SEED })
}
// what is shown keeps its own ways until the next year is played to its end
watch(outcomes, () => {
  played.value = asked.value
})
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('year.title') }}</h1>
      <RouterLink class="end" :to="{ name: 'house', query: { part: 'rules' } }">{{
        $t('house.part.rules')
      }}</RouterLink>
    </header>
    <p class="soft">{{ $t('year.hint') }}</p>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p v-if="isIdle" class="lead">{{ $t('year.nothing') }}</p>
    <div v-else class="sides">
      <div class="shown">
        <p v-if="failed" class="refusal" role="alert">{{ $t('year.failed') }}</p>
        <p v-if="sentence" class="lead" role="status">{{ sentence }}</p>
        <YearPicture v-if="rows.length > 0" :rows="rows" />
        <p v-if="rows.length > 0" class="soft small">{{ $t('year.assumed') }}</p>
      </div>
      <aside>
        <div v-if="progress" class="playing">
          <ProgressLine
            :label="$t('year.playing', { done: progress.done, all: progress.all })"
            :done="progress.done"
            :total="progress.all"
          />
          <p class="num">{{ $t('year.playing', { done: progress.done, all: progress.all }) }}</p>
          <AppButton @click="stop">{{ $t('year.stop') }}</AppButton>
        </div>
        <AppButton v-else kind="main" :disabled="!house" @click="start">{{ $t('year.play') }}</AppButton>
        <h2>{{ $t('year.whatIf') }}</h2>
        <ChoiceField v-model="whatIf.boardFactor" :label="$t('year.boards')" :options="boards" />
        <ChoiceField v-model="whatIf.addedDps" :label="$t('year.angle')" :options="angles" />
        <CheckField v-model="whatIf.coarseStone" :label="$t('year.coarse')" />
        <CheckField v-model="whatIf.oneMoreHand" :label="$t('year.hand')" />
        <MeasureField v-model="weeks" :label="$t('year.sent')" />
        <h2>{{ $t('year.money') }}</h2>
        <MeasureField v-model="prices.hour" :label="$t('year.wage')" />
        <MeasureField v-model="prices.knife" :label="$t('year.price')" />
        <MeasureField v-model="prices.grinder" :label="$t('year.grinder')" :hint="$t('year.moneyHint')" />
      </aside>
    </div>
  </div>
</template>

<style scoped>
.sides {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 290px;
  gap: 28px;
}
aside {
  display: grid;
  gap: 10px;
  align-content: start;
}
.playing {
  display: grid;
  gap: 8px;
}
@media (max-width: 900px) {
  .sides {
    grid-template-columns: minmax(0, 1fr);
  }
  aside {
    order: -1;
  }
}
</style>
