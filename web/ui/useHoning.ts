import { ref, type Ref } from 'vue'
import type { KnifeView } from '../../contract/knives'
import { usualHoneTool } from '../../core/edge/model/hone'
import { say } from '../i18n'
import { useRecords } from '../live/records'
import { refusalText } from '../refusalText'
import { useNotices, type Question } from '../stores/notices'

const ANSWERS = ['fully', 'partly', 'not'] as const

/** Records honings in one touch, with their undo; after a single one it asks, without standing in the way, whether the edge came back. */
export function useHoning(): {
  busy: Ref<boolean>
  honed: (knife: KnifeView) => Promise<void>
  honedAll: (knives: readonly KnifeView[]) => Promise<void>
} {
  const records = useRecords()
  const notices = useNotices()
  const busy = ref(false)

  function recordHoning(knife: KnifeView): Promise<string> {
    const tool = knife.verdict.tool ?? usualHoneTool(knife.hrc)
    const strokes = knife.verdict.action === 'hone' ? knife.verdict.cost.strokesPerSide : 0
    return records.record({
      kind: 'honed',
      knifeId: knife.id,
      payload: { tool, ...(strokes > 0 ? { strokesPerSide: strokes } : {}) },
    })
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
    honed: (knife) =>
      working(async () => {
        const id = await recordHoning(knife)
        notices.done(
          say('today.honedDone', { code: knife.code }),
          () => records.undo(knife.id, id, say('shell.undone')),
          cameBack(knife),
        )
      }),
    honedAll: (knives) =>
      working(async () => {
        const ids = await Promise.all(knives.map(async (knife) => [knife.id, await recordHoning(knife)] as const))
        notices.done(
          say('today.honedMany', { n: knives.length, codes: knives.map(({ code }) => code).join(', ') }),
          async () => {
            for (const [knifeId, id] of ids) await records.undo(knifeId, id, say('shell.undone'))
          },
        )
      }),
  }
}
