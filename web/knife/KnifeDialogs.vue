<script lang="ts">
export type KnifeDialog =
  | 'sharpened'
  | 'measure'
  | 'move'
  | 'quarantine'
  | 'release'
  | 'retire'
  | 'missing'
  | 'found'
  | 'practice'
  | 'send-out'
  | 'return'
  | 'edit'
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
import ReturnForm from './ReturnForm.vue'
import SendOutForm from './SendOutForm.vue'
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
const edit = showing('edit')
const sendOut = showing('send-out')
const back = showing('return')

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

/** What is recorded with a word on why, or where: what it is called, what it asks, and what it says when it is done. */
interface Reasoned {
  readonly title: string
  readonly hint: string
  readonly done: string
  readonly draft: (word: string) => Draft
}
const knifeId = computed(() => props.knife.id)
const noted =
  (kind: 'released' | 'missing' | 'found' | 'practice') =>
  (note: string): Draft => ({
    kind,
    knifeId: knifeId.value,
    payload: { note },
  })
const because =
  (kind: 'quarantined' | 'retired') =>
  (reason: string): Draft => ({
    kind,
    knifeId: knifeId.value,
    payload: { reason },
  })
const REASONED = {
  quarantine: {
    title: 'next.takeOut',
    hint: 'knife.takeOutHint',
    done: 'knife.outDone',
    draft: because('quarantined'),
  },
  release: { title: 'knife.release', hint: 'knife.releaseHint', done: 'knife.releasedDone', draft: noted('released') },
  missing: {
    title: 'knife.act.missing',
    hint: 'knife.missingHint',
    done: 'knife.missingDone',
    draft: noted('missing'),
  },
  found: { title: 'knife.act.found', hint: 'knife.foundHint', done: 'knife.foundDone', draft: noted('found') },
  practice: {
    title: 'knife.act.practice',
    hint: 'knife.practiceHint',
    done: 'knife.practiceDone',
    draft: noted('practice'),
  },
  retire: { title: 'knife.retire', hint: 'knife.retireHint', done: 'knife.retiredDone', draft: because('retired') },
} as const satisfies Partial<Record<KnifeDialog, Reasoned>>
const reasoned = (Object.keys(REASONED) as (keyof typeof REASONED)[]).map((key) => ({ key, ...REASONED[key] }))
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
  <AppDialog v-model:visible="sendOut" :title="$t('knife.act.send-out')" narrow>
    <SendOutForm :knife="knife" @record="record($event, 'knife.sendOutDone')" />
  </AppDialog>
  <AppDialog v-model:visible="back" :title="$t('knife.act.return')" narrow>
    <ReturnForm :knife="knife" @done="back = false" />
  </AppDialog>
  <AppDialog v-model:visible="edit" :title="$t('knife.editTitle', { code: knife.code })">
    <KnifeForm :knife="knife" @done="edit = false" />
  </AppDialog>
  <ReasonDialog
    v-for="{ key, title, hint, done, draft } in reasoned"
    :key="key"
    :visible="open === key"
    :title="$t(title)"
    :hint="$t(hint)"
    :action="$t(title)"
    v-bind="key === 'quarantine' ? { suggestions: unsafeReasons() } : {}"
    @update:visible="open = null"
    @given="record(draft($event), done)"
  />
</template>
