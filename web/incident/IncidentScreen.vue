<script setup lang="ts">
import { v7 as newId } from 'uuid'
import { computed, ref } from 'vue'
import { useRoute } from 'vue-router'
import { endpoints } from '../../contract/endpoints'
import { INCIDENT_KINDS, INCIDENT_PLACES, type NewIncident } from '../../contract/incidents'
import { STEP_KINDS } from '../../core/session/recipe'
import { capital } from '../../words/format'
import { call } from '../api'
import { say, useFormats } from '../i18n'
import { useResource } from '../live/resource'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import TextField from '../ui/TextField.vue'

/** What happened and where, in two touches, so that the kitchen learns from it; nobody's name is kept. */
const session = useSession()
const notices = useNotices()
const formats = useFormats()
const route = useRoute()
const what = ref<NewIncident['what'] | null>(null)
const note = ref('')
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
  }
  try {
    await call(endpoints.recordIncident, { body })
    what.value = null
    note.value = ''
    notices.done(say('incident.saved'))
    if (mayRead) await reload()
  } catch (error) {
    notices.refused(refusalText(error))
  } finally {
    busy.value = false
  }
}
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
    <section v-if="known" class="heavy-rule">
      <h2>{{ $t('incident.list') }}</h2>
      <p v-if="known.latest.length === 0" class="soft">{{ $t('incident.none') }}</p>
      <template v-else>
        <p v-if="known.yearly.length > 0">
          {{ $t('incident.year') }}:
          {{
            formats.list(
              known.yearly.map(
                (one) => `${$t(`incident.what.${one.what}`)} ${$t(`incident.place.${one.place}`)} ${times(one.count)}`,
              ),
            )
          }}
        </p>
        <ul>
          <li v-for="one in known.latest" :key="one.id">
            <span>{{ formats.moment(one.at) }}</span>
            <b>{{ capital($t(`incident.what.${one.what}`)) }} {{ $t(`incident.place.${one.place}`) }}</b>
            <span
              >{{ one.note }}
              <template v-if="one.step">{{
                $t('incident.atStep', { step: $t(`incident.step.${one.step}`) })
              }}</template></span
            >
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
