<script setup lang="ts">
import { computed, ref } from 'vue'
import { TABLES } from '../../contract/exchange'
import { OLD_ENCODINGS } from '../../sheets/sheet'
import { say } from '../i18n'
import { useJobs } from '../live/jobs'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProgressLine from '../ui/ProgressLine.vue'
import DeliveryAsks from './DeliveryAsks.vue'
import DeliverySheet from './DeliverySheet.vue'
import { saveFile } from './saveFile'
import type { Delivery } from './useDelivery'

/** A file that was opened, until it is brought in or put away. */
const props = defineProps<{ delivery: Delivery }>()
const jobs = useJobs()
const outcome = computed(() => props.delivery.outcome.value)
const book = computed(() => props.delivery.book.value)
const busy = computed(() => props.delivery.busy.value)
const counts = computed(() => outcome.value?.counts)
const work = computed(() => (counts.value ? counts.value.add + counts.value.change : 0))
const tables = computed(() => TABLES.map((value) => ({ value, label: say(`exchange.table.${value}`) })))
const sheets = computed(() => book.value?.sheets.map(({ name }, value) => ({ value, label: name })) ?? [])
const encodings = computed(() =>
  ['utf-8', 'utf-16le', 'utf-16be', ...OLD_ENCODINGS].map((value) => ({
    value,
    label: say(`exchange.encoding.${value}`),
  })),
)
const encoding = computed(() => (book.value?.format.kind === 'text' ? book.value.format.encoding : null))
const FIRST_LINES = 12
const lines = computed(() => [
  { value: -1, label: say('exchange.noHeader') },
  ...Array.from({ length: FIRST_LINES }, (_, value) => ({
    value,
    label: say('exchange.headerLine', { n: value + 1 }),
  })),
])
const hasRest = ref(false)

async function reopen(wanted: string): Promise<void> {
  const file = props.delivery.file.value
  if (file) await props.delivery.open(file, wanted)
}
async function take(which: 'good' | 'all'): Promise<void> {
  void jobs.look().catch(() => undefined)
  const problems = counts.value?.problem ?? 0
  await props.delivery.take(which)
  const done = outcome.value?.applied
  if (done === null || done === undefined) return
  hasRest.value = problems > 0
}
async function download(): Promise<void> {
  saveFile(
    await props.delivery.rest(),
    say('exchange.restName', { what: say(`exchange.table.${props.delivery.table.value}`) }),
  )
}
const job = computed(() => (jobs.job?.id === props.delivery.jobId.value ? jobs.job : null))
const isDone = computed(() => outcome.value?.applied !== null && outcome.value?.applied !== undefined)
</script>

<template>
  <section class="heavy-rule delivery">
    <header class="delivery-head">
      <h2>{{ delivery.file.value?.name }}</h2>
      <AppButton kind="quiet" @click="delivery.close()">{{ $t('exchange.another') }}</AppButton>
    </header>
    <div v-if="busy" class="busy" role="status">
      <span>{{ $t(`exchange.busy.${busy}`) }}</span>
      <ProgressLine v-if="job" :label="$t('exchange.busy.taking')" :done="job.done" :total="job.total" />
      <AppButton kind="quiet" @click="delivery.stop()">{{ $t('exchange.stop') }}</AppButton>
    </div>
    <p v-if="delivery.refusal.value" class="refusal" role="alert">{{ delivery.refusal.value }}</p>
    <template v-if="outcome && book">
      <p v-if="outcome.stale" class="refusal" role="alert">{{ $t('exchange.staleLook') }}</p>
      <template v-if="isDone">
        <p class="lead" role="status">{{ say('exchange.done', { n: outcome.applied ?? 0 }) }}</p>
        <p v-if="hasRest" class="rest">
          {{ say('exchange.restLeft', { n: outcome.counts.problem }) }}
          <AppButton icon="download" @click="download">{{ $t('exchange.takeRest') }}</AppButton>
        </p>
        <p class="next">
          <AppButton kind="main" to="/today">{{ $t('exchange.toToday') }}</AppButton>
          <AppButton to="/rack">{{ $t('nav.rack') }}</AppButton>
        </p>
      </template>
      <template v-else>
        <div class="form-grid settings">
          <ChoiceField
            :model-value="delivery.table.value"
            :label="$t('exchange.what')"
            :options="tables"
            @update:model-value="delivery.readAs($event)"
          />
          <ChoiceField
            v-if="sheets.length > 1"
            :model-value="outcome.sheet"
            :label="$t('exchange.whichSheet')"
            :options="sheets"
            @update:model-value="delivery.from({ sheet: $event })"
          />
          <ChoiceField
            :model-value="outcome.headerRow"
            :label="$t('exchange.header')"
            :options="lines"
            @update:model-value="delivery.from({ headerRow: $event })"
          />
          <ChoiceField
            v-if="encoding"
            :model-value="encoding"
            :label="$t('exchange.letters')"
            :options="encodings"
            @update:model-value="reopen"
          />
        </div>
        <DeliveryAsks :delivery="delivery" />
        <DeliverySheet :delivery="delivery" :outcome="outcome" />
        <footer class="delivery-foot" aria-live="polite">
          <p>
            {{
              $t('exchange.summary', {
                add: outcome.counts.add,
                change: outcome.counts.change,
                same: outcome.counts.same,
              })
            }}
            <b v-if="outcome.counts.problem > 0">{{ say('exchange.problems', { n: outcome.counts.problem }) }}</b>
          </p>
          <span class="keys">
            <template v-if="outcome.counts.problem > 0">
              <AppButton icon="download" @click="download">{{
                say('exchange.takeRestNow', { n: outcome.counts.problem })
              }}</AppButton>
              <AppButton kind="main" :disabled="busy !== null || work === 0" @click="take('good')">
                {{ say('exchange.applyGood', { n: work }) }}
              </AppButton>
            </template>
            <AppButton v-else kind="main" :disabled="busy !== null || work === 0" @click="take('all')">
              {{ say('exchange.apply', { n: work }) }}
            </AppButton>
          </span>
        </footer>
      </template>
    </template>
  </section>
</template>

<style scoped>
.delivery-head {
  display: flex;
  flex-wrap: wrap;
  align-items: baseline;
  gap: 4px 18px;
  margin-bottom: 10px;
}
.busy {
  display: grid;
  gap: 8px;
  justify-items: start;
  max-width: 420px;
  margin-bottom: 12px;
}
.settings {
  grid-template-columns: repeat(auto-fit, minmax(170px, 240px));
  margin-bottom: 16px;
}
.delivery-foot {
  position: sticky;
  bottom: 0;
  z-index: 3;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  justify-content: space-between;
  gap: 8px 20px;
  padding: 10px 0;
  background: var(--ground);
  border-top: 2px solid var(--rule-strong);
}
.keys,
.next,
.rest {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 10px;
}
.next {
  margin-top: 14px;
}
@media (max-width: 700px) {
  .delivery-foot {
    bottom: var(--bar);
  }
}
</style>
