<script setup lang="ts">
import { ref } from 'vue'
import { GearPatch } from '../../contract/bench'
import type { BodyOf } from '../../contract/endpoint'
import { endpoints } from '../../contract/endpoints'
import type { StoneStock } from '../../contract/stock'
import { call } from '../api'
import { useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import MeasureField from '../ui/MeasureField.vue'

/** How thick a stone is now; two of these tell how it wears. */
const props = defineProps<{ stone: StoneStock }>()
const emit = defineEmits<{ saved: [] }>()
const formats = useFormats()
const thicknessMm = ref<number | null>(null)
async function save(body: BodyOf<typeof endpoints.editGear>): Promise<void> {
  await call(endpoints.editGear, { params: { id: props.stone.id }, body })
  emit('saved')
}
</script>

<template>
  <AppForm :schema="GearPatch" :draft="() => ({ thicknessMm })" :send="save">
    <p class="soft">{{ $t('stock.measureHint') }}</p>
    <MeasureField v-model="thicknessMm" name="thicknessMm" :label="$t('stock.thickness')" unit="mm" />
    <ul v-if="stone.measures.length > 0">
      <li v-for="one in stone.measures" :key="one.at">
        {{ $t('shell.pair', { name: formats.shortDay(one.at), value: formats.thickness(one.mm) }) }}
      </li>
    </ul>
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
