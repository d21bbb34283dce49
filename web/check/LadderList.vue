<script setup lang="ts">
import { computed, ref } from 'vue'
import { LADDER, type LadderRung } from '../../core/edge/model/ladder'
import type { Zone } from '../../core/knife/zones'
import { capital } from '../../words/format'
import { say } from '../i18n'
import type { CheckDraft } from './checkDraft'
import AppButton from '../ui/AppButton.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'

const props = defineProps<{ rungs: CheckDraft['rungs']; busy: boolean }>()
const emit = defineEmits<{ pick: [zone: Zone | 'whole', rung: LadderRung] }>()
const WHERE = ['whole', 'heel', 'belly', 'tip'] as const
const zone = ref<Zone | 'whole'>('whole')
const places = computed(() =>
  WHERE.map((value) => ({ value, label: say(value === 'whole' ? 'check.whole' : `zone.${value}`) })),
)
const picked = computed(() => (zone.value === 'whole' ? undefined : props.rungs[zone.value]))
</script>

<template>
  <section class="heavy-rule">
    <div class="head">
      <h2>{{ $t('check.without') }}</h2>
      <SegmentedChoice v-model="zone" :label="$t('check.where')" :options="places" />
    </div>
    <ul>
      <li v-for="rung in LADDER" :key="rung">
        <AppButton class="rung" :disabled="busy" :aria-pressed="picked === rung" @click="emit('pick', zone, rung)">
          {{ capital($t(`ladder.${rung}`)) }}
        </AppButton>
      </li>
    </ul>
    <p class="soft small">{{ $t(zone === 'whole' ? 'check.wholeHint' : 'check.zoneHint') }}</p>
  </section>
</template>

<style scoped>
.head {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 8px;
}
ul {
  display: grid;
  grid-template-columns: 1fr 1fr;
  gap: 8px;
  margin: 10px 0 6px;
}
.rung {
  width: 100%;
  min-height: 56px;
  white-space: normal;
}
.rung[aria-pressed='true'] {
  border-color: var(--ember);
  border-width: 2.5px;
}
</style>
