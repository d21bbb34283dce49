import { focusManager, notifyManager, QueryClient } from '@tanstack/vue-query'
import { defineStore } from 'pinia'
import { markRaw } from 'vue'
import { MINUTE_MS } from '../../core/time'

const FORGOTTEN_AFTER_MS = 10 * MINUTE_MS

/**
 * What this device holds of what the server said, and what waits to be said to it. Every screen reads the house
 * through this one cache; the change feed says when it has aged.
 */
export const useLive = defineStore('live', () => {
  // a tablet on a wall is looked at without being touched: work goes on whether or not the page has the focus
  focusManager.setFocused(true)
  // what a write returned is on the screen in the same breath, not a task later
  notifyManager.setScheduler((run) => {
    run()
  })
  const client = new QueryClient({
    defaultOptions: {
      queries: {
        retry: false,
        // whether the server answers is found out by asking it: a kitchen's own network may have no way out
        networkMode: 'always',
        staleTime: Infinity,
        gcTime: FORGOTTEN_AFTER_MS,
        refetchOnWindowFocus: false,
      },
      // never 0: what still waits is looked at again each time that has passed, and a tablet without a network waits for hours
      mutations: { networkMode: 'always', gcTime: MINUTE_MS },
    },
  })
  return { client: markRaw(client) }
})
