<script setup lang="ts">
import { computed, shallowRef } from 'vue'
import { AS_SPREADSHEET, TABLES } from '../../contract/exchange'
import { say } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import FileField from '../ui/FileField.vue'
import LongTextField from '../ui/LongTextField.vue'
import FoldSection from '../ui/FoldSection.vue'
import DeliveryIn from './DeliveryIn.vue'
import HouseIn from './HouseIn.vue'
import { useDelivery } from './useDelivery'

const delivery = useDelivery()
const pasted = shallowRef('')
const SPREADSHEETS: ReadonlySet<string> = new Set(AS_SPREADSHEET)
const tables = computed(() =>
  TABLES.map((value) => ({ value, label: say(`exchange.table.${value}`), isSheet: SPREADSHEETS.has(value) })),
)
const take = async (file: File | undefined): Promise<void> => {
  if (file) await delivery.open(file)
}
const takePasted = (): Promise<void> => take(new File([pasted.value], say('exchange.pasted')))
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('exchange.title') }}</h1>
      <span class="soft">{{ $t('exchange.lead') }}</span>
    </header>
    <HouseIn v-if="delivery.house.value" :delivery="delivery" />
    <DeliveryIn v-else-if="delivery.file.value" :delivery="delivery" />
    <div v-else class="columns">
      <section class="heavy-rule">
        <h2>{{ $t('exchange.in') }}</h2>
        <p class="soft">{{ $t('exchange.inHint') }}</p>
        <div class="drop" @dragover.prevent @drop.prevent="take($event.dataTransfer?.files[0])">
          <span>{{ $t('exchange.drop') }}</span>
          <FileField :label="$t('exchange.choose')" @chosen="take" />
        </div>
        <FoldSection :title="$t('exchange.paste')">
          <div class="stacked">
            <LongTextField v-model="pasted" :label="$t('exchange.pasteLabel')" :rows="6" />
            <AppButton :disabled="pasted.trim() === ''" @click="takePasted">{{ $t('exchange.read') }}</AppButton>
          </div>
        </FoldSection>
        <h3>{{ $t('exchange.templates') }}</h3>
        <p class="soft small">{{ $t('exchange.templatesHint') }}</p>
        <p class="keys">
          <a
            v-for="one in tables.filter(({ isSheet }) => isSheet)"
            :key="one.value"
            class="button small"
            :href="`/api/exchange/template/${one.value}.xlsx`"
            download
            >{{ one.label }}</a
          >
        </p>
      </section>
      <section class="heavy-rule">
        <h2>{{ $t('exchange.out') }}</h2>
        <p class="soft small">{{ $t('exchange.outHint') }}</p>
        <table class="out-list">
          <tbody>
            <tr v-for="one in tables" :key="one.value">
              <th scope="row">{{ one.label }}</th>
              <td>
                <a
                  v-if="one.isSheet"
                  :href="`/api/exchange/${one.value}.xlsx`"
                  :aria-label="`${one.label}, ${$t('exchange.asSheet')}`"
                  download
                  >{{ $t('exchange.asSheet') }}</a
                >
              </td>
              <td>
                <a
                  :href="`/api/exchange/${one.value}.csv`"
                  :aria-label="`${one.label}, ${$t('exchange.asCsv')}`"
                  download
                  >{{ $t('exchange.asCsv') }}</a
                >
              </td>
            </tr>
          </tbody>
        </table>
        <h3>{{ $t('exchange.house.title') }}</h3>
        <p class="soft small">{{ $t('exchange.house.hint') }}</p>
        <p class="keys">
          <a class="button small" href="/api/house/whole.json" download>{{ $t('exchange.house.json') }}</a>
          <a class="button small" href="/api/house/whole.zip" download>{{ $t('exchange.house.folder') }}</a>
        </p>
      </section>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) minmax(0, 20rem);
  gap: 28px;
}
section {
  display: grid;
  align-content: start;
  gap: 12px;
}
.drop {
  display: grid;
  place-items: center;
  gap: 10px;
  padding: 34px 14px;
  border: 2px dashed var(--steel-line);
  border-radius: 8px;
  background: var(--paper);
}
.stacked :deep(textarea) {
  font-size: 0.9rem;
}
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
}
.out-list th {
  text-align: left;
  font-weight: 400;
}
@media (max-width: 980px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
