import { ref, type Ref } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { usualHoneTool } from '../../core/edge/model/hone'
import { say } from '../i18n'
import { useRecords } from '../live/records'
import { refusalText } from '../refusalText'
import { useNotices } from '../stores/notices'

/** Records a honing in one touch, with its undo. */
export function useHoning(): { busy: Ref<boolean>; honed: (knife: KnifeView) => Promise<void> } {
  const records = useRecords()
  const notices = useNotices()
  const busy = ref(false)
  async function honed(knife: KnifeView): Promise<void> {
    busy.value = true
    const tool = knife.verdict.tool ?? usualHoneTool(knife.hrc)
    const strokes = knife.verdict.cost.strokesPerSide
    try {
      const id = await records.record({
        kind: 'honed',
        knifeId: knife.id,
        payload: { tool, ...(strokes > 0 ? { strokesPerSide: strokes } : {}) },
      })
      notices.done(say('today.honedDone', { code: knife.code }), () => records.undo(knife.id, id, say('shell.undone')))
    } catch (error) {
      notices.refused(refusalText(error))
    } finally {
      busy.value = false
    }
  }
  return { busy, honed }
}
