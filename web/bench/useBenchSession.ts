import { useQuery } from '@tanstack/vue-query'
import { v7 as newId } from 'uuid'
import { computed, ref, watch, type ComputedRef, type Ref } from 'vue'
import { asSessionAction, foldable, type BenchAction, type BenchPlan, type BenchSession } from '../../contract/bench'
import { endpoints } from '../../contract/endpoints'
import {
  sessionState,
  stepState,
  type SessionAction,
  type SessionState,
  type StepState,
} from '../../core/session/session'
import type { SessionStep } from '../../core/session/plan'
import { call } from '../api'
import { useLive } from '../live/live'
import { useOutbox } from '../live/outbox'
import { resourceKey } from '../live/resource'
import { useSession } from '../stores/session'
import { keepRunning } from './onDevice'

/** What a person does, before it has its id and its time. */
export type BenchDraft = BenchAction extends infer A ? (A extends BenchAction ? Omit<A, 'id' | 'at'> : never) : never

export interface RunningSession {
  readonly session: ComputedRef<BenchSession>
  /** the plan as it has become, with what the session went back for */
  readonly plan: ComputedRef<BenchPlan>
  readonly state: ComputedRef<SessionState>
  readonly step: ComputedRef<SessionStep | null>
  readonly here: ComputedRef<StepState>
  /** where the open step lies among all */
  readonly at: ComputedRef<number>
  /** touches the server did not hear of, while it does not answer */
  readonly waiting: ComputedRef<number>
  readonly refusal: Ref<string>
  readonly act: (draft: BenchDraft) => void
  readonly go: (by: number) => void
  readonly goTo: (stepId: string) => void
}

/**
 * Runs one session: what is done counts at once on this device, is kept on it with who did it, and is sent as soon as
 * the server answers. The state is folded by the same core that the server folds it with.
 */
export function useBenchSession(begun: BenchSession): RunningSession {
  const signedIn = useSession()
  const outbox = useOutbox()
  const { client } = useLive()
  const sent = { params: { id: begun.id } }
  const queryKey = resourceKey(endpoints.benchSession, sent)
  // what the server has just said is newer than what an earlier visit kept
  client.setQueryData(queryKey, begun)
  const query = useQuery(
    { queryKey, queryFn: () => call(endpoints.benchSession, sent), initialData: begun, shallow: true },
    client,
  )
  const refusal = ref('')

  const session = computed((): BenchSession => query.data.value ?? begun)
  const begunPlan = computed(() => foldable(session.value.plan))
  const waiting = computed(() => {
    const known = new Set(session.value.actions.map(({ action }) => action.id))
    return outbox.entries.flatMap((entry) =>
      entry.kind === 'touch' && entry.sessionId === begun.id && !known.has(entry.id) ? [entry] : [],
    )
  })
  const actions = computed((): SessionAction[] => [
    ...session.value.actions.map(asSessionAction),
    ...waiting.value.map(({ action, personId }) => asSessionAction({ action, personId })),
  ])
  const state = computed(() =>
    sessionState(begunPlan.value, new Date(session.value.startedAt).getTime(), session.value.startedBy, actions.value),
  )
  const steps = computed(() => state.value.plan.steps)
  const plan = computed((): BenchPlan => ({
    ...session.value.plan,
    minutes: state.value.plan.minutes,
    steps: steps.value,
  }))
  const at = computed(() =>
    Math.max(
      0,
      steps.value.findIndex(({ id }) => id === state.value.stepId),
    ),
  )
  const step = computed(() => steps.value[at.value] ?? null)
  const here = computed(() => stepState(state.value, state.value.stepId))

  // a page that is opened again without a network goes on from here
  watch(session, (now) => void keepRunning(now), { immediate: true })
  watch(
    () => outbox.touchRefusals.get(begun.id),
    (sentence) => {
      if (sentence !== undefined) refusal.value = sentence
      outbox.touchRefusals.delete(begun.id)
    },
    { immediate: true },
  )
  function act(draft: BenchDraft): void {
    const personId = signedIn.person?.id
    if (!personId) return
    const action = { ...draft, id: newId(), at: signedIn.now().toISOString() } as BenchAction
    refusal.value = ''
    // what is refused shows by itself; what waits is shown as waiting
    outbox.sendTouch(personId, begun.id, action).catch(() => undefined)
  }
  function go(by: number): void {
    const target = steps.value[at.value + by]
    if (target) goTo(target.id)
  }
  function goTo(stepId: string): void {
    act({ kind: 'go', stepId })
  }
  return {
    session,
    plan,
    state,
    step,
    here,
    at,
    waiting: computed(() => (outbox.heldUp ? waiting.value.length : 0)),
    refusal,
    act,
    go,
    goTo,
  }
}
