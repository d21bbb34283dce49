import { ref, type Ref } from 'vue'
import { useFleet } from '../live/fleet'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'

type Work = () => Promise<unknown>

/** Runs one change to the house; a refusal stays on the page with what was typed. */
export function useChange(): {
  refusal: Ref<string>
  change: (work: Work) => Promise<boolean>
  /** a change that is told, with what takes it back */
  changeWithUndo: (work: Work, told: string, undo: Work) => Promise<boolean>
} {
  const fleet = useFleet()
  const notices = useNotices()
  const refusal = ref('')
  async function change(work: Work): Promise<boolean> {
    refusal.value = ''
    try {
      await work()
      await fleet.load()
      return true
    } catch (error) {
      refusal.value = refusalText(error)
      return false
    }
  }
  return {
    refusal,
    change,
    changeWithUndo: async (work, told, undo) => {
      const done = await change(work)
      if (done)
        notices.done(told, async () => {
          await undo()
          await fleet.load()
        })
      return done
    },
  }
}
