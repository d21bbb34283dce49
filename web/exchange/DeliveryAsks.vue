<script setup lang="ts">
import { computed, reactive, ref } from 'vue'
import { BOARDS, PRODUCTS } from '../../core/house/stations'
import { PERSON_ROLES } from '../../core/house/rights'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'
import CheckField from '../ui/CheckField.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import FoldSection from '../ui/FoldSection.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import SuggestField from '../ui/SuggestField.vue'
import { optionsOf, shownValue } from './shownValue'
import type { Delivery } from './useDelivery'

/** What the file does not say by itself: asked once each, and answered for all its rows. */
const props = defineProps<{ delivery: Delivery }>()
const fleet = useFleet()
const formats = useFormats()
const outcome = computed(() => props.delivery.outcome.value)
const table = computed(() => props.delivery.table.value)
const stationForAll = ref('')
const open = reactive({ stations: false, people: false, guesses: false })
const MOST_NAMED = 8
const names = (all: readonly { readonly name: string }[]): string =>
  all.length > MOST_NAMED
    ? `${all
        .slice(0, MOST_NAMED)
        .map(({ name }) => name)
        .join(', ')} …`
    : all.map(({ name }) => name).join(', ')

const unknown = computed(() => outcome.value?.values.filter(({ means }) => means === null) ?? [])
const guessed = computed(() => outcome.value?.values.filter(({ means }) => means !== null) ?? [])
type Value = (typeof unknown.value)[number]

const LEAVE_OUT = { value: '', label: say('exchange.empty') }
const PEOPLE = new Set(['holder', 'by', 'person'])
/** What a text can be said to mean: one of a set, or somebody or somewhere of the house. */
function meanings({ column, text }: Value): readonly { readonly value: string; readonly label: string }[] {
  const set = optionsOf(table.value, column)
  if (set) return [...set, LEAVE_OUT]
  const names = PEOPLE.has(column)
    ? [...fleet.people.values()].map(({ name }) => name)
    : column === 'station'
      ? [...fleet.stations.values()].map(({ name }) => name)
      : []
  return [
    ...names.map((name) => ({ value: name, label: name })),
    ...(names.includes(text) ? [] : [{ value: text, label: say('exchange.asItIs', { text }) }]),
    LEAVE_OUT,
  ]
}
const NOT_SAID = '\u0000'
const choices = (value: Value): readonly { readonly value: string; readonly label: string }[] =>
  value.means === null ? [{ value: NOT_SAID, label: say('exchange.notSaid') }, ...meanings(value)] : meanings(value)
function choose(value: Value, means: string): void {
  if (means !== NOT_SAID && means !== value.means) void props.delivery.valueMeans(value.column, value.text, means)
}

const decimals = computed(() => [
  { value: ',', label: say('exchange.decimal.comma') },
  { value: '.', label: say('exchange.decimal.point') },
])
const orders = computed(() =>
  (['dmy', 'mdy', 'ymd'] as const).map((value) => ({ value, label: say(`exchange.order.${value}`) })),
)
const boards = computed(() => BOARDS.map((value) => ({ value, label: say(`board.${value}`) })))
const products = computed(() => PRODUCTS.map((value) => ({ value, label: say(`product.${value}`) })))
const roles = computed(() => PERSON_ROLES.map((value) => ({ value, label: say(`person.${value}`) })))
const stations = computed(() => [...fleet.stations.values()].map(({ name }) => ({ value: name })))
const columnName = (key: string): string => say(`column.${table.value}.${key}.name`)
</script>

