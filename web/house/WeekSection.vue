<script setup lang="ts">
import { computed, onMounted, ref, shallowRef } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { WeeklySpan } from '../../contract/house'
import { call } from '../api'
import { say } from '../i18n'
import AppButton from '../ui/AppButton.vue'
import type { BandSpan } from '../ui/daySpans'
import { useChange } from './useChange'
import { weekAdds } from './weekAdds'
import WeekBands from '../ui/WeekBands.vue'

const { refusal, change, changeWithUndo } = useChange()
const spans = ref<readonly BandSpan[]>([])
const saved = shallowRef<readonly WeeklySpan[]>([])
const changed = computed(() => JSON.stringify(spans.value) !== JSON.stringify(saved.value))
const adds = weekAdds()

function take(week: readonly WeeklySpan[]): void {
  spans.value = week
  saved.value = week
}
onMounted(() =>
  change(async () => {
    take(await call(endpoints.week))
  }),
)
const send = async (week: readonly BandSpan[]): Promise<void> => {
  take(await call(endpoints.setWeek, { body: week as readonly WeeklySpan[] }))
}
function save(): void {
  const before = saved.value
  void changeWithUndo(
    () => send(spans.value),
    say('house.weekSaved'),
    () => send(before),
  )
}
</script>

<template>
  <section>
    <p class="soft">{{ $t('house.weekHint') }} {{ $t('house.weekKeys') }}</p>
    <WeekBands v-model="spans" :adds="adds" :empty="$t('house.closed')" />
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <p class="save-bar">
      <AppButton kind="main" :disabled="!changed" @click="save">{{ $t('house.saveWeek') }}</AppButton>
      <span class="soft small">{{ $t('house.fromNow') }}</span>
    </p>
  </section>
</template>
