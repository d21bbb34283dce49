<script setup lang="ts">
import { computed, defineAsyncComponent, ref } from 'vue'
import type { CountOf } from '../../contract/counts'
import type { KnifeView } from '../../contract/knives'
import { endpoints } from '../../contract/endpoints'
import { kindInWords } from '../../words/knifeKind'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useResource } from '../live/resource'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'
import AppButton from '../ui/AppButton.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'
import { whoHad } from './whoHad'
import { knivesOf, useCount, type Counted } from './useCount'

/** At the end of a shift: is every knife back? Ticked by touch or by its label, and what is not there is asked for. */
const ScanDialog = defineAsyncComponent(() => import('../scan/ScanDialog.vue'))
const fleet = useFleet()
const formats = useFormats()
const notices = useNotices()
const { count, knives, here, away, begin, stop, turn, see, allHere, record } = useCount()
const { value: before } = useResource(endpoints.counts)
const { value: hands } = useResource(endpoints.lastHands)
const asking = ref(false)
const scanning = ref(false)
const busy = ref(false)
const counted = ref<Counted | null>(null)

interface Choice {
  readonly whose: CountOf
  readonly label: string
  readonly n: number
}
const choices = computed((): Choice[] => {
  const of = (label: string, whose: CountOf): Choice => ({ whose, label, n: knivesOf(fleet.knives, whose).length })
  const active = <T extends { readonly active: boolean }>(all: Iterable<T>): T[] => [...all].filter((one) => one.active)
  return [
    of(say('count.all'), { of: 'all' }),
    ...active(fleet.stations.values()).map(({ id, name }) => of(name, { of: 'station', id })),
    ...active(fleet.people.values()).map(({ id, name }) => of(name, { of: 'person', id })),
  ].filter(({ n }) => n > 0)
})
const nameOf = (whose: CountOf): string => {
  if (whose.of === 'all') return say('count.all')
  return (whose.of === 'station' ? fleet.stations : fleet.people).get(whose.id)?.name ?? ''
}
const codesOf = (some: readonly KnifeView[]): string => some.map(({ code }) => code).join(', ')
const last = computed(() => before.value?.[0])
const lastMissing = computed(() =>
  fleet.knives.filter(({ id }) => last.value?.missing.includes(id)).map(({ code }) => code),
)
const lastSeconds = computed(() =>
  last.value ? Math.round((Date.parse(last.value.endedAt) - Date.parse(last.value.startedAt)) / 1000) : 0,
)

function scanned(knife: KnifeView): void {
  if (see(knife)) notices.done(say('count.seen', { code: knife.code }))
  else notices.refused(say('count.notOfThese', { code: knife.code }))
}
async function finish(): Promise<void> {
  busy.value = true
  try {
    counted.value = await record()
    asking.value = false
  } catch (error) {
    notices.refused(refusalText(error))
  } finally {
    busy.value = false
  }
}
</script>