<template>
  <div v-if="outcome" class="asks">
    <p v-if="outcome.looksLike" class="ask">
      {{ $t('exchange.looksLike', { what: $t(`exchange.table.${outcome.looksLike}`) }) }}
      <AppButton small @click="delivery.readAs(outcome.looksLike)">{{ $t('exchange.readAs') }}</AppButton>
    </p>
    <div v-for="key in outcome.missing" :key="key" class="ask">
      <b>{{ $t('exchange.missing', { column: columnName(key) }) }}</b>
      <div v-if="key === 'station'" class="line">
        <SuggestField v-model="stationForAll" :label="$t('exchange.forAll')" :suggestions="stations" />
        <AppButton :disabled="stationForAll.trim() === ''" @click="delivery.everywhere('station', stationForAll)">
          {{ $t('exchange.use') }}
        </AppButton>
      </div>
      <span v-else class="soft">{{ $t('exchange.chooseAbove') }}</span>
    </div>
    <div v-for="question in outcome.questions" :key="question.kind" class="ask">
      <b>{{
        $t(question.kind === 'decimal' ? 'exchange.decimal.ask' : 'exchange.order.ask', {
          samples: question.samples.join(', '),
        })
      }}</b>
      <SegmentedChoice
        v-if="question.kind === 'decimal'"
        :model-value="undefined"
        :label="$t('exchange.decimal.label')"
        :options="decimals"
        @update:model-value="delivery.tell({ decimal: $event === ',' ? ',' : '.' })"
      />
      <SegmentedChoice
        v-else
        :model-value="undefined"
        :label="$t('exchange.order.label')"
        :options="orders"
        @update:model-value="$event && delivery.tell({ dayOrder: $event })"
      />
    </div>
    <ul v-if="unknown.length > 0" class="ask-list">
      <li v-for="value in unknown" :key="`${value.column} ${value.text}`">
        <ChoiceField
          :model-value="NOT_SAID"
          :label="say('exchange.means', { text: value.text, n: value.rows })"
          :options="choices(value)"
          searchable
          @update:model-value="choose(value, $event)"
        />
      </li>
    </ul>
    <FoldSection
      v-if="outcome.stations.length > 0"
      v-model:opened="open.stations"
      :title="say('exchange.newStations', { n: outcome.stations.length, names: names(outcome.stations) })"
    >
      <ul class="ask-list">
        <li v-for="one in outcome.stations" :key="one.name" class="fresh">
          <CheckField
            :model-value="one.make"
            :label="one.name"
            @update:model-value="delivery.make('stations', { ...one, make: $event })"
          />
          <ChoiceField
            :model-value="one.board"
            :label="$t('field.board')"
            :options="boards"
            @update:model-value="delivery.make('stations', { ...one, board: $event })"
          />
          <ChoiceField
            :model-value="one.product"
            :label="$t('field.product')"
            :options="products"
            @update:model-value="delivery.make('stations', { ...one, product: $event })"
          />
        </li>
      </ul>
    </FoldSection>
    <FoldSection
      v-if="outcome.people.length > 0"
      v-model:opened="open.people"
      :title="say('exchange.newPeople', { n: outcome.people.length, names: names(outcome.people) })"
    >
      <p v-if="table === 'readings' || table === 'events'" class="soft">{{ $t('exchange.peopleOfThePast') }}</p>
      <ul class="ask-list">
        <li v-for="one in outcome.people" :key="one.name" class="fresh">
          <CheckField
            :model-value="one.make"
            :label="one.name"
            @update:model-value="delivery.make('people', { ...one, make: $event })"
          />
          <ChoiceField
            :model-value="one.role"
            :label="$t('field.role')"
            :options="roles"
            @update:model-value="delivery.make('people', { ...one, role: $event })"
          />
        </li>
      </ul>
    </FoldSection>
    <FoldSection
      v-if="guessed.length > 0"
      v-model:opened="open.guesses"
      :title="say('exchange.guessed', { n: guessed.length })"
    >
      <ul class="ask-list">
        <li v-for="value in guessed" :key="`${value.column} ${value.text}`">
          <ChoiceField
            :model-value="value.means ?? ''"
            :label="say('exchange.means', { text: value.text, n: value.rows })"
            :hint="value.means ? shownValue(table, value.column, value.means, formats) : undefined"
            :options="choices(value)"
            searchable
            @update:model-value="choose(value, $event)"
          />
        </li>
      </ul>
    </FoldSection>
  </div>
</template>

<style scoped>
.asks {
  display: grid;
  gap: 14px;
  margin-bottom: 16px;
}
.ask {
  display: grid;
  gap: 8px;
  justify-items: start;
  padding-left: 12px;
  border-left: 4px solid var(--wood);
}
.ask-list {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 300px), 1fr));
  gap: 12px 24px;
  width: 100%;
}
.fresh {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 1fr);
  gap: 6px 12px;
  padding-bottom: 10px;
  border-bottom: 1px solid var(--rule);
}
.fresh > :first-child {
  grid-column: 1 / -1;
  font-weight: 700;
}
.line {
  display: flex;
  align-items: flex-end;
  flex-wrap: wrap;
  gap: 10px;
}
</style>
