<script setup lang="ts">
import { useNow } from '@vueuse/core'
import { computed, defineAsyncComponent, nextTick, ref, watch } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { KnifeView } from '../../contract/knives'
import { daySummary, sittingMinutes } from '../../words/day'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useResource } from '../live/resource'
import { useSession } from '../stores/session'
import AppButton from '../ui/AppButton.vue'
import EdgeLegend from '../ui/EdgeLegend.vue'
import PersonTurner from '../ui/PersonTurner.vue'
import PrintButton from '../ui/PrintButton.vue'
import ServiceClock from '../ui/ServiceClock.vue'
import { whoHad } from '../count/whoHad'
import { useBringAlong } from '../bench/useBringAlong'
import { useMovingIn } from '../movingIn/useMovingIn'
import { useHoning } from '../ui/useHoning'
import { useKeys } from '../ui/useKeys'
import { benchMinutesLeft, dayList, toBeHoned } from './dayList'
import KnifeNames from './KnifeNames.vue'
import PersonDay from './PersonDay.vue'
import StoneList from './StoneList.vue'

/** Not needed to read the day, so it comes after it. */
const SoakAhead = defineAsyncComponent(() => import('./SoakAhead.vue'))
const StationHoning = defineAsyncComponent(() => import('./StationHoning.vue'))
const KitchenWalk = defineAsyncComponent(() => import('./KitchenWalk.vue'))
const fleet = useFleet()
const session = useSession()
const formats = useFormats()
const wallNow = useNow({ interval: 15_000 })
const nowMs = computed(() => wallNow.value.getTime() + session.clockOffsetMs)
const nowText = computed(() => new Date(nowMs.value).toISOString())
const list = computed(() => (fleet.fleet ? dayList(fleet.fleet, session.person?.id ?? null) : null))
/** A screen shows about this many people; the rest come a few a frame once these are on it. */
const FIRST_PEOPLE = 3
/** So many knives for the stones stand beside them. */
const FIRST_STONES = 8
const peopleShown = ref(FIRST_PEOPLE)
const walking = ref(false)
/** On a phone one person is shown at a time: the one last turned to, else the first of the list. */
const chosenPerson = ref('')
const turnedTo = computed({
  get: () => {
    const people = list.value?.people ?? []
    return (people.find(({ person }) => person.id === chosenPerson.value) ?? people[0])?.person.id ?? ''
  },
  set: (id) => {
    chosenPerson.value = id
  },
})
const { honedAll } = useHoning()
useKeys({
  h: () => {
    const mine = toBeHoned(fleet.knives.filter(({ holderId }) => holderId === session.person?.id))
    if (mine.length > 0) void honedAll(mine)
  },
})
const { left: stepsLeft } = useMovingIn()
const allShown = computed(() => list.value !== null && peopleShown.value >= list.value.people.length)
watch(
  // people may come to the list later than it: a kitchen has just brought its own
  [() => list.value?.people.length, peopleShown],
  async () => {
    if (!list.value || allShown.value) return
    await nextTick()
    // one frame to paint what is there, the next to add to it
    requestAnimationFrame(() =>
      requestAnimationFrame(() => {
        peopleShown.value += FIRST_PEOPLE
      }),
    )
  },
  { immediate: true },
)
useBringAlong(computed(() => list.value?.stones ?? []))
const minutesLeft = computed(() => (fleet.fleet ? benchMinutesLeft(fleet.fleet.day, nowMs.value) : 0))
const stoneMinutes = computed(() => sittingMinutes(list.value?.stones ?? []))
const whyOut = ({ statusReason, statusSince }: KnifeView): string =>
  say('verdict.since', { reason: statusReason ?? '', day: formats.value.shortDay(statusSince) })
const howItStands = ({ type, word }: KnifeView): string => `${say(`type.${type}`)}, ${say(`edge.${word}`)}`
// whom to ask is asked for only where something is missing
const { value: hands } = useResource(endpoints.lastHands, () => (list.value?.missing.length ? {} : null))
const lastWith = (knife: KnifeView): string =>
  `${whoHad(knife, fleet, formats.value, hands.value)} ${say('verdict.missedSince', { day: formats.value.shortDay(knife.statusSince) })}`
const summary = computed(() =>
  fleet.fleet && list.value
    ? daySummary(fleet.fleet, list.value.stones, minutesLeft.value, nowMs.value, say, formats.value)
    : '',
)
</script>