<template>
  <div>
    <header class="task-head">
      <b>{{ $t('count.title') }}</b>
      <span v-if="count">{{ nameOf(count.whose) }}</span>
      <span v-if="count" role="status">{{ $t('count.ofAll', { here: here.size, all: knives.length }) }}</span>
      <span class="end">
        <AppButton v-if="count" @click="(stop(), (asking = false))">{{ $t('count.stop') }}</AppButton>
        <AppButton v-else to="/today">{{ $t('exchange.toToday') }}</AppButton>
      </span>
    </header>

    <div v-if="counted" class="page result">
      <h1>
        {{ say('count.done', { n: counted.here + counted.missing.length, seconds: formats.seconds(counted.seconds) }) }}
      </h1>
      <p v-if="counted.missing.length === 0" class="lead">{{ $t('count.allThere') }}</p>
      <template v-else>
        <p class="lead">{{ say('count.missed', { n: counted.missing.length, codes: codesOf(counted.missing) }) }}</p>
        <p class="soft">{{ $t('count.missedHint') }}</p>
      </template>
      <p v-if="counted.found.length > 0">{{ $t('count.foundAgain', { codes: codesOf(counted.found) }) }}</p>
      <p class="keys">
        <AppButton kind="main" to="/today">{{ $t('exchange.toToday') }}</AppButton>
        <AppButton kind="quiet" @click="counted = null">{{ $t('count.another') }}</AppButton>
      </p>
    </div>

    <div v-else-if="!count" class="page">
      <h1>{{ $t('count.whose') }}</h1>
      <p v-if="last" class="soft">
        {{
          $t('count.last', {
            whose: nameOf(last.whose),
            when: formats.moment(last.endedAt),
            name: fleet.people.get(last.countedBy)?.name ?? '',
            seconds: formats.seconds(lastSeconds),
          })
        }}
        {{
          lastMissing.length > 0
            ? say('count.missed', { n: lastMissing.length, codes: lastMissing.join(', ') })
            : $t('count.allThere')
        }}
      </p>
      <ul class="tiles whose">
        <li v-for="choice in choices" :key="choice.label">
          <AppButton class="tile" big @click="begin(choice.whose)">
            {{ choice.label }} <span class="num soft">{{ choice.n }}</span>
          </AppButton>
        </li>
      </ul>
    </div>

    <div v-else-if="asking" class="page">
      <h1>{{ say('count.where', { n: away.length }) }}</h1>
      <ul class="asked">
        <li v-for="knife in away" :key="knife.id">
          <b class="num">{{ knife.code }}</b>
          <span>{{ kindInWords(knife, say, formats) }}</span>
          <span>{{ whoHad(knife, fleet, formats, hands) }}</span>
          <AppButton :aria-label="$t('count.isHereOf', { code: knife.code })" @click="turn(knife)">{{
            $t('count.isHere')
          }}</AppButton>
        </li>
      </ul>
      <p class="keys">
        <AppButton kind="main" big :disabled="busy" @click="finish">{{
          say('count.record', { n: away.length })
        }}</AppButton>
        <AppButton kind="quiet" @click="asking = false">{{ $t('count.goOn') }}</AppButton>
      </p>
    </div>

    <div v-else class="page">
      <h1 class="unseen">{{ nameOf(count.whose) }}</h1>
      <p class="keys">
        <AppButton icon="qrcode" @click="scanning = true">{{ $t('scan.title') }}</AppButton>
        <AppButton @click="allHere">{{ $t('count.allHere') }}</AppButton>
        <AppButton kind="main" :disabled="busy" @click="away.length === 0 ? finish() : (asking = true)">{{
          away.length === 0 ? $t('count.recordAll') : $t('count.finish')
        }}</AppButton>
      </p>
      <ul class="tiles">
        <li v-for="knife in knives" :key="knife.id">
          <AppButton
            class="tile"
            :class="{ here: here.has(knife.id) }"
            :aria-pressed="here.has(knife.id)"
            @click="turn(knife)"
          >
            <span class="pi mark" :class="here.has(knife.id) ? 'pi-check' : ''" aria-hidden="true" />
            <b class="num">{{ knife.code }}</b>
            <EdgeStrip :knife="knife" :px-per-mm="0.26" />
            <span v-if="knife.status !== 'in-service'" class="soft state">{{ $t(`status.${knife.status}`) }}</span>
          </AppButton>
        </li>
      </ul>
    </div>
    <ScanDialog v-if="scanning" v-model:visible="scanning" counts @seen="scanned" />
  </div>
</template>

<style scoped>
.tiles {
  display: grid;
  grid-template-columns: repeat(auto-fill, minmax(225px, 1fr));
  gap: 10px;
  margin-top: 16px;
}
.whose {
  grid-template-columns: repeat(auto-fill, minmax(260px, 1fr));
}
.tile {
  width: 100%;
  min-height: 62px;
  flex-wrap: wrap;
  row-gap: 0;
  justify-content: flex-start;
  text-align: left;
}
.here {
  background: var(--steel);
}
.mark {
  width: 18px;
}
.state {
  width: 100%;
  padding-left: 24px;
  font-weight: 400;
}
.asked li {
  display: grid;
  grid-template-columns: 80px minmax(0, 1fr) minmax(0, 1.4fr) auto;
  gap: 6px 14px;
  align-items: center;
  padding: 8px 0;
  border-bottom: 1px solid var(--rule);
}
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 10px;
  margin-top: 14px;
}
.result {
  display: grid;
  gap: 10px;
}
@media (max-width: 700px) {
  .asked li {
    grid-template-columns: 80px minmax(0, 1fr);
  }
}
</style>
