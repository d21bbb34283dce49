<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { reactive, ref } from 'vue'
import { payloads, type NewEvent } from '../../contract/events'
import { endpoints } from '../../contract/endpoints'
import type { KnifeView } from '../../contract/knives'
import type { NewPhoto } from '../../contract/photos'
import { ZONES, type Zone } from '../../core/knife/zones'
import { call } from '../api'
import { say } from '../i18n'
import { usePhotoTaking } from '../photos/usePhotoTaking'
import FileField from '../ui/FileField.vue'
import { useLive } from '../live/live'
import { useRecords, type EventDraft } from '../live/records'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import AppForm from '../ui/AppForm.vue'
import MeasureField from '../ui/MeasureField.vue'
import SegmentedChoice from '../ui/SegmentedChoice.vue'
import TextField from '../ui/TextField.vue'

/**
 * A knife is back: whether it was ground, what that cost, and what it is now, at three spots, in height and thickness.
 * An angle that the grinder left is the knife's own from now on.
 */
type Returned = Extract<NewEvent, { kind: 'returned' }>
const props = defineProps<{ knife: KnifeView }>()
const emit = defineEmits<{ done: [] }>()
const records = useRecords()
const notices = useNotices()
const session = useSession()
const ground = ref(true)
const note = ref('')
const found = reactive<Record<'dps' | 'price' | 'heelHeightMm' | 'bteMm', number | null>>({
  dps: null,
  price: null,
  heelHeightMm: null,
  bteMm: null,
})
const photo = ref<File | null>(null)
const { problem, take } = usePhotoTaking()
const { client } = useLive()
const keepPhoto = (body: NewPhoto & { eventId: string }): Promise<unknown> =>
  call(endpoints.addKnifePhoto, { params: { id: props.knife.id }, body })
const forces = reactive<Record<Zone, number | null>>({ heel: null, belly: null, tip: null })
const choices = [
  { value: true, label: say('knife.returnGround') },
  { value: false, label: say('knife.returnAsWas') },
]
const draft = (): object => ({
  ground: ground.value,
  ...(ground.value && found.dps !== null ? { dps: found.dps } : {}),
  ...(found.price === null ? {} : { price: found.price }),
  ...(note.value.trim() ? { note: note.value } : {}),
})
async function record(payload: Returned['payload']): Promise<void> {
  const { id: knifeId, code } = props.knife
  const measured = {
    ...(found.heelHeightMm === null ? {} : { heelHeightMm: found.heelHeightMm }),
    ...(found.bteMm === null ? {} : { bteMm: found.bteMm }),
  }
  const readings = ZONES.flatMap((zone) => {
    const force = forces[zone]
    return force === null ? [] : [{ zone, forcesGf: [force] }]
  })
  const eventId = newId()
  const drafts: EventDraft[] = [
    { kind: 'returned', id: eventId, knifeId, payload },
    ...(Object.keys(measured).length > 0 ? [{ kind: 'measured' as const, knifeId, payload: measured }] : []),
    ...(readings.length > 0 ? [{ kind: 'checked' as const, knifeId, payload: { readings, ladder: [] } }] : []),
  ]
  const undo = await records.recordAll(drafts)
  if (payload.dps !== undefined && session.may('edit-knife'))
    await call(endpoints.editKnife, {
      params: { id: knifeId },
      body: { dpsLeft: payload.dps, dpsRight: payload.dps },
    })
  const picture = photo.value
  if (picture && !(await take(picture, (body) => keepPhoto({ ...body, eventId })))) notices.refused(problem.value)
  // the knife’s page may have asked for its pictures as the knife came back, before this one was kept
  else if (picture) void client.invalidateQueries({ queryKey: [endpoints.knifePhotos.path] })
  emit('done')
  notices.done(say('knife.returnDone', { code }), undo)
}
</script>

<template>
  <AppForm :schema="payloads.returned" :draft="draft" :send="record">
    <p class="soft">{{ $t('knife.returnHint') }}</p>
    <SegmentedChoice v-model="ground" :label="$t('knife.act.return')" :options="choices" />
    <div class="row">
      <MeasureField v-for="zone in ZONES" :key="zone" v-model="forces[zone]" :label="$t(`zone.${zone}`)" unit="gf" />
    </div>
    <div class="row">
      <MeasureField
        v-model="found.heelHeightMm"
        :label="$t('field.heelHeightMm')"
        unit="mm"
        :usual="knife.heelHeightMm"
      />
      <MeasureField v-model="found.bteMm" :label="$t('field.bteMm')" unit="mm" :usual="knife.bteMm" />
    </div>
    <div class="row">
      <MeasureField v-if="ground" v-model="found.dps" name="dps" :label="$t('knife.returnDps')" unit="°" />
      <MeasureField v-model="found.price" name="price" :label="$t('knife.returnPrice')" />
    </div>
    <TextField v-model="note" name="note" :label="$t('field.note')" />
    <FileField :label="photo?.name ?? $t('bench.photos.take')" accept="image/*" camera @chosen="photo = $event" />
    <div class="dialog-actions">
      <AppButton kind="main" type="submit">{{ $t('knife.act.return') }}</AppButton>
    </div>
  </AppForm>
</template>

<style scoped>
form,
.row {
  display: grid;
  gap: 12px;
}
.row {
  grid-template-columns: repeat(auto-fit, minmax(110px, 1fr));
}
</style>
