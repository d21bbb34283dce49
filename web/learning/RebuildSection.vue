<script setup lang="ts">
import { useIntervalFn } from '@vueuse/core'
import { computed, ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { Job } from '../../contract/learning'
import { call, Refusal } from '../api'
import AppButton from '../ui/AppButton.vue'
import ProgressLine from '../ui/ProgressLine.vue'

const job = ref<Job | null>(null)
const refusal = ref('')
const isOpen = computed(() => job.value?.status === 'waiting' || job.value?.status === 'running')
const POLL_MS = 700

async function attempt(work: () => Promise<Job | null | undefined>): Promise<void> {
  try {
    job.value = (await work()) ?? null
    refusal.value = ''
  } catch (error) {
    refusal.value = error instanceof Refusal ? error.sentence : String(error)
  }
}
const look = (): Promise<void> =>
  attempt(async () => (await call(endpoints.jobs)).find(({ kind }) => kind === 'rebuild'))
const { pause, resume } = useIntervalFn(
  async () => {
    await look()
    if (!isOpen.value) pause()
  },
  POLL_MS,
  { immediate: false },
)
async function start(): Promise<void> {
  await attempt(() => call(endpoints.rebuild))
  resume()
}
async function stop(): Promise<void> {
  const { value } = job
  if (value) await attempt(() => call(endpoints.cancelJob, { params: { id: value.id } }))
}
void look().then(() => {
  if (isOpen.value) resume()
})
</script>

<template>
  <section class="heavy-rule">
    <h2>{{ $t('house-learned.rebuildTitle') }}</h2>
    <p class="soft">{{ $t('house-learned.rebuildHint') }}</p>
    <p v-if="refusal" class="refusal" role="alert">{{ refusal }}</p>
    <div class="line" aria-live="polite">
      <template v-if="job && isOpen">
        <ProgressLine
          v-if="job.total > 0"
          :label="$t('house-learned.rebuildTitle')"
          :done="job.done"
          :total="job.total"
        />
        <span class="num">{{
          job.status === 'waiting'
            ? $t('house-learned.waiting')
            : $t('house-learned.rebuilding', { done: job.done, total: job.total })
        }}</span>
        <AppButton @click="stop">{{ $t('house-learned.cancelRebuild') }}</AppButton>
      </template>
      <template v-else>
        <AppButton @click="start">{{ $t('house-learned.rebuild') }}</AppButton>
        <span v-if="job?.status === 'done'" class="num">{{ $t('house-learned.rebuilt', { total: job.total }) }}</span>
        <span v-else-if="job?.status === 'cancelled'" class="num">{{
          $t('house-learned.stopped', { done: job.done, total: job.total })
        }}</span>
        <span v-else-if="job?.status === 'failed'">{{ $t('house-learned.failed') }}</span>
      </template>
    </div>
  </section>
</template>

<style scoped>
.line {
  display: flex;
  flex-wrap: wrap;
  gap: 14px;
  align-items: center;
  margin-top: 8px;
}
progress {
  width: 260px;
  height: 14px;
  accent-color: var(--keen);
}
</style>
