<script setup lang="ts">
import { computed, ref } from 'vue'
import type { KnifeView } from '../../contract/knives'
import type { LadderRung } from '../../core/edge/model/ladder'
import { ZONES, type Zone } from '../../core/knife/zones'
import { say } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'
import { useKeys } from '../ui/useKeys'
import {
  checkDraft,
  checkPayload,
  isEmpty,
  type CheckPayload,
  isPlausibleForce,
  withoutLast,
  withReading,
} from './checkDraft'
import DefectMarks from './DefectMarks.vue'
import ForceEntry from './ForceEntry.vue'
import LadderList from './LadderList.vue'
import ZoneSpots from './ZoneSpots.vue'

const props = defineProps<{ knife: KnifeView; busy: boolean }>()
const emit = defineEmits<{ record: [payload: CheckPayload]; leave: [] }>()
const draft = checkDraft(props.knife.id)
const wrong = ref(false)
/** On a phone there is room for one way of checking at a time. */
const PANES = ['signs', 'tester'] as const
const pane = ref<(typeof PANES)[number]>('signs')
const panes = computed(() => PANES.map((value) => ({ value, label: say(`check.pane.${value}`) })))
const LONGEST = 4
const canRecord = computed(() => !isEmpty(draft.value) || draft.value.typed !== '')

function choose(zone: Zone): void {
  draft.value = { ...draft.value, zone, typed: '' }
}
function press(digit: string): void {
  wrong.value = false
  if (draft.value.typed.length < LONGEST) draft.value = { ...draft.value, typed: draft.value.typed + digit }
}
function erase(): void {
  draft.value =
    draft.value.typed === ''
      ? withoutLast(draft.value, draft.value.zone)
      : { ...draft.value, typed: draft.value.typed.slice(0, -1) }
}
function read(forceGf: number, tester: string | null = null): void {
  if (isPlausibleForce(forceGf))
    draft.value = { ...withReading(draft.value, Math.round(forceGf)), tester: tester ?? draft.value.tester }
  else wrong.value = true
}
/** Enter takes the typed force; with nothing typed it records the check. */
function enter(): void {
  if (draft.value.typed !== '') {
    const forceGf = Number(draft.value.typed)
    draft.value = { ...draft.value, typed: '' }
    read(forceGf)
  } else if (!isEmpty(draft.value)) emit('record', checkPayload(draft.value))
}
function record(): void {
  if (draft.value.typed !== '') enter()
  if (!isEmpty(draft.value) && !wrong.value) emit('record', checkPayload(draft.value))
}
/** A sign of the whole edge ends the check, with everything else that was found: forces, spots, defects. */
function pickRung(zone: Zone | 'whole', rung: LadderRung): void {
  if (zone !== 'whole') {
    draft.value = { ...draft.value, rungs: { ...draft.value.rungs, [zone]: rung } }
    return
  }
  if (draft.value.typed !== '') enter()
  if (!wrong.value) emit('record', checkPayload(draft.value, rung))
}
useKeys({
  ...Object.fromEntries(
    '0123456789'.split('').map((digit) => [
      digit,
      () => {
        press(digit)
      },
    ]),
  ),
  Backspace: erase,
  Enter: enter,
  h: () => {
    choose('heel')
  },
  b: () => {
    choose('belly')
  },
  t: () => {
    choose('tip')
  },
  Escape: () => {
    emit('leave')
  },
})
</script>

<template>
  <div class="form">
    <EdgeStrip :knife="knife" large class="strip" />
    <SegmentedChoice v-model="pane" class="panes" big :label="$t('check.how')" :options="panes" />
    <div class="left" :class="{ folded: pane !== 'tester' }">
      <ZoneSpots :knife="knife" :draft="draft" @choose="choose" />
      <ForceEntry
        :knife="knife"
        :typed="draft.typed"
        :zone="draft.zone"
        :wrong="wrong"
        @digit="press"
        @erase="erase"
        @enter="enter"
        @peak="read"
      />
    </div>
    <div class="right" :class="{ folded: pane !== 'signs' }">
      <LadderList :rungs="draft.rungs" :busy="busy" @pick="pickRung" />
      <DefectMarks v-model="draft" :known="knife.defects" :zones="ZONES" />
    </div>
    <footer>
      <AppButton big @click="emit('leave')">{{ $t('check.back') }} <kbd>Esc</kbd></AppButton>
      <AppButton kind="main" big :disabled="!canRecord || busy" @click="record">
        {{ $t('check.record') }} <kbd>Enter</kbd>
      </AppButton>
    </footer>
  </div>
</template>

<style scoped>
.form {
  flex: 1;
  display: grid;
  grid-template-columns: minmax(0, 1.35fr) minmax(320px, 1fr);
  gap: 10px 34px;
  padding: 14px 26px 96px;
  align-content: start;
}
.strip {
  grid-column: 1;
  max-height: 120px;
}
.left {
  grid-column: 1;
}
.right {
  grid-column: 2;
  grid-row: 1 / 3;
}
.panes {
  display: none;
}
.left,
.right {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 12px;
  align-content: start;
}
footer {
  position: fixed;
  inset: auto 0 0 0;
  display: grid;
  grid-template-columns: 1fr 2.4fr;
  gap: 12px;
  padding: 10px 26px 14px;
  background: var(--ground);
  border-top: 1px solid var(--rule);
}
@media (max-width: 860px) {
  .form {
    grid-template-columns: minmax(0, 1fr);
    padding-inline: 14px;
  }
  .left,
  .right,
  .strip {
    grid-column: 1;
    grid-row: auto;
  }
  .panes {
    display: flex;
  }
  .panes :deep(button) {
    flex: 1;
  }
  .folded {
    display: none;
  }
  footer {
    padding-inline: 14px;
  }
}
</style>
