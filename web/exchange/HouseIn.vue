<script setup lang="ts">
import { computed, ref } from 'vue'
import { say } from '../i18n'
import { useJobs } from '../live/jobs'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import ProgressLine from '../ui/ProgressLine.vue'
import type { Delivery } from './useDelivery'

/** A whole house that was opened, until it is brought in or put away. */
const props = defineProps<{ delivery: Delivery }>()
const jobs = useJobs()
const session = useSession()
const house = computed(() => props.delivery.house.value)
const busy = computed(() => props.delivery.busy.value)
const count = (part: string): number => house.value?.parts[part]?.length ?? 0
const chefs = computed(() =>
  (house.value?.parts['people'] ?? [])
    .filter((person) => person['role'] === 'chef' && person['active'] === true)
    .map((person) => ({ value: String(person['id']), label: String(person['name']) })),
)
const self = ref(
  chefs.value.find(({ label }) => label === session.signedIn?.person.name)?.value ?? chefs.value[0]?.value ?? '',
)
const job = computed(() => (jobs.job?.id === props.delivery.jobId.value ? jobs.job : null))

async function bring(): Promise<void> {
  void jobs.look().catch(() => undefined)
  // everything a page holds is of the house that was: it begins again
  if (await props.delivery.takeHouse(self.value)) location.assign('/today')
}
</script>

<template>
  <section v-if="house" class="heavy-rule house-in">
    <header class="page-head">
      <h2>{{ house.house['name'] }}</h2>
      <AppButton kind="quiet" @click="delivery.close()">{{ $t('exchange.another') }}</AppButton>
    </header>
    <p class="lead">
      {{
        $t('exchange.house.holds', {
          knives: count('knives'),
          people: count('people'),
          stations: count('stations'),
          events: count('events'),
        })
      }}
    </p>
    <p class="soft">{{ $t('exchange.house.gives') }}</p>
    <ChoiceField v-model="self" :label="$t('exchange.house.who')" :options="chefs" />
    <p v-if="delivery.refusal.value" class="refusal" role="alert">{{ delivery.refusal.value }}</p>
    <div v-if="busy" role="status">
      {{ $t(`exchange.busy.${busy}`) }}
      <ProgressLine v-if="job" :label="$t('exchange.busy.taking')" :done="job.done" :total="job.total" />
      <AppButton kind="quiet" @click="delivery.stop()">{{ $t('exchange.stop') }}</AppButton>
    </div>
    <AppButton v-else kind="main" :disabled="self === ''" @click="bring">{{ say('exchange.house.bring') }}</AppButton>
  </section>
</template>

<style scoped>
.house-in {
  display: grid;
  gap: 14px;
  justify-items: start;
  max-width: 640px;
}
</style>
