<script lang="ts">
export type KnifeDialog =
  'sharpened' | 'measure' | 'move' | 'quarantine' | 'release' | 'retire' | 'missing' | 'found' | 'practice' | 'edit'
</script>

<script setup lang="ts">
import { computed, type WritableComputedRef } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { say } from '../i18n'
import { useRecords } from '../live/records'
import KnifeForm from '../rack/KnifeForm.vue'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import AppDialog from '../ui/AppDialog.vue'
import MeasureForm from './MeasureForm.vue'
import MoveForm from './MoveForm.vue'
import ReasonDialog from '../ui/ReasonDialog.vue'
import SharpenedForm from './SharpenedForm.vue'
import { unsafeReasons } from '../ui/unsafeReasons'

const props = defineProps<{ knife: KnifeView }>()
const open = defineModel<KnifeDialog | null>({ required: true })
const records = useRecords()
const notices = useNotices()

const showing = (dialog: KnifeDialog): WritableComputedRef<boolean> =>
  computed({
    get: () => open.value === dialog,
    set: (visible) => {
      if (!visible) open.value = null
    },
  })
const sharpened = showing('sharpened')
const measure = showing('measure')
const move = showing('move')
const quarantine = showing('quarantine')
const release = showing('release')
const retire = showing('retire')
const missing = showing('missing')
const found = showing('found')
const practice = showing('practice')
const edit = showing('edit')

type Draft = Parameters<typeof records.record>[0]
async function record(draft: Draft, done: string): Promise<void> {
  open.value = null
  try {
    const id = await records.record(draft)
    notices.done(say(done, { code: props.knife.code }), () => records.undo(props.knife.id, id, say('shell.undone')))
  } catch (error) {
    notices.refused(refusalText(error))
  }
}
const unsafe = computed(unsafeReasons)
</script>

<template>
  <AppDialog v-model:visible="sharpened" :title="$t('knife.sharpenedTitle')" narrow>
    <SharpenedForm :knife="knife" @record="record($event, 'knife.sharpenedDone')" />
  </AppDialog>
  <AppDialog v-model:visible="measure" :title="$t('knife.measureTitle')" narrow>
    <MeasureForm :knife="knife" @record="record($event, 'knife.measuredDone')" />
  </AppDialog>
  <AppDialog v-model:visible="move" :title="$t('knife.move')" narrow>
    <MoveForm :knife="knife" @record="record($event, 'knife.movedDone')" />
  </AppDialog>
  <AppDialog v-model:visible="edit" :title="$t('knife.editTitle', { code: knife.code })">
    <KnifeForm :knife="knife" @done="edit = false" />
  </AppDialog>
  <ReasonDialog
    v-model:visible="quarantine"
    :title="$t('next.takeOut')"
    :hint="$t('knife.takeOutHint')"
    :action="$t('next.takeOut')"
    :suggestions="unsafe"
    @given="record({ kind: 'quarantined', knifeId: knife.id, payload: { reason: $event } }, 'knife.outDone')"
  />
  <ReasonDialog
    v-model:visible="release"
    :title="$t('knife.release')"
    :hint="$t('knife.releaseHint')"
    :action="$t('knife.release')"
    @given="record({ kind: 'released', knifeId: knife.id, payload: { note: $event } }, 'knife.releasedDone')"
  />
  <ReasonDialog
    v-model:visible="missing"
    :title="$t('knife.act.missing')"
    :hint="$t('knife.missingHint')"
    :action="$t('knife.act.missing')"
    @given="record({ kind: 'missing', knifeId: knife.id, payload: { note: $event } }, 'knife.missingDone')"
  />
  <ReasonDialog
    v-model:visible="found"
    :title="$t('knife.act.found')"
    :hint="$t('knife.foundHint')"
    :action="$t('knife.act.found')"
    @given="record({ kind: 'found', knifeId: knife.id, payload: { note: $event } }, 'knife.foundDone')"
  />
  <ReasonDialog
    v-model:visible="practice"
    :title="$t('knife.act.practice')"
    :hint="$t('knife.practiceHint')"
    :action="$t('knife.act.practice')"
    @given="record({ kind: 'practice', knifeId: knife.id, payload: { note: $event } }, 'knife.practiceDone')"
  />
  <ReasonDialog
    v-model:visible="retire"
    :title="$t('knife.retire')"
    :hint="$t('knife.retireHint')"
    :action="$t('knife.retire')"
    @given="record({ kind: 'retired', knifeId: knife.id, payload: { reason: $event } }, 'knife.retiredDone')"
  />
</template>
