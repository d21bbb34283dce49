<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { endpoints } from '../../contract/endpoints'
import { INCIDENT_KINDS, INCIDENT_PLACES, type Incidents, type NewIncident } from '../../contract/incidents'
import type { HarmCause } from '../../core/edge/model/events'
import { STEP_KINDS } from '../../core/session/recipe'
import { capital } from '../../words/format'
import { incidentWords } from '../../words/incident'
import { call } from '../api'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useResource } from '../live/resource'
import PhotoStrip from '../photos/PhotoStrip.vue'
import { usePhotoTaking } from '../photos/usePhotoTaking'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import FileField from '../ui/FileField.vue'
import TextField from '../ui/TextField.vue'
import HurtFields from './HurtFields.vue'

/** What happened and where, in two touches, so that the kitchen learns from it; nobody's name is kept. */
const session = useSession()
const fleet = useFleet()
const notices = useNotices()
const formats = useFormats()
const route = useRoute()
const what = ref<NewIncident['what'] | null>(null)
const note = ref('')
const cause = ref<HarmCause | ''>('')
const knifeId = ref('')
/** the last one written down here, so that pictures can be put to it */
const lastId = ref<string | null>(null)
const { busy: taking, problem, take } = usePhotoTaking()
const pictures = ref(0)
const busy = ref(false)
/** the step of a session that led here */
const step = computed((): NewIncident['step'] => STEP_KINDS.find((kind) => kind === route.query['step']) ?? '')
const mayRead = session.may('manage-house')
const { value: known, reload } = useResource(endpoints.incidents, mayRead ? {} : null)

async function record(place: NewIncident['place']): Promise<void> {
  if (!what.value || busy.value) return
  busy.value = true
  const body = {
    id: newId(),
    at: session.now().toISOString(),
    what: what.value,
    place,
    step: step.value,
    note: note.value,
    ...(what.value === 'blade-hurt' ? { cause: cause.value, knifeId: knifeId.value || null } : {}),
  }
  try {
    await call(endpoints.recordIncident, { body })
    what.value = null
    note.value = ''
    cause.value = ''
    knifeId.value = ''
    lastId.value = body.id
    pictures.value = 0
    notices.done(say('incident.saved'))
    if (mayRead) await reload()
  } catch (error) {
    notices.refused(refusalText(error))
  } finally {
    busy.value = false
  }
}
async function addPhoto(file: File): Promise<void> {
  const id = lastId.value
  if (!id || !(await take(file, (body) => call(endpoints.addIncidentPhoto, { params: { id }, body })))) return
  pictures.value++
  if (mayRead) await reload()
}
const codeOf = (id: string | null): string => fleet.byId(id ?? '')?.code ?? ''
const detail = ({ cause: from, knifeId: which }: Incidents['latest'][number]): string =>
  [codeOf(which), from ? say(`harm.cause.${from}`) : ''].filter(Boolean).join(', ')
const times = (n: number): string => say('incident.times', { n })
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('incident.title') }}</h1>
    </header>
    <p class="lead">{{ $t('incident.hint') }}</p>
    <h2>{{ $t('incident.whatAsk') }}</h2>
    <div class="keys">
      <AppButton v-for="one in INCIDENT_KINDS" :key="one" big :aria-pressed="what === one" @click="what = one">{{
        capital($t(`incident.what.${one}`))
      }}</AppButton>
    </div>
    <HurtFields v-if="what === 'blade-hurt'" v-model:cause="cause" v-model:knife-id="knifeId" />
    <h2>{{ $t('incident.whereAsk') }}</h2>
    <div class="keys">
      <AppButton
        v-for="place in INCIDENT_PLACES"
        :key="place"
        big
        :disabled="what === null || busy"
        @click="record(place)"
        >{{ capital($t(`incident.place.${place}`)) }}</AppButton
      >
    </div>
    <TextField v-model="note" class="note" :label="$t('incident.note')" />
    <div v-if="lastId" class="pictures" role="status">
      <p>{{ $t('incident.photoAsk') }} {{ pictures > 0 ? say('incident.photosKept', { n: pictures }) : '' }}</p>
      <FileField :label="$t('bench.photos.take')" accept="image/*" camera :disabled="taking" @chosen="addPhoto" />
      <p v-if="problem" class="refusal" role="alert">{{ problem }}</p>
    </div>
    <section v-if="known" class="heavy-rule">
      <h2>{{ $t('incident.list') }}</h2>
      <p v-if="known.latest.length === 0" class="soft">{{ $t('incident.none') }}</p>
      <template v-else>
        <p v-if="known.yearly.length > 0">
          {{
            $t('shell.pair', {
              name: $t('incident.year'),
              value: formats.list(
                known.yearly.map((one) =>
                  say('incident.often', { event: incidentWords(one, say), times: times(one.count) }),
                ),
              ),
            })
          }}
        </p>
        <ul>
          <li v-for="one in known.latest" :key="one.id">
            <span>{{ formats.moment(one.at) }}</span>
            <b>{{ capital(incidentWords(one, say)) }}</b>
            <span
              >{{ one.note }} {{ detail(one) }}
              <template v-if="one.step">{{
                $t('incident.atStep', { step: $t(`incident.step.${one.step}`) })
              }}</template></span
            >
            <PhotoStrip
              v-if="one.photoIds.length > 0"
              class="photos"
              :photos="one.photoIds.map((id) => ({ id, caption: '' }))"
            />
          </li>
        </ul>
      </template>
    </section>
  </div>
</template>

<style scoped>
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
  margin: 10px 0 18px;
}
.note {
  max-width: 36em;
}
.pictures {
  display: grid;
  gap: 8px;
  justify-items: start;
  margin-top: 14px;
}
.photos {
  grid-column: 1 / -1;
}
section {
  margin-top: 22px;
}
li {
  display: grid;
  grid-template-columns: 130px minmax(0, 1fr) minmax(0, 1.4fr);
  gap: 6px 16px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
@media (max-width: 700px) {
  li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
