import { type Ref } from 'vue'
import { z } from 'zod'
import { windowName } from '../../words/week'
import { say, useFormats } from '../i18n'
import type { HandMoves } from './useHandMoves'
import { useWeekNames } from './useWeekNames'
import type { WeekPlan } from './useWeekPlan'

const liftedSchema = z.object({ jobId: z.string() })
const targetSchema = z.union([
  z.object({ windowId: z.string(), benchId: z.string() }),
  z.object({ windowId: z.string(), personId: z.string() }),
])

/** What is done and said as a session is lifted, carried over lanes and people, and put down. */
export function useDragWords(
  week: WeekPlan,
  moves: HandMoves,
  chosen: Ref<string | null>,
): {
  readonly dragWords: (step: 'lifted' | 'over' | 'dropped' | 'back', source: unknown, target: unknown) => string
  readonly lifted: (source: unknown) => void
  readonly putDown: (source: unknown, target: unknown) => void
} {
  const formats = useFormats()
  const { knife, person } = useWeekNames()

  function placeWords(target: z.output<typeof targetSchema>): string {
    const { value } = week.problem
    if (!value) return ''
    const window = windowName(value, target.windowId, say, formats.value)
    return 'benchId' in target
      ? say('week.drag.bench', { window, bench: value.benches.find(({ id }) => id === target.benchId)?.name ?? '' })
      : say('week.drag.hands', { window, person: person(target.personId) })
  }
  function dragWords(step: 'lifted' | 'over' | 'dropped' | 'back', source: unknown, target: unknown): string {
    const from = liftedSchema.safeParse(source)
    if (!from.success) return ''
    const { jobId } = from.data
    const code = knife(jobId)?.code ?? ''
    const to = targetSchema.safeParse(target)
    if (step === 'lifted' || step === 'back' || !to.success)
      return say(step === 'lifted' ? 'week.drag.lifted' : 'week.drag.back', { knife: code })
    const fits = moves.takes(jobId, to.data.windowId, to.data)
    const word = step === 'over' ? (fits ? 'over' : 'overRefused') : fits ? 'dropped' : 'refused'
    return say(`week.drag.${word}`, { knife: code, place: placeWords(to.data) })
  }
  function lifted(source: unknown): void {
    const from = liftedSchema.safeParse(source)
    if (from.success) chosen.value = from.data.jobId
  }
  function putDown(source: unknown, target: unknown): void {
    const from = liftedSchema.safeParse(source)
    const to = targetSchema.safeParse(target)
    if (!from.success || !to.success) return
    if ('benchId' in to.data) moves.put(from.data.jobId, to.data.windowId, to.data.benchId)
    else moves.hand(from.data.jobId, to.data.windowId, to.data.personId)
  }
  return { dragWords, lifted, putDown }
}
