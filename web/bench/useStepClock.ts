import { useNow } from '@vueuse/core'
import { computed, type ComputedRef } from 'vue'
import { MINUTE_MS, SECOND_MS } from '../../core/time'
import { say, useFormats } from '../i18n'
import { useSession } from '../stores/session'
import type { RunningSession } from './useBenchSession'

/** Longer than this without a touch and nobody is working, ms. */
const LONGEST_PAUSE_MS = 5 * MINUTE_MS

/** Steps shorter than this have no plan to be held against, minutes. */
const LEAST_MINUTES = 0.4

/** Time spent on the open step. It counts at once here; the core adds it when the next thing is done. */
export function useStepClock({ state, step, here }: Pick<RunningSession, 'state' | 'step' | 'here'>): {
  readonly spentMs: ComputedRef<number>
  /** what the head of the screen says of it: so long so far, of so many minutes */
  readonly elapsed: ComputedRef<string>
} {
  const signedIn = useSession()
  const formats = useFormats()
  const now = useNow({ interval: SECOND_MS })
  const spentMs = computed(() => {
    const sinceLast = now.value.getTime() + signedIn.clockOffsetMs - state.value.lastMs
    return here.value.spentMs + Math.max(0, Math.min(LONGEST_PAUSE_MS, sinceLast))
  })
  const clock = computed(() => {
    const seconds = Math.floor(spentMs.value / SECOND_MS) % 60
    return `${Math.floor(spentMs.value / MINUTE_MS)}:${String(seconds).padStart(2, '0')}`
  })
  const elapsed = computed(() => {
    const minutes = step.value?.minutes ?? 0
    // what is part of the stones' own minutes has none of its own to be held against
    if (minutes < LEAST_MINUTES) return clock.value
    return say('bench.elapsed', {
      spent: clock.value,
      minutes: formats.value.minutes(Math.max(1, Math.round(minutes))),
    })
  })
  return { spentMs, elapsed }
}
