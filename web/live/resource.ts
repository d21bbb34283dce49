import { useQuery, type QueryKey } from '@tanstack/vue-query'
import { computed, toValue, type ComputedRef, type MaybeRefOrGetter } from 'vue'
import type { AnswerOf, Endpoint } from '../../contract/endpoint'
import { call, type Sent } from '../api'
import { refusalText } from '../refusalText'
import { useLive } from './live'

/** Something the server says, kept in step with the house. */
export interface Resource<T> {
  /** undefined until the server has said it */
  readonly value: ComputedRef<T | undefined>
  /** why it could not be had; empty while it can */
  readonly refusal: ComputedRef<string>
  /** asks again, whatever is known */
  readonly reload: () => Promise<void>
}

/** Key under which an endpoint's answer is kept. */
export const resourceKey = (endpoint: Endpoint, sent: object = {}): QueryKey => [endpoint.path, sent]

/**
 * An endpoint's answer as a resource: asked for once however many screens show it, asked for again when the house
 * changes.
 *
 * @param sent parameters and query; null while it is not known what to ask
 * @example const gear = useResource(endpoints.gear)
 */
export function useResource<E extends Endpoint>(
  endpoint: E,
  sent: MaybeRefOrGetter<Sent<E> | null> = {} as Sent<E>,
): Resource<AnswerOf<E>> {
  const { client } = useLive()
  const query = useQuery(
    {
      queryKey: computed(() => resourceKey(endpoint, toValue(sent) ?? {})),
      queryFn: () => call(endpoint, toValue(sent) ?? {}),
      enabled: computed(() => toValue(sent) !== null),
      staleTime: 0,
      shallow: true,
    },
    client,
  )
  return {
    value: computed(() => query.data.value as AnswerOf<E> | undefined),
    refusal: computed(() => (query.error.value ? refusalText(query.error.value) : '')),
    reload: async () => {
      await query.refetch({ cancelRefetch: true })
    },
  }
}
