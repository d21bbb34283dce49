<script setup lang="ts">
import { storeToRefs } from 'pinia'
import { computed, ref } from 'vue'
import { useJobs } from '../live/jobs'
import { refusalText } from '../refusalText'
import AppButton from '../ui/AppButton.vue'
import ProgressLine from '../ui/ProgressLine.vue'

const jobs = useJobs()
const { job: latest, isOpen } = storeToRefs(jobs)
const job = computed(() => (latest.value?.kind === 'rebuild' ? latest.value : null))
const refusal = ref('')
async function attempt(work: () => Promise<void>): Promise<void> {
  try {
    await work()
    refusal.value = ''
  } catch (error) {
    refusal.value = refusalText(error)
  }
}
void attempt(jobs.look)
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
        <AppButton @click="attempt(jobs.stop)">{{ $t('house-learned.cancelRebuild') }}</AppButton>
      </template>
      <template v-else>
        <AppButton @click="attempt(jobs.start)">{{ $t('house-learned.rebuild') }}</AppButton>
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
