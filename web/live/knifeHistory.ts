import { endpoints } from '../../contract/endpoints'
import type { TimelineEvent } from '../../contract/events'
import { call } from '../api'

const PAGE = 200

/**
 * What happened to a knife in a span, oldest first; all of it, where no span is named.
 *
 * @param from first instant, ISO 8601
 * @param until what came before this instant
 * @throws Refusal as the server refuses, or cannot be reached
 */
export async function knifeHistory(id: string, from?: string, until?: string): Promise<TimelineEvent[]> {
  const all: TimelineEvent[] = []
  for (;;) {
    const last = all.at(-1)
    const before = last ? { before: last.at, beforeId: last.id } : until === undefined ? {} : { before: until }
    const page = await call(endpoints.timeline, { params: { id }, query: { most: PAGE, ...before } })
    all.push(...page)
    const oldest = page.at(-1)
    if (page.length < PAGE || !oldest || (from !== undefined && oldest.at < from)) break
  }
  return all.filter(({ at }) => from === undefined || at >= from).reverse()
}
