<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { Supply, type SupplyView } from '../../contract/stock'
import { SUPPLY_KINDS, type SupplyKind } from '../../core/ledger/stock'
import { call } from '../api'
import { say } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import CheckField from '../ui/CheckField.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import MeasureField from '../ui/MeasureField.vue'
import TextField from '../ui/TextField.vue'

/** Something to keep a stock of: what it is, what it is counted in, and how long one of it lasts. */
const props = defineProps<{ supply: SupplyView | null }>()
const emit = defineEmits<{ saved: [] }>()
const id = props.supply?.id ?? newId()
const name = ref(props.supply?.name ?? '')
const kind = ref<SupplyKind>(props.supply?.kind ?? 'paste')
const unit = ref(props.supply?.unit ?? say('stock.usualUnit'))
const price = ref<number | null>(props.supply?.price ?? null)
const usesEach = ref<number | null>(props.supply?.usesEach ?? null)
const active = ref(props.supply?.active ?? true)
const kinds = computed(() => SUPPLY_KINDS.map((value) => ({ value, label: say(`stock.kind.${value}`) })))
const draft = (): object => ({
  name: name.value,
  kind: kind.value,
  unit: unit.value,
  price: price.value,
  usesEach: usesEach.value,
  active: active.value,
})
async function save(body: Supply): Promise<void> {
  await call(endpoints.setSupply, { params: { id }, body })
  emit('saved')
}
</script>

<template>
  <AppForm :schema="Supply" :draft="draft" :send="save">
    <TextField v-model="name" name="name" :label="$t('stock.name')" />
    <ChoiceField v-model="kind" :label="$t('stock.kindOf')" :options="kinds" />
    <TextField v-model="unit" name="unit" :label="$t('stock.unit')" />
    <MeasureField v-model="price" name="price" :label="$t('stock.priceEach')" />
    <MeasureField
      v-model="usesEach"
      name="usesEach"
      :label="$t('stock.usesEach')"
      :hint="$t(`stock.usesHint.${kind}`)"
    />
    <CheckField v-if="supply" v-model="active" :label="$t('stock.active')" />
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
