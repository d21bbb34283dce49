import { defineStore } from 'pinia'
import { ref } from 'vue'

/** Whether what is shown comes from the server, or from what this device kept while there is no network. */
export const useNetwork = defineStore('network', () => {
  /** the device's moment of the oldest answer shown in place of a new one; null while the server answers */
  const keptMs = ref<number | null>(null)
  return {
    keptMs,
    heard: (ms: number | null): void => {
      keptMs.value = ms === null ? null : Math.min(ms, keptMs.value ?? Infinity)
    },
  }
})
