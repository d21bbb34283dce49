<script setup lang="ts">
import '@fontsource/atkinson-hyperlegible-mono/400.css'
import { computed, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { TABLES, type ExchangeOutcome, type TableName } from '../../contract/exchange'
import { call } from '../api'
import { say } from '../i18n'
import { useFleet } from '../live/fleet'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import OutcomeTable from './OutcomeTable.vue'
import FileField from '../ui/FileField.vue'
import LongTextField from '../ui/LongTextField.vue'

const fleet = useFleet()
const notices = useNotices()
const table = ref<TableName>('fleet')
const csv = ref('')
const fileName = ref('')
const outcome = ref<ExchangeOutcome | null>(null)
const refusal = ref('')
const busy = ref(false)
const tables = computed(() => TABLES.map((value) => ({ value, label: say(`exchange.table.${value}`) })))
const work = computed(() => (outcome.value ? outcome.value.counts.add + outcome.value.counts.change : 0))

async function take(file: File | undefined): Promise<void> {
  if (!file) return
  fileName.value = file.name
  csv.value = await file.text()
  await read(false)
}
async function read(apply: boolean): Promise<void> {
  busy.value = true
  refusal.value = ''
  try {
    outcome.value = await call(endpoints.importTable, {
      params: { table: table.value },
      body: { csv: csv.value, apply },
    })
    if (outcome.value.applied) {
      notices.done(say('exchange.done', { n: work.value }))
      await fleet.load()
    }
  } catch (error) {
    outcome.value = null
    refusal.value = refusalText(error)
  } finally {
    busy.value = false
  }
}
function clear(): void {
  outcome.value = null
  refusal.value = ''
}
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('exchange.title') }}</h1>
      <span class="soft">{{ $t('exchange.lead') }}</span>
    </header>
    <div class="columns">
      <section class="heavy-rule">
        <h2>{{ $t('exchange.in') }}</h2>
        <div class="inputs">
          <ChoiceField v-model="table" :label="$t('exchange.what')" :options="tables" @update:model-value="clear" />
          <p class="soft small">{{ $t(`exchange.columns.${table}`) }}</p>
          <div class="drop" @dragover.prevent @drop.prevent="take($event.dataTransfer?.files[0])">
            <span>{{ fileName || $t('exchange.drop') }}</span>
            <FileField :label="$t('exchange.choose')" accept=".csv,text/csv,text/plain" @chosen="take" />
          </div>
          <LongTextField v-model="csv" :label="$t('exchange.paste')" :rows="6" @update:model-value="clear" />
          <AppButton :disabled="busy || csv.trim() === ''" @click="read(false)">
            {{ $t('exchange.dryRun') }}
          </AppButton>
        </div>
        <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
        <template v-if="outcome">
          <OutcomeTable :outcome="outcome" />
          <AppButton
            kind="main"
            v-if="!outcome.applied"
            :disabled="busy || outcome.problems.length > 0 || work === 0"
            @click="read(true)"
          >
            {{ say('exchange.apply', { n: work }) }}
          </AppButton>
          <p v-else class="lead">{{ say('exchange.done', { n: work }) }}</p>
        </template>
      </section>
      <section class="heavy-rule">
        <h2>{{ $t('exchange.out') }}</h2>
        <p class="soft small">{{ $t('exchange.outHint') }}</p>
        <ul>
          <li v-for="one in tables" :key="one.value">
            <a class="button" :href="`/api/exchange/${one.value}.csv`" download>{{ one.label }}</a>
          </li>
        </ul>
      </section>
    </div>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 260px;
  gap: 28px;
}
.inputs {
  display: grid;
  gap: 12px;
  max-width: 620px;
  margin: 10px 0 18px;
}
.drop {
  display: grid;
  place-items: center;
  gap: 8px;
  padding: 14px;
  border: 2px dashed var(--steel-line);
  border-radius: 8px;
  background: var(--paper);
}
.inputs :deep(textarea) {
  font-family: var(--mono);
  font-size: 0.875rem;
}
.inputs .button {
  justify-self: start;
}
li {
  margin-top: 10px;
}
@media (max-width: 980px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