<template>
  <div class="page">
    <header class="page-head">
      <h1>{{ formats.longDay(nowText) }}</h1>
      <span class="soft">{{ session.house?.name }}</span>
      <span class="end soft">
        {{ session.person?.name }}
        <AppButton
          v-if="session.may('manage-house') && fleet.knives.length > 0"
          class="no-print"
          :aria-pressed="walking"
          @click="walking = !walking"
        >
          {{ $t(walking ? 'today.walkDone' : 'today.walk') }}
        </AppButton>
        <AppButton v-if="fleet.knives.length > 0" class="no-print" to="/count">{{ $t('place.count') }}</AppButton>
        <AppButton v-if="fleet.knives.length > 0" class="no-print wall" kind="quiet" to="/wall">{{
          $t('place.wall')
        }}</AppButton>
        <PrintButton :label="$t('today.print')" />
      </span>
    </header>
    <template v-if="fleet.fleet && list">
      <p class="lead">{{ summary }}</p>
      <ServiceClock :day="fleet.fleet.day" :now-ms="nowMs" :bench-minutes="stoneMinutes" />
      <p v-if="session.may('manage-house') && stepsLeft.length > 0" class="moving no-print">
        {{
          say('movingIn.todayLeft', {
            n: stepsLeft.length,
            parts: stepsLeft.map((step) => say(`movingIn.part.${step}`)).join(', '),
          })
        }}
        <RouterLink to="/moving-in">{{ $t('movingIn.goOn') }}</RouterLink>
      </p>
      <KitchenWalk v-if="walking" />
      <p v-if="fleet.knives.length === 0" class="empty lead">
        {{ $t('today.empty') }}
        <AppButton kind="main" to="/rack">{{ $t('today.addKnives') }}</AppButton>
        <AppButton v-if="session.may('import')" to="/deliveries">{{ $t('today.importKnives') }}</AppButton>
      </p>
      <div v-else class="columns">
        <div>
          <PersonTurner v-model="turnedTo" :people="list.people.map(({ person }) => person)">
            <PersonDay
              v-for="day in list.people.slice(0, peopleShown)"
              :key="day.person.id"
              :class="{ away: day.person.id !== turnedTo }"
              :day="day"
              :now="nowText"
            />
          </PersonTurner>
          <p v-if="list.people.length === 0" class="lead done">{{ $t('today.nothing') }}</p>
          <p v-if="list.resting.length > 0" class="resting soft">
            {{ $t('today.resting', { names: list.resting.map((day) => day.person.name).join(', ') }) }}
          </p>
        </div>
        <aside>
          <StoneList
            :knives="list.stones"
            :shown="allShown ? list.stones.length : FIRST_STONES"
            :minutes-left="minutesLeft"
          />
          <StationHoning v-if="allShown" :knives="fleet.knives" />
          <SoakAhead v-if="list.stones.length > 0 && allShown && session.may('log-sharpening')" class="no-print" />
          <template v-if="allShown">
            <KnifeNames
              v-if="list.missing.length > 0"
              :title="$t('today.missing')"
              :knives="list.missing"
              :says="lastWith"
            />
            <KnifeNames
              v-if="list.outOfService.length > 0"
              :title="$t('today.outOfService')"
              :knives="list.outOfService"
              :says="whyOut"
            />
            <KnifeNames
              v-if="list.unheld.length > 0"
              :title="$t('today.unheld')"
              :knives="list.unheld"
              :says="howItStands"
            />
          </template>
          <section class="heavy-rule">
            <h2 class="unseen">{{ $t('today.scale') }}</h2>
            <EdgeLegend />
          </section>
        </aside>
      </div>
    </template>
    <p v-else class="soft">{{ $t('shell.loading') }}</p>
  </div>
</template>

<style scoped>
.moving {
  padding: 10px 0;
  border-bottom: 1px solid var(--rule);
}
.columns {
  display: grid;
  grid-template-columns: minmax(0, 1fr) 290px;
  gap: 24px;
  margin-top: 14px;
}
aside {
  display: grid;
  grid-template-columns: minmax(0, 1fr);
  gap: 20px;
  align-content: start;
}
.resting,
.done,
.empty {
  border-top: 1px solid var(--rule);
  padding: 14px 0;
}
.empty {
  display: flex;
  flex-wrap: wrap;
  align-items: center;
  gap: 14px;
  margin-top: 24px;
}
@media screen and (max-width: 700px) {
  .away,
  .wall {
    display: none;
  }
}
@media (max-width: 980px) {
  .columns {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
