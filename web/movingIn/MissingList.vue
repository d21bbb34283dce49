<script setup lang="ts">
import { onMounted, shallowRef } from 'vue'
import type { RouteLocationRaw } from 'vue-router'
import { endpoints } from '../../contract/endpoints'
import type { Missing } from '../../contract/house'
import type { GapName } from '../../core/house/movingIn'
import { call } from '../api'
import { useChange } from '../house/useChange'
import { say, useFormats } from '../i18n'
import AppButton from '../ui/AppButton.vue'

/** What the house has not said yet, most pressing first, and what it would have of saying it. */
const { refusal, change } = useChange()
const formats = useFormats()
const missing = shallowRef<Missing | null>(null)
onMounted(() =>
  change(async () => {
    missing.value = await call(endpoints.missing)
  }),
)
const part = (name: string): RouteLocationRaw => ({ name: 'moving-in', query: { part: name } })
const house = (name: string): RouteLocationRaw => ({ name: 'house', query: { part: name } })
const WHERE: Readonly<Record<GapName, RouteLocationRaw>> = {
  knives: part('knives'),
  week: part('week'),
  stations: part('stations'),
  stones: part('shelf'),
  hands: part('people'),
  coarse: part('shelf'),
  flattening: part('shelf'),
  'hard-hone': part('shelf'),
  skills: part('people'),
  looks: { name: 'rack' },
  habit: house('house'),
  holders: { name: 'rack' },
  pins: house('people'),
  angles: { name: 'rack' },
}
/** Knives and people are named as long as they fit a line. */
const NAMED = 8
const named = (all: readonly string[]): string =>
  all.length <= NAMED
    ? all.join(', ')
    : say('movingIn.andMore', { names: all.slice(0, NAMED).join(', '), n: all.length - NAMED })

function buys(gap: GapName): string {
  const { lookMinutes = 0, habitGain = null } = missing.value ?? {}
  if (gap === 'looks' && lookMinutes > 0)
    return say('movingIn.buys.looksReckoned', { minutes: formats.value.minutes(lookMinutes) })
  if (gap === 'habit' && habitGain) return say('movingIn.buys.habitReckoned', { ...habitGain })
  return say(`movingIn.buys.${gap}`)
}
</script>

<template>
  <section class="form-section">
    <p class="soft">{{ $t('movingIn.missingHint') }}</p>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <template v-if="missing">
      <p v-if="missing.gaps.length === 0" class="lead">{{ $t('movingIn.nothingMissing') }}</p>
      <ol v-else>
        <li v-for="{ gap, codes, names } in missing.gaps" :key="gap" :data-gap="gap">
          <div>
            <h2>{{ say(`movingIn.gap.${gap}`, { n: codes.length + names.length }) }}</h2>
            <p v-if="codes.length + names.length > 0" class="small">{{ named([...codes, ...names]) }}</p>
          </div>
          <p>{{ buys(gap) }}</p>
          <AppButton :to="WHERE[gap]" :aria-label="$t(`movingIn.do.${gap}`)">{{ $t(`movingIn.do.${gap}`) }}</AppButton>
        </li>
      </ol>
      <p class="save-bar">
        <AppButton kind="main" to="/today">{{ $t('exchange.toToday') }}</AppButton>
      </p>
    </template>
    <p v-else-if="!refusal" class="soft">{{ $t('shell.loading') }}</p>
  </section>
</template>

<style scoped>
li {
  display: grid;
  grid-template-columns: minmax(0, 5fr) minmax(0, 6fr) minmax(8rem, 12rem);
  gap: 8px 24px;
  align-items: start;
  padding: 14px 0;
  border-top: 1px solid var(--rule);
}
@media (max-width: 800px) {
  li {
    grid-template-columns: minmax(0, 1fr);
  }
}
</style>
