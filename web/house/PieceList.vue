<script setup lang="ts">
import { ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { call } from '../api'
import { say } from '../i18n'
import { useNotices } from '../stores/notices'
import AppButton from '../ui/AppButton.vue'
import MeasureField from '../ui/MeasureField.vue'
import TextField from '../ui/TextField.vue'
import { useChange } from './useChange'

interface Row {
  name: string
  mm: number | null
  count: number | null
}
const rows = ref<Row[]>([])
const notices = useNotices()
const { refusal, change } = useChange()
void change(async () => {
  rows.value = (await call(endpoints.pieces)).map((piece) => ({ ...piece }))
})

function remove(at: number): void {
  const [gone] = rows.value.splice(at, 1)
  if (gone)
    notices.done(say('gear.pieceRemoved', { name: gone.name }), () => {
      rows.value.splice(at, 0, gone)
      return Promise.resolve()
    })
}
async function save(): Promise<void> {
  const pieces = rows.value.flatMap(({ name, mm, count }) =>
    name.trim() !== '' && mm !== null && count !== null ? [{ name, mm, count }] : [],
  )
  if (await change(() => call(endpoints.setPieces, { body: pieces }))) notices.done(say('gear.piecesSaved'))
}
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('gear.pieces') }}</h2>
    <p class="soft">{{ $t('gear.piecesHint') }}</p>
    <div v-for="(row, index) in rows" :key="index" class="row">
      <TextField v-model="row.name" :label="$t('gear.piece')" />
      <MeasureField v-model="row.mm" :label="$t('gear.mm')" unit="mm" />
      <MeasureField v-model="row.count" :label="$t('gear.count')" />
      <AppButton kind="quiet" :aria-label="$t('gear.removePiece', { name: row.name })" @click="remove(index)">
        {{ $t('house.remove') }}
      </AppButton>
    </div>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p class="actions">
      <AppButton @click="rows.push({ name: '', mm: null, count: 1 })">
        {{ $t('gear.addPiece') }}
      </AppButton>
      <AppButton kind="main" @click="save">{{ $t('gear.savePieces') }}</AppButton>
    </p>
  </section>
</template>

<style scoped>
.row {
  display: grid;
  grid-template-columns: minmax(0, 2fr) minmax(0, 1fr) minmax(0, 1fr) auto;
  gap: 12px;
  align-items: end;
  max-width: 640px;
  padding: 4px 0;
}
.actions {
  display: flex;
  gap: 10px;
  padding-top: 10px;
}
</style>
