<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { NewStockCount, type SupplyView } from '../../contract/stock'
import { call } from '../api'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import MeasureField from '../ui/MeasureField.vue'

/** A look at a stock: what is there, and what was bought since the look before. */
const props = defineProps<{ supply: SupplyView }>()
const emit = defineEmits<{ saved: [] }>()
const session = useSession()
const id = newId()
const left = ref<number | null>(null)
const added = ref<number | null>(0)
const draft = (): object => ({ id, at: session.now().toISOString(), left: left.value, added: added.value ?? 0 })
async function save(body: NewStockCount): Promise<void> {
  await call(endpoints.countSupply, { params: { id: props.supply.id }, body })
  emit('saved')
}
</script>

<template>
  <AppForm :schema="NewStockCount" :draft="draft" :send="save">
    <MeasureField v-model="left" name="left" :label="$t('stock.there')" :unit="supply.unit" />
    <MeasureField
      v-if="supply.counts.length > 0"
      v-model="added"
      name="added"
      :label="$t('stock.bought')"
      :unit="supply.unit"
    />
    <div class="dialog-actions">
      <AppButton kind="main" type="submit">{{ $t('shell.save') }}</AppButton>
    </div>
  </AppForm>
</template>

<style scoped>
form {
  display: grid;
  gap: 12px;
}
</style>
