<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { TimelineEvent } from '../../contract/events'
import type { KnifeView } from '../../contract/knives'
import { eventSentence } from '../../words/event'
import { call } from '../api'
import { say, useFormats } from '../i18n'
import { eventNames } from '../live/eventNames'
import { useFleet } from '../live/fleet'
import { useRecords } from '../live/records'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import { useSession } from '../stores/session'
import ReasonDialog from '../ui/ReasonDialog.vue'
import AppButton from '../ui/AppButton.vue'

const props = defineProps<{ knife: KnifeView }>()
const fleet = useFleet()
const formats = useFormats()
const session = useSession()
const records = useRecords()
const notices = useNotices()
const events = ref<readonly TimelineEvent[]>([])
const refusal = ref('')
const voiding = ref<TimelineEvent | null>(null)
const PAGE = 60
const withHoning = ref(false)
const notable = computed(() =>
  events.value.filter((event) => event.kind !== 'honed' || event.payload['cameBack'] !== undefined || event.voided),
)
const shown = computed(() => (withHoning.value || notable.value.length === 0 ? events.value : notable.value))
const hasMore = ref(false)

async function load(before?: TimelineEvent): Promise<void> {
  try {
    const page = await call(endpoints.timeline, {
      params: { id: props.knife.id },
      query: { most: PAGE, ...(before ? { before: before.at, beforeId: before.id } : {}) },
    })
    events.value = before ? [...events.value, ...page] : page
    hasMore.value = page.length === PAGE
    refusal.value = ''
  } catch (error) {
    refusal.value = refusalText(error)
  }
}
// the store replaces a knife's record whenever anything about it changed
watch(
  () => props.knife,
  () => {
    void load()
  },
  { immediate: true },
)

const mayVoid = (event: TimelineEvent): boolean =>
  event.voided === null &&
  event.kind !== 'added' &&
  (event.personId === session.person?.id ? session.may('void-own') : session.may('void-any'))
const asking = computed({
  get: () => voiding.value !== null,
  set: (open) => {
    if (!open) voiding.value = null
  },
})

async function takeBack(reason: string): Promise<void> {
  const event = voiding.value
  voiding.value = null
  if (!event) return
  try {
    await records.undo(props.knife.id, event.id, reason)
  } catch (error) {
    notices.refused(refusalText(error))
  }
}
const names = eventNames(fleet)
</script>

<template>
  <section class="heavy-rule">
    <div class="head">
      <h2>{{ $t('knife.history') }}</h2>
      <RouterLink class="no-print small" :to="{ name: 'card', params: { code: knife.code } }">{{
        $t('card.open')
      }}</RouterLink>
      <AppButton kind="quiet" small class="no-print" :aria-pressed="withHoning" @click="withHoning = !withHoning">
        {{ $t(withHoning ? 'knife.hideHoning' : 'knife.showHoning') }}
      </AppButton>
    </div>
    <p v-if="refusal" class="refusal">{{ refusal }}</p>
    <ol>
      <li v-for="event in shown" :key="event.id" :class="{ voided: event.voided }">
        <time class="soft num" :datetime="event.at">{{ formats.moment(event.at) }}</time>
        <div>
          <p :class="{ struck: event.voided }">
            {{ eventSentence(event, say, formats, names) }}
            <span v-if="event.effect && event.kind !== 'checked' && !event.voided" class="soft num">{{
              $t('event.effect', { before: event.effect.beforeGf, after: formats.force(event.effect.afterGf) })
            }}</span>
          </p>
          <p class="soft small">
            {{ [event.personName, event.deviceName].filter(Boolean).join(', ') }}
            <template v-if="event.voided">{{
              $t('event.voidedBy', {
                name: event.voided.personName ?? '',
                day: formats.shortDay(event.voided.at),
                reason: event.voided.reason,
              })
            }}</template>
          </p>
        </div>
        <AppButton
          kind="quiet"
          small
          v-if="mayVoid(event)"
          class="no-print"
          :aria-label="$t('event.takeBackOf', { time: formats.moment(event.at) })"
          @click="voiding = event"
        >
          {{ $t('event.takeBack') }}
        </AppButton>
      </li>
    </ol>
    <p v-if="events.length === 0 && !refusal" class="soft">{{ $t('knife.noHistory') }}</p>
    <AppButton v-if="hasMore" @click="load(events.at(-1))">
      {{ $t('knife.older') }}
    </AppButton>
    <ReasonDialog
      v-model:visible="asking"
      :title="$t('event.takeBackTitle')"
      :hint="$t('event.takeBackHint')"
      :action="$t('event.takeBack')"
      @given="takeBack"
    />
  </section>
</template>

<style scoped>
.head {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
}
li {
  display: grid;
  grid-template-columns: 116px minmax(0, 1fr) auto;
  gap: 12px;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
.struck {
  text-decoration: line-through;
  color: var(--ink-soft);
}
.button {
  margin-top: 4px;
}
li .button {
  margin: 0;
  min-height: 36px;
}
</style>
