<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, reactive, ref } from 'vue'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import type { Station } from '../../contract/house'
import { BOARDS, PRODUCTS } from '../../core/house/stations'
import { call } from '../api'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import { useNotices } from '../stores/notices'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import AppForm from '../ui/AppForm.vue'
import DragSpace from '../ui/DragSpace.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'
import TextField from '../ui/TextField.vue'
import BoardDrawing from './BoardDrawing.vue'
import { useFloor } from './useFloor'

const { floor, lying, floorWords, idIn, move } = useFloor()
const fleet = useFleet()
const notices = useNotices()
const open = ref(false)
const isNew = ref(true)
const USUAL_HOURS = 2
const form = reactive({
  id: '',
  name: '',
  board: 'soft-plastic' as Station['board'],
  product: 'mixed' as Station['product'],
  hoursPerService: USUAL_HOURS as number | null,
  weight: 1 as number | null,
  active: true,
})
const boards = computed(() => BOARDS.map((value) => ({ value, label: say(`board.${value}`) })))
const products = computed(() => PRODUCTS.map((value) => ({ value, label: say(`product.${value}`) })))

function start(station: Station | null): void {
  isNew.value = station === null
  Object.assign(
    form,
    station ?? {
      id: newId(),
      name: '',
      board: 'soft-plastic',
      product: 'mixed',
      hoursPerService: USUAL_HOURS,
      weight: 1,
      active: true,
    },
  )
  open.value = true
}
const draft = (): Omit<typeof form, 'id'> & { id?: string } => {
  const { id, ...rest } = form
  return isNew.value ? { id, ...rest } : rest
}
async function save(body: BodyOf<typeof endpoints.addStation> | BodyOf<typeof endpoints.editStation>): Promise<void> {
  const { id } = form
  const before = fleet.stations.get(id)
  await ('id' in body ? call(endpoints.addStation, { body }) : call(endpoints.editStation, { params: { id }, body }))
  await fleet.load()
  open.value = false
  if (!before) return
  const { name, board, product, hoursPerService, weight } = before
  notices.done(say('house.stationSaved', { name: form.name }), async () => {
    await call(endpoints.editStation, { params: { id }, body: { name, board, product, hoursPerService, weight } })
    await fleet.load()
  })
}
</script>

<template>
  <section class="form-section">
    <p class="soft">{{ $t('house.stationsHint') }}</p>
    <DragSpace
      v-if="fleet.stations.size > 0"
      :how-to="say('house.floorHow')"
      :told="floorWords"
      @drop="(source, target) => move(idIn(source, 'knifeId'), idIn(target, 'stationId'))"
    >
      <ul class="floor">
        <BoardDrawing
          v-for="station in floor"
          :key="station.id"
          :station="station"
          :knives="lying.get(station.id) ?? []"
          :others="floor.filter(({ id, active }) => active && id !== station.id)"
          @change="start(station)"
          @move="move"
        />
      </ul>
    </DragSpace>
    <p v-else class="lead">{{ $t('house.noStations') }}</p>
    <p>
      <AppButton kind="main" @click="start(null)">{{ $t('house.addStation') }}</AppButton>
    </p>
    <AppDialog v-model:visible="open" :title="$t(isNew ? 'house.addStation' : 'house.change')" narrow>
      <AppForm :schema="isNew ? endpoints.addStation.body : endpoints.editStation.body" :draft="draft" :send="save">
        <TextField v-model="form.name" name="name" :label="$t('field.name')" />
        <ChoiceField v-model="form.board" :label="$t('field.board')" :options="boards" :hint="$t('house.boardHint')" />
        <ChoiceField v-model="form.product" :label="$t('field.product')" :options="products" />
        <MeasureField
          v-model="form.hoursPerService"
          name="hoursPerService"
          :label="$t('field.hoursPerService')"
          unit="h"
          :hint="$t('house.hoursHint')"
        />
        <MeasureField v-model="form.weight" name="weight" :label="$t('field.weight')" :hint="$t('house.weightHint')" />
        <p v-if="!isNew" class="soft small">{{ $t('house.fromNow') }}</p>
        <template #actions="{ busy }">
          <div class="dialog-actions">
            <AppButton kind="main" type="submit" :disabled="busy">
              {{ $t('shell.save') }}
            </AppButton>
          </div>
        </template>
      </AppForm>
    </AppDialog>
  </section>
</template>

<style scoped>
.floor {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(min(100%, 21rem), 1fr));
  gap: 22px 26px;
}
</style>
