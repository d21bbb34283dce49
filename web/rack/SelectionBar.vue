<script setup lang="ts">
import { computed, ref } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { say } from '../i18n'
import { unsafeReasons } from '../ui/unsafeReasons'
import ReasonDialog from '../ui/ReasonDialog.vue'
import { useFleet } from '../live/fleet'
import { useRecords, type EventDraft } from '../live/records'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import AppDialog from '../ui/AppDialog.vue'
import ChoiceField from '../ui/ChoiceField.vue'
import { useHoning } from '../ui/useHoning'

/** What can be done with the knives chosen in the rack, all at once, each with its undo. */
const props = defineProps<{ knives: readonly KnifeView[]; of: number }>()
const emit = defineEmits<{ all: []; none: []; done: [] }>()
const fleet = useFleet()
const session = useSession()
const records = useRecords()
const notices = useNotices()
const honing = useHoning()
const handing = ref(false)
const takingOut = ref(false)
const holderId = ref<string | null>(null)

const codesOf = (knives: readonly KnifeView[]): string => knives.map(({ code }) => code).join(', ')
/** What is out of service is neither honed nor taken out again. */
const inService = computed(() => props.knives.filter(({ status }) => status === 'in-service'))
const people = computed(() => [
  { value: null, label: say('rack.nobody') },
  ...[...fleet.people.values()]
    .filter(({ active }) => active)
    .map(({ id, name }) => ({ value: id as string | null, label: name })),
])

async function recordAll(drafts: readonly EventDraft[], told: string): Promise<void> {
  handing.value = false
  takingOut.value = false
  if (drafts.length === 0) return
  try {
    notices.done(told, await records.recordAll(drafts))
    emit('none')
  } catch (error) {
    notices.refused(refusalText(error))
  }
}
function handOver(): Promise<void> {
  const to = holderId.value
  const name = fleet.people.get(to ?? '')?.name
  const moving = props.knives.filter((knife) => knife.holderId !== to)
  const codes = codesOf(moving)
  return recordAll(
    moving.map(({ id }) => ({ kind: 'moved', knifeId: id, payload: { holderId: to } })),
    name ? say('rack.handedOver', { codes, name }) : say('rack.freed', { codes }),
  )
}
const takeOut = (reason: string): Promise<void> =>
  recordAll(
    inService.value.map(({ id }) => ({ kind: 'quarantined', knifeId: id, payload: { reason } })),
    say('rack.outMany', { codes: codesOf(inService.value) }),
  )
async function hone(): Promise<void> {
  await honing.honedAll(inService.value)
  emit('none')
}
</script>

<template>
  <div class="selection no-print" role="group" :aria-label="$t('rack.choose')">
    <b class="num" role="status">{{ $t('rack.chosen', { n: knives.length }) }}</b>
    <AppButton kind="quiet" @click="emit('all')">{{ $t('rack.chooseAll', { n: of }) }}</AppButton>
    <AppButton kind="quiet" :disabled="knives.length === 0" @click="emit('none')">{{
      $t('rack.chooseNone')
    }}</AppButton>
    <span class="acts">
      <AppButton kind="main" :disabled="inService.length === 0 || honing.busy.value" @click="hone">{{
        $t('today.honed')
      }}</AppButton>
      <AppButton v-if="session.may('move-knife')" :disabled="knives.length === 0" @click="handing = true">{{
        $t('rack.handOver')
      }}</AppButton>
      <AppButton :disabled="inService.length === 0" @click="takingOut = true">{{ $t('rack.takeOut') }}</AppButton>
      <AppButton
        v-if="knives.length > 0"
        :to="{ name: 'labels', query: { knives: knives.map(({ code }) => code).join(' ') } }"
        >{{ $t('rack.labels') }}</AppButton
      >
      <AppButton kind="quiet" @click="emit('done')">{{ $t('rack.chooseDone') }}</AppButton>
    </span>
    <AppDialog v-model:visible="handing" :title="say('rack.handOverTo', { n: knives.length })" narrow>
      <ChoiceField v-model="holderId" :label="$t('field.holderId')" :options="people" />
      <div class="dialog-actions">
        <AppButton kind="main" @click="handOver">{{ $t('rack.handOver') }}</AppButton>
      </div>
    </AppDialog>
    <ReasonDialog
      v-model:visible="takingOut"
      :title="say('rack.takeOutMany', { n: inService.length })"
      :hint="codesOf(inService)"
      :action="$t('rack.takeOut')"
      :suggestions="unsafeReasons()"
      @given="takeOut"
    />
  </div>
</template>

<style scoped>
.selection {
  position: sticky;
  bottom: 0;
  z-index: 5;
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 6px 12px;
  padding: 10px 0;
  border-top: 3px solid var(--ember);
  background: var(--ground);
}
.acts {
  display: flex;
  flex-wrap: wrap;
  gap: 8px;
  margin-left: auto;
}
@media (max-width: 700px) {
  .selection {
    bottom: var(--bar);
  }
}
</style>
