<script setup lang="ts">
import { computed, ref, watch } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { TimelineEvent } from '../../contract/events'
import { eventSentence } from '../../words/event'
import { say, useFormats } from '../i18n'
import { knifeHistory } from '../live/knifeHistory'
import { eventNames } from '../live/eventNames'
import { useFleet } from '../live/fleet'
import { useResource } from '../live/resource'
import { takeOut } from '../ledger/takeOut'
import PhotoStrip from '../photos/PhotoStrip.vue'
import { refusalText } from '../refusalText'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'
import PrintButton from '../ui/PrintButton.vue'

/** One knife's card for life: what it is, what it has become, and everything that changed it, to be printed and kept. */
const props = defineProps<{ code: string }>()
const fleet = useFleet()
const session = useSession()
const formats = useFormats()
const knife = computed(() => fleet.byCode(props.code))
const { value: photos } = useResource(endpoints.knifePhotos, () =>
  knife.value ? { params: { id: knife.value.id } } : null,
)
const { value: ledger } = useResource(endpoints.ledger, session.may('manage-house') ? {} : null)
const events = ref<readonly TimelineEvent[]>([])
const refusal = ref('')
/** What only says that it was used, honed or looked at is no milestone. */
const EVERYDAY: ReadonlySet<string> = new Set(['honed', 'used', 'checked', 'came-back'])
async function loadAll(id: string): Promise<void> {
  try {
    events.value = await knifeHistory(id)
    refusal.value = ''
  } catch (error) {
    refusal.value = refusalText(error)
  }
}
watch(
  () => knife.value?.id,
  (id) => {
    if (id) void loadAll(id)
  },
  { immediate: true },
)
const names = eventNames(fleet)
const milestones = computed(() =>
  events.value
    .filter(({ kind, voided }) => !voided && !EVERYDAY.has(kind))
    .map((event) => ({
      id: event.id,
      at: event.at,
      words: eventSentence(event, say, formats.value, names),
      who: event.personName ?? '',
    })),
)
const counts = computed(() => {
  const of = (kind: string): number => events.value.filter((event) => event.kind === kind && !event.voided).length
  return { honed: of('honed'), checked: of('checked'), sharpened: of('sharpened') }
})
const cost = computed(() => ledger.value?.knives.find(({ id }) => id === knife.value?.id))
const rows = computed((): readonly (readonly [string, string])[] => {
  const one = knife.value
  if (!one) return []
  const format = formats.value
  const money = (amount: number): string => format.money(amount, ledger.value?.money?.currency ?? null)
  return [
    [say('field.type'), say(`type.${one.type}`)],
    [say('field.lengthMm'), format.length(one.lengthMm)],
    [say('slip.steel'), [one.steelEn, `${one.hrc} HRC`].filter(Boolean).join(', ')],
    [say('field.heelHeightMm'), format.length(one.heelHeightMm)],
    [
      say('field.bteMm'),
      `${format.thickness(one.bteMm)} (${say('knife.whenNew', { value: format.thickness(one.bteNewMm) })})`,
    ],
    [say('slip.angles'), `${format.angle(one.dpsLeft)} / ${format.angle(one.dpsRight)}`],
    [say('ledger.station'), fleet.stations.get(one.stationId)?.name ?? ''],
    [say('field.boughtOn'), one.boughtOn === null ? say('ledger.open') : format.day(`${one.boughtOn}T12:00:00Z`)],
    ...(cost.value ? [[say('ledger.perMonth'), money(cost.value.perMonth)] as const] : []),
    [say('ledger.worn'), one.wornOut ? format.month(one.wornOut.middleAt) : say('ledger.open')],
    [say('card.honed'), String(counts.value.honed)],
    [say('card.checked'), String(counts.value.checked)],
    [say('card.sharpened'), String(counts.value.sharpened)],
  ]
})
const shownPhotos = computed(() =>
  (photos.value ?? []).map(({ id, at }) => ({ id, caption: formats.value.shortDay(at) })),
)
function list(): void {
  takeOut(`yorvik-${props.code}.csv`, [
    ...rows.value,
    [],
    [say('report.when'), say('ledger.what'), say('report.who')],
    ...events.value
      .filter(({ voided }) => !voided)
      .map((event) => [event.at, eventSentence(event, say, formats.value, names), event.personName ?? '']),
  ])
}
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ $t('card.title', { code: props.code }) }}</h1>
      <span class="soft">{{ session.house?.name }}</span>
      <span class="end no-print">
        <AppButton @click="list">{{ $t('report.csv') }}</AppButton>
        <PrintButton :label="$t('card.print')" />
      </span>
    </header>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <template v-if="knife">
      <EdgeStrip :knife="knife" large />
      <div class="columns">
        <dl>
          <template v-for="[what, value] in rows" :key="what">
            <dt>{{ what }}</dt>
            <dd class="num">{{ value }}</dd>
          </template>
        </dl>
        <section>
          <h2>{{ $t('card.milestones') }}</h2>
          <p v-if="milestones.length === 0" class="soft">{{ $t('report.noneOut') }}</p>
          <ol>
            <li v-for="one in milestones" :key="one.id">
              <time class="soft num" :datetime="one.at">{{ formats.day(one.at) }}</time>
              <span
                >{{ one.words }} <span class="soft small">{{ one.who }}</span></span
              >
            </li>
          </ol>
        </section>
      </div>
      <PhotoStrip v-if="shownPhotos.length > 0" :photos="shownPhotos" />
    </template>
    <p v-else class="lead">{{ fleet.fleet ? $t('knife.unknown', { code: props.code }) : $t('shell.loading') }}</p>
  </div>
</template>

<style scoped>
.columns {
  display: grid;
  grid-template-columns: minmax(260px, 1fr) minmax(0, 2fr);
  gap: 12px 40px;
  margin: 16px 0;
}
dl {
  display: grid;
  grid-template-columns: minmax(0, 1fr) auto;
  gap: 5px 18px;
  align-content: start;
  margin: 0;
}
dd {
  margin: 0;
  text-align: right;
}
li {
  display: grid;
  grid-template-columns: 110px minmax(0, 1fr);
  gap: 14px;
  padding: 5px 0;
  border-bottom: 1px solid var(--rule);
  break-inside: avoid;
}
@media (max-width: 800px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
