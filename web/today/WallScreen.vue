<script setup lang="ts">
import { useFullscreen, useIntervalFn, useNow, useWakeLock } from '@vueuse/core'
import { computed, ref, watch } from 'vue'
import { useRouter } from 'vue-router'
import type { KnifeView } from '../../contract/knives'
import { daySummary, sittingMinutes } from '../../words/day'
import { say, useFormats } from '../i18n'
import { useFleet } from '../live/fleet'
import { useSession } from '../stores/session'
import ScanKey from '../scan/ScanKey.vue'
import AppButton from '../ui/AppButton.vue'
import EdgeStrip from '../ui/EdgeStrip.vue'
import ServiceClock from '../ui/ServiceClock.vue'
import { useKeys } from '../ui/useKeys'
import { benchMinutesLeft, dayList } from './dayList'
import { restsUntil, wallPages } from './wallPages'

/**
 * Today for a tablet on the wall: pages turn by themselves, a touch brings the keys and wakes the screen when the
 * kitchen rests. What to do with a knife stands in letters a three-hundredth of three metres high on a ten-inch
 * tablet (sign makers' rule, from memory: an inch for each 25 feet of distance).
 */
const TURN_MS = 12_000
const KEYS_STAY_MS = 15_000
const AWAKE_MS = 120_000
const fleet = useFleet()
const session = useSession()
const formats = useFormats()
const router = useRouter()
const wallNow = useNow({ interval: 1000 })
const nowMs = computed(() => wallNow.value.getTime() + session.clockOffsetMs)
const touchedMs = ref(-Infinity)
const screen = useFullscreen()
const wake = useWakeLock()
wake.request('screen').catch(() => undefined)

const pages = computed(() => (fleet.fleet ? wallPages(fleet.fleet) : []))
const turn = ref(0)
const at = computed(() =>
  pages.value.length === 0 ? 0 : ((turn.value % pages.value.length) + pages.value.length) % pages.value.length,
)
const page = computed(() => pages.value[at.value])
const hasKeys = computed(() => nowMs.value - touchedMs.value < KEYS_STAY_MS)
const { pause, resume } = useIntervalFn(() => {
  if (!hasKeys.value) turn.value++
}, TURN_MS)
function go(by: number): void {
  turn.value += by
  touchedMs.value = nowMs.value
  pause()
  resume()
}
const rest = computed(() => (fleet.fleet ? restsUntil(fleet.fleet.day, nowMs.value) : null))
const rests = computed(() => rest.value !== null && nowMs.value - touchedMs.value > AWAKE_MS)
watch(rests, (is) => {
  if (!is) turn.value = 0
})
const stones = computed(() => (fleet.fleet ? dayList(fleet.fleet, null).stones : []))
const minutesLeft = computed(() => (fleet.fleet ? benchMinutesLeft(fleet.fleet.day, nowMs.value) : 0))
const summary = computed(() =>
  fleet.fleet ? daySummary(fleet.fleet, stones.value, minutesLeft.value, nowMs.value, say, formats.value) : '',
)
const act = ({ verdict }: KnifeView): string =>
  say(`wall.act.${verdict.action}`, { strokes: verdict.cost.strokesPerSide })
useKeys({
  ArrowLeft: () => {
    go(-1)
  },
  ArrowRight: () => {
    go(1)
  },
  Escape: () => {
    void router.push('/today')
  },
})
</script>

<template>
  <div class="wall" :class="{ rests }" @pointerdown="touchedMs = nowMs">
    <p v-if="rests" class="resting">
      <b class="num">{{ formats.clock(new Date(nowMs).toISOString()) }}</b>
      {{ rest ? $t('wall.resting', { time: formats.clock(rest) }) : $t('wall.restingLong') }}
    </p>
    <template v-else-if="fleet.fleet && page">
      <header>
        <h1>
          {{
            page.kind === 'person'
              ? page.name
              : page.kind === 'stones'
                ? $t('wall.stones')
                : formats.longDay(new Date(nowMs).toISOString())
          }}
        </h1>
        <b class="num">{{ formats.clock(new Date(nowMs).toISOString()) }}</b>
      </header>
      <div v-if="page.kind === 'day'" class="day">
        <p>{{ summary }}</p>
        <ServiceClock :day="fleet.fleet.day" :now-ms="nowMs" :bench-minutes="sittingMinutes(stones)" />
      </div>
      <ul v-else>
        <li v-for="knife in page.knives" :key="knife.id">
          <b class="num">{{ knife.code }}</b>
          <span class="strip"><EdgeStrip :knife="knife" large /></span>
          <span class="act">{{ act(knife) }}</span>
        </li>
      </ul>
      <footer>
        <span class="num">{{ $t('wall.page', { at: at + 1, of: pages.length }) }}</span>
        <span v-if="hasKeys" class="keys">
          <AppButton big icon="chevron-left" @click="go(-1)">{{ $t('wall.before') }}</AppButton>
          <AppButton big icon="chevron-right" @click="go(1)">{{ $t('wall.after') }}</AppButton>
          <AppButton v-if="screen.isSupported.value" big icon="window-maximize" @click="screen.toggle()">{{
            $t('wall.full')
          }}</AppButton>
          <ScanKey big />
          <AppButton big to="/today">{{ $t('wall.leave') }}</AppButton>
        </span>
      </footer>
    </template>
    <p v-else class="lead">{{ $t('shell.loading') }}</p>
  </div>
</template>

<style scoped>
.wall {
  display: grid;
  grid-template-rows: auto 1fr auto;
  height: 100vh;
  height: 100dvh;
  padding: 2.4vw 3vw 1.2vw;
  overflow: hidden;
}
.rests {
  place-items: center;
  grid-template-rows: 1fr;
  background: #000;
  color: #6d7a7d;
}
.resting {
  display: grid;
  justify-items: center;
  gap: 2vw;
  font-size: 2.6vw;
}
.resting b {
  font-size: 9vw;
}
header {
  display: flex;
  justify-content: space-between;
  align-items: baseline;
  gap: 3vw;
  font-size: 6.4vw;
  line-height: 1.05;
}
h1 {
  min-width: 0;
  overflow: hidden;
  font-size: inherit;
  white-space: nowrap;
  text-overflow: ellipsis;
}
.day {
  display: grid;
  align-content: space-evenly;
  font-size: 5.1vw;
  line-height: 1.16;
}
ul {
  display: grid;
  grid-template-rows: repeat(4, minmax(0, 1fr));
  padding-top: 1vw;
}
li {
  display: grid;
  grid-template-columns: 23vw minmax(0, 1fr) 42vw;
  gap: 2vw;
  align-items: center;
  border-top: 2px solid var(--rule-strong);
  font-size: 6.6vw;
  line-height: 1;
}
.strip {
  display: grid;
  height: 9vh;
}
.strip :deep(svg) {
  width: 100%;
  height: 100%;
  max-height: 9vh;
}
.act {
  overflow: hidden;
  text-overflow: ellipsis;
}
footer {
  display: flex;
  justify-content: space-between;
  align-items: center;
  min-height: 72px;
  font-size: 2vw;
}
.keys {
  display: flex;
  flex-wrap: wrap;
  gap: 12px;
}
@media (max-width: 700px) {
  li {
    grid-template-columns: 24vw minmax(0, 1fr);
    font-size: 6.4vw;
  }
  .strip {
    grid-column: 1 / -1;
    grid-row: 2;
  }
}
</style>
