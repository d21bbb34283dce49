import { useIntervalFn, useLocalStorage } from '@vueuse/core'
import { v7 as newId } from 'uuid'
import { computed, ref, type ComputedRef, type Ref } from 'vue'
import { endpoints } from '../../contract/endpoints'
import { asSessionAction, foldable, type BenchAction, type BenchSession } from '../../contract/bench'
import {
  sessionState,
  stepState,
  type SessionAction,
  type SessionPlan,
  type SessionState,
  type StepState,
} from '../../core/session/session'
import { call, Refusal } from '../api'
import { useSession } from '../stores/session'

type Draft = BenchAction extends infer A ? (A extends BenchAction ? Omit<A, 'id' | 'at'> : never) : never
type Step = SessionPlan['steps'][number]

/** A session kept on this device while it runs, so that a dead network or a closed lid loses nothing. */
interface Kept {
  readonly session: BenchSession
  /** what was done here and has not reached the server */
  readonly waiting: readonly BenchAction[]
}

const SEND_EVERY_MS = 2500
const LARGEST_BATCH = 500
const keptAs = (sessionId: string): string => `yorvik.bench.${sessionId}`

export interface RunningSession {
  readonly session: ComputedRef<BenchSession>
  readonly plan: ComputedRef<SessionPlan>
  readonly state: ComputedRef<SessionState>
  readonly step: ComputedRef<Step | null>
  readonly here: ComputedRef<StepState>
  /** where the open step lies among all */
  readonly at: ComputedRef<number>
  /** touches the server did not hear of, while it does not answer */
  readonly waiting: ComputedRef<number>
  readonly refusal: Ref<string>
  readonly act: (draft: Draft) => void
  readonly go: (by: number) => void
  readonly flush: () => Promise<void>
}

/**
 * Runs one session: what is done counts at once on this device, is kept on it, and is sent as soon as the
 * server answers. The state is folded by the same core that the server folds it with.
 */
export function useBenchSession(begun: BenchSession): RunningSession {
  const signedIn = useSession()
  const kept = useLocalStorage<Kept>(keptAs(begun.id), { session: begun, waiting: [] })
  // what the server knows is newer than what an earlier visit kept
  kept.value = { session: begun, waiting: kept.value.waiting }
  const refusal = ref('')
  let sending = Promise.resolve()
  const unheard = ref(false)
  const session = computed(() => kept.value.session)
  const plan = computed(() => foldable(session.value.plan))
  const actions = computed((): SessionAction[] => [
    ...session.value.actions.map(asSessionAction),
    ...kept.value.waiting.map((action) => asSessionAction({ action, personId: signedIn.person?.id ?? null })),
  ])
  const state = computed(() =>
    sessionState(plan.value, new Date(session.value.startedAt).getTime(), session.value.startedBy, actions.value),
  )
  const at = computed(() =>
    Math.max(
      0,
      plan.value.steps.findIndex(({ id }) => id === state.value.stepId),
    ),
  )
  const step = computed(() => plan.value.steps[at.value] ?? null)
  const here = computed(() => stepState(state.value, state.value.stepId))

  async function send(): Promise<void> {
    const batch = kept.value.waiting.slice(0, LARGEST_BATCH)
    if (batch.length === 0) return
    try {
      const fresh = await call(endpoints.actInSession, { params: { id: begun.id }, body: { actions: [...batch] } })
      const sent = new Set(batch.map(({ id }) => id))
      kept.value = { session: fresh, waiting: kept.value.waiting.filter(({ id }) => !sent.has(id)) }
      refusal.value = ''
      unheard.value = false
    } catch (error) {
      // unheard is not refused: it waits
      if (error instanceof Refusal && !['offline', 'unavailable', 'not-signed-in', 'unexpected'].includes(error.code)) {
        refusal.value = error.sentence
        kept.value = { ...kept.value, waiting: [] }
      } else unheard.value = true
    }
  }
  /** Sends what waits, after whatever is on its way already. */
  function flush(): Promise<void> {
    sending = sending.then(send)
    return sending
  }
  useIntervalFn(() => {
    void flush()
  }, SEND_EVERY_MS)

  function act(draft: Draft): void {
    const action = { ...draft, id: newId(), at: signedIn.now().toISOString() } as BenchAction
    kept.value = { ...kept.value, waiting: [...kept.value.waiting, action] }
  }
  function go(by: number): void {
    const target = plan.value.steps[at.value + by]
    if (target) act({ kind: 'go', stepId: target.id })
  }
  return {
    session,
    plan,
    state,
    step,
    here,
    at,
    waiting: computed(() => (unheard.value ? kept.value.waiting.length : 0)),
    refusal,
    act,
    go,
    flush,
  }
}
