import type { SessionPlan, SessionStep } from './plan'

/** A page of a session in brief: everything on one stone, or one rod, and what comes after the last. */
export interface SessionPage {
  readonly stage: number | null
  readonly steps: readonly SessionStep[]
}

/** Steps that count strokes, for which a page is made. */
export const isWorked = ({ kind, strokes }: SessionStep): boolean =>
  strokes > 0 && (kind === 'side' || kind === 'hone' || kind === 'teeth' || kind === 'deburr' || kind === 'strop')

const isClosing = ({ kind }: SessionStep): boolean =>
  kind === 'strop' || kind === 'wipe' || kind === 'test' || kind === 'clean' || kind === 'stow'

/**
 * A session as whoever has done it five hundred times goes through it: one page a stone, with whatever makes it ready, and
 * one for strop, test and putting away. A kept-up knife is begun, done on two stones and put away: four touches.
 */
export function pagesOf({ steps }: SessionPlan): SessionPage[] {
  const lastWorked = steps.findLastIndex((step) => isWorked(step) && !isClosing(step))
  const pages: { stage: number | null; steps: SessionStep[] }[] = []
  for (const [at, step] of steps.entries()) {
    const open = pages.at(-1)
    if (at > lastWorked && isClosing(step)) {
      const closing = open && open.steps.some(isClosing) && open.stage === null ? open : null
      if (closing) closing.steps.push(step)
      else pages.push({ stage: null, steps: [step] })
    } else if (!open || (step.stage !== null && open.stage !== null && step.stage !== open.stage)) {
      pages.push({ stage: step.stage, steps: [step] })
    } else {
      open.steps.push(step)
      open.stage ??= step.stage
    }
  }
  return pages
}
