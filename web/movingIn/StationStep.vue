<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { BodyOf } from '../../contract/endpoint'
import type { Station } from '../../contract/house'
import type { Board, Product } from '../../core/house/stations'
import { call } from '../api'
import { useChange } from '../house/useChange'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import TextField from '../ui/TextField.vue'
import StationCard from './StationCard.vue'

/** Where knives work: usual stations to tap, then what the edge lands on at each, chosen by its picture. */
const emit = defineEmits<{ settled: [] }>()
const fleet = useFleet()
const { refusal, change } = useChange()
const own = ref('')

interface UsualStation {
  readonly key: string
  readonly board: Board
  readonly product: Product
}
const USUAL: readonly UsualStation[] = [
  { key: 'larder', board: 'soft-plastic', product: 'mixed' },
  { key: 'meat', board: 'soft-plastic', product: 'meat' },
  { key: 'fish', board: 'soft-plastic', product: 'fish' },
  { key: 'vegetables', board: 'soft-plastic', product: 'vegetables' },
  { key: 'pastry', board: 'edge-grain', product: 'bread' },
  { key: 'block', board: 'end-grain', product: 'meat-on-bone' },
  { key: 'pass', board: 'hard-plastic', product: 'mixed' },
]
const USUAL_HOURS = 2

const stations = computed(() => [...fleet.stations.values()].filter(({ active }) => active))
const offered = computed(() =>
  USUAL.map((usual) => ({ ...usual, name: say(`movingIn.station.${usual.key}`) })).filter(
    ({ name }) => !stations.value.some((station) => station.name === name),
  ),
)
/** The station every new house has to begin with: it gives its place to the first real one. */
const placeholder = computed(() =>
  stations.value.find(
    ({ id, name }) => name === say('house.firstStation') && fleet.knives.every(({ stationId }) => stationId !== id),
  ),
)
async function send(station: BodyOf<typeof endpoints.addStation>): Promise<void> {
  const { name, board, product } = station
  const first = placeholder.value
  if (first) await call(endpoints.editStation, { params: { id: first.id }, body: { name, board, product } })
  else await call(endpoints.addStation, { body: station })
  await fleet.load()
}
const newStation = (name: string, board: Board = 'soft-plastic', product: Product = 'mixed'): Station => ({
  id: newId(),
  name,
  board,
  product,
  hoursPerService: USUAL_HOURS,
  weight: 1,
  active: true,
})
async function addOwn(station: BodyOf<typeof endpoints.addStation>): Promise<void> {
  await send(station)
  own.value = ''
}
const edit = (id: string, patch: Partial<Omit<Station, 'id'>>): Promise<boolean> =>
  change(() => call(endpoints.editStation, { params: { id }, body: patch }))
</script>

<template>
  <section class="form-section">
    <p class="soft">{{ $t('movingIn.stationsHint') }}</p>
    <div class="offers" role="group" :aria-label="$t('movingIn.usualStations')">
      <AppButton
        v-for="one in offered"
        :key="one.key"
        icon="plus"
        @click="change(() => send(newStation(one.name, one.board, one.product)))"
        >{{ one.name }}</AppButton
      >
    </div>
    <AppForm :schema="endpoints.addStation.body" :draft="() => newStation(own.trim())" :send="addOwn">
      <div class="own">
        <TextField v-model="own" name="name" :label="$t('movingIn.ownStation')" />
        <AppButton type="submit" :disabled="own.trim() === ''">{{ $t('house.addStation') }}</AppButton>
      </div>
    </AppForm>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <ul>
      <StationCard
        v-for="station in stations"
        :key="station.id"
        :station="station"
        :only="stations.length === 1"
        @change="edit(station.id, $event)"
      />
    </ul>
    <p class="save-bar">
      <AppButton kind="main" @click="emit('settled')">{{ $t('movingIn.stationsRight') }}</AppButton>
    </p>
  </section>
</template>

<style scoped>
.offers,
.own {
  display: flex;
  flex-wrap: wrap;
  align-items: end;
  gap: 10px;
}
ul {
  display: grid;
}
</style>
