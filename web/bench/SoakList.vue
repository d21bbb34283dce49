<script setup lang="ts">
import type { BenchOffer } from '../../contract/bench'
import { MINUTE_MS } from '../../core/time'
import { useFormats } from '../i18n'
import { useSoakTimers } from './soakTimers'
import AppButton from '../ui/AppButton.vue'

defineProps<{ soak: BenchOffer['soak']; flatten: BenchOffer['flatten'] }>()
const formats = useFormats()
const timers = useSoakTimers()
const left = (stoneId: string): number | null => timers.running.find((soak) => soak.stoneId === stoneId)?.leftMs ?? null
const isTooLong = (stoneId: string): boolean => timers.running.some((soak) => soak.stoneId === stoneId && soak.tooLong)
const clock = (ms: number): string =>
  `${Math.floor(ms / MINUTE_MS)}:${String(Math.floor(ms / 1000) % 60).padStart(2, '0')}`
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('bench.fetch') }}</h2>
    <p v-if="soak.length === 0" class="soft">{{ $t('bench.nothingToSoak') }}</p>
    <div v-for="stone in soak" :key="stone.stoneId" class="stone">
      <span>{{
        $t('bench.soak', {
          stone: stone.stoneName,
          minutes: formats.minutes(stone.minutes),
          bath: $t(`gear.bathName.${stone.bath}`),
        })
      }}</span>
      <AppButton v-if="left(stone.stoneId) === null" @click="timers.start(stone)">
        {{ $t('bench.soakStart') }}
      </AppButton>
      <template v-else>
        <b class="num" role="timer">{{
          (left(stone.stoneId) ?? 0) > 0
            ? $t('bench.soakLeft', { time: clock(left(stone.stoneId) ?? 0) })
            : $t(isTooLong(stone.stoneId) ? 'bench.soakTooLong' : 'bench.soakReady')
        }}</b>
        <AppButton kind="quiet" @click="timers.lift(stone.stoneId)">
          {{ $t('bench.soakLift') }}
        </AppButton>
      </template>
    </div>
    <p v-for="stone in flatten" :key="stone.stoneId" class="flat">
      {{ $t('bench.flattenFirst', { stone: stone.stoneName }) }}
    </p>
  </section>
</template>

<style scoped>
.stone {
  display: flex;
  flex-wrap: wrap;
  justify-content: space-between;
  align-items: center;
  gap: 6px 12px;
  padding: 6px 0;
  border-bottom: 1px solid var(--rule);
}
.flat {
  padding: 6px 0;
  font-weight: 600;
}
</style>
