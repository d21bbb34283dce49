import { useIntervalFn } from '@vueuse/core'
import { defineStore } from 'pinia'
import { computed, shallowRef } from 'vue'
import { endpoints } from '../../contract/endpoints'
import type { Job } from '../../contract/learning'
import { call } from '../api'

const POLL_MS = 700
/** Work that everybody is told of; the plan tells of its own. */
const TOLD: ReadonlySet<Job['kind']> = new Set<Job['kind']>(['rebuild', 'import'])

/** The house's long work: it goes on at the server whatever page is open, and is told on all of them. */
export const useJobs = defineStore('jobs', () => {
  const job = shallowRef<Job | null>(null)
  const isOpen = computed(() => job.value?.status === 'waiting' || job.value?.status === 'running')
  async function read(): Promise<void> {
    job.value = (await call(endpoints.jobs)).find(({ kind }) => TOLD.has(kind)) ?? null
  }
  const { pause, resume } = useIntervalFn(
    async () => {
      // a look that fails is tried again at the next turn
      await read().catch(() => undefined)
      if (!isOpen.value) pause()
    },
    POLL_MS,
    { immediate: false },
  )
  return {
    job,
    isOpen,
    /** looks what is going on, and follows it to its end */
    look: async (): Promise<void> => {
      await read()
      if (isOpen.value) resume()
    },
    start: async (): Promise<void> => {
      job.value = await call(endpoints.rebuild)
      resume()
    },
    stop: async (): Promise<void> => {
      if (job.value) job.value = await call(endpoints.cancelJob, { params: { id: job.value.id } })
    },
    forget: (): void => {
      pause()
      job.value = null
    },
  }
})
