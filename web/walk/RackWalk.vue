<script setup lang="ts">
import { computed, defineAsyncComponent, ref, watch } from 'vue'
import { LADDER } from '../../core/edge/model/ladder'
import { isCountedOnly } from '../../core/knife/knifeTypes'
import { kindInWords } from '../../words/knifeKind'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import AppButton from '../ui/AppButton.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import LifeSizeBlade from './LifeSizeBlade.vue'
import TypePicker from './TypePicker.vue'
import { useRackWalk } from './useRackWalk'

/** At the rack with a tablet: one knife after another, by shape, length, place, hands and one sign. */
const fleet = useFleet()
const formats = useFormats()
const { draft, knives, waiting, change, choose, next, drop, begin } = useRackWalk()
const ended = ref(false)
const scanning = ref(false)
const ScanDialog = defineAsyncComponent(() => import('../scan/ScanDialog.vue'))

const stations = computed(() =>
  [...fleet.stations.values()].filter(({ active }) => active).map(({ id, name }) => ({ value: id, label: name })),
)
const people = computed(() => [
  { value: null as string | null, label: say('rack.nobody') },
  ...[...fleet.people.values()]
    .filter(({ active }) => active)
    .map(({ id, name }) => ({ value: id as string | null, label: name })),
])
// the house may come after its screen
watch(
  stations,
  (known) => {
    const [first] = known
    if (first && !known.some(({ value }) => value === draft.value.stationId)) change({ stationId: first.value })
  },
  { immediate: true },
)
const isCounted = computed(() => draft.value.type !== null && isCountedOnly(draft.value.type))
const codes = computed(() => knives.value.flatMap(({ code }) => code ?? []))
const FEW_STATIONS = 6
</script>

<template>
  <div class="walk">
    <header class="task-head">
      <b>{{ $t('walk.title') }}</b>
      <span role="status">{{ say('walk.count', { n: knives.length }) }}</span>
      <span v-if="waiting > 0">{{ say('walk.waiting', { n: waiting }) }}</span>
      <span class="end">
        <AppButton v-if="ended" @click="ended = false">{{ $t('walk.goOn') }}</AppButton>
        <AppButton v-else @click="ended = true">{{ $t('walk.finish') }}</AppButton>
      </span>
    </header>
    <div v-if="ended" class="page">
      <h1>{{ say('walk.done', { n: knives.length }) }}</h1>
      <p class="soft">{{ $t('walk.doneHint') }}</p>
      <ul class="done">
        <li v-for="one in knives" :key="one.id">
          <b class="num">{{ one.code ?? '…' }}</b>
          <span>{{ kindInWords(one, say, formats) }}</span>
          <span class="soft">{{ fleet.stations.get(one.stationId)?.name }}</span>
          <span v-if="one.refusal" class="wrong">
            {{ one.refusal }}
            <AppButton kind="quiet" @click="drop(one.id)">{{ $t('walk.drop') }}</AppButton>
          </span>
        </li>
      </ul>
      <p class="keys">
        <AppButton v-if="codes.length > 0" kind="main" :to="{ name: 'labels', query: { knives: codes.join(' ') } }">{{
          $t('walk.labels')
        }}</AppButton>
        <AppButton to="/today">{{ $t('exchange.toToday') }}</AppButton>
        <AppButton kind="quiet" :disabled="waiting > 0" @click="((ended = false), begin())">{{
          $t('walk.new')
        }}</AppButton>
      </p>
    </div>
    <div v-else-if="draft.type === null" class="page">
      <p class="lead">{{ $t('walk.what') }}</p>
      <TypePicker @chosen="choose" />
    </div>
    <div v-else class="page one">
      <p class="kind">
        <b>{{ $t(`type.${draft.type}`) }}</b>
        <AppButton kind="quiet" @click="choose(null)">{{ $t('walk.other') }}</AppButton>
      </p>
      <LifeSizeBlade
        :type="draft.type"
        :model-value="draft.lengthMm"
        @update:model-value="change({ lengthMm: $event })"
      />
      <div class="fields">
        <AppButton icon="qrcode" @click="scanning = true">{{ $t('walk.scan') }}</AppButton>
        <SegmentedChoice
          v-if="stations.length <= FEW_STATIONS"
          :model-value="draft.stationId"
          :label="$t('field.stationId')"
          :options="stations"
          @update:model-value="$event && change({ stationId: $event })"
        />
        <ChoiceField
          v-else
          :model-value="draft.stationId"
          :label="$t('field.stationId')"
          :options="stations"
          @update:model-value="change({ stationId: $event })"
        />
        <ChoiceField
          :model-value="draft.holderId"
          :label="$t('field.holderId')"
          :options="people"
          @update:model-value="change({ holderId: $event })"
        />
      </div>
      <div v-if="!isCounted" class="signs" role="group" :aria-label="$t('walk.sign')">
        <span class="soft">{{ $t('walk.sign') }}</span>
        <AppButton
          v-for="rung in LADDER"
          :key="rung"
          :aria-pressed="draft.sign === rung"
          @click="change({ sign: draft.sign === rung ? null : rung })"
          >{{ $t(`ladder.${rung}`) }}</AppButton
        >
      </div>
      <p class="keys">
        <AppButton kind="main" big :disabled="draft.stationId === ''" @click="next">{{ $t('walk.next') }}</AppButton>
      </p>
    </div>
    <ScanDialog v-if="scanning" v-model:visible="scanning" asks-place @place="change({ stationId: $event })" />
  </div>
</template>

<style scoped>
.one {
  display: grid;
  gap: 14px;
}
.kind {
  display: flex;
  align-items: baseline;
  gap: 16px;
  font-size: 1.25rem;
}
.fields {
  display: flex;
  flex-wrap: wrap;
  gap: 12px 24px;
  align-items: end;
}
.signs,
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  align-items: center;
}
.done {
  display: grid;
  gap: 6px;
  margin: 14px 0;
}
.done li {
  display: flex;
  flex-wrap: wrap;
  gap: 4px 14px;
  align-items: baseline;
}
.done b {
  min-width: 5em;
  font-size: 1.15rem;
}
.wrong {
  color: var(--out);
}
</style>
