import { ref, type Ref } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { usualHoneTool } from '../../core/edge/model/hone'
import { say } from '../i18n'
import { useRecords, type EventDraft } from '../live/records'
import { refusalText } from '../refusalText'
import { useNotices, type Question } from '../stores/notices'

const ANSWERS = ['fully', 'partly', 'not'] as const
/** Two taps in so short a time are one finger that was not sure: nobody hones a knife twice in it. */
const ONE_TAP_MS = 3000
/** When each knife was last honed by a tap, by this device's clock. */
const tappedMs = new Map<string, number>()

/** Records honings in one touch, with their undo; after a single one it asks, without standing in the way, whether the edge came back. */
export function useHoning(): {
  busy: Ref<boolean>
  honed: (knife: KnifeView) => Promise<void>
  honedAll: (knives: readonly KnifeView[]) => Promise<void>
} {
  const records = useRecords()
  const notices = useNotices()
  const busy = ref(false)

  function honing(knife: KnifeView): EventDraft {
    const tool = knife.verdict.tool ?? usualHoneTool(knife.hrc)
    const strokes = knife.verdict.action === 'hone' ? knife.verdict.cost.strokesPerSide : 0
    const payload = { tool, ...(strokes > 0 ? { strokesPerSide: strokes } : {}) }
    return { kind: 'honed', knifeId: knife.id, payload }
  }

  const cameBack = (knife: KnifeView): Question => ({
    text: say('today.cameBack'),
    answers: ANSWERS.map((said) => ({
      label: say(`today.back.${said}`),
      give: async () => {
        const id = await records.record({ kind: 'came-back', knifeId: knife.id, payload: { said } })
        notices.done(say(`today.cameBackDone.${said}`, { code: knife.code }), () =>
          records.undo(knife.id, id, say('shell.undone')),
        )
      },
    })),
  })

  async function working(work: () => Promise<void>): Promise<void> {
    busy.value = true
    try {
      await work()
    } catch (error) {
      notices.refused(refusalText(error))
    } finally {
      busy.value = false
    }
  }

  return {
    busy,
    honed: async (knife) => {
      const nowMs = Date.now()
      if (nowMs - (tappedMs.get(knife.id) ?? -Infinity) < ONE_TAP_MS) return
      tappedMs.set(knife.id, nowMs)
      await working(async () => {
        const id = await records.record(honing(knife))
        const undo = (): Promise<unknown> => {
          tappedMs.delete(knife.id)
          return records.undo(knife.id, id, say('shell.undone'))
        }
        notices.done(say('today.honedDone', { code: knife.code }), undo, cameBack(knife))
      })
    },
    honedAll: (knives) =>
      working(async () => {
        const undo = await records.recordAll(knives.map(honing))
        notices.done(
          say('today.honedMany', { n: knives.length, codes: knives.map(({ code }) => code).join(', ') }),
          undo,
        )
      }),
  }
}
