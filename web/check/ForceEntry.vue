<script setup lang="ts">
import { ref } from 'vue'
import type { KnifeView } from '../../contract/knives'
import type { Zone } from '../../core/knife/zones'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import NumberPad from '../ui/NumberPad.vue'
import TesterSimulator from './TesterSimulator.vue'
import { useTester } from './useTester'

defineProps<{ knife: KnifeView; typed: string; zone: Zone; wrong: boolean }>()
const emit = defineEmits<{
  digit: [digit: string]
  erase: []
  enter: []
  peak: [forceGf: number, tester: string | null]
}>()
const session = useSession()
const simulator = ref<string | null>(null)
const unzeroed = ref(false)
const { testers, chosen, zeroed, live, askZero } = useTester(
  () => simulator.value,
  (forceGf, wasZeroed) => {
    unzeroed.value = !wasZeroed
    emit('peak', forceGf, testers.value.find(({ id }) => id === chosen.value)?.name ?? null)
  },
)
</script>

<template>
  <div class="entry">
    <NumberPad
      class="pad"
      :enter-label="$t('check.take')"
      @digit="emit('digit', $event)"
      @erase="emit('erase')"
      @enter="emit('enter')"
    />
    <div class="side">
      <p class="typed" aria-live="polite">
        <span class="big num">{{ typed || (live === null ? '···' : Math.round(live)) }}</span>
        <span class="soft">{{ $t('check.gfAt', { zone: $t(`zone.${zone}`) }) }}</span>
      </p>
      <p v-if="wrong" class="wrong" role="alert">{{ $t('check.absurd') }}</p>
      <p class="soft small">{{ $t('check.tare') }}</p>
      <p v-if="chosen" class="small tester">
        {{ $t('check.tester', { name: testers.find((one) => one.id === chosen)?.name ?? '' }) }}
        <b>{{ zeroed ? $t('check.zeroed') : $t('check.notZeroed') }}</b>
        <AppButton @click="askZero">{{ $t('check.zero') }}</AppButton>
      </p>
      <p v-else class="soft small">{{ $t('check.noTester') }}</p>
      <ChoiceField
        v-if="testers.length > 1"
        v-model="chosen"
        :label="$t('check.whichTester')"
        :options="testers.map((one) => ({ value: one.id, label: one.name }))"
      />
      <p v-if="unzeroed" class="wrong small" role="status">{{ $t('check.wasNotZeroed') }}</p>
    </div>
    <TesterSimulator
      v-if="session.house?.isDemo"
      class="simulator"
      :guess="knife.zones[zone].forceGf"
      @name="simulator = $event"
    />
  </div>
</template>

<style scoped>
.entry {
  display: grid;
  grid-template: 'pad side' auto 'pad simulator' 1fr / auto minmax(0, 1fr);
  gap: 10px 26px;
}
.pad {
  grid-area: pad;
}
.simulator {
  grid-area: simulator;
  align-self: start;
}
.tester {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 4px 10px;
}
.side {
  grid-area: side;
  display: grid;
  gap: 8px;
  align-content: start;
}
.big {
  font-size: 3.4rem;
  font-weight: 700;
  line-height: 1;
}
.wrong {
  color: var(--out);
  font-weight: 600;
}
@media (max-width: 700px) {
  .entry {
    grid-template: 'side' 'pad' 'simulator' / minmax(0, 1fr);
    gap: 12px;
  }
}
</style>
