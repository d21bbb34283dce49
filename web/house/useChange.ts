import { ref, type Ref } from 'vue'
import { useFleet } from '../live/fleet'
import { refusalText } from '../refusalText'

/** Runs one change to the house; a refusal stays on the page with what was typed. */
export function useChange(): { refusal: Ref<string>; change: (work: () => Promise<unknown>) => Promise<boolean> } {
  const fleet = useFleet()
  const refusal = ref('')
  return {
    refusal,
    change: async (work) => {
      refusal.value = ''
      try {
        await work()
        await fleet.load()
        return true
      } catch (error) {
        refusal.value = refusalText(error)
        return false
      }
    },
  }
}
