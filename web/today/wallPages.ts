import type { Fleet } from '../../contract/fleet'
import type { KnifeView } from '../../contract/knives'
import { MINUTE_MS } from '../../core/time'
import { dayList } from './dayList'

/** One page of the wall screen: the day as a whole, somebody's knives, or what waits for the stones. */
export type WallPage =
  | { readonly key: string; readonly kind: 'day' }
  | {
      readonly key: string
      readonly kind: 'person' | 'stones'
      readonly name: string
      readonly knives: readonly KnifeView[]
    }

/** So many lines can be read from three metres on a tablet. */
export const WALL_LINES = 4

const parts = <T>(all: readonly T[]): T[][] =>
  Array.from({ length: Math.ceil(all.length / WALL_LINES) }, (_, at) =>
    all.slice(at * WALL_LINES, (at + 1) * WALL_LINES),
  )

/** What the wall shows in turn; people with nothing to do have no page. */
export function wallPages(fleet: Fleet): WallPage[] {
  const { people, stones } = dayList(fleet, null)
  return [
    { key: 'day', kind: 'day' },
    ...people.flatMap(({ person, pressing, toHone }) =>
      parts([...pressing, ...toHone]).map((knives, at) => ({
        key: `${person.id} ${at}`,
        kind: 'person' as const,
        name: person.name,
        knives,
      })),
    ),
    ...parts(stones).map((knives, at) => ({ key: `stones ${at}`, kind: 'stones' as const, name: '', knives })),
  ]
}

/** Before the first and after the last of the day the screen stays lit for so long. */
const AROUND_MS = 30 * MINUTE_MS

/** When the kitchen next has something on, if it rests now; null while it is awake. `undefined`: no more today. */
export function restsUntil(day: Fleet['day'], nowMs: number): string | undefined | null {
  const spans = [...day.services, ...day.quiet]
    .map(({ startsAt, endsAt }) => ({
      from: Date.parse(startsAt) - AROUND_MS,
      to: Date.parse(endsAt) + AROUND_MS,
      startsAt,
    }))
    .sort((a, b) => a.from - b.from)
  const [first] = spans
  if (!first) return undefined
  if (nowMs < first.from) return first.startsAt
  return nowMs > Math.max(...spans.map(({ to }) => to)) ? undefined : null
}
